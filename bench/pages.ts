import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { median } from "simple-statistics";
import { SCREENS } from "../e2e/screens";
import { startServer } from "../e2e/server";
import { page, pagesOfRecords, post } from "./asking";
import { serveEmptyPage } from "./emptyPage";
import { benchFlowers } from "./flowers";
import { fillLarge } from "./garden";
import { benchIsolation } from "./isolation";
import { benchJournal } from "./journal";
import { benchLight } from "./light";
import { benchLines } from "./lines";
import { benchPooling } from "./pooling";
import { benchPublished } from "./published";
import { benchSeed } from "./seed";
import { benchSelection } from "./selection";
import { benchWork } from "./work";

const RUNS = 25;

async function timed(work: () => Promise<unknown>): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < RUNS + 3; i++) {
    const from = performance.now();
    await work();
    if (i >= 3) times.push(performance.now() - from);
  }
  return median(times);
}

benchIsolation();
benchPublished();
benchPooling();
benchFlowers();
benchJournal();
benchWork();
benchSeed();
benchSelection();
benchLines();

const folder = mkdtempSync(join(tmpdir(), "orchard-bench-"));
const path = join(folder, "large.db");
const began = performance.now();
fillLarge(path);
const db = new Database(path, { readonly: true });
const count = (table: string) => db.prepare(`SELECT count(*) FROM "${table}"`).pluck().get();
console.log(
  `Ten seasons: ${["line", "stand", "plant", "score", "cross", "flower", "lot", "test", "op"].map((t) => `${count(t)} ${t}`).join(", ")}; filled in ${((performance.now() - began) / 1000).toFixed(1)} s`,
);
const any = (sql: string) => db.prepare(sql).pluck().get();
const records = pagesOfRecords(db);
const [plantId, yardstickId] = db.prepare("SELECT plantId, yardstickId FROM score LIMIT 1").raw().get() as string[];
const crossId = any("SELECT id FROM cross ORDER BY code LIMIT 1");
const [lots, tested] = [count("lot"), any("SELECT count(DISTINCT lotId) FROM test")];
db.close();

const large = await startServer("demo", path);
const empty = await startServer("empty");
const bare = await serveEmptyPage();
/** Pages are asked for in turn, so that a busy moment of the machine falls on all alike. */
async function inTurn(urls: string[]): Promise<number[]> {
  const times = urls.map((): number[] => []);
  for (let run = 0; run < RUNS + 3; run++)
    for (const [i, url] of urls.entries()) {
      const from = performance.now();
      await page(url);
      if (run >= 3) times[i]!.push(performance.now() - from);
    }
  return times.map(median);
}
console.log(
  `\nServer time of a page, median of ${RUNS}, ms: ten seasons | empty garden | Next's empty page | × empty garden | × empty page`,
);
const tell = (at: string, [full, none, next]: number[], note = "") => {
  const cells = [full, none, next, full! / none!, full! / next!].map((n) => n!.toFixed(1).padStart(8));
  console.log(`${at.padEnd(18)} ${cells.join(" ")}${note}`);
};
for (const at of SCREENS) tell(at, await inTurn([large.url + at, empty.url + at, bare.url]));
for (const at of records)
  tell(
    at,
    await inTurn([large.url + at, `${empty.url}/guide`, bare.url]),
    "  (against the guide: no such record when empty)",
  );
bare.stop();
await benchLight(large.url, [...SCREENS, ...records]);
let value = 0;
const score = await timed(() => {
  value = (value + 1) % 97;
  return post(large.url, "/api/commands/score.set", { plantId, yardstickId, value: String(value) });
});
const flower = await timed(() => post(large.url, "/api/commands/flower.cover", { crossId, flowers: 1 }));
const nothing = await timed(() =>
  post(large.url, "/api/compute/heterozygosity", { generations: 3, selfingRate: 1, initial: 0.5 }),
);
console.log(`\nA flower covered, in a season of 5,000: ${flower.toFixed(1)} ms`);
console.log(
  `A recorded score, journal and disk included: ${score.toFixed(1)} ms; an answer that writes nothing: ${nothing.toFixed(1)} ms; ratio ${(score / nothing).toFixed(1)}`,
);
/** The whole drawer is reckoned anew after a press: the first look at it, beside the same on an empty garden. */
const afterPress = async (server: string) => {
  const times: number[] = [];
  for (let i = 0; i < 7; i++) {
    await post(server, "/api/commands/task.add", { title: `task ${i}`, due: "2027-08-01" });
    const from = performance.now();
    await page(`${server}/seed`);
    times.push(performance.now() - from);
  }
  return median(times);
};
const [drawer, none] = [await afterPress(large.url), await afterPress(empty.url)];
console.log(
  `\nSeed looked at after a press, ${lots} lots of which ${tested} were tested: ${drawer.toFixed(0)} ms; on an empty garden ${none.toFixed(0)} ms; ratio ${(drawer / none).toFixed(1)}`,
);
await large.stop();
await empty.stop();
rmSync(folder, { recursive: true });
