import { spawn } from "node:child_process";
import { existsSync, statfsSync } from "node:fs";
import { chromium } from "./chromium.mjs";
import { bin, checkNode, install, isBuilt, run, stop } from "./prepare.mjs";

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

const seconds = (from) => `${((Date.now() - from) / 1000).toFixed(0)} s`;

/** Runs programs one after another, unheard; what they said is told where one fails. */
async function quiet(name, commands) {
  const from = Date.now();
  for (const [program, args] of commands) {
    const said = [];
    const child = spawn(bin(program), args, { stdio: ["ignore", "pipe", "pipe"] });
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (data) => said.push(data));
    const status = await new Promise((ended) => child.on("exit", ended));
    if (status !== 0) {
      process.stdout.write(Buffer.concat(said));
      return `Failed: ${name} (${program}).`;
    }
  }
  console.log(`== ${name}: ${seconds(from)}`);
  return null;
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
