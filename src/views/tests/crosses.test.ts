import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { type AskedOfList, NOTHING_ASKED } from "@/core/lists/listed";
import { type Plot, plot, twoMelons } from "@/records/tests/plot";
import { type BookPart, bookFile, bookFlowers, bookView } from "../book";
import { crossesView, crossView } from "../crosses";
import { crossPlanView } from "../crossPlan";
import { practiceView } from "../practice";
import { todayView } from "../today";
import { worksView } from "../works";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

/** A melon cross whose flowers of one morning did as told. */
function withFlowers(set: number, failed: number, at = "06:00") {
  const made = twoMelons(garden);
  const crossId = garden.done("cross.plan", { ...made.plan, fruitsWanted: 6 }).id;
  const { ids } = garden.done("flower.cover", { crossId, flowers: set + failed, on: "2027-07-01" });
  const record = (results: object[], more: object = {}) => garden.done("flower.record", { crossId, ...more, results });
  record(
    ids.map((id) => ({ id, result: "pollinated" })),
    { on: "2027-07-02", at, males: 2 },
  );
  record(
    ids.map((id, i) => ({ id, result: i < set ? "set" : "failed" })),
    { on: "2027-07-09" },
  );
  return { ...made, crossId, ids };
}

describe("flowers to do", () => {
  test("learn from the grower's own flowers, the nearest hour weighing most", () => {
    const { crossId } = withFlowers(2, 10);
    const { rate, learned } = crossView(garden.sky(), garden.code("cross", crossId))!.state;
    // 0.3 to 0.5 is Beta(38, 57), lightened to twelve flowers, and twelve of its own with two set.
    expect(rate.a).toBeCloseTo(0.4 * 12 + 2, 6);
    expect(rate.b).toBeCloseTo(0.6 * 12 + 10, 6);
    expect(learned.map((l) => l.what)).toEqual(["the catalogue", "Ashlar Gold, before 8 o'clock"]);
  });

  test("tonight's share and the last day to begin are there while both flower, and gone after", () => {
    const { crossId } = withFlowers(1, 3);
    const { evenings, toDo, last } = crossView(garden.sky(), garden.code("cross", crossId))!.state;
    expect(evenings!.tonight).toBeGreaterThan(0);
    expect(evenings!.tonight).toBeLessThanOrEqual(6);
    expect(evenings!.beginBy! <= last!.day).toBe(true);
    expect(toDo.likely).toBeGreaterThanOrEqual(evenings!.tonight);
    garden.on("2027-11-01");
    expect(crossView(garden.sky(), garden.code("cross", crossId))!.state.evenings).toBeNull();
  });

  test("stored pollen reaches past the father's flowering and sets less with age", () => {
    const { crossId } = withFlowers(1, 1);
    const before = crossView(garden.sky(), garden.code("cross", crossId))!.state;
    garden.done("cross.adjust", { id: crossId, version: 1, storage: "freezer", storedOn: "2027-07-05" });
    const after = crossView(garden.sky(), garden.code("cross", crossId))!.state;
    expect(after.rate.likely).toBeLessThan(before.rate.likely);
    expect(after.last!.day >= before.last!.day).toBe(true);
  });

  test("of pollen that is long dead one or two flowers in a hundred are still hoped for", () => {
    const { plan } = twoMelons(garden);
    const id = garden.done("cross.plan", plan).id;
    garden.done("cross.adjust", { id, version: 1, storage: "fridge", storedOn: "2027-07-09" });
    garden.on("2028-06-30");
    const { rate } = crossView(garden.sky(), garden.code("cross", id))!.state;
    // The middle of one and two, whatever spread between crosses is added around it.
    expect(rate.likely).toBeCloseTo(0.015, 3);
  });
});

describe("the day's walk", () => {
  test("timed steps go from bed to bed, and the way's length is told", () => {
    const { plan } = twoMelons(garden);
    for (const [name, x] of [
      ["far", 300],
      ["near", 12],
      ["middle", 150],
    ] as const) {
      const bedId = garden.done("bed.add", { name, x, y: 0, width: 4, length: 4 }).id;
      const stand = garden.done("stand.add", { lineId: 1, bedId, sown: "2027-04-24", plants: 4 }).id;
      const crossId = garden.done("cross.plan", { ...plan, motherStandId: stand, fruitsWanted: 2 }).id;
      garden.done("flower.cover", { crossId, flowers: 2, on: "2027-07-08" });
    }
    const { tasks, walk } = todayView(garden.sky());
    const dawn = tasks.flatMap((t) => (t.kind === "cross" && t.part === "dawn" ? [t.state.cross.motherBed] : []));
    expect([dawn, [...dawn].reverse()]).toContainEqual(["near", "middle", "far"]);
    expect(walk).toMatchObject({ metres: 288 });
    const first = tasks.find((t) => t.kind === "cross" && t.part === "dawn");
    if (first?.kind !== "cross") throw new Error("no dawn");
    expect(first.flowers[0]!.code).toMatch(/^X27-\d{3}-N1-/);
    expect(first.from < "06:00" && first.to < "09:00").toBe(true);
  });

  test("pollen to be stored is a task while the father flowers", () => {
    const { plan } = twoMelons(garden);
    const id = garden.done("cross.plan", plan).id;
    garden.done("cross.adjust", { id, version: 1, storage: "fridge" });
    const stores = () => todayView(garden.sky()).tasks.filter((t) => t.kind === "store").length;
    expect(stores()).toBe(1);
    garden.done("cross.adjust", { id, version: 2, storedOn: "2027-07-09" });
    expect(stores()).toBe(0);
  });

  test("the sun, the first insects and the heat are told, also where the sun does not set", () => {
    twoMelons(garden);
    expect(todayView(garden.sky())).toMatchObject({
      sun: { sunrise: expect.stringMatching(/^05:/), insects: null },
      heat: null,
    });
    const insert = garden.db.prepare("INSERT INTO normal (id, version, min, max) VALUES (?, 'v', 6, 24)");
    for (let month = 1; month <= 12; month++) insert.run(String(month).padStart(2, "0"));
    const told = todayView(garden.sky());
    expect(told.heat).toMatchObject({ max: 24, from: "normal" });
    garden.done("climate.import", { text: "date,min,max\n2027-07-08,9,29" });
    garden.on("2027-07-08");
    expect(todayView(garden.sky()).heat).toMatchObject({ max: 29, from: "readings" });
    garden.on("2027-07-09");
    expect(told.sun.insects!.from > "05:30" && told.sun.insects!.to > told.sun.insects!.from).toBe(true);
    garden.db.prepare("UPDATE garden SET latitude = 78").run();
    expect(todayView(garden.sky()).sun).toMatchObject({ sunrise: null, dusk: null, hours: 24 });
  });
});

describe("mothers against fathers", () => {
  test("each pair shows its chance to meet, kinship, relation and what is planned", () => {
    const { mother, father, crossId } = withFlowers(1, 1);
    const [group] = crossPlanView(garden.sky(), null).groups;
    const at = (id: string) => group!.parents.findIndex((p) => p.id === id);
    const cell = (m: string, f: string) => group!.cells.find((c) => c.mother === at(m) && c.father === at(f))!;
    expect(group!.cells).toHaveLength(4);
    expect(cell(mother, father)).toMatchObject({ relation: "cross", kinship: 0, degree: "freely", possible: true });
    expect(cell(mother, father).meets).toBeGreaterThan(0.95);
    expect(cell(mother, father).planned).toMatchObject({ codes: [garden.code("cross", crossId)], set: 1, wanted: 6 });
    expect(cell(father, mother).planned).toBeNull();
    expect(cell(mother, mother)).toMatchObject({ relation: "self", kinship: 0.5 });
  });

  test("of more than sixteen stands those that have a cross stay, then what flowers soonest", () => {
    const { mother, father } = withFlowers(1, 1);
    const { lineId } = garden.row("stand", mother);
    const [early, late] = ["2027-03-20", "2027-06-01"].map((sown) =>
      Array.from({ length: 9 }, () => garden.done("stand.add", { lineId, bedId: 1, sown, plants: 2 }).id),
    ) as [Id[], Id[]];
    const [group] = crossPlanView(garden.sky(), null).groups;
    const ids = new Set(group!.parents.map(({ id }) => id));
    expect([ids.size, group!.hidden]).toEqual([16, 4]);
    expect([mother, father, ...early].every((id) => ids.has(id))).toBe(true);
    expect(late.filter((id) => ids.has(id))).toHaveLength(5);
  });

  test("sibs, a backcross and lines of a selfing crop are told apart by kinship", () => {
    const { mother, father } = twoMelons(garden);
    const stand = (lineId: string | number, more: object = {}) =>
      garden.done("stand.add", { lineId, bedId: 1, sown: "2027-04-24", plants: 4, ...more }).id;
    const other = stand(1);
    const tomato = garden.done("line.add", {
      name: "Kiln",
      species: "tomato",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    const [one, two] = [stand(tomato), stand(tomato)];
    const pairs = crossPlanView(garden.sky(), null).groups.flatMap(({ parents, cells }) =>
      cells.map((cell) => ({ ...cell, motherId: parents[cell.mother]!.id, fatherId: parents[cell.father]!.id })),
    );
    const kinship = (m: string, f: string) => pairs.find((c) => c.motherId === m && c.fatherId === f)?.kinship;
    expect([kinship(mother, other), kinship(mother, father), kinship(one, two)]).toEqual([0.125, 0, 1]);
    expect(kinship(mother, one)).toBeUndefined();
  });
});

describe("meeting in flower", () => {
  test("parents that miss each other get ways out, each of which can be carried out", () => {
    const { plan } = twoMelons(garden);
    garden.on("2027-05-10");
    const late = garden.done("stand.add", { lineId: 2, bedId: 2, sown: "2027-07-20", plants: 4 }).id;
    const id = garden.done("cross.plan", { ...plan, fatherStandId: late }).id;
    const before = crossView(garden.sky(), garden.code("cross", id))!;
    expect(before.meets).toBeLessThan(before.meetWanted);
    const way = before.ways.find((w) => w.kind === "sow-father")!;
    if (way.kind !== "sow-father") throw new Error("no way");
    garden.done("cross.sow-on", { crossId: id, parent: "father", sown: way.day });
    const after = crossView(garden.sky(), garden.code("cross", id))!;
    expect(after.meets).toBeCloseTo(way.chance, 6);
    expect(after.ways).toEqual([]);
  });
});

describe("the book", () => {
  test("counts what became of every cross, and leaves out of the set what is in doubt", () => {
    const { crossId, ids } = withFlowers(3, 1);
    garden.done("flower.record", { crossId, results: [{ id: ids[0], result: "torn-bag" }] });
    const [{ entries }] = bookView(garden.sky()).parts as [BookPart];
    const [entry] = entries;
    expect(entry).toMatchObject({
      covered: 4,
      pollinated: 4,
      set: 2,
      doubtful: 1,
      lost: 1,
      first: "2027-07-02",
      seeds: null,
    });
    expect(entry!.pedigree).toBe("Ashlar Gold/Nettle Moon");
    expect(bookFlowers(garden.db, garden.code("cross", crossId))!.map((f) => f.state)).toEqual([
      "set",
      "set",
      "set",
      "failed",
    ]);
    expect(bookFlowers(garden.db, "X27-999-9")).toBeNull();
  });

  test("is laid out by what crosses have in common, with what became of all of those; searched and sifted", () => {
    const { mother, father, plan, crossId, ids } = withFlowers(3, 1);
    garden.done("flower.record", { crossId, results: [{ id: ids[0], result: "torn-bag" }] });
    garden.done("cross.plan", { ...plan, motherStandId: father, fatherStandId: mother, lineName: "The other way" });
    const book = (asked: Partial<AskedOfList>) => {
      const { parts, list } = bookView(garden.sky(), { ...NOTHING_ASKED, ...asked });
      return {
        parts: parts.map(({ name, crosses, set, flowers, entries }) => [name, crosses, set, flowers, entries.length]),
        list,
      };
    };
    expect(book({}).parts).toEqual([["2027", 2, 2, 4, 2]]);
    // The newest first, whatever season they were planned in.
    const codes = (by: string) =>
      bookView(garden.sky(), { ...NOTHING_ASKED, by }).parts.flatMap(({ entries }) =>
        entries.map(({ code }) => code.slice(0, 7)),
      );
    expect([codes("season"), codes("species"), codes("set")]).toEqual([
      ["X27-002", "X27-001"],
      ["X27-002", "X27-001"],
      ["X27-001", "X27-002"],
    ]);
    garden.db.prepare("UPDATE cross SET season = 2026 WHERE code LIKE 'X27-002%'").run();
    expect(codes("season")).toEqual(["X27-001", "X27-002"]);
    garden.db.prepare("UPDATE cross SET season = 2027").run();
    expect(book({ by: "mother" }).parts).toEqual([
      ["Ashlar Gold", 1, 2, 4, 1],
      ["Nettle Moon", 1, 0, 0, 1],
    ]);
    expect(book({ by: "mother", from: 1 }).parts).toEqual([["Nettle Moon", 1, 0, 0, 1]]);
    expect(book({ by: "set" }).parts).toEqual([[null, 2, 2, 4, 2]]);
    expect(book({ words: "other way" }).parts).toEqual([["2027", 1, 0, 0, 1]]);
    expect(book({ words: "nobody" })).toMatchObject({ parts: [], list: { all: 0, words: "nobody" } });
    expect(book({}).list.counts).toEqual({ open: 2, closed: 0, doubt: 1 });
  });

  test("goes out and comes in again without a change, and carries no formula", () => {
    const { crossId, ids } = withFlowers(2, 2);
    garden.done("flower.record", { crossId, results: [{ id: ids[0], result: "unsure", note: "=1+1" }] });
    for (const format of ["csv", "json"] as const) {
      const text = bookFile(garden.db, null, format);
      expect(garden.done("cross.import", { text }).message).toBe("Nothing differs from the book");
    }
    expect(bookFile(garden.db, null, "csv")).toContain("'=1+1");
    expect(bookFile(garden.db, 2020, "csv").trim().split("\n")).toHaveLength(1);
  });
});

test("what works here reckons each flower's hour from sunrise, and leaves species apart", () => {
  withFlowers(6, 2, "06:10");
  const works = worksView(garden.sky(), null);
  expect(works).toMatchObject({ chosen: "melon", flowers: 8, set: 6 });
  expect(works.factors.find((f) => f.key === "hour")!.groups).toMatchObject([
    { label: "under 1 h", set: 6, flowers: 8 },
  ]);
  expect(worksView(garden.sky(), "leek").chosen).toBe("melon");
  const lineId = garden.done("line.add", { name: "Kiln", species: "tomato", school: "keep-pure", status: "mix" }).id;
  const stand = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-03-20", plants: 3 }).id;
  const self = {
    motherStandId: stand,
    fatherStandId: stand,
    fruitsWanted: 2,
    setLow: 0.4,
    setHigh: 0.6,
    confidence: 0.9,
  };
  const { ids } = garden.done("flower.cover", { crossId: garden.done("cross.plan", self).id, flowers: 2 });
  const set = garden.db.prepare("UPDATE flower SET state = 'set', pollinatedOn = '2027-07-09' WHERE id = ?");
  for (const id of ids) set.run(id);
  expect(worksView(garden.sky(), "tomato")).toMatchObject({ chosen: "tomato", flowers: 2, set: 2 });
  expect(worksView(garden.sky(), "melon")).toMatchObject({ chosen: "melon", flowers: 8, set: 6 });
});

test("practice shows every drawn stage once, three to a drawing", () => {
  const { cards } = practiceView(garden.sky());
  expect(new Set(cards.map((c) => c.key)).size).toBe(cards.length);
  expect(cards.length).toBe(3 * new Set(cards.map((c) => c.drawing)).size);
});

test("a cross's page shows a stretch of its flowers: the last, the one asked for, or as it is told", () => {
  const { crossId } = withFlowers(3, 2);
  const cover = (flowers: number) => garden.done("flower.cover", { crossId, flowers, on: "2027-07-08" });
  cover(35);
  // Forty fill one stretch.
  expect(crossView(garden.sky(), garden.code("cross", crossId))!.cut).toEqual({ from: 0, shown: 40, total: 40 });
  cover(115);
  const shown = (from: number | null, opened: number | null) => {
    const { flowers, cut } = crossView(garden.sky(), garden.code("cross", crossId), from, opened)!;
    return [cut.from, flowers[0]!.number, flowers.at(-1)!.number, cut.total];
  };
  expect(shown(null, null)).toEqual([120, 121, 155, 155]);
  expect(shown(40, null)).toEqual([40, 41, 80, 155]);
  expect(shown(null, 40)).toEqual([0, 1, 40, 155]);
  expect(shown(null, 1)).toEqual([0, 1, 40, 155]);
  expect(shown(0, 41)).toEqual([40, 41, 80, 155]);
  expect(shown(null, 999)).toEqual([120, 121, 155, 155]);
  const { underWay } = crossView(garden.sky(), garden.code("cross", crossId))!;
  // Those that failed are over; those that set can be brought in.
  expect(underWay.length).toBe(153);
});

test("a list of crosses keeps closed ones and asks nothing of them", () => {
  const { crossId } = withFlowers(0, 2);
  const tones = () => crossesView(garden.sky(), null).band.bars.map(({ tone }) => tone);
  expect(tones()).toEqual(["strong", "strong"]);
  garden.done("cross.adjust", { id: crossId, version: 1, closed: 1 });
  expect(tones()).toEqual(["other", "other"]);
  expect(crossesView(garden.sky(), null).list.items).toMatchObject([{ evenings: null, cross: { closed: 1 } }]);
});
