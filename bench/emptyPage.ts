import { spawn, spawnSync } from "node:child_process";
import { freePort } from "../e2e/server";

const NEXT = "node_modules/next/dist/bin/next";
const FOLDER = "bench/empty";
const env = { ...process.env, NODE_ENV: "production" as const, NEXT_TELEMETRY_DISABLED: "1" };

/** Next's own page with nothing on it, built and served like the application. */
export async function serveEmptyPage(): Promise<{ url: string; stop: () => void }> {
  // The newer bundler takes the application around it for its own.
  const built = spawnSync(process.execPath, [NEXT, "build", "--webpack", FOLDER], { env, encoding: "utf8" });
  if (built.status !== 0) throw new Error(`The empty page was not built: ${built.stdout}${built.stderr}`);
  const port = await freePort();
  const url = `http://127.0.0.1:${port}/`;
  const child = spawn(process.execPath, [NEXT, "start", FOLDER, "-H", "127.0.0.1", "-p", String(port)], {
    env,
    stdio: "ignore",
    detached: true,
  });
  for (let tries = 0; tries < 150; tries++) {
    try {
      if ((await fetch(url)).ok) return { url, stop: () => process.kill(-child.pid!, "SIGKILL") };
    } catch {
      await new Promise((wait) => setTimeout(wait, 100));
    }
  }
  throw new Error("The empty page did not answer in 15 seconds");
}
