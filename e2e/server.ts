import { type ChildProcess, spawn } from "node:child_process";
import { cpSync, existsSync, mkdtempSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { test as base, type Page } from "@playwright/test";

export const DEMO_DB = join(tmpdir(), "orchard-e2e-demo.db");

/** A phone in the hand. */
export const PHONE = { viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true, deviceScaleFactor: 1 };

export type Server = {
  url: string;
  db: string;
  kill: () => Promise<void>;
  restart: () => Promise<void>;
  stop: () => Promise<void>;
};

export const freePort = () =>
  new Promise<number>((resolve, reject) => {
    const probe = createServer().on("error", reject);
    probe.listen(0, "127.0.0.1", () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

async function answered(url: string, child: ChildProcess): Promise<void> {
  for (let tries = 0; tries < 150; tries++) {
    if (child.exitCode !== null) throw new Error(`The server ended with ${child.exitCode}`);
    try {
      if ((await fetch(`${url}/api/compute`)).ok) return;
    } catch {
      // Not listening yet.
    }
    await new Promise((wait) => setTimeout(wait, 100));
  }
  throw new Error("The server did not answer in 15 seconds");
}

/** The built application on a port and a database of its own: empty, or a copy of the demo. */
export async function startServer(kind: "empty" | "demo", seed = DEMO_DB): Promise<Server> {
  const folder = mkdtempSync(join(tmpdir(), "orchard-e2e-"));
  const db = join(folder, "orchard.db");
  if (kind === "demo")
    for (const end of ["", ".device", ".photos"])
      if (existsSync(seed + end)) cpSync(seed + end, db + end, { recursive: true });
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  let child: ChildProcess;
  const start = async () => {
    child = spawn(
      process.execPath,
      ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)],
      {
        env: {
          ...process.env,
          ORCHARD_DB: db,
          NODE_ENV: "production",
          NEXT_TELEMETRY_DISABLED: "1",
          ORCHARD_RECORD_UNTIL: "2099-12-31",
        },
        stdio: "ignore",
        detached: true,
      },
    );
    await answered(url, child);
  };
  const kill = () =>
    new Promise<void>((resolve) => {
      if (child.exitCode !== null || child.signalCode !== null) return resolve();
      child.once("exit", () => resolve());
      // The whole group: the server and whatever it started.
      process.kill(-child.pid!, "SIGKILL");
    });
  await start();
  return {
    url,
    db,
    kill,
    restart: start,
    async stop() {
      await kill();
      rmSync(folder, { recursive: true });
    },
  };
}

/** What a test does beside its page: sets the day that the page stands on, and sends commands as on a day before. */
export const beside = (page: Page, url: string, before: string) => ({
  on: (day: string) => page.context().addCookies([{ name: "day", value: day, url }]),
  send: async (name: string, data: object): Promise<string> => {
    const answer = await page.request.post(`/api/commands/${name}`, { data, headers: { "x-day": before } });
    const told = (await answer.json()) as { ok: boolean; id: string; message: string };
    if (!told.ok) throw new Error(`${name}: ${told.message}`);
    return told.id;
  },
});

type Held = Map<"demo" | "empty", { file: string; server: Server }>;

/** The server of a test's file: started with its first test, stopped when another file comes. */
async function ofFile(held: Held, kind: "demo" | "empty", file: string): Promise<Server> {
  const before = held.get(kind);
  if (before?.file === file) return before.server;
  await before?.server.stop();
  held.delete(kind);
  const server = await startServer(kind);
  held.set(kind, { file, server });
  return server;
}

/** Tests with a server of their file's own: what one file writes no other sees. */
export const test = base.extend<{ demo: Server; empty: Server }, { held: Held }>({
  held: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the fixtures a fixture needs from its first argument
    async ({}, use) => {
      const held: Held = new Map();
      await use(held);
      for (const { server } of held.values()) await server.stop();
    },
    { scope: "worker" },
  ],
  demo: async ({ held }, use, { file }) => use(await ofFile(held, "demo", file)),
  empty: async ({ held }, use, { file }) => use(await ofFile(held, "empty", file)),
});
export { expect } from "@playwright/test";
