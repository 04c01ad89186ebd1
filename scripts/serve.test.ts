import { spawnSync } from "node:child_process";
import { createServer, type Server } from "node:net";
import { afterAll, beforeAll, expect, test } from "vitest";

/** What serving says and how it ends, where it refuses. */
const served = (env: Record<string, string>) =>
  spawnSync(process.execPath, ["-e", "import('./scripts/prepare.mjs').then(({ serve }) => serve())"], {
    env: { ...process.env, ...env },
    encoding: "utf8",
    timeout: 20_000,
  });

let taken: Server;
let port: string;
beforeAll(async () => {
  taken = createServer();
  await new Promise<void>((listening) => taken.listen(0, "127.0.0.1", listening));
  port = String((taken.address() as { port: number }).port);
});
afterAll(() => taken.close());

test.each([
  ["a port that is taken", () => ({ PORT: port }), () => `Port ${port} is taken`],
  ["a port that is none", () => ({ PORT: "ten" }), () => "PORT=ten is no port"],
  ["a port beyond the last", () => ({ PORT: "65536" }), () => "PORT=65536 is no port"],
  ["an address the network can reach", () => ({ ORCHARD_HOST: "0.0.0.0" }), () => "there is no password yet"],
  ["a name that may be anybody's", () => ({ ORCHARD_HOST: "orchard.example" }), () => "there is no password yet"],
])("%s is refused in one sentence, before anything is started", (_, env, words) => {
  const { status, stdout, stderr } = served(env());
  expect(stderr).toContain(words());
  expect(stderr.trim().split("\n")).toHaveLength(1);
  expect([status, stdout]).toEqual([1, ""]);
});
