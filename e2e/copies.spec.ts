import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { APIRequestContext } from "@playwright/test";
import Database from "better-sqlite3";
import sharp from "sharp";
import { v7 } from "uuid";
import { nthId } from "../src/core/custody/id";
import { expect, startServer, test } from "./server";

type Row = { id: string; version: string; plantId: string; yardstickId: string };

const SCORED = `SELECT s.id, s.version, s.plantId, s.yardstickId FROM score s JOIN yardstick y ON y.id = s.yardstickId
  WHERE y.kind = 'number' ORDER BY s.id LIMIT 1`;

async function press(request: APIRequestContext, server: string, name: string, data: object) {
  const answer = await request.post(`${server}/api/commands/${name}`, { data });
  expect(answer.status(), await answer.text()).toBe(200);
}

/** A picture taken of a plant: its file first, then the press that speaks of it. @returns the picture's address */
async function picture(request: APIRequestContext, server: string, plantId: string): Promise<string> {
  const press = v7();
  const address = `/api/photos/${nthId(press, 1)}`;
  const data = await sharp({ create: { width: 60, height: 40, channels: 3, background: "#393" } })
    .png()
    .toBuffer();
  const sent = (type: string, body: Buffer) =>
    request.post(server + address, { headers: { "content-type": type }, data: body });
  expect((await sent("text/plain", data)).status()).toBe(415);
  expect((await sent("image/png", Buffer.from("none"))).status()).toBe(415);
  expect((await sent("image/png", data)).status()).toBe(200);
  const headers = { "x-request": press };
  const added = await request.post(`${server}/api/commands/photo.add`, { data: { plantId }, headers });
  expect(added.status(), await added.text()).toBe(200);
  return address;
}

/** A garden's backup, taken to another machine and written on there. */
async function writtenOn(request: APIRequestContext, from: string, path: string, scored: Row): Promise<string> {
  writeFileSync(path, await (await request.get(`${from}/api/backup`)).body());
  writeFileSync(`${path}.device`, v7());
  const db = new Database(path, { readonly: true });
  Object.assign(scored, db.prepare(SCORED).get());
  const bed = db.prepare("SELECT id, version FROM bed ORDER BY name LIMIT 1").get() as object;
  db.close();
  const other = await startServer("demo", path);
  await press(request, other.url, "bed.add", { name: "Made elsewhere", x: 0, y: 40, width: 2, length: 2 });
  await press(request, other.url, "bed.change", { ...bed, name: "Named elsewhere" });
  const { plantId, yardstickId, version } = scored;
  await press(request, other.url, "score.set", { plantId, yardstickId, version, value: "3" });
  const photo = await picture(request, other.url, plantId);
  writeFileSync(path.replace(".db", ".zip"), await (await request.get(`${other.url}/api/archive`)).body());
  await other.stop();
  return photo;
}

test("a copy that was written on elsewhere comes in: seen first, decided, all at once, and taken back", async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ baseURL: demo.url });
  const folder = mkdtempSync(join(tmpdir(), "orchard-copies-"));
  const copy = join(folder, "elsewhere.zip");
  const scored = {} as Row;
  const photo = await writtenOn(page.request, demo.url, join(folder, "elsewhere.db"), scored);
  const { plantId, yardstickId, version } = scored;
  await press(page.request, demo.url, "score.set", { plantId, yardstickId, version, value: "8" });

  await page.goto("/shed");
  await page.getByRole("link", { name: "Bring two copies together" }).click();
  const choose = page.getByLabel("The other copy");
  for (const [name, bytes, words] of [
    ["torn.db", Buffer.from("SQLite format 3\0torn"), "no garden's database, or it is damaged"],
    ["empty.db", Buffer.alloc(0), "no garden's database"],
    ["torn.zip", Buffer.from("PK torn"), "no archive of a garden"],
  ] as const) {
    await choose.setInputFiles({ name, mimeType: "application/octet-stream", buffer: bytes });
    await expect(page.getByRole("alert").filter({ hasText: words })).toBeVisible();
  }
  await choose.setInputFiles(copy);
  await expect(page.getByRole("heading", { name: "4 entries of elsewhere.zip come in" })).toBeVisible();
  const question = page.getByRole("group", { name: /plant \d+ of/ });
  await expect(question).toContainText("This copy: Score: 8");
  await expect(question).toContainText("The other copy: Score: 3");
  const bring = page.getByRole("button", { name: "Bring it in" });
  await expect(bring).toBeDisabled();
  await question.getByRole("radio", { name: /The other copy/ }).check();
  await bring.click();
  await expect(page.getByRole("status").filter({ hasText: "brought in: 4 entries" })).toBeVisible();
  // The picture came with its row.
  const seen = await page.request.get(demo.url + photo);
  expect(await sharp(await seen.body()).metadata()).toMatchObject({ format: "jpeg", width: 60, height: 40 });
  await page.goto("/ground");
  await expect(page.getByRole("button", { name: /^Bed Made elsewhere/ })).toBeVisible();
  await expect(page.getByRole("button", { name: /^Bed Named elsewhere/ })).toBeVisible();

  await page.goto("/shed/copies");
  await choose.setInputFiles(copy);
  await expect(page.getByRole("alert").filter({ hasText: "Everything in that copy is here already" })).toBeVisible();
  await page.goto("/shed/history");
  await page.getByRole("button", { name: /^Undo: Another copy of the garden brought in/ }).click();
  await expect(page.getByText(/^Undone: Another copy/).first()).toBeVisible();
  await page.goto("/ground");
  await expect(page.getByRole("button", { name: /^Bed A/ })).toBeVisible();
  await expect(page.getByRole("button", { name: /^Bed Made elsewhere/ })).toHaveCount(0);
  rmSync(folder, { recursive: true });
  await page.close();
});

test("what is no copy is refused at the door, and answers that are none too", async ({ browser, demo }) => {
  const page = await browser.newPage({ baseURL: demo.url });
  const post = async (path: string, options: object) => (await page.request.post(path, options)).status();
  expect(await post("/api/merge", { data: { a: 1 } })).toBe(415);
  expect(await post("/api/merge/bring", { data: { answers: {} } })).toBe(422);
  expect(await post("/api/merge/bring", { data: { answers: { x: "both" } } })).toBe(400);
  await page.close();
});
