import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { ended } from "@/core/lists/ended";
import { compareView } from "@/views/compare";
import { familyView } from "@/views/family";
import { lineView } from "@/views/lines";
import { matingOf } from "@/views/mating";
import { roguingView } from "@/views/roguing";
import { type FamilyWorth, familyWorth } from "@/views/worth";
import { yardstickLibrary } from "@/views/yardstickLibrary";
import { NOBODY, type Plot, plot } from "./plot";

let garden: Plot;
let lineId: Id;
let standId: Id;
let plants: Id[];
beforeEach(() => {
  garden = plot();
  garden.on("2027-05-01");
  lineId = garden.done("line.add", {
    name: "Lantern",
    species: "tomato",
    school: "cross-and-fix",
    status: "mix",
  }).id;
  standId = garden.done("stand.add", { lineId, sown: "2027-05-01", sowedSeeds: 30, plants: 24, family: 1 }).id;
  garden.done("stand.change", { id: standId, version: garden.version("stand", standId), rowCount: 3 });
  plants = garden.plants(standId);
  garden.on("2027-08-01");
});
afterEach(() => garden.close());

const add = (input: object) =>
  garden.done("yardstick.add", { lineId, name: "Y", kind: "number", wanted: "high", ...input }).id;
const score = (yardstickId: Id, plant: number, value: string, more: object = {}) =>
  garden.done("score.set", { plantId: plants[plant - 1], yardstickId, value, ...more });
const numbers = (yardstickId: Id) =>
  garden.db.prepare("SELECT number FROM score WHERE yardstickId = ? ORDER BY scoredOn, look").pluck().all(yardstickId);
const view = () => familyView(garden.sky(), garden.code("stand", standId))!;
const shown = (yardstickId: Id, plant: number) => view().scores[plants[plant - 1]!]?.[yardstickId];

describe("what a yardstick may be", () => {
  const SCALE = { kind: "scale", lowEnd: "a", highEnd: "b" };
  const WORDS = { kind: "category", categories: "red, white", wanted: "category", targetWord: "red" };
  test.each<[string, object, string]>([
    ["Say from where to where.", { wanted: "range", high: 3 }, "low"],
    ["Say from where to where.", { wanted: "range", low: 3 }, "high"],
    ["A range goes up: more than 3.", { wanted: "range", low: 3, high: 3 }, "high"],
    ["Above the floor of 5, or nothing is left.", { floor: 5, ceiling: 5 }, "ceiling"],
    ["It goes from 1 to 9.", { ...SCALE, floor: 0.5 }, "floor"],
    ["It goes from 1 to 9.", { ...SCALE, wanted: "target", target: 10 }, "target"],
    ["Only what is measured can be too low or too high.", { ...WORDS, floor: 1 }, "floor"],
    ["Only what is measured can be too low or too high.", { kind: "yes-no", wanted: "yes", ceiling: 1 }, "ceiling"],
    ["any other is then out", { must: 1 }, "must"],
    ["any other is then out", { ...WORDS, wanted: "none", must: 1 }, "must"],
    ["For this kind, how often is one of: once, again.", { ...SCALE, often: "pass" }, "often"],
    ["For this kind, how often is one of: once.", { kind: "date", often: "again" }, "often"],
    ["Choose a number, count, scale or day of this line.", { kind: "ratio" }, "ofId"],
    ["one of: category, none", { ...WORDS, wanted: "high" }, "wanted"],
    ["one of: yes, no, none", { kind: "yes-no", wanted: "category" }, "wanted"],
  ])("%s (%j)", (words, input, field) => {
    const { fields } = garden.refused("yardstick.add", { lineId, name: "Y", kind: "number", wanted: "high", ...input });
    expect(Object.keys(fields)).toEqual([field]);
    expect(fields[field]).toContain(words);
  });

  test("a scale may be bounded anywhere from 1 to 9", () => {
    const id = add({ ...SCALE, floor: 1.5, ceiling: 8.5, wanted: "range", low: 1, high: 9 });
    expect(garden.row("yardstick", id)).toMatchObject({ floor: 1.5, ceiling: 8.5, low: 1, high: 9 });
  });

  test("a ratio is of two different measures of its line, is reckoned, and not scored", () => {
    const [mass, count] = [add({ name: "Mass" }), add({ name: "Count", kind: "count" })];
    const refused = (input: object) =>
      garden.refused("yardstick.add", { lineId, name: "R", kind: "ratio", wanted: "high", ...input }).fields;
    expect(refused({ ofId: mass, byId: mass }).byId).toBe("Choose two different ones.");
    const words = add({ name: "W", kind: "category", categories: "a, b", wanted: "none" });
    expect(refused({ ofId: mass, byId: words }).byId).toContain("Choose a number");
    expect(
      garden.refused("yardstick.add", { lineId, name: "N", kind: "number", wanted: "high", ofId: mass }).fields.ofId,
    ).toBe("Only a ratio has two yardsticks.");
    const ratio = add({ name: "Each", kind: "ratio", ofId: mass, byId: count });
    score(mass, 1, "3");
    expect(shown(ratio, 1)).toBeUndefined();
    score(count, 1, "4");
    expect(shown(ratio, 1)).toMatchObject({ number: 0.75 });
    expect(
      garden.refused("score.set", { plantId: plants[0], yardstickId: ratio, value: "1" }).fields.yardstickId,
    ).toContain("reckoned of two others");
    expect(
      garden.refused("score.set", { plantId: plants[0], yardstickId: count, value: "1.5" }).fields.value,
    ).toContain("takes a whole number from 0");
  });

  test("another wish leaves no figures of the one before", () => {
    const id = add({ wanted: "target", target: 4 });
    const aim = (input: object) =>
      garden.done("yardstick.aim", { id, version: garden.version("yardstick", id), ...input });
    aim({ wanted: "range", low: 2, high: 5 });
    expect(garden.row("yardstick", id)).toMatchObject({ wanted: "range", target: null, low: 2, high: 5 });
    aim({ high: 6, weight: 3, floor: 1 });
    expect(garden.row("yardstick", id)).toMatchObject({ low: 2, high: 6, weight: 3, floor: 1 });
    aim({ wanted: "high" });
    expect(garden.row("yardstick", id)).toMatchObject({ wanted: "high", low: null, high: null, floor: 1 });
  });
});

describe("looks at a plant", () => {
  test("are set right, on the day and after it, but where another look is meant, on another day or the same", () => {
    const id = add({});
    score(id, 1, "4");
    score(id, 1, "5");
    expect(numbers(id)).toEqual([5]);
    garden.on("2027-08-03");
    score(id, 1, "6");
    expect(numbers(id)).toEqual([6]);
    garden.on("2027-08-05");
    score(id, 1, "8", { again: true });
    expect(numbers(id)).toEqual([6, 8]);
    expect(shown(id, 1)).toMatchObject({ number: 7, looks: 2, last: { number: 8 } });
    score(id, 1, "7", { again: true });
    expect(numbers(id)).toEqual([6, 8, 7]);
    score(id, 1, "9");
    expect(numbers(id)).toEqual([6, 8, 9]);
    expect(shown(id, 1)).toMatchObject({ looks: 3, last: { number: 9 } });
    for (const left of [[6, 8], [6]]) {
      score(id, 1, "");
      expect(numbers(id)).toEqual(left);
    }
  });

  test("again and again are kept by the day, pickings added up", () => {
    const [health, crop] = [add({ name: "H", often: "again" }), add({ name: "C", often: "pass" })];
    for (const [day, value] of [
      ["2027-08-01", "4"],
      ["2027-08-08", "6"],
    ] as const) {
      garden.on(day);
      score(health, 1, value);
      score(crop, 1, value);
    }
    expect([shown(health, 1)!.number, shown(crop, 1)!.number]).toEqual([5, 10]);
  });

  test("a score that somebody gave meanwhile is not written over by who saw none", () => {
    const id = add({});
    score(id, 1, "4", { unseen: true });
    const refused = garden.refused("score.set", { plantId: plants[0], yardstickId: id, value: "7", unseen: true });
    expect(refused.kind).toBe("conflict");
    expect(refused.fields.value).toContain("was scored 4 meanwhile");
    garden.on("2027-08-02");
    score(id, 1, "7", { unseen: true, again: true });
    expect(numbers(id)).toEqual([4, 7]);
  });

  test("what was taken out shows nothing more, but its harvest may still be tasted", () => {
    const [vigour, taste] = [add({ name: "V" }), add({ name: "T", stage: "harvest" })];
    score(vigour, 2, "3");
    garden.done("plant.remove", { ids: [plants[0], plants[1]], on: "2027-08-01", reason: "split" });
    score(vigour, 1, "4");
    garden.on("2027-08-09");
    expect(
      garden.refused("score.set", { plantId: plants[2 - 1], yardstickId: taste, value: "x" }).fields.value,
    ).toContain("takes");
    score(taste, 1, "7");
    // What was scored can be set right.
    score(vigour, 2, "5");
    garden.done("plant.remove", { ids: [plants[2]], on: "2027-08-02", reason: "split" });
    expect(
      garden.refused("score.set", { plantId: plants[2], yardstickId: vigour, value: "4" }).fields.plantId,
    ).toContain("Plant 3 was taken out on 2 Aug");
  });

  test("second looks tell how well the eye repeats itself", () => {
    const id = add({});
    for (const [plant, value] of [
      [1, "4"],
      [2, "8"],
      [3, "2"],
      [4, "6"],
    ] as const)
      score(id, plant, value);
    expect(view().yardsticks[0]!.repeats).toBeNull();
    garden.on("2027-08-02");
    for (const [plant, value] of [
      [1, "5"],
      [2, "8"],
      [3, "3"],
      [4, "6"],
    ] as const)
      score(id, plant, value, { again: true });
    expect(view().yardsticks[0]!.repeats).toMatchObject({ plants: 4, slip: 0.5 });
    expect(view().yardsticks[0]).toMatchObject({ unscored: 20, family: { mean: 5.25, count: 4 } });
  });
});

describe("a yardstick that is changed", () => {
  const change = (id: Id, input: object) =>
    garden.done("yardstick.change", { id, version: garden.version("yardstick", id), ...input });

  test("keeps its scores under another name or drawing, and any time before it was scored on", () => {
    const id = add({ unit: "kg" });
    expect(change(id, { unit: "g" }).id).toBe(id);
    score(id, 1, "4");
    expect(change(id, { name: "Fruit", stage: "fruit", unit: "g" }).id).toBe(id);
    expect(shown(id, 1)!.number).toBe(4);
  });

  test("begins anew once its figures mean something else; the version before keeps what was scored, and can be undone to", () => {
    const id = add({ name: "Taste", kind: "scale", lowEnd: "poor", highEnd: "fine", weight: 3 });
    score(id, 1, "4");
    const { id: next, message, entry } = change(id, { highEnd: "as good as the best" });
    expect(message).toContain("begins anew");
    expect(next).not.toBe(id);
    expect(garden.row("yardstick", next)).toMatchObject({ formerId: id, weight: 3, name: "Taste", retiredOn: null });
    expect(garden.row("yardstick", id)).toMatchObject({ retiredOn: "2027-08-01", highEnd: "fine" });
    expect(view().yardsticks.map((y) => [y.id, y.unscored])).toEqual([[next, 24]]);
    expect(numbers(id)).toEqual([4]);
    expect(garden.refused("yardstick.retire", { id, version: 1, again: true }).fields.name).toContain(
      "of that name already",
    );
    garden.undone(entry);
    expect(view().yardsticks.map((y) => y.id)).toEqual([id]);
  });

  test("of words may have more, but not lose one that was said", () => {
    const id = add({ name: "Flesh", kind: "category", categories: "orange, white", wanted: "none" });
    score(id, 1, "white");
    expect(change(id, { categories: "orange, white, green" }).id).toBe(id);
    expect(change(id, { categories: "orange, green" }).id).not.toBe(id);
  });
});

describe("yardsticks taken over", () => {
  test("come from the usual ones of the kind and from other lines, each once", () => {
    const other = garden.done("line.add", { name: "Other", species: "tomato", school: "keep-pure", status: "mix" }).id;
    const own = add({ name: "Wall", unit: "mm", weight: 4 });
    const ratio = add({ name: "Each", kind: "ratio", ofId: own, byId: add({ name: "N", kind: "count" }) });
    const take = (input: object) => ({ lineId: other, usual: [], own: [], ...input });
    garden.done("yardstick.take", take({ usual: ["Vigour", "Yield"], own: [own] }));
    const taken = garden.db
      .prepare(
        "SELECT name, kind, unit, stage, often, drawn, weight, formerId FROM yardstick WHERE lineId = ? ORDER BY position",
      )
      .all(other);
    expect(taken).toEqual([
      {
        name: "Vigour",
        kind: "scale",
        unit: "",
        stage: "seedling",
        often: "once",
        drawn: "size",
        weight: 1,
        formerId: null,
      },
      {
        name: "Yield",
        kind: "number",
        unit: "kg",
        stage: "fruit",
        often: "pass",
        drawn: null,
        weight: 1,
        formerId: null,
      },
      { name: "Wall", kind: "number", unit: "mm", stage: "any", often: "once", drawn: null, weight: 4, formerId: null },
    ]);
    const refused = (input: object) => garden.refused("yardstick.take", take(input)).fields;
    expect(refused({}).usual).toBe("Choose at least one.");
    expect(refused({ usual: ["Vigour"] }).usual).toBe("Other has a yardstick Vigour already.");
    expect(refused({ usual: ["Bark"] }).usual).toBe("Bark is none of the usual ones.");
    expect(refused({ own: [ratio] }).own).toContain("make it anew");
    expect(garden.refused("yardstick.take", { lineId, usual: [], own: [own] }).fields.own).toContain(
      "this line's already",
    );
  });

  test("weights come all at once or not at all", () => {
    const [a, b] = [add({ name: "A" }), add({ name: "B" })];
    garden.done("yardstick.weigh", {
      weights: [
        { id: a, weight: 4 },
        { id: b, weight: 0.5 },
      ],
    });
    expect([garden.row("yardstick", a).weight, garden.row("yardstick", b).weight]).toEqual([4, 0.5]);
    const gone = "01900000-0000-7000-8000-000000000000";
    garden.refused("yardstick.weigh", {
      weights: [
        { id: a, weight: 1 },
        { id: gone, weight: 1 },
      ],
    });
    expect(garden.row("yardstick", a).weight).toBe(4);
  });
});

describe("who is really better", () => {
  function worth(best = 5, across = false): FamilyWorth {
    return ended(familyWorth(garden.db, { standId, best, open: false, across }));
  }

  test("nobody can say without scores, of one plant, or where nothing differs", () => {
    expect(worth()).toMatchObject({ plants: [], yardsticks: [], out: 0, alike: false });
    const id = add({});
    expect(worth().plants).toEqual([]);
    score(id, 1, "4");
    expect(worth().plants).toEqual([]);
    score(id, 2, "4");
    expect(worth().plants).toEqual([]);
  });

  test("a floor puts a plant out of the list, what is only looked at counts for nothing, plants taken out are not asked", () => {
    const [id, seen] = [add({ floor: 2 }), add({ name: "Seen", wanted: "none" })];
    for (let n = 1; n <= 24; n++) {
      // Every value from 1 to 24 once, without order in the bed.
      score(id, n, String((n * 7) % 25));
      score(seen, n, String(30 - n));
    }
    garden.done("plant.remove", { ids: [plants[23]], reason: "sick" });
    const { plants: list, yardsticks, out } = worth();
    expect(out).toBe(1);
    expect(list).toHaveLength(22);
    expect([list[0]!.number, list.at(-1)!.number]).toEqual([7, 11]);
    expect(yardsticks.map((y) => [y.id, y.seen, y.kin])).toEqual([[id, 24, 0]]);
    expect(list[0]!.amongBest).toBeGreaterThan(list[10]!.amongBest);
    expect(list[0]!.traits[id]!.value).toBeGreaterThan(list.at(-1)!.traits[id]!.value);
  });

  test("a yardstick that is retired counts no more, and counts again when it is taken back", () => {
    const [kept, gone] = [add({}), add({ name: "Gone" })];
    for (let n = 1; n <= 12; n++) {
      score(kept, n, String(n));
      score(gone, n, String(13 - n));
    }
    const retire = (again: boolean) =>
      garden.done("yardstick.retire", { id: gone, version: garden.version("yardstick", gone), again });
    const asked = () => worth().yardsticks.map(({ id }) => id);
    expect(asked()).toEqual([kept, gone]);
    retire(false);
    expect(asked()).toEqual([kept]);
    expect(worth().plants[0]!.number).toBe(12);
    retire(true);
    expect(asked()).toEqual([kept, gone]);
  });

  test("a slope through the bed is found by rows, and does not make the plants at its good end the best", () => {
    const id = add({});
    // Eight in a row, worth 2 more at each step along; plants 3 and 11 are better than their place.
    for (let n = 1; n <= 24; n++) {
      const at = (n - 1) % 8;
      score(id, n, String(20 + 4 * at + (n === 3 || n === 11 ? 9 : n % 3)));
    }
    garden.db.prepare("UPDATE stand SET rowCount = 3 WHERE id = ?").run(standId);
    const { plants: list, yardsticks } = worth(2);
    // What the place does is several times what sibs differ by.
    expect(yardsticks[0]!.places).toBeGreaterThan(0.4);
    expect(
      list
        .slice(0, 2)
        .map(({ number }) => number)
        .sort((a, b) => a - b),
    ).toEqual([3, 11]);
  });

  test("a floor on what is reckoned of two others puts a plant out as well, and their looks are no second looks at it", () => {
    const [mass, count] = [add({ name: "Mass" }), add({ name: "Count", kind: "count" })];
    const each = add({ name: "Each", kind: "ratio", ofId: mass, byId: count, floor: 2 });
    for (let n = 1; n <= 6; n++) {
      score(mass, n, String(n === 4 ? 3 : 10 + n));
      score(count, n, "2");
    }
    const { plants: list, yardsticks, out } = worth();
    expect(out).toBe(1);
    expect(list.some(({ number }) => number === 4)).toBe(false);
    expect(yardsticks.find(({ id }) => id === each)!.repeats).toBe(null);
  });

  test("with its sisters the best of the generation are found, each under its own family's code", () => {
    const id = add({});
    const sister = garden.done("stand.add", { lineId, sown: "2027-05-02", plants: 6, family: 1 }).id;
    const others = garden.plants(sister);
    for (let n = 1; n <= 24; n++) score(id, n, String((n * 7) % 25));
    for (const [i, plantId] of others.entries())
      garden.done("score.set", { plantId, yardstickId: id, value: String(i === 2 ? 60 : 30 + i) });
    const all = worth(3, true);
    expect(all.plants).toHaveLength(30);
    expect(all.yardsticks[0]).toMatchObject({ seen: 30, kin: 0 });
    expect(all.plants[0]).toMatchObject({ number: 3, code: garden.code("stand", sister), mark: "none" });
    expect(worth(3).plants).toHaveLength(24);
    expect(worth(3).yardsticks[0]).toMatchObject({ seen: 24, kin: 6 });
    expect(view().sisters).toBe(1);
  });

  test("of one pure line it is said that choosing changes little", () => {
    const pure = garden.done("line.add", {
      name: "Pure",
      species: "tomato",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    standId = garden.done("stand.add", { lineId: pure, sown: "2027-05-01", plants: 6, family: 1 }).id;
    plants = garden.plants(standId);
    lineId = pure;
    const id = add({});
    for (let n = 1; n <= 6; n++) score(id, n, String(n));
    expect(worth().alike).toBe(true);
  });

  test("categories are judged by what plants may carry, second looks and a guess of one's own set what is inherited", () => {
    const flesh = add({
      name: "Flesh",
      kind: "category",
      categories: "orange, white",
      wanted: "category",
      targetWord: "orange",
    });
    const mass = add({ name: "Mass", inherited: 0.8 });
    for (let n = 1; n <= 12; n++) {
      score(flesh, n, n % 3 === 0 ? "orange" : "white");
      score(mass, n, String(n % 4));
    }
    garden.on("2027-08-04");
    for (let n = 1; n <= 12; n++) score(mass, n, String((n * 5) % 4), { again: true });
    const { plants: list, yardsticks, genes, advice } = worth(4);
    expect(genes).toEqual([flesh]);
    expect(yardsticks.map((y) => y.id)).toEqual([mass]);
    expect(yardsticks[0]!.repeats!.plants).toBe(12);
    expect(yardsticks[0]!.inherited.likely).toBeGreaterThan(0.65);
    const number = new Map(list.map((one) => [one.id, one.number]));
    const orange = (n: number) => list.find((one) => one.number === n)!.genes[flesh]!;
    expect(orange(3).later).toBeGreaterThan(0.9);
    expect(orange(1).now).toBeLessThan(orange(3).now);
    expect(advice.keep.filter((id) => number.get(id)! % 3 === 0).length).toBeGreaterThanOrEqual(2);
  });
});

test("what is to be scored is a task while its stage lasts, and goes with the last plant", () => {
  const due = () => view().due;
  add({ name: "Seedling", stage: "seedling" });
  const flower = add({ name: "Flower", stage: "flower" });
  const { start, end } = view().stand.window;
  garden.on("2027-05-20");
  expect(due()).toEqual(["Seedling"]);
  garden.on(start);
  expect(due()).toEqual(["Flower"]);
  for (let n = 1; n <= 24; n++) score(flower, n, "1");
  expect(due()).toEqual([]);
  garden.on(end);
  expect(due()).toEqual([]);
});

describe("a family beside its kin", () => {
  const compared = (asked: object = {}) =>
    compareView(garden.sky(), garden.code("stand", standId), { x: null, y: null, plants: [], ...asked })!;

  test("its sisters of the season and the generation before are groups of their own; repeats count once", () => {
    const id = add({ name: "Mass" });
    const generation = (stand: Id, n: number) =>
      garden.db.prepare("UPDATE stand SET generation = ? WHERE id = ?").run(n, stand);
    generation(standId, 3);
    const another = (sown: string, n: number) => {
      const stand = garden.done("stand.add", { lineId, sown, plants: 2, family: 1 }).id;
      generation(stand, n);
      return garden.plants(stand);
    };
    const [sister, before, other] = [another("2027-05-02", 3), another("2026-05-02", 2), another("2027-05-03", 4)];
    score(id, 1, "4");
    score(id, 2, "8");
    for (const [plant, value] of [
      [sister[0], "5"],
      [before[0], "1"],
      [before[1], "3"],
      [other[0], "99"],
    ])
      garden.done("score.set", { plantId: plant, yardstickId: id, value });
    garden.on("2027-08-02");
    score(id, 2, "10", { again: true });
    const [{ groups } = { groups: [] }] = compared().compared;
    expect(groups.map(({ kind, values }) => [kind, values])).toEqual([
      ["family", [4, 9]],
      ["sister", [5]],
      ["before", [1, 3]],
    ]);
    expect(groups[0]!.summary).toMatchObject({ mean: 6.5, count: 2 });
  });

  test("parents are those of the season, else of all; words are counted", () => {
    const [mother, father] = ["Ma", "Pa"].map((name) => garden.line(name, "tomato"));
    garden.db.prepare("UPDATE line SET motherLineId = ?, fatherLineId = ? WHERE id = ?").run(mother, father, lineId);
    const flesh = add({ name: "Flesh", kind: "category", categories: "orange, white", wanted: "none" });
    const plantOf = (line: Id, sown: string) => {
      const stand = garden.done("stand.add", { lineId: line, sown, plants: 1, family: 1 }).id;
      return garden.db.prepare("SELECT id FROM plant WHERE standId = ?").pluck().get(stand) as Id;
    };
    const give = (plantId: Id, value: string) => garden.done("score.set", { plantId, yardstickId: flesh, value });
    give(plantOf(mother!, "2027-05-01"), "orange");
    give(plantOf(mother!, "2026-05-01"), "white");
    give(plantOf(father!, "2026-05-01"), "white");
    score(flesh, 1, "orange");
    score(flesh, 2, "white");
    score(flesh, 3, "white");
    const [{ groups } = { groups: [] }] = compared().compared;
    expect(groups.map(({ name, words }) => [name, words])).toEqual([
      [
        "Lantern",
        [
          { word: "white", count: 2 },
          { word: "orange", count: 1 },
        ],
      ],
      ["Ma", [{ word: "orange", count: 1 }]],
      ["Pa, all seasons", [{ word: "white", count: 1 }]],
    ]);
  });

  test("two are held against each other, those asked for or those that weigh most; kept plants stand side by side", () => {
    const [a, b, c] = [add({ name: "A", weight: 1 }), add({ name: "B", weight: 3 }), add({ name: "C", weight: 2 })];
    for (let n = 1; n <= 5; n++) {
      score(a, n, String(n));
      score(b, n, String(6 - n));
      if (n < 5) score(c, n, String(n * n));
    }
    garden.done("plant.marks", { ids: [plants[1], plants[3]], mark: "keep", reason: "" });
    const usual = compared();
    expect([usual.against!.x.name, usual.against!.y.name]).toEqual(["B", "C"]);
    expect(usual.against!.points).toHaveLength(4);
    expect(usual.against!.points[1]).toEqual({ number: 2, x: 4, y: 4, kept: true });
    const asked = compared({ x: a, y: b, plants: [5, 1] });
    expect(asked.against!.correlation).toMatchObject({ pairs: 5, r: -0.9999 });
    expect(asked.chosen.map(({ number, values }) => [number, values[a]!.number])).toEqual([
      [1, 1],
      [5, 5],
    ]);
    expect(usual.chosen.map(({ number }) => number)).toEqual([2, 4]);
    // One yardstick can't be held against itself.
    expect(compared({ x: a, y: a }).against!.y.name).toBe("B");
  });

  test("without yardsticks or scores there is nothing to compare", () => {
    expect(compared()).toMatchObject({ compared: [], against: null, chosen: [] });
    add({});
    expect(compared()).toMatchObject({ compared: [{ groups: [] }], against: null });
    expect(compareView(garden.sky(), "F27-999-X", { x: null, y: null, plants: [] })).toBeNull();
  });
});

describe("roguing a line", () => {
  const roguing = () => roguingView(garden.sky(), garden.code("stand", standId))!;

  test("says by which day, what went out and why, and how much pollen a late one had shed", () => {
    const { start, end } = roguing().stand.window;
    expect(roguing().by).toBe(start);
    garden.on(end);
    const out = (ids: Id[], on: string, reason: string) => garden.done("plant.remove", { ids, on, reason });
    out([plants[0]!, plants[1]!], start, "split");
    const middle = new Date((Date.parse(start) + Date.parse(end)) / 2).toISOString().slice(0, 10);
    out([plants[2]!], middle, "pale");
    const [season] = roguing().seasons;
    expect(season).toMatchObject({
      grown: 24,
      out: 3,
      late: 1,
      reasons: [
        { reason: "split", plants: 2 },
        { reason: "pale", plants: 1 },
      ],
    });
    expect(season!.shed).toBeGreaterThan(0.4);
    expect(season!.shed).toBeLessThan(0.6);
    expect(roguing().standing.map(({ number }) => number)).toEqual(Array.from({ length: 21 }, (_, i) => i + 4));
    expect(roguing().selfing).toBeGreaterThan(0.9);
  });

  test("described off-types come first, reasons of before without one after them; a walk that was done is known", () => {
    garden.done("plant.remove", { ids: [plants[0]], reason: "split" });
    garden.done("plant.remove", { ids: [plants[1]], reason: "pale" });
    const { id } = garden.done("offkind.add", {
      lineId,
      name: "split",
      look: "two at the neck",
      inheritance: "recessive",
    });
    expect(roguing()).toMatchObject({
      kinds: [{ name: "split", inheritance: "recessive" }],
      other: ["pale"],
      doneOn: null,
    });
    expect(garden.refused("offkind.add", { lineId, name: "split" }).fields.name).toContain("of that name already");
    garden.done("offkind.change", { id, version: garden.version("offkind", id), name: "doubled" });
    expect(roguing().other).toEqual(["pale", "split"]);
    garden.done("deed.done", { standId, act: "rogue", counted: 2 });
    expect(roguing().doneOn).toBe("2027-08-01");
    garden.done("offkind.drop", { id, version: garden.version("offkind", id) });
    expect(roguing().kinds).toEqual([]);
    expect(garden.refused("offkind.drop", { id, version: id }).message).toContain("not there any more");
  });

  test("plants without numbers are counted by what was said of the walk", () => {
    const stand = garden.done("stand.add", { lineId, sown: "2027-05-04", plants: 30 }).id;
    garden.done("deed.done", { standId: stand, act: "rogue", counted: 4 });
    const own = roguing().seasons.find(({ code }) => code === garden.code("stand", stand))!;
    expect(own).toMatchObject({ grown: 30, out: 4, reasons: [{ reason: "no reason given", plants: 4 }] });
    // A sowing of which nobody counted what came up is no season of it.
    const uncounted = garden.done("stand.add", { lineId, sown: "2027-05-06", sowedSeeds: 12 }).id;
    expect(roguing().seasons.map(({ code }) => code)).not.toContain(garden.code("stand", uncounted));
    garden.done("stand.change", { id: uncounted, version: 1, sowedSeeds: 12, cameUp: 0, plants: 0 });
    expect(roguing().seasons.map(({ code }) => code)).not.toContain(garden.code("stand", uncounted));
    expect(roguingView(garden.sky(), "F27-999-X")).toBeNull();
  });
});

describe("what was chosen without meaning it", () => {
  const leanings = () =>
    compareView(garden.sky(), garden.code("stand", standId), { x: null, y: null, plants: [] })!.leanings;

  test("is told of those who gave seed, else of those that are kept, with what it does next year", () => {
    const [late, mass] = [
      add({ name: "Ripe", kind: "date", wanted: "low", inherited: 0.5 }),
      add({ name: "Seen", wanted: "none" }),
    ];
    for (let n = 1; n <= 24; n++) {
      score(late, n, String(n <= 6 ? 80 : 60 + (n % 5)));
      score(mass, n, String((n * 7) % 24));
    }
    expect(leanings()).toMatchObject({ chosen: 0, gave: false, list: [] });
    garden.done("plant.marks", { ids: plants.slice(0, 6), mark: "keep", reason: "left over" });
    const kept = leanings();
    expect(kept).toMatchObject({ chosen: 6, gave: false, all: 24 });
    const ripe = kept.list.find(({ name }) => name === "Ripe")!;
    // 80 against the mean of all; of an F2 half of that would be inherited, twenty points either way; of a mix of pure
    // lines, which differ by four times what sibs of an F2 do, 0.3 · 4 of (0.3 · 4 + 0.7), and 0.7 · 4 of (0.7 · 4 + 0.3).
    const mean = (6 * 80 + Array.from({ length: 18 }, (_, i) => 60 + ((i + 7) % 5)).reduce((a, b) => a + b, 0)) / 24;
    expect(ripe).toMatchObject({ found: true, kind: "against", unit: "days", chosen: 80 });
    expect(ripe.differential).toBeCloseTo(80 - mean, 9);
    expect(ripe.next!.low).toBeCloseTo((1.2 / 1.9) * (80 - mean), 9);
    expect(ripe.next!.high).toBeCloseTo((2.8 / 3.1) * (80 - mean), 9);
    expect(kept.list.find(({ name }) => name === "Seen")).toMatchObject({ found: false, kind: "beside" });
    expect(kept.list.find(({ name }) => name === "row")).toMatchObject({
      found: true,
      kind: "place",
      next: null,
      chosen: 1,
    });

    garden.on("2027-09-20");
    garden.done("lot.save", {
      standId,
      plantIds: [plants[10], plants[11], plants[12]],
      kind: "open",
      gathered: "2027-09-20",
      seeds: 40,
    });
    expect(leanings()).toMatchObject({ chosen: 3, gave: true });
    expect(leanings().list.find(({ name }) => name === "Ripe")).toMatchObject({ kind: "aim", chosenKnown: 3 });
  });
});

describe("when fruit was picked and plants were looked at", () => {
  const found = (name: string) =>
    compareView(garden.sky(), garden.code("stand", standId), { x: null, y: null, plants: [] })!.leanings.list.find(
      (one) => one.name === name,
    );

  test("saving from the last pass makes the line later, by what is inherited of days", () => {
    garden.done("stand.first-flower", { id: standId, firstFlower: "2027-06-20" });
    const pick = (on: string, from: number, to: number, said: object) => {
      garden.on(on);
      garden.done("pick.add", { standId, plantIds: plants.slice(from, to), fruits: 1, state: "sound", ...said });
    };
    pick("2027-08-01", 0, 12, { verdict: "set-aside", why: "eaten" });
    expect(found("day its fruit was picked")).toBeUndefined();
    pick("2027-09-10", 12, 24, { verdict: "matches" });
    // The first pass was eaten; seed is of the second, 40 days later: 132 from sowing, against 112 of all.
    const late = found("day its fruit was picked")!;
    expect(late).toMatchObject({ found: true, kind: "beside", unit: "days", chosen: 132, all: 112, differential: 20 });
    // Of days 0.2 to 0.7 in an F2; four times the variance in a mix of pure lines.
    expect(late.next!.low).toBeCloseTo((0.8 / 1.6) * 20, 9);
    expect(late.next!.high).toBeCloseTo((2.8 / 3.1) * 20, 9);
  });

  test("who looked on another day, and who stands beside a gap, is seen to", () => {
    const mass = add({ name: "Mass" });
    for (let n = 1; n <= 24; n++) {
      garden.on(n <= 12 ? "2027-08-01" : "2027-08-11");
      score(mass, n, "5");
    }
    garden.done("plant.remove", { ids: [plants[1], plants[9]], reason: "weak" });
    garden.done("plant.marks", { ids: [plants[0], plants[2], ...plants.slice(3, 7)], mark: "keep", reason: "large" });
    const looked = found("day it was looked at")!;
    expect(looked).toMatchObject({ kind: "place", unit: "days", next: null, chosen: 92, all: 97 });
    // Rows of eight: 1 and 3 are beside plant 2; plant 9 is the first of its row, beside plant 10, as 11 is.
    const gaps = found("gaps beside it")!;
    expect(gaps.chosen).toBeCloseTo(2 / 6, 9);
    expect(gaps.all).toBeCloseTo(4 / 24, 9);
  });
});

describe("who is crossed with whom", () => {
  const equal = (ids: Id[]) => ids.map((plantId) => ({ plantId, share: 0.5 }));

  test("plants of a mix that selfs are each a pure line: crossed they are not inbred, at random by half, selfed wholly", () => {
    const mating = matingOf(garden.db, { parents: equal(plants.slice(0, 2)), crosses: 1 });
    expect(mating).toMatchObject({
      inbreeding: 0,
      random: expect.closeTo(0.5, 9),
      selfed: expect.closeTo(1, 9),
    });
    expect(mating.pairs.map(({ mother, father }) => [mother.number, father.number].sort())).toEqual([[1, 2]]);
  });

  test("selfed sibs are nearer kin than plants of two families: pairs are between families, by shares", () => {
    const [one, two] = [0, 1].map((i) => {
      const lot = garden.done("lot.save", { standId, plantIds: [plants[i]], kind: "self", gathered: "2027-08-01" });
      garden.on("2028-05-01");
      const stand = garden.done("stand.add", {
        lineId,
        lotId: lot.id,
        sown: "2028-05-01",
        sowedSeeds: 4,
        plants: 2,
        family: 1,
      }).id;
      garden.on("2027-08-01");
      return garden.plants(stand);
    }) as [Id[], Id[]];
    const { pairs, inbreeding } = matingOf(garden.db, { parents: equal([...one, ...two]), crosses: 4 });
    expect(inbreeding).toBe(0);
    expect(pairs).toHaveLength(4);
    for (const { mother, father } of pairs) expect(mother.code).not.toBe(father.code);
    // Three quarters of the seed to one plant can't be: nobody is in more than half of all places.
    const parents = [one[0]!, two[0]!, two[1]!].map((plantId, i) => ({ plantId, share: i === 0 ? 0.75 : 0.125 }));
    const uneven = matingOf(garden.db, { parents, crosses: 4 });
    expect(uneven.pairs.filter(({ mother, father }) => [mother.id, father.id].includes(one[0]!))).toHaveLength(4);
  });

  test("who was taken out is crossed with nobody; nobody at all gives no pairs", () => {
    garden.done("plant.remove", { ids: [plants[0]], reason: "pale" });
    expect(
      matingOf(garden.db, { parents: equal(plants.slice(0, 3)), crosses: 2 }).pairs.map((p) => p.inbreeding),
    ).toEqual([0, 0]);
    expect(matingOf(garden.db, { parents: equal(plants.slice(0, 1)), crosses: 2 }).pairs).toEqual([]);
  });

  test("pairs are planned as crosses of the line, a plant that is out is refused", () => {
    const pairs = [
      { motherPlantId: plants[0], fatherPlantId: plants[1] },
      { motherPlantId: plants[1], fatherPlantId: plants[2] },
    ];
    const { ids } = garden.done("cross.pairs", { pairs, fruitsEach: 3 });
    expect(ids.map((id) => garden.row("cross", id))).toMatchObject(
      pairs.map((pair) => ({ ...pair, kind: "intercross", lineId, fruitsWanted: 3 })),
    );
    garden.done("plant.marks", { ids: [plants[2]], mark: "out", reason: "pale" });
    expect(garden.refused("cross.pairs", { pairs, fruitsEach: 3 }).message).toContain("is marked out");
    expect(garden.refused("cross.pairs", { pairs: [], fruitsEach: 3 }).fields.pairs).toBeDefined();
  });

  test("kept plants of sister families stand by", () => {
    const sister = garden.done("stand.add", { lineId, sown: "2027-05-01", plants: 2, family: 1 }).id;
    const [kept] = garden.plants(sister);
    garden.done("plant.mark", { id: kept, mark: "keep" });
    garden.done("plant.mark", { id: plants[0], mark: "keep" });
    expect(view().sistersKept.map(({ id }) => id)).toEqual([kept]);
    expect(view().sisters).toBe(1);
  });
});

describe("lifting and replanting", () => {
  const leeks = () => {
    const line = garden.done("line.add", {
      name: "Dovetail",
      species: "leek",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    garden.on("2027-03-20");
    const id = garden.done("stand.add", { lineId: line, sown: "2027-03-20", plants: 120, overwinter: "lifted" }).id;
    garden.on("2027-11-10");
    return id;
  };
  const lifting = (id: Id) => roguingView(garden.sky(), garden.code("stand", id))!.lifting!;

  test("what is sorted is lifted and stored with it, in one press that is undone as one", () => {
    const id = leeks();
    expect(lifting(id)).toMatchObject({ next: "lift", out: null, winters: 0, sorts: [] });
    const { entry } = garden.done("sorting.add", {
      standId: id,
      moment: "lift",
      fit: 80,
      small: 12,
      split: 3,
      rotten: 5,
    });
    expect(garden.row("stand", id)).toMatchObject({ liftedOn: "2027-11-10", replantedOn: null });
    const { next, out, now } = lifting(id);
    expect([next, now.lift!.fit]).toEqual(["replant", 80]);
    // By the working range alone: three quarters of them, between half and all.
    expect(out!.likely).toBe(62);
    expect(out!.low).toBeGreaterThan(35);
    expect(out!.high).toBeLessThanOrEqual(80);
    garden.undone(entry);
    expect(garden.row("stand", id)).toMatchObject({ liftedOn: null });
    expect(lifting(id).next).toBe("lift");
  });

  test("what is not of the line is counted with its off-types, of all that were lifted; what is small or rots is not", () => {
    const id = leeks();
    garden.done("sorting.add", { standId: id, moment: "lift", fit: 80, small: 30, split: 3, odd: 2, rotten: 5 });
    garden.on("2028-03-15");
    garden.done("sorting.add", { standId: id, moment: "replant", fit: 60, bolted: 1, rotten: 19 });
    const [season] = roguingView(garden.sky(), garden.code("stand", id))!.seasons;
    // 80 + 30 + 3 + 2 + 5 lifted; three split, two odd, one bolted.
    expect(season).toMatchObject({ grown: 120, out: 6, late: 0 });
    expect(season!.reasons).toEqual([
      { reason: "split or forked", plants: 3 },
      { reason: "wrong shape or colour", plants: 2 },
      { reason: "bolted", plants: 1 },
    ]);
  });

  test("replanted they stand as so many, and the winter is learned from: only what rotted was lost in the store", () => {
    const id = leeks();
    const before = lifting(id);
    garden.done("sorting.add", { standId: id, moment: "lift", fit: 80, small: 40 });
    garden.on("2028-03-15");
    garden.done("sorting.add", {
      standId: id,
      moment: "replant",
      fit: 30,
      odd: 2,
      rotten: 46,
      bands: "as thick as a thumb",
    });
    expect(garden.row("stand", id)).toMatchObject({ replantedOn: "2028-03-15", plants: 30 });
    const after = lifting(id);
    expect(after).toMatchObject({ next: null, winters: 1, out: null });
    expect(after.sorts.map(({ moment }) => moment)).toEqual(["replant", "lift"]);
    // 32 of 80 came out sound: far more must be stored next time.
    expect(after.store).toBeGreaterThan(before.store * 1.4);
    const { id: sorted } = after.now.replant!;
    garden.done("sorting.change", { id: sorted, version: garden.version("sorting", sorted), odd: 4 });
    expect(lifting(id).now.replant).toMatchObject({ odd: 4, rotten: 46, fit: 30 });
  });

  test("what can't be is refused beside its field", () => {
    const id = leeks();
    const refused = (input: object) =>
      garden.refused("sorting.add", { standId: id, moment: "lift", fit: 0, ...input }).fields;
    expect(refused({}).fit).toBe("Count what was sorted.");
    expect(refused({ fit: 3, sortedOn: "2027-11-11" }).sortedOn).toContain("still to come");
    expect(refused({ fit: 3, sortedOn: "2027-03-01" }).sortedOn).toContain("was sown on");
    garden.done("sorting.add", { standId: id, moment: "lift", fit: 8 });
    expect(refused({ fit: 9 }).moment).toContain("sorted then already");
    expect(refused({ moment: "replant", fit: 7, rotten: 2 }).fit).toBe(
      "8 went into the store; 9 can't come out of it.",
    );
    expect(refused({ moment: "replant", fit: 7, sortedOn: "2027-11-09" }).sortedOn).toContain("They were lifted on");
    expect(lifting(id).next).toBe("replant");
  });

  test("who is not lifted is not asked", () => {
    expect(roguingView(garden.sky(), garden.code("stand", standId))!.lifting).toBeNull();
  });

  test("numbered plants are sorted by size in one press; what was decided of them before stays", () => {
    garden.done("plant.mark", { id: plants[3], mark: "seed-parent" });
    garden.done("plant.sort", { small: plants.slice(0, 2), fit: plants.slice(2, 4), large: [plants[4]] });
    expect(
      view()
        .plants.slice(0, 6)
        .map(({ mark, reason }) => [mark, reason]),
    ).toEqual([
      ["out", "too small"],
      ["out", "too small"],
      ["keep", "of the right size"],
      ["seed-parent", ""],
      ["out", "largest, eaten"],
      ["none", ""],
    ]);
    expect(garden.refused("plant.sort", { small: [], fit: [], large: [] }).fields.fit).toBe("Nothing is sorted.");
    expect(garden.refused("plant.sort", { small: [plants[0]], fit: [plants[0]], large: [] }).fields.fit).toContain(
      "two sizes",
    );
    garden.done("plant.remove", { ids: [plants[0]] });
    expect(garden.refused("plant.sort", { small: [], fit: [plants[0]], large: [] }).fields.fit).toContain(
      "was taken out",
    );
  });
});

describe("the garden's yardsticks", () => {
  test("stand by name and kind, with the lines that use them and the versions they went through", () => {
    const heart = add({ name: "Heart", kind: "scale", lowEnd: "loose", highEnd: "hard" });
    score(heart, 1, "4");
    score(heart, 2, "5");
    const now = garden.done("yardstick.change", {
      id: heart,
      version: garden.version("yardstick", heart),
      lowEnd: "none",
    }).id;
    expect(now).not.toBe(heart);
    score(now, 1, "7");
    const other = garden.done("line.add", { name: "Axe", species: "tomato", school: "keep-pure", status: "mix" }).id;
    garden.done("yardstick.take", { lineId: other, usual: [], own: [now] });
    const bell = garden.done("line.add", { name: "Bell", species: "tomato", school: "keep-pure", status: "mix" }).id;
    garden.done("yardstick.add", { lineId: bell, name: "Heart", kind: "yes-no", wanted: "none" });
    const { entries } = yardstickLibrary(garden.sky());
    expect(entries.map(({ name, kind, scored }) => [name, kind, scored])).toEqual([
      ["Heart", "scale", 3],
      ["Heart", "yes-no", 0],
    ]);
    const [scale] = entries;
    expect(scale!.id).toBe(now);
    expect(
      scale!.uses.map(({ lineName, versions }) => [lineName, versions.map(({ lowEnd, scored }) => [lowEnd, scored])]),
    ).toEqual([
      [
        "Lantern",
        [
          ["none", 1],
          ["loose", 2],
        ],
      ],
      ["Axe", [["none", 0]]],
    ]);
  });
});

describe("families that are not there", () => {
  test("of a family that is not there nothing is reckoned", () => {
    expect(ended(familyWorth(garden.db, { standId: NOBODY, best: 2, open: false, across: false }))).toEqual({
      best: 2,
      yardsticks: [],
      genes: [],
      plants: [],
      out: 0,
      advice: { keep: [], apart: 0 },
      alike: false,
      choice: { steps: [], frontier: [] },
    });
  });
});

describe("plants marked several at once", () => {
  test("are told by their families, each named once", () => {
    const other = garden.done("stand.add", { lineId, sown: "2027-05-02", sowedSeeds: 4, plants: 3, family: 1 }).id;
    const ids = [...plants.slice(0, 2), garden.plants(other)[0]!];
    const { message } = garden.done("plant.marks", { ids, mark: "seed-parent" });
    const [first, second] = [standId, other].map((id) => garden.code("stand", id));
    expect(message).toBe(`3 plants of ${first}, ${second}: seed parent`);
  });
});

describe("checks among the family", () => {
  test("are scored, shown beside it, counted and chosen from never", () => {
    const mass = add({ name: "Mass" });
    const check = garden.done("line.add", {
      name: "Old",
      species: "tomato",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    for (let n = 1; n <= 24; n++) score(mass, n, String(n % 6 === 0 ? 9 : n % 5));
    const ids = plants.filter((_, i) => (i + 1) % 6 === 0);
    garden.done("plant.check", { ids, checkOfId: check });
    expect(view().yardsticks[0]!.family).toMatchObject({ count: 20, high: 4 });
    const groups = compareView(garden.sky(), garden.code("stand", standId), { x: null, y: null, plants: [] })!
      .compared[0]!.groups;
    expect(groups.map(({ name, values }) => [name, values.length])).toEqual([
      ["Lantern", 20],
      ["Old, check", 4],
    ]);
    const { plants: ranked, yardsticks } = ended(
      familyWorth(garden.db, { standId, best: 3, open: false, across: false }),
    ) as FamilyWorth;
    expect(ranked).toHaveLength(20);
    expect(yardsticks[0]).toMatchObject({ seen: 20 });
    garden.db.prepare("UPDATE stand SET generation = 2 WHERE id = ?").run(standId);
    // Twenty of 1 to 4 and 0: on the ladder no check's nine.
    const [rung] = lineView(garden.sky(), garden.code("line", lineId))!.ladders[0]!.points;
    expect(rung).toMatchObject({ generation: 2, summary: { count: 20, mean: 2, high: 4 } });
    expect(garden.refused("plant.mark", { id: ids[0], mark: "keep" }).fields.mark).toContain("is a check");
    garden.done("plant.mark", { id: plants[0], mark: "keep" });
    expect(garden.refused("plant.check", { ids: [plants[0]], checkOfId: check }).fields.ids).toContain("is kept");
    const bean = garden.done("line.add", { name: "B", species: "runner-bean", school: "keep-pure", status: "mix" }).id;
    expect(garden.refused("plant.check", { ids: [plants[1]], checkOfId: bean }).fields.checkOfId).toContain(
      "another species",
    );
    expect(garden.refused("plant.check", { ids: [], checkOfId: check }).fields.ids).toContain("Choose at least one");
    garden.done("plant.check", { ids, checkOfId: null });
    expect(view().yardsticks[0]!.family).toMatchObject({ count: 24, high: 9 });
  });

  test("plants looked at days apart are set right for what they grew, and it is told", () => {
    const height = add({ name: "Height" });
    for (let n = 1; n <= 24; n++) {
      const late = n % 2 === 0;
      garden.on(late ? "2027-08-11" : "2027-08-01");
      score(height, n, String(30 + (n % 3) + (late ? 20 : 0)));
    }
    const { yardsticks, plants: ranked } = ended(
      familyWorth(garden.db, { standId, best: 3, open: false, across: false }),
    ) as FamilyWorth;
    expect(yardsticks[0]!.age.perDay).toBeCloseTo(2, 1);
    expect(yardsticks[0]!.age.explained).toBeGreaterThan(0.9);
    // The best are those that are tallest for their day, of either.
    const best = ranked.slice(0, 8).map(({ number }) => number % 3);
    expect(best.every((rest) => rest === 2)).toBe(true);
  });
});
