import { afterEach, beforeEach, expect, test } from "vitest";
import { ended } from "@/core/lists/ended";
import { VIEW_JOBS } from "@/views/jobs";
import { plansOf, plansView } from "@/views/plans";
import { family, NOBODY, type Plot, plot } from "./plot";

type Step = { act: string; generation: number; season: number; backcrosses?: number };
/** A generation of a plan, of which only what a test is about is said. */
const step = ({ act, generation, season, backcrosses = 0 }: Step) => ({
  act,
  generation,
  season,
  plants: 40,
  mothers: 1,
  kept: 5,
  guard: "hand",
  backcrosses,
});

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

/** Of every line what is planned of it, generation by generation. */
const planned = () =>
  garden.db
    .prepare(
      `SELECT l.name, p.generation, p.season, p.act FROM plan p JOIN line l ON l.id = p.lineId ORDER BY p.season, p.generation`,
    )
    .raw()
    .all();
const sown = () =>
  garden.db
    .prepare(
      "SELECT l.name, s.season, s.wanted FROM stand s JOIN line l ON l.id = s.lineId WHERE s.planned = 1 ORDER BY s.id",
    )
    .raw()
    .all();
const crossed = () =>
  garden.db
    .prepare(
      `SELECT x.season, x.kind, ml.name, fl.name, l.name, x.generation FROM cross x
         JOIN line l ON l.id = x.lineId JOIN stand m ON m.id = x.motherStandId JOIN line ml ON ml.id = m.lineId
         JOIN stand f ON f.id = x.fatherStandId JOIN line fl ON fl.id = f.lineId WHERE x.plannedOn = ? ORDER BY x.season`,
    )
    .raw()
    .all(garden.sky().today);
const newLine = (name: string, species = "melon") => garden.line(name, species);

test("a way that is taken is the line's plan, and nothing is sown before its seed is there", () => {
  const { lineId } = family(garden);
  const code = garden.code("line", lineId);
  expect(plansView(garden.sky(), code)).toMatchObject({
    sown: "2029-05-10",
    from: { generation: 1, season: 2029, grown: 1 },
    line: { name: "Lantern" },
  });
  expect(plansView(garden.sky(), "L99-001-X")).toBe(null);
  const generations = [
    step({ act: "select-self", generation: 2, season: 2029 }),
    step({ act: "compare", generation: 3, season: 2030 }),
  ];
  const { entry, message } = garden.done("plan.adopt", { lineId, way: "pedigree", generations });
  expect(message).toBe("Lantern: 2 seasons planned");
  expect(planned()).toEqual([
    ["Lantern", 2, 2029, "select-self"],
    ["Lantern", 3, 2030, "compare"],
  ]);
  expect([garden.row("line", lineId).way, sown()]).toEqual(["pedigree", []]);
  garden.undone(entry);
  expect([planned(), garden.row("line", lineId).way]).toEqual([[], null]);
});

test("a plan that begins with a cross sows both parents and plans it; what is crossed back is a line of its own", () => {
  const [lineId, otherId] = [newLine("Ashlar"), newLine("Moon")];
  const generations = [
    step({ act: "cross", generation: 1, season: 2029 }),
    step({ act: "backcross", generation: 1, season: 2030 }),
    step({ act: "backcross", generation: 1, season: 2031, backcrosses: 1 }),
    step({ act: "compare", generation: 1, season: 2032, backcrosses: 2 }),
  ];
  const told = { lineId, otherId, sown: "2029-05-10", back: "father", way: "backcross", generations };
  const { entry, message } = garden.done("plan.adopt", told);
  const [f1, bc1, bc2] = ["Ashlar × Moon", "Ashlar × Moon × Moon", "Ashlar × Moon × Moon × Moon"];
  expect(message).toBe(`Ashlar: 4 seasons planned, to ${bc2}`);
  expect(sown()).toEqual([
    ["Ashlar", 2029, 4],
    ["Moon", 2029, 4],
  ]);
  expect(crossed()).toEqual([[2029, "cross", "Ashlar", "Moon", f1, 1]]);
  expect(planned()).toEqual([
    [f1, 1, 2030, "backcross"],
    [bc1, 1, 2031, "backcross"],
    [bc2, 1, 2032, "compare"],
  ]);
  garden.undone(entry);
  expect([sown(), crossed(), planned()]).toEqual([[], [], []]);
});

test("a parent that is to stand there anyhow is sown once; an F1 that was crossed back goes on in the line of that", () => {
  const { lineId } = family(garden);
  const { fatherLineId } = garden.row("line", lineId);
  const father = garden.db.prepare("SELECT name FROM line WHERE id = ?").pluck().get(fatherLineId) as string;
  const generations = [step({ act: "select-self", generation: 1, season: 2029, backcrosses: 1 })];
  const told = { lineId, back: "father", way: "backcross", generations };
  garden.done("plan.adopt", told);
  expect(planned()).toEqual([[`Lantern × ${father}`, 1, 2029, "select-self"]]);
  expect(garden.refused("plan.adopt", { ...told, lineId: fatherLineId }).fields.back).toContain("not on record");
  const other = newLine("Moon");
  garden.done("stand.add", { lineId: fatherLineId, sown: "2029-05-12" });
  const crossing = [step({ act: "cross", generation: 1, season: 2029 })];
  const more = { lineId: other, otherId: fatherLineId, sown: "2029-05-10", way: "pedigree", generations: crossing };
  garden.done("plan.adopt", more);
  expect(sown().map((row) => (row as unknown[])[0])).toEqual([father, "Moon"]);
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

const CROSSING = step({ act: "cross", generation: 1, season: 2029 });
test.each([
  [{ generations: [CROSSING], otherId: NOBODY, sown: "2029-05-10" }, "otherId", "Choose the line"],
  [{ generations: [CROSSING], sown: "2029-05-10" }, "otherId", "Choose the line"],
  [{ generations: [] }, "generations", "one"],
  [{ generations: [{ ...CROSSING, act: "backcross" }], back: "neither" }, "back", "one of"],
  [{ generations: [{ ...CROSSING, act: "self", kept: 41 }] }, "kept", "can't be kept"],
])("a plan with %j is refused beside %s", (more, field, words) => {
  const { lineId } = family(garden);
  expect(garden.refused("plan.adopt", { lineId, way: "pedigree", ...more }).fields[field]).toContain(words);
});

test("a generation without plants is none", () => {
  const { lineId } = family(garden);
  const told = { lineId, way: "pedigree", generations: [{ ...CROSSING, act: "self", plants: 0 }] };
  expect(garden.refused("plan.adopt", told).message).toContain("plants");
});

test("a cross is begun on a day to come, and with another line", () => {
  const lineId = newLine("Ashlar");
  const told = { lineId, otherId: newLine("Moon"), way: "pedigree", generations: [CROSSING] };
  expect(garden.refused("plan.adopt", { ...told, sown: garden.sky().today }).fields.sown).toContain("still to come");
  expect(garden.refused("plan.adopt", told).fields.sown).toContain("Say when");
  expect(garden.refused("plan.adopt", { ...told, otherId: lineId, sown: "2029-05-10" }).fields.otherId).toContain(
    "another",
  );
});
