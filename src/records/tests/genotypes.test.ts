import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { compareView } from "@/views/compare";
import { genotypesView } from "@/views/genotypes";
import { lineView } from "@/views/lines";
import { family, type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

/** An F1 family, and an F2 selfed from its third plant, with a yardstick of words. */
function twoGenerations() {
  const { lineId, stand, plants } = family(garden);
  const mark = garden.done("yardstick.add", {
    lineId,
    name: "Flesh",
    kind: "category",
    categories: "white, orange, pale, red",
    wanted: "category",
    targetWord: "white",
  }).id;
  garden.on("2028-09-10");
  const selfed = { standId: stand, kind: "self", gathered: "2028-09-10", seeds: 40 };
  const lotId = garden.done("lot.save", { ...selfed, plantIds: [plants[2]] }).id;
  garden.on("2029-05-10");
  const second = garden.done("stand.add", {
    lineId,
    lotId,
    bedId: 1,
    sown: "2029-05-10",
    sowedSeeds: 20,
    family: 1,
    plants: 12,
  }).id;
  garden.on("2029-08-20");
  const offspring = garden.plants(second);
  const score = (plantId: Id | undefined, value: string) =>
    garden.done("score.set", { plantId, yardstickId: mark, value });
  const define = (input: object = {}) =>
    garden.done("locus.define", { yardstickId: mark, way: "dominant", words: ["white", "orange"], error: 0, ...input });
  const told = (standId: Id = second) => genotypesView(garden.db, { standId, yardstickId: mark });
  const known = (standId: Id = second) => {
    const view = told(standId);
    if (view.kind !== "known") throw new Error(view.kind);
    return { ...view, of: (number: number) => view.plants.find((one) => one.number === number)! };
  };
  return { lineId, stand, second, plants, offspring, mark, score, define, told, known };
}

describe("what plants are likely to carry", () => {
  test("from their own looks, their parents' and their sisters'; the likeliest to breed true first", () => {
    const { stand, plants, offspring, score, define, told, known } = twoGenerations();
    expect(told()).toEqual({ kind: "unknown" });
    define();
    score(plants[2], "white");
    for (const plant of offspring.slice(0, 8)) score(plant, "white");
    score(offspring[8], "orange");
    // A word that no class shows says nothing; one that was taken out still tells of its kin.
    score(offspring[9], "red");
    garden.done("plant.remove", { ids: [offspring[8]], reason: "eaten" });
    const view = known();
    expect(view).toMatchObject({ way: "dominant", wanted: "white", seen: 10 });
    expect(view.plants.map(({ number }) => number)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 10, 11, 12]);
    // Its mother carries, for one offspring showed it: of those that show white a third are pure.
    expect(view.of(1)).toMatchObject({ shows: "white", progeny: 13 });
    expect(view.of(1).pure).toBeCloseTo(1 / 3, 10);
    expect(view.of(11)).toMatchObject({ shows: null });
    expect(view.of(11).loci[0]!.map((chance) => Number(chance.toFixed(9)))).toEqual([0.25, 0.5, 0.25]);
    expect(known(stand).of(3).loci[0]![1]).toBeCloseTo(1, 10);
  });

  test("records that can't all be so are named, unless some may be put down wrongly", () => {
    const { second, stand, plants, offspring, score, define, told } = twoGenerations();
    define();
    score(plants[2], "orange");
    score(offspring[0], "white");
    expect(told()).toEqual({
      kind: "contradiction",
      plants: [
        { code: garden.code("stand", stand), number: 3, shows: "orange" },
        { code: garden.code("stand", second), number: 1, shows: "white" },
      ],
      lots: [],
    });
    define({ error: 0.05 });
    expect(told().kind).toBe("known");
  });

  test("of a wanted word that hides nothing, or of two genes, offspring are not counted", () => {
    const { define, known, mark, lineId } = twoGenerations();
    define({ words: ["orange", "white"] });
    expect(known().of(1)).toMatchObject({ progeny: null });
    expect(known().wanted).toBe("white");
    define({ way: "both", words: ["white", "orange"], recombination: 0.2 });
    expect(known().of(1)).toMatchObject({ progeny: null });
    expect(known().of(1).loci).toHaveLength(2);
    expect(garden.db.prepare("SELECT count(*) FROM locus").pluck().get()).toBe(1);
    const view = compareView(garden.sky(), garden.code("stand", 4), { x: null, y: null, plants: [] })!.inheritance;
    expect(view.genes).toMatchObject([{ id: mark, name: "Flesh", locus: { way: "both", recombination: 0.2 } }]);
    expect(view.genes[0]!.words).toEqual(["white", "orange", "pale", "red"]);
    expect(lineId).toBe(garden.row("yardstick", mark).lineId);
  });
});

test("the ladder shows how many were seen to be mixed, where the mixed can be told by eye", () => {
  const { lineId, plants, offspring, score, define } = twoGenerations();
  for (const plant of plants) score(plant, "pale");
  offspring.slice(0, 6).forEach((plant, i) => {
    score(plant, ["white", "pale", "orange", "pale", "pale", "red"][i]!);
  });
  const seen = () => lineView(garden.sky(), garden.code("line", lineId))!.rungs.map(({ observed }) => observed);
  define();
  expect(seen()).toEqual([null, null]);
  define({ way: "between", words: ["white", "pale", "orange"] });
  expect(seen()).toEqual([
    { mixed: 5, looks: 5 },
    { mixed: 3, looks: 5 },
  ]);
});

test.each([
  [{ words: ["white"] }, "words", "at least"],
  [{ words: ["white", "orange", "pale"] }, "words", "2 classes"],
  [{ words: ["white", "white"] }, "words", "of its own"],
  [{ words: ["white", "blue"] }, "words", "“blue” is no word of Flesh"],
  [{ recombination: 0.6 }, "recombination", "0.5"],
  [{ error: 0.5 }, "error", "0.4"],
  [{ way: "blending" }, "way", "choices"],
])("a gene that is %j is refused beside %s", (more, field, words) => {
  const { mark, lineId } = twoGenerations();
  const told = { yardstickId: mark, way: "dominant", words: ["white", "orange"], ...more };
  expect(garden.refused("locus.define", told).fields[field]).toContain(words);
  const mass = garden.done("yardstick.add", { lineId, name: "Mass", kind: "number", wanted: "high" }).id;
  expect(
    garden.refused("locus.define", {
      ...told,
      ...{ words: ["a", "b"], recombination: 0.5, error: 0, way: "dominant" },
      yardstickId: mass,
    }).fields.yardstickId,
  ).toContain("Only words");
});
