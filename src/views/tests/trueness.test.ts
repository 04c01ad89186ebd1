import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import type { TrueTest } from "@/core/purity/trueTests";
import { type Plot, plot } from "@/records/tests/plot";
import { lineView } from "../lines";

let garden: Plot;
let made: Id;
beforeEach(() => {
  garden = plot();
  made = garden.done("line.add", {
    name: "Own",
    species: "lettuce",
    school: "keep-pure",
    status: "open-pollinated",
  }).id;
});
afterEach(() => garden.close());

const stand = (season: number, plants: number, more: object = {}) => {
  const told = { sown: `${season}-04-02`, ...more };
  garden.on(told.sown);
  const id = garden.done("stand.add", { lineId: made, bedId: 1, plants, ...told }).id;
  return { id, plants: garden.plants(id) };
};
const family = (season: number, plants: number, more: object = {}) => stand(season, plants, { family: 1, ...more });
const look = () => lineView(garden.sky(), garden.code("line", made))!;
const testOf = (key: string) => look().trueness.tests.find((one) => one.key === key);

type Of<Key> = Extract<TrueTest, { key: Key }>;
const evenOf = (tests: TrueTest[]) => tests.find((one): one is Of<"even"> => one.key === "even")!;
const seasonsOf = (tests: TrueTest[]) => tests.find((one): one is Of<"seasons"> => one.key === "seasons")!;
const sowingsOf = (tests: TrueTest[]) => tests.find((one): one is Of<"sowings"> => one.key === "sowings")!;
const seasonSeen = (season: number, plants: number, offTypes: number, more: object = {}) => ({
  season,
  plants,
  offTypes,
  undecided: 0,
  otherwise: 0,
  uncounted: 0,
  underWay: false,
  counts: true,
  ...more,
});

describe("what was seen of a line", () => {
  test("only plants that were looked at one by one count; what was removed for a reason nobody decided is apart", () => {
    garden.done("offkind.add", { lineId: made, name: "red", inheritance: "recessive" });
    const first = family(2025, 30);
    garden.on("2025-06-10");
    garden.done("plant.remove", { ids: first.plants.slice(0, 2), reason: "red" });
    garden.done("plant.remove", { ids: first.plants.slice(2, 5), reason: "slugs" });
    garden.done("plant.mark", { id: first.plants[9], mark: "out", reason: "red" });
    garden.done("plant.mark", { id: first.plants[10], mark: "out", reason: "thin" });
    family(2026, 40);
    garden.on("2027-01-01");
    const { trueness, rungs } = look();
    // Seven of thirty were looked at: two red and three otherwise removed, one red and one thin marked.
    expect(trueness.seasons).toEqual([seasonSeen(2026, 0, 0), seasonSeen(2025, 4, 3, { undecided: 3 })]);
    expect(trueness.undecided).toEqual([{ reason: "slugs", plants: 3 }]);
    expect(testOf("off-types")).toMatchObject({ test: { seasons: [{ season: 2025, plants: 4, offTypes: 3 }] } });
    expect(rungs[0]!.offTypes!.seen).toMatchObject({ plants: 4, offTypes: 3 });
    garden.done("loss.add", { lineId: made, reason: "slugs" });
    const decided = look().trueness;
    expect(decided.seasons[1]).toEqual(seasonSeen(2025, 4, 3, { otherwise: 3 }));
    expect(decided).toMatchObject({ undecided: [], losses: [{ reason: "slugs", plants: 3 }] });
    expect(garden.refused("loss.add", { lineId: made, reason: "slugs" }).fields).toHaveProperty("reason");
    expect(garden.refused("loss.add", { lineId: made, reason: "red" }).fields).toHaveProperty("reason");
  });

  test("one plant that was marked makes no planting looked at", () => {
    for (const season of [2025, 2026]) {
      const { plants } = family(season, 60);
      garden.on(`${season}-07-01`);
      garden.done("plant.mark", { id: plants[0], mark: "seed-parent", reason: "" });
    }
    garden.on("2027-01-01");
    expect(look().trueness).toMatchObject({ says: "open" });
    expect(testOf("off-types")).toMatchObject({ standing: "open", test: { plants: 2, more: 57 } });
  });

  test("off-types that nobody called so keep it open, and are asked about first", () => {
    for (const season of [2025, 2026]) {
      const { plants } = family(season, 60);
      garden.on(`${season}-07-01`);
      garden.done("plant.marks", { ids: plants, mark: "watch", reason: "" });
      garden.done("plant.remove", { ids: plants.slice(0, 9), reason: "potato leaf, not of the line" });
    }
    garden.on("2027-01-01");
    const { trueness } = look();
    expect(trueness.undecided).toEqual([{ reason: "potato leaf, not of the line", plants: 18 }]);
    expect(testOf("off-types")).toMatchObject({ standing: "open", test: { plants: 102, undecided: 18 } });
    expect(trueness.next!.best[0]!.step).toBe("decide");
    garden.done("offkind.add", { lineId: made, name: "potato leaf, not of the line", inheritance: "recessive" });
    expect(testOf("off-types")).toMatchObject({ standing: "fails" });
  });

  test("of a cross plants count from the F5 on", () => {
    const { version, name, species, status } = garden.row("line", made);
    garden.done("line.change", { id: made, version, name, species, status, school: "cross-and-fix" });
    for (const generation of [4, 5]) {
      const { id, plants } = family(2021 + generation, 12);
      garden.db.prepare("UPDATE stand SET generation = ? WHERE id = ?").run(generation, id);
      garden.on(`${2021 + generation}-07-01`);
      garden.done("plant.marks", { ids: plants, mark: "watch", reason: "" });
    }
    garden.on("2027-01-01");
    expect(testOf("off-types")).toMatchObject({ test: { plants: 12, seasons: [{ season: 2026 }] } });
    expect(look().trueness.seasons.map(({ season, counts }) => [season, counts])).toEqual([
      [2026, true],
      [2025, false],
    ]);
  });

  test("seed of open flowers has pollen nobody saw, until somebody looked around", () => {
    const { id } = stand(2026, 30);
    garden.on("2026-08-20");
    const lotId = garden.done("lot.save", { standId: id, kind: "open", gathered: "2026-08-20", seeds: 500 }).id;
    stand(2027, 10, { lotId, sowedSeeds: 40 });
    garden.on("2027-12-01");
    // Lettuce crosses 0.5 to 6 in 100; of pollen from elsewhere 2 in 100 at most, 6 in 10,000 once somebody looked.
    const upper = () => (testOf("seed") as unknown as { lots: { upper: number }[] }).lots[0]!.upper;
    expect(upper()).toBeCloseTo(0.0325 * 0.02, 6);
    garden.done("deed.done", { standId: id, act: "look-around", on: "2026-06-01" });
    expect(upper()).toBeCloseTo(0.0325 * 0.0006, 6);
  });

  test("a planting without numbers is judged by walks that say how many were looked at; this season's once it has flowered", () => {
    const old = stand(2026, 50);
    garden.on("2026-06-01");
    garden.done("deed.done", { standId: old.id, act: "rogue", on: "2026-06-01", counted: 2, looked: 45 });
    const now = stand(2027, 50);
    garden.on("2027-05-20");
    garden.done("deed.done", {
      standId: now.id,
      act: "rogue",
      on: "2027-05-20",
      looked: 30,
      byWhom: "M.",
      found: [{ reason: "red", plants: 1 }],
    });
    expect(look().trueness.seasons).toEqual([seasonSeen(2027, 30, 1, { underWay: true }), seasonSeen(2026, 45, 2)]);
    const counted = () => (testOf("off-types") as unknown as { test: { seasons: { season: number }[] } }).test.seasons;
    expect(counted().map(({ season }) => season)).toEqual([2026]);
    garden.on("2027-12-01");
    expect(counted().map(({ season }) => season)).toEqual([2027, 2026]);
    // A walk that did not say how many it looked at keeps its season out, and what it removed undecided.
    garden.done("deed.done", { standId: now.id, act: "rogue", on: "2027-06-20", counted: 3 });
    expect(look().trueness.seasons[0]).toEqual(seasonSeen(2027, 30, 0, { undecided: 3, uncounted: 3 }));
    expect(testOf("off-types")).toMatchObject({ standing: "open" });
    expect(
      garden.refused("deed.done", { standId: now.id, act: "rogue", on: "2027-06-21", counted: 3, looked: 2 }).fields,
    ).toHaveProperty("looked");
    expect(
      garden.refused("deed.done", { standId: now.id, act: "mulch", on: "2027-06-21", looked: 2 }).fields,
    ).toHaveProperty("looked");
  });

  test("it is held against its parents' plants and checks, in their own seasons", () => {
    const mark = garden.done("yardstick.add", {
      lineId: made,
      name: "Mass",
      kind: "number",
      unit: "g",
      wanted: "high",
    }).id;
    const known = garden.done("line.add", {
      name: "Known",
      species: "lettuce",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    const score = (plant: Id, value: number) =>
      garden.done("score.set", { plantId: plant, yardstickId: mark, value: String(value) });
    for (const season of [2025, 2026]) {
      const { plants } = family(season, 10);
      garden.on(`${season}-06-20`);
      garden.done("plant.check", { ids: plants.slice(8), checkOfId: known });
      plants.forEach((plant, i) => {
        score(plant, i < 8 ? 100 + i + (season - 2025) * 20 : 50 + i + (season - 2025) * 20);
      });
    }
    garden.on("2027-01-01");
    const { trueness } = look();
    // Eight of variance 6 in each of two seasons, two checks of variance ½.
    const even = evenOf(trueness.tests).items[0]!;
    expect(even.own.spread).toBeCloseTo(Math.sqrt(6), 10);
    expect(even).toMatchObject({ own: { plants: 16 }, known: { plants: 4 }, knownAre: "lines" });
    expect(even.known.spread).toBeCloseTo(Math.sqrt(0.5), 10);
    const { same } = seasonsOf(trueness.tests);
    expect(same).toMatchObject({ against: [known], seasons: [2026], apart: { likely: 0 } });
    expect(same.traits[0]!.margin).toBeCloseTo(Math.sqrt(6), 10);
    expect(trueness.tests.some(({ key }) => key === "sowings")).toBe(false);
  });

  test("without known lines, what it was in seasons before the last two; two sowings of one season", () => {
    const mark = garden.done("yardstick.add", { lineId: made, name: "Mass", kind: "count", wanted: "high" }).id;
    const scoreAll = ({ plants }: { plants: Id[] }, from: number, on: string) => {
      garden.on(on);
      plants.forEach((plantId, i) => {
        garden.done("score.set", { plantId, yardstickId: mark, value: String(from + i) });
      });
    };
    for (const season of [2023, 2024, 2025]) scoreAll(family(season, 8), 10, `${season}-06-20`);
    const [early, late] = [family(2026, 6), family(2026, 6, { sown: "2026-05-20" })];
    // Whichever was looked at first.
    scoreAll(late, 30, "2026-07-20");
    scoreAll(early, 10, "2026-07-21");
    garden.on("2027-01-01");
    const { tests } = look().trueness;
    const even = evenOf(tests).items[0]!;
    expect(even).toMatchObject({ known: { plants: 16 }, own: { plants: 12 }, knownAre: "earlier" });
    expect(sowingsOf(tests).items[0]!.difference!.likely).toBeCloseTo(20, 10);
  });

  test("words that must be so are counted; of a line that is being fixed every wanted word", () => {
    const add = (name: string, more: object) => garden.done("yardstick.add", { lineId: made, name, ...more }).id;
    const leaf = add("Leaf", {
      kind: "category",
      categories: "green, red",
      wanted: "category",
      targetWord: "green",
      must: 1,
    });
    const crisp = add("Crisp", { kind: "yes-no", wanted: "yes" });
    const { plants } = family(2026, 6);
    garden.on("2026-06-20");
    plants.forEach((plantId, i) => {
      garden.done("score.set", { plantId, yardstickId: leaf, value: i < 2 ? "red" : "green" });
      garden.done("score.set", { plantId, yardstickId: crisp, value: i < 1 ? "n" : "y" });
    });
    garden.on("2027-01-01");
    const words = () =>
      look().trueness.tests.flatMap((one) =>
        one.key === "word" ? [[one.name, one.wanted, one.test.seasons[0]!.offTypes, one.test.seasons[0]!.plants]] : [],
      );
    expect(words()).toEqual([["Leaf", "green", 2, 6]]);
    const { version, name, species, status } = garden.row("line", made);
    garden.done("line.change", { id: made, version, name, species, status, school: "cross-and-fix" });
    expect(words()).toEqual([
      ["Leaf", "green", 2, 6],
      ["Crisp", "yes", 1, 6],
    ]);
  });

  test("parents are the plants that gave seed; the seed it rests on is that of its newest plants", () => {
    const { id, plants } = family(2026, 12);
    garden.on("2026-08-20");
    const saved = { standId: id, kind: "open", gathered: "2026-08-20", seeds: 500 };
    garden.done("lot.save", { ...saved, plantIds: plants.slice(0, 3) });
    garden.done("plant.remove", { ids: [plants[11]], reason: "slugs" });
    expect(testOf("parents")).toMatchObject({ seasons: [{ season: 2026, plants: 3 }], oneIsEnough: true });
    const whole = garden.done("lot.save", saved).id;
    expect(testOf("parents")).toMatchObject({ seasons: [{ season: 2026, plants: 11 }] });
    expect(testOf("seed")).toMatchObject({ lots: [], standing: "open" });
    stand(2027, 10, { lotId: whole, sowedSeeds: 40 });
    expect(testOf("seed")).toMatchObject({ lots: [{ code: garden.code("lot", whole), made: "open", doubt: null }] });
    garden.on("2027-08-01");
    garden.done("offtype.count", { lotId: whole, plants: 60, strange: 0 });
    expect(testOf("seed")).toMatchObject({ lots: [{ standing: "holds", counted: { plants: 60, strange: 0 } }] });
  });

  test.each([
    [{ cloned: 1 }, "clone", 0.02],
    [{ school: "let-it-mix", status: "mix" }, "mix", 0.1],
    [{ species: "carrot" }, "crossed", 0.1],
    [{ purity: 0.97 }, "selfed", 0.03],
    [{}, "selfed", 0.05],
  ] as const)("a line that is %j is judged as %s", (more, as, standard) => {
    const { code } = garden.done("line.add", {
      name: "Another",
      species: "lettuce",
      school: "keep-pure",
      status: "open-pollinated",
      ...more,
    });
    const { trueness } = lineView(garden.sky(), code)!;
    expect(trueness).toMatchObject({ as, says: "unknown", seasons: [] });
    const first = trueness.tests[0]!;
    const asked =
      first.key === "off-types" ? first.test.limit : trueness.tests.find((one) => one.key === "seed")!.standard;
    expect(asked).toBeCloseTo(standard, 10);
  });
});
