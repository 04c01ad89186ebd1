import { afterEach, beforeEach, expect, test } from "vitest";
import { nameWithGeneration } from "@/core/custody/generation";
import { ended } from "@/core/lists/ended";
import { VIEW_JOBS } from "@/views/jobs";
import { plansOf, plansView } from "@/views/plans";
import { todayView } from "@/views/today";
import { standsOfSeason } from "../stand/queries";
import { family, NOBODY, type Plot, plot } from "./plot";

const CROSSING = { act: "cross", plants: 8, hands: 1, title: "parents: cross the parents, 1 by hand" };

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

test("a plan that is adopted stands in the coming seasons, and its work on Today", () => {
  const { lineId } = family(garden);
  const code = garden.code("line", lineId);
  expect(plansView(garden.sky(), code)).toMatchObject({ sown: "2029-05-10", generation: 1, line: { name: "Lantern" } });
  expect(plansView(garden.sky(), "L99-001-X")).toBe(null);
  const seasons = [
    { act: "select-self", plants: 60, hands: 5, title: "F2: self the best, 5 by hand" },
    { act: "compare", plants: 50, hands: 0, title: "F3: compare" },
  ];
  const { entry } = garden.done("line.adopt", { lineId, sown: "2029-05-10", generation: 2, seasons });
  const stands = () =>
    garden.db
      .prepare(
        "SELECT sown, season, generation, wanted, planned, family FROM stand WHERE lineId = ? AND planned = 1 ORDER BY sown",
      )
      .all(lineId);
  expect(stands()).toEqual([
    { sown: "2029-05-10", season: 2029, generation: 2, wanted: 60, planned: 1, family: 1 },
    { sown: "2030-05-10", season: 2030, generation: 3, wanted: 50, planned: 1, family: 1 },
  ]);
  const tasks = garden.db.prepare("SELECT title, due FROM task ORDER BY due").all() as { title: string; due: string }[];
  expect(tasks.map(({ title }) => title)).toEqual(["Lantern: F2: self the best, 5 by hand", "Lantern: F3: compare"]);
  // They are due as it flowers, not as it is sown.
  expect(tasks[0]!.due > "2029-06-01" && tasks[0]!.due < "2029-09-01").toBe(true);
  garden.on(tasks[0]!.due);
  expect(todayView(garden.sky()).tasks.some((one) => JSON.stringify(one).includes("self the best"))).toBe(true);
  garden.on("2028-05-10");
  garden.undone(entry);
  expect(stands()).toEqual([]);
});

const stood = () =>
  garden.db
    .prepare(
      `SELECT l.name, s.generation, s.season, s.wanted FROM stand s JOIN line l ON l.id = s.lineId
         WHERE s.planned = 1 ORDER BY s.sown, s.id`,
    )
    .raw()
    .all();
const crossed = () =>
  garden.db
    .prepare(
      `SELECT x.season, x.kind, ml.name, fl.name, l.name, x.generation, x.fruitsWanted, x.note FROM cross x
         JOIN line l ON l.id = x.lineId JOIN stand m ON m.id = x.motherStandId JOIN line ml ON ml.id = m.lineId
         JOIN stand f ON f.id = x.fatherStandId JOIN line fl ON fl.id = f.lineId WHERE x.plannedOn = ? ORDER BY x.season`,
    )
    .raw()
    .all(garden.sky().today);
const newLine = (name: string, species = "melon") => garden.line(name, species);

test("crosses of a plan are planned crosses, and what comes of them are lines: back to a parent twice, then selfed", () => {
  const [lineId, otherId] = [newLine("Ashlar"), newLine("Moon")];
  const back = (name: string) => ({ act: "backcross", plants: 40, hands: 3, title: `${name}: cross back` });
  const seasons = [CROSSING, back("F1"), back("BC1"), { act: "compare", plants: 40, hands: 0, title: "BC2: compare" }];
  const told = { lineId, otherId, sown: "2029-05-10", back: "father", seasons };
  const { entry } = garden.done("line.adopt", told);
  const [f1, bc1, bc2] = ["Ashlar × Moon", "Ashlar × Moon × Moon", "Ashlar × Moon × Moon × Moon"];
  expect(stood()).toEqual([
    ["Ashlar", null, 2029, 4],
    ["Moon", null, 2029, 4],
    [f1, 1, 2030, 40],
    ["Moon", null, 2030, 4],
    [bc1, 1, 2031, 40],
    ["Moon", null, 2031, 4],
    [bc2, 1, 2032, 40],
  ]);
  expect(crossed()).toEqual([
    [2029, "cross", "Ashlar", "Moon", f1, 1, 1, CROSSING.title],
    [2030, "cross", f1, "Moon", bc1, 1, 3, "F1: cross back"],
    [2031, "cross", bc1, "Moon", bc2, 1, 3, "BC1: cross back"],
  ]);
  const names = standsOfSeason(garden.db, 2032).map(nameWithGeneration);
  expect(names).toEqual([`${bc2} BC2`]);
  expect(garden.db.prepare("SELECT title FROM task").pluck().all()).toEqual([`${bc2}: BC2: compare`]);
  garden.undone(entry);
  expect([stood(), crossed()]).toEqual([[], []]);
});

test("a parent that is to stand there anyhow is sown once; an F1 that was crossed back goes on in the line of that", () => {
  const { lineId } = family(garden);
  const { fatherLineId } = garden.row("line", lineId);
  const seasons = [{ act: "backcross", plants: 30, hands: 3, title: "BC1: cross back" }];
  const told = { lineId, sown: "2029-05-10", back: "father", crossedBack: true, generation: 1, seasons };
  const father = garden.db.prepare("SELECT name FROM line WHERE id = ?").pluck().get(fatherLineId) as string;
  garden.done("stand.add", { lineId: fatherLineId, sown: "2029-05-12" });
  garden.done("line.adopt", told);
  const bc1 = `Lantern × ${father}`;
  expect(stood()).toEqual([
    [bc1, 1, 2029, 30],
    [father, null, 2029, null],
  ]);
  expect(crossed()).toEqual([[2029, "cross", bc1, father, `${bc1} × ${father}`, 1, 3, "BC1: cross back"]]);
  expect(garden.refused("line.adopt", { ...told, lineId: fatherLineId }).fields.back).toContain("not on record");
});

test("pairs are crossed within the stand, and count as a generation", () => {
  const pair = (name: string) => ({ act: "pair", plants: 20, hands: 5, title: `${name}: cross the best in pairs` });
  const { lineId } = family(garden);
  garden.done("line.adopt", { lineId, sown: "2029-05-10", generation: 2, seasons: [pair("F2"), pair("cycle 1")] });
  expect(stood().map((row) => (row as unknown[]).slice(0, 2))).toEqual([
    ["Lantern", 2],
    ["Lantern", 3],
  ]);
  expect(crossed().map((row) => (row as unknown[]).slice(1, 7))).toEqual([
    ["intercross", "Lantern", "Lantern", "Lantern", 3, 5],
    ["intercross", "Lantern", "Lantern", "Lantern", 4, 5],
  ]);
});

test("each way for a crop with what it takes of ground and years, and why it is not for it", () => {
  const asked = { genes: 1, hidden: 0, plants: 20, seasons: 4, heritability: 0.4 };
  const laid = (species: string, more: object = {}) => {
    const lineId = garden.done("line.add", {
      name: species,
      species,
      school: "keep-pure",
      status: "open-pollinated",
      ...more,
    }).id;
    expect(VIEW_JOBS.get("lines.plans")!.schema.validate({ lineId, ...asked }).error).toBeUndefined();
    const job = plansOf(garden.db, { lineId, ...asked });
    return new Map(ended(job).plans.map((plan) => [plan.scheme, plan]));
  };
  const lettuce = laid("lettuce");
  expect(
    [...lettuce.values()]
      .filter(({ not }) => not !== null)
      .map(({ scheme }) => scheme)
      .sort(),
  ).toEqual(["half-sib", "mass", "pure-line", "undo-hybrid"]);
  expect([...lettuce.values()].findLastIndex(({ not }) => not === null)).toBe(6);
  // Only the cross of the parents asks for a hand where all else selfs by itself.
  expect(lettuce.get("pedigree")).toMatchObject({ years: 4, hands: 1 });
  expect(lettuce.get("pedigree")!.hours).toBeCloseTo((lettuce.get("pedigree")!.plants * 6 + 25) / 60, 10);
  const beet = laid("beet");
  expect(beet.get("pedigree")!.not).toContain("refuse");
  expect(beet.get("mass")).toMatchObject({ years: 8, not: null });
  expect(laid("pepper", { status: "f1-hybrid" }).get("undo-hybrid")!.not).toBe(null);
});

test("what is inherited is what the line's own plants showed; else as its traits usually are; else as it is told", () => {
  const { lineId, stand, plants } = family(garden, 9);
  const told = { lineId, name: "Weight", kind: "number", unit: "kg", wanted: "high" };
  const yardstickId = garden.done("yardstick.add", told).id;
  const asked = { lineId, genes: 1, hidden: 0, plants: 20, seasons: 4, heritability: null };
  const inherited = (more: object = {}) => ended(plansOf(garden.db, { ...asked, ...more })).inherited;
  // Nobody looked: what numbers of a trait are usually inherited.
  expect(inherited()).toEqual({ low: 0.15, high: 0.6, of: "kinds" });
  expect(inherited({ heritability: 0.3 })).toEqual({ low: expect.closeTo(0.2), high: expect.closeTo(0.4), of: "told" });
  expect(inherited({ heritability: 0.95 }).high).toBe(0.98);
  garden.on("2028-08-20");
  for (const [i, plantId] of plants.entries())
    garden.done("score.set", { plantId, yardstickId, value: String(1 + ((i * 7) % 24) / 10) });
  expect(inherited()).toMatchObject({ of: { code: garden.code("stand", stand), plants: 9 } });
});

test.each([
  [{ sown: "2028-05-10" }, "sown", "still to come"],
  [{ seasons: [] }, "seasons", "one"],
  [{ every: 4 }, "every", "3"],
  [{ seasons: [CROSSING] }, "otherId", "Choose the line"],
  [{ seasons: [CROSSING], otherId: NOBODY }, "otherId", "Choose the line"],
  [{ seasons: [{ ...CROSSING, act: "backcross" }], back: "neither" }, "back", "one of"],
])("a plan with %j is refused beside %s", (more, field, words) => {
  const { lineId } = family(garden);
  const seasons = [{ act: "select-self", plants: 9, hands: 0, title: "F2" }];
  const told = { lineId, sown: "2029-05-10", seasons, ...more };
  expect(garden.refused("line.adopt", told).fields[field]).toContain(words);
});
