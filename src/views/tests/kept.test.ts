import { afterAll, beforeAll, expect, test } from "vitest";
import { arrivals } from "@/core/isolation/arrival";
import type { Db } from "@/db/open";
import { bookView } from "../book";
import { CHOICES } from "../choices";
import { crossesView } from "../crosses";
import { crossPlanView } from "../crossPlan";
import { groundView } from "../ground";
import { harvestView } from "../harvest";
import { linesView } from "../lines";
import { nurseryView } from "../nursery";
import { type Outlook, outlook, outlookKept } from "../outlook";
import { pedigreeView } from "../pedigree";
import { roundView } from "../round";
import { arrivalsOf, sceneOf } from "../scene";
import { seasonView } from "../season";
import { drawerPage, seedView } from "../seed";
import { sharingList } from "../sharing";
import { historyView } from "../shed";
import { todayView } from "../today";
import { weeksView } from "../weeks";
import { worksView } from "../works";
import { lived } from "./lived";

let garden: ReturnType<typeof lived>;
beforeAll(() => {
  garden = lived();
});
afterAll(() => garden.close());

const VIEWS: Record<string, (sky: Outlook) => unknown> = {
  today: todayView,
  ground: (sky) => groundView(sky, null, null),
  season: (sky) => seasonView(sky, null),
  round: roundView,
  crosses: (sky) => crossesView(sky, null),
  plan: (sky) => crossPlanView(sky, null),
  book: (sky) => bookView(sky),
  works: (sky) => worksView(sky, null),
  nursery: nurseryView,
  seed: seedView,
  drawer: (sky) => drawerPage(sky),
  harvest: (sky) => harvestView(sky),
  sharing: sharingList,
  lines: linesView,
  weeks: weeksView,
  history: (sky) => historyView(sky, { before: null, words: "", day: "" }),
  // Where every line comes from, and all its seed.
  pedigrees: (sky) => lineIds(sky.db).map((lineId) => pedigreeView(sky, { lineId }, true)),
  choices: (sky) => Object.values(CHOICES).map((choice) => choice(sky, sky.season)),
};

const lineIds = (db: Db) => db.prepare("SELECT id FROM line").pluck().all() as string[];

/** The views that tell something else than they would if nothing was kept. */
function stale(day: string): string[] {
  const [kept, anew] = [outlookKept(garden.db, day), outlook(garden.db, day)];
  return Object.entries(VIEWS).flatMap(([name, view]) =>
    JSON.stringify(view(kept)) === JSON.stringify(view(anew)) ? [] : [name],
  );
}

/** Seed on its way through the table, the drawer and a test. */
function seedInWork() {
  const { done, on, stands } = garden;
  on("2028-07-09");
  const lineId = garden.row("stand", stands.leeks).lineId;
  const tin = done("store.add", {
    name: "Tin",
    temperature: 8,
    humidity: 30,
    desiccantOn: "2028-02-01",
    desiccantEvery: 90,
  }).id;
  const lot = done("lot.receive", { lineId, gathered: "2020-09-01", seeds: 300 }).id;
  done("lot.store", { lotIds: [lot], storeId: tin, since: "2028-01-10" });
  const heads = done("lot.receive", { lineId, gathered: "2028-07-01", fruits: 6 }).id;
  const [cup, tray] = ["cup", "tray"].map((kind) => done("vessel.add", { kind, name: kind }).id);
  done("table.begin", { lotId: heads, way: "thresh", vesselId: cup, on: "2028-07-05", at: "09:00" });
  done("table.move", { lotId: heads, vesselId: tray });
  done("air.read", { storeId: tin, text: "2028-07-01,31,60\n2028-07-02,31,60" });
  const test = done("test.set", { lotId: lot, sown: 40, on: "2028-06-10" }).id;
  done("test.count", { testId: test, up: 21, on: "2028-07-05" });
  done("packet.make", { lotId: lot, packets: 2, seeds: 20 });
  done("stand.change", { id: stands.leeks, version: 1, firstFlower: "2028-07-01" });
  done("task.add", { title: "oil the shears", due: "2028-07-09" });
  const day = done("sharing.add", { name: "Spring", on: "2028-07-20", mostEach: 2 }).id;
  const spare = done("lot.receive", { lineId, gathered: "2027-09-01", seeds: 200 }).id;
  done("sharing.offer", { sharingId: day, lotId: spare, packets: 2, each: 20 });
}

test("what arrives is kept for the stands that a write does not reach, and is what the core reckons for all", () => {
  const { done, stands, row } = garden;
  const season = row("stand", stands.leeks).season as number;
  const arrived = () => arrivalsOf(garden.sky(), season).arrived;
  const anew = () => arrivals(sceneOf(garden.sky(), season));
  const before = arrived();
  expect(before.size).toBeGreaterThan(2);
  expect(before).toEqual(anew());
  const [one] = [...before].find(([, { bySource }]) => bySource.some(({ kind }) => kind === "stand"))!;
  const source = before.get(one)!.bySource.find(({ kind }) => kind === "stand")!.id;
  done("stand.change", { id: source, version: row("stand", source).version as string, plants: 6 });
  const after = arrived();
  expect(after).toEqual(anew());
  expect(after.get(one)).not.toEqual(before.get(one));
  expect([...after].some(([id, arrival]) => before.get(id) === arrival)).toBe(true);
});

test("what is kept tells the same as what is reckoned anew, whatever was written since", () => {
  seedInWork();
  const { db } = garden;
  const ops = db.prepare("SELECT id FROM op WHERE undoes IS NULL ORDER BY clock DESC").pluck().all() as string[];
  expect(ops.length).toBeGreaterThan(60);
  // The newest one by one, the rest in handfuls.
  let taken = 0;
  while (taken < ops.length) {
    expect(stale("2028-07-09"), `${taken} taken back`).toEqual([]);
    const next = ops.slice(taken, taken + (taken < 30 ? 1 : 8));
    for (const op of next) garden.undone(op);
    taken += next.length;
  }
});
