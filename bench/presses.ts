import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { median } from "simple-statistics";
import { SCREENS } from "../e2e/screens";
import { startServer } from "../e2e/server";
import { page, pagesOfRecords, post } from "./asking";
import { fillLarge } from "./garden";

const RUNS = 7;

type Row = { id: string; version: string };

/** A garden of so many seasons on a server of its own, with one record of each kind to look at. */
async function served(folder: string, seasons: number) {
  const path = join(folder, `${seasons}.db`);
  fillLarge(path, seasons);
  const db = new Database(path, { readonly: true });
  const pages = [...SCREENS, ...pagesOfRecords(db)];
  const score = db.prepare("SELECT plantId, yardstickId FROM score ORDER BY id DESC LIMIT 1").get() as object;
  db.close();
  return { pages, score, server: await startServer("demo", path) };
}
type Served = Awaited<ReturnType<typeof served>>;

async function asked(url: string): Promise<number> {
  const from = performance.now();
  await page(url);
  return performance.now() - from;
}

/** Presses that change what pages rest on, each time to something else. */
function pressesOn({ server, score }: Served): Record<string, (n: number) => Promise<void>> {
  const now = <T>(sql: string): T => {
    const db = new Database(server.db, { readonly: true });
    const row = db.prepare(sql).get() as T;
    db.close();
    return row;
  };
  const send = (name: string, input: object) => post(server.url, `/api/commands/${name}`, input);
  return {
    bed: (n) => send("bed.change", { ...now<Row>("SELECT id, version FROM bed LIMIT 1"), length: 5 + (n % 9) / 10 }),
    planting: (n) =>
      send("stand.change", {
        ...now<Row>("SELECT id, version FROM stand WHERE season = 2027 LIMIT 1"),
        cameUp: 20 + (n % 5),
      }),
    score: (n) => send("score.set", { ...score, value: String(n % 97) }),
  };
}

/** Every page warm, and right after presses that change what it rests on, in gardens of ten and of more seasons. */
export async function benchPresses(more: number): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "orchard-bench-"));
  const gardens = [await served(folder, 10), await served(folder, more)];
  console.log(
    `Pages of a garden of ten seasons, ms warm | × after a bed | × after a planting | × after a score | × in ${more} seasons`,
  );
  const warm = async ({ server }: Served, at: string) => {
    const times: number[] = [];
    for (let run = -2; run < RUNS; run++) {
      const took = await asked(server.url + at);
      if (run >= 0) times.push(took);
    }
    return median(times);
  };
  const [ten, many] = gardens as [Served, Served];
  const presses = pressesOn(ten);
  let n = 0;
  for (const [i, at] of ten.pages.entries()) {
    const usual = await warm(ten, at);
    const after: number[] = [];
    for (const press of Object.values(presses)) {
      const times: number[] = [];
      for (let run = 0; run < RUNS; run++) {
        await press(++n);
        times.push(await asked(ten.server.url + at));
      }
      after.push(median(times) / usual);
    }
    const cells = [usual, ...after, (await warm(many, many.pages[i]!)) / usual];
    console.log(`${at.padEnd(24)} ${cells.map((cell) => cell.toFixed(1).padStart(7)).join(" ")}`);
  }
  for (const { server } of gardens) await server.stop();
  rmSync(folder, { recursive: true });
}
