import { existsSync, statfsSync } from "node:fs";
import { chromium } from "./chromium.mjs";
import { bin, checkNode, install, isBuilt, run, stop } from "./prepare.mjs";
import { quiet, seconds } from "./quiet.mjs";

checkNode();
install();
chromium();

// Thousands of gardens are made and thrown away: in memory, where there is room enough.
const MEMORY = "/dev/shm";
const ROOM = 2e9;
if (existsSync(MEMORY)) {
  const { bavail, bsize } = statfsSync(MEMORY);
  if (bavail * bsize > ROOM) process.env.TMPDIR ??= MEMORY;
}

// What only reads the source, and then the build, run beside the unit tests.
const trouble = await Promise.all([
  quiet("format, lint, types, dead code, build", [
    ["biome", ["ci", "--error-on-warnings"]],
    ["next", ["typegen"]],
    ["tsc", ["--noEmit"]],
    ["knip", []],
    ...(isBuilt() ? [] : [["next", ["build"]]]),
  ]),
  quiet("unit tests", [["vitest", ["run"]]]),
]);
const failed = trouble.filter(Boolean);
if (failed.length > 0) stop(failed.join(" "));
const from = Date.now();
if (!run(bin("playwright"), ["test"])) stop("Failed: browser tests.");
console.log(`== browser tests: ${seconds(from)}`);
console.log("\nAll green.");
