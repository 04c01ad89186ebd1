import { bin, checkNode, install, run } from "./prepare.mjs";

checkNode();
install();
process.exit(run(bin("next"), ["dev", "-H", "127.0.0.1", "-p", process.env.PORT ?? "4620"]) ? 0 : 1);
