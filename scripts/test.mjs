import { chromium } from "./chromium.mjs";
import { bin, build, checkNode, install, run, stop } from "./prepare.mjs";

checkNode();
install();
chromium();

const steps = [
  ["format and lint", () => run(bin("biome"), ["ci", "--error-on-warnings"])],
  ["types", () => run(bin("next"), ["typegen"]) && run(bin("tsc"), ["--noEmit"])],
  ["layers", () => run(bin("depcruise"), ["src", "demo", "e2e", "bench"])],
  ["dead code", () => run(bin("knip"), [])],
  ["unit tests", () => run(bin("vitest"), ["run"])],
  ["build", () => build() ?? true],
  ["browser tests", () => run(bin("playwright"), ["test"])],
];
for (const [name, step] of steps) {
  const from = Date.now();
  console.log(`\n== ${name}`);
  if (!step()) stop(`Failed: ${name}.`);
  console.log(`== ${name}: ${((Date.now() - from) / 1000).toFixed(0)} s`);
}
console.log("\nAll green.");
