import { bin, build, checkNode, install, run } from "./prepare.mjs";

checkNode();
install();
build();
process.exit(run(bin("tsx"), ["bench/pages.ts"]) ? 0 : 1);
