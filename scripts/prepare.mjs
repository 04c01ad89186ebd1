// What every script needs first: a Node that fits, the packages, the build. Plain Node, so that it runs before any install.
import { spawn, spawnSync } from "node:child_process";
import { existsSync, readdirSync, statSync } from "node:fs";
import { createServer } from "node:net";
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
  console.log(
    "Installing packages: about a minute, some more where the database driver has to be compiled, and silent meanwhile …",
  );
  // Not `npm ci`: it refuses a lock file made where the registry lacks the binaries of other platforms.
  if (!run("npm", ["install", "--no-save", "--no-audit", "--no-fund", "--loglevel=error"]))
    stop(
      "The packages could not be installed. The npm registry must be reachable, and better-sqlite3 is compiled where no prebuilt binary can be had: that takes python3, make and g++ (apt-get install python3 make g++).",
    );
}

function newest(path) {
  if (!existsSync(path)) return 0;
  if (!statSync(path).isDirectory()) return changedAt(path);
  return Math.max(changedAt(path), ...readdirSync(path).map((name) => newest(join(path, name))));
}

export function isBuilt() {
  const sources = ["src", "public", "next.config.ts", "package-lock.json", "tsconfig.json", "postcss.config.mjs"];
  return changedAt(".next/BUILD_ID") > Math.max(...sources.map(newest));
}

export function build() {
  if (isBuilt()) return;
  console.log("Building …");
  if (!run(bin("next"), ["build"])) stop("The build failed; what is wrong stands above.");
}

/** A stop that was asked for is waited for so long, ms; then it is done. */
const PATIENCE = 5_000;
const LOOPBACK = ["127.0.0.1", "localhost", "::1"];

function whyNot(port, host) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once("error", ({ code }) => resolve(code));
    probe.listen({ port, host }, () => probe.close(() => resolve(null)));
  });
}

/** Starts the server and waits for its end; stopping this stops it. */
export async function serve(env = {}) {
  const port = Number(process.env.PORT ?? 4620);
  const host = process.env.ORCHARD_HOST ?? "127.0.0.1";
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    stop(`PORT=${process.env.PORT} is no port: a whole number from 1 to 65535 is one, like PORT=4621.`);
  if (!LOOPBACK.includes(host))
    stop(
      `ORCHARD_HOST=${host} would open the garden to everybody on the network: there is no password yet. It serves this machine only: 127.0.0.1, ::1 or localhost.`,
    );
  const trouble = await whyNot(port, host);
  if (trouble === "EADDRINUSE")
    stop(`Port ${port} is taken, perhaps by a Nimble Orchard that runs already. Name another: PORT=${port + 1}`);
  if (trouble === "EACCES") stop(`Port ${port} may not be used by this user. Name one above 1023, like PORT=4621.`);
  if (trouble) stop(`Nothing can be served on ${host}, port ${port} (${trouble}).`);
  const at = host.includes(":") ? `[${host}]` : host;
  console.log(`\nNimble Orchard: http://${at}:${port}\n`);
  const server = spawn(
    process.execPath,
    [join("node_modules", "next", "dist", "bin", "next"), "start", "-H", host, "-p", String(port)],
    {
      stdio: "inherit",
      env: { ...process.env, ...env },
    },
  );
  let asked = false;
  const end = () => {
    if (asked) return;
    asked = true;
    server.kill("SIGTERM");
    setTimeout(() => server.kill("SIGKILL"), PATIENCE).unref();
  };
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, end);
  // npm hands a stop on to the shell between them, which ends without a word to this one.
  const above = process.ppid;
  if (process.env.npm_lifecycle_event) setInterval(() => process.ppid !== above && end(), 500).unref();
  server.on("exit", (status) => process.exit(asked ? 0 : (status ?? 1)));
}
