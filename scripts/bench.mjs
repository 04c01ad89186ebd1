import { bin, build, checkNode, install, run } from "./prepare.mjs";

checkNode();
install();
const [part, ...rest] = process.argv.slice(2);
if (part) process.exit(run(bin("tsx"), ["bench/alone.ts", part, ...rest]) ? 0 : 1);
build();
process.exit(run(bin("tsx"), ["bench/pages.ts"]) ? 0 : 1);
