// What every script needs first: a Node that fits, the packages, the build. Plain Node, so that it runs before any install.
import { spawnSync } from "node:child_process";
import { existsSync, readdirSync, statSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
process.chdir(ROOT);
process.env.NEXT_TELEMETRY_DISABLED = "1";

export function stop(sentence) {
  console.error(`\n${sentence}`);
  process.exit(1);
}

/** Runs a program with its output shown; false when it failed. */
export function run(program, args, env = {}) {
  const { status, error } = spawnSync(program, args, { stdio: "inherit", env: { ...process.env, ...env } });
  if (error) console.error(error.message);
  return status === 0;
}

export const bin = (name) => join("node_modules", ".bin", name);

export function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 9))
    stop(
      `Nimble Orchard needs Node.js 20.9 or newer; this is ${process.versions.node}. Install one from your system's packages or nodejs.org.`,
    );
}

const changedAt = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0);

export function install() {
  if (changedAt("node_modules/.package-lock.json") >= changedAt("package-lock.json")) return;
  console.log("Installing packages …");
  // Not `npm ci`: it refuses a lock file made where the registry lacks the binaries of other platforms.
  if (!run("npm", ["install", "--no-save", "--no-audit", "--no-fund"]))
    stop(
      "The packages could not be installed. The npm registry must be reachable, and better-sqlite3 is compiled where no prebuilt binary can be had: that takes python3, make and g++ (apt-get install python3 make g++).",
    );
}

function newest(path) {
  if (!existsSync(path)) return 0;
  if (!statSync(path).isDirectory()) return changedAt(path);
  return Math.max(changedAt(path), ...readdirSync(path).map((name) => newest(join(path, name))));
}

export function build() {
  const sources = ["src", "public", "next.config.ts", "package-lock.json", "tsconfig.json", "postcss.config.mjs"];
  if (changedAt(".next/BUILD_ID") > Math.max(...sources.map(newest))) return;
  console.log("Building …");
  if (!run(bin("next"), ["build"])) stop("The build failed; what is wrong stands above.");
}

export function serve(env = {}) {
  const port = process.env.PORT ?? "4620";
  const host = process.env.ORCHARD_HOST ?? "127.0.0.1";
  console.log(`\nNimble Orchard: http://${host}:${port}\n`);
  if (!run(bin("next"), ["start", "-H", host, "-p", port], env))
    stop(`The server ended. If port ${port} is taken, name another: PORT=4621`);
}
