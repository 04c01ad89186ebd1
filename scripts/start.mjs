import { build, checkNode, install, serve } from "./prepare.mjs";

checkNode();
install();
build();
await serve();
