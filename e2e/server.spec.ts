import { spawn, spawnSync } from "node:child_process";
import { existsSync, statSync } from "node:fs";
import Database from "better-sqlite3";
import { v7 } from "uuid";
import { SCHEMA } from "../src/db/migrate";
import { expect, freePort, test } from "./server";

test("pages carry a strict policy, and nothing but the server itself is asked", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  const asked: string[] = [];
  page.on("request", (request) => asked.push(request.url()));
  const answer = (await page.goto("/ground"))!;
  const headers = answer.headers();
  expect(headers["content-security-policy"]).toMatch(/script-src 'self' 'nonce-[\w+/=]+' 'strict-dynamic';/);
  expect(headers["content-security-policy"]).toContain("frame-ancestors 'none'");
  expect(headers).toMatchObject({
    "x-content-type-options": "nosniff",
    "x-frame-options": "DENY",
    "referrer-policy": "same-origin",
  });
  await page.waitForLoadState("networkidle");
  expect(asked.filter((url) => !url.startsWith(demo.url) && !url.startsWith("data:"))).toEqual([]);
  await page.close();
});

test("foreign origins, foreign hosts, large bodies and broken JSON are refused and change nothing", async ({
  demo,
}) => {
  const send = (body: string, headers: Record<string, string> = {}, path = "/api/commands/bed.add") =>
    fetch(demo.url + path, { method: "POST", body, headers: { "content-type": "application/json", ...headers } });
  const bed = JSON.stringify({ name: "intruder", x: 0, y: 0, width: 1, length: 1 });
  expect((await send(bed, { origin: "http://evil.example" })).status).toBe(403);
  expect((await send(bed, { "sec-fetch-site": "cross-site" })).status).toBe(403);
  expect((await send(bed, { "content-type": "text/plain" })).status).toBe(415);
  expect((await send(`{"name":"${"x".repeat(300_000)}"}`)).status).toBe(413);
  expect((await send("{")).status).toBe(400);
  expect((await send("[]")).status).toBe(400);
  expect((await send(bed, {}, "/api/commands/drop.table")).status).toBe(404);
  const db = new Database(demo.db, { readonly: true });
  expect(db.prepare("SELECT count(*) FROM bed WHERE name LIKE 'intr%'").pluck().get()).toBe(0);
  db.close();
  expect((await send(bed, { origin: demo.url })).status).toBe(200);
});

test("no address, however odd, stops the server or is answered with a failure of its own", async ({ demo }) => {
  const seasons = ["0", "51", "1899", "9999", "10000", "-1", "1e9", "NaN", "2027.5", "%00"];
  const codes = ["__proto__", "constructor", "toString", "X27-001-Z", "0", "%F0%9F%8C%BB", "a".repeat(3000)];
  const addresses = [
    ...["/season", "/ground", "/crosses", "/crosses/plan"].flatMap((at) => seasons.map((s) => `${at}?season=${s}`)),
    ...["/crosses", "/nursery", "/seed", "/lines", "/guide", "/api/tags"].flatMap((at) =>
      codes.map((c) => `${at}/${c}`),
    ),
    ...["constructor", "toString", "__proto__"].map((kind) => `/api/tags/${kind}/1`),
    ...[
      "/season?season=2027&season=2028",
      "/ground?stand=%00",
      "/crosses/X27-001-F?flower=999999999999",
      "/crosses/%E0%A4%A",
    ],
    ...["/api/calendar?season=9999", "/api/find?q=%25%5C_", "/api/compute/__proto__", "/shed/history?page=1e12"],
  ];
  const failed: string[] = [];
  for (const address of addresses) {
    // Not a measure of speed: an address that hangs the server hangs it for good.
    const answer = await fetch(demo.url + address, { signal: AbortSignal.timeout(20_000) });
    await answer.arrayBuffer();
    if (answer.status >= 500) failed.push(`${address}: ${answer.status}`);
  }
  expect(failed).toEqual([]);
  for (const method of ["PUT", "DELETE", "PATCH"])
    expect((await fetch(`${demo.url}/api/commands/bed.add`, { method })).status).toBe(405);
});

test("the methods answer as documented", async ({ demo }) => {
  const { methods } = (await (await fetch(`${demo.url}/api/compute`)).json()) as {
    methods: { name: string; source: string; input: object }[];
  };
  expect(methods.map((m) => m.name)).toEqual(expect.arrayContaining(["day-length", "plants-needed", "heterozygosity"]));
  expect(methods.every((m) => m.source && m.input)).toBe(true);
  const post = async (method: string, body: object) => {
    const answer = await fetch(`${demo.url}/api/compute/${method}`, {
      method: "POST",
      body: JSON.stringify(body),
      headers: { "content-type": "application/json" },
    });
    return { status: answer.status, body: (await answer.json()) as object };
  };
  expect(await post("plants-needed", { probability: 0.25, atLeast: 5, confidence: 0.9 })).toEqual({
    status: 200,
    body: { result: { plants: 30 } },
  });
  expect(await post("plants-needed", { probability: 2 })).toMatchObject({
    status: 400,
    body: { error: { details: { probability: /./, atLeast: /./ } } },
  });
  expect((await post("divination", {})).status).toBe(404);
});

test("a backup downloaded while the program runs is a sound database", async ({ demo }) => {
  const copy = new Database(Buffer.from(await (await fetch(`${demo.url}/api/backup`)).arrayBuffer()));
  expect(copy.pragma("integrity_check", { simple: true })).toBe("ok");
  expect(copy.prepare("SELECT name FROM garden").pluck().get()).toBe("Tarnholt");
  copy.close();
});

test("a database written by a newer program is refused at the start, in words, and left as it was", async ({
  demo,
}) => {
  const path = `${demo.db}.newer`;
  const newer = new Database(path);
  newer.exec("CREATE TABLE garden (id TEXT PRIMARY KEY); PRAGMA user_version = 99;");
  newer.close();
  const next = ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", "0"];
  const { status, stderr } = spawnSync(process.execPath, next, {
    env: { ...process.env, ORCHARD_DB: path },
    encoding: "utf8",
    timeout: 30_000,
  });
  expect(stderr).toContain(
    `was written by a newer Nimble Orchard (schema 99; this program knows ${SCHEMA}). It was left untouched.`,
  );
  expect(status).toBe(1);
});

const SERVE = "import('./scripts/prepare.mjs').then(({ serve }) => serve())";

// npm puts a shell between, which ends at once and tells nobody.
for (const [how, program, args] of [
  ["itself", process.execPath, ["-e", SERVE]],
  ["through npm's shell", "sh", ["-c", `"${process.execPath}" -e "${SERVE}"; true`]],
] as const)
  test(`told to stop ${how}, it stops within five seconds, and its file is whole by itself`, async ({ demo }) => {
    const path = `${demo.db}.stopped`;
    const own = String(await freePort());
    const started = spawn(program, args, {
      env: { ...process.env, ORCHARD_DB: path, PORT: own, npm_lifecycle_event: "start" },
      stdio: "ignore",
    });
    const status = () =>
      fetch(`http://127.0.0.1:${own}/api/compute`).then(
        (answer) => answer.status,
        () => 0,
      );
    await expect.poll(status, { timeout: 20_000 }).toBe(200);
    started.kill("SIGTERM");
    await expect.poll(status, { timeout: 7_000 }).toBe(0);
    await expect
      .poll(() => existsSync(`${path}-wal`) && statSync(`${path}-wal`).size > 0, { timeout: 7_000 })
      .toBe(false);
  });

test("killed in the middle of a burst of writes, it keeps every write it acknowledged", async ({ demo }) => {
  const line = await fetch(`${demo.url}/api/commands/line.add`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ name: "Burst", species: "tomato", school: "keep-pure", status: "mix" }),
  });
  const { id: lineId } = (await line.json()) as { id: string };
  const acknowledged: string[] = [];
  let number = 0;
  let dead = false;
  const writer = async () => {
    while (!dead) {
      const note = `write ${++number}`;
      try {
        const answer = await fetch(`${demo.url}/api/commands/lot.receive`, {
          method: "POST",
          headers: { "content-type": "application/json", "x-request": v7() },
          body: JSON.stringify({ lineId, gathered: "2027-07-01", seeds: 10, note }),
        });
        if (((await answer.json()) as { ok: boolean }).ok) acknowledged.push(note);
      } catch {
        dead = true;
      }
    }
  };
  const writers = Array.from({ length: 6 }, writer);
  while (acknowledged.length < 60) await new Promise((wait) => setTimeout(wait, 5));
  await demo.kill();
  await Promise.all(writers);
  await demo.restart();
  const db = new Database(demo.db, { readonly: true });
  expect(db.pragma("integrity_check", { simple: true })).toBe("ok");
  expect(db.pragma("foreign_key_check")).toEqual([]);
  const kept = new Set(db.prepare("SELECT note FROM lot WHERE lineId = ?").pluck().all(lineId) as string[]);
  expect(acknowledged.filter((note) => !kept.has(note))).toEqual([]);
  // Rows and their journal entries stand or fall together.
  expect(
    db.prepare("SELECT count(*) FROM op WHERE command = 'lot.receive' AND summary LIKE '%Burst%'").pluck().get(),
  ).toBe(kept.size);
  db.close();
  expect((await fetch(`${demo.url}/seed`)).status).toBe(200);
});
