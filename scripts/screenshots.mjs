import { chromium } from "./chromium.mjs";
import { bin, build, checkNode, install, run } from "./prepare.mjs";

checkNode();
install();
chromium();
build();
process.exit(run(bin("tsx"), ["e2e/screenshots.ts"]) ? 0 : 1);
