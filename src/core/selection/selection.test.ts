import { describe, expect, test } from "vitest";
import { AIM } from "../tests/selection";
import { type Aim, rankPlants, summarise } from "./ranking";
import { geneFrequency, removal, shedBy } from "./roguing";
import { roguingForecast } from "./roguingForecast";

const yardstick = (id: number, wanted: Aim["wanted"], more: Partial<Aim> = {}): Aim => ({
  ...AIM,
  id: String(id),
  wanted,
  ...more,
});
const plant = (id: number, scores: Record<number, number | string>) => ({
  id: String(id),
  scores: Object.fromEntries(
    Object.entries(scores).map(([key, v]) => [
      key,
      typeof v === "number" ? { number: v, word: null } : { number: null, word: v },
    ]),
  ),
});
const order = (plants: ReturnType<typeof plant>[], yardsticks: Aim[]) =>
  rankPlants(plants, yardsticks).map((r) => Number(r.id));

describe("ranking", () => {
  test.each<[string, Aim, (number | string)[], number[]]>([
    ["more is better", yardstick(1, "high"), [2, 9, 5], [2, 3, 1]],
    ["less is better", yardstick(1, "low"), [2, 9, 5], [1, 3, 2]],
    ["near a target", yardstick(1, "target", { target: 6 }), [2, 9, 5], [3, 2, 1]],
    ["the wanted word", yardstick(1, "category", { targetWord: "orange" }), ["white", "orange", "white"], [2, 1, 3]],
    ["no is wanted", yardstick(1, "no"), [1, 0, 1], [2, 1, 3]],
  ])("%s", (_, mark, values, expected) => {
    expect(
      order(
        values.map((v, i) => plant(i + 1, { 1: v })),
        [mark],
      ),
    ).toEqual(expected);
  });

  test("worked example: two yardsticks of weight 2 and 1, standardised by hand", () => {
    const plants = [plant(1, { 1: 1, 2: 30 }), plant(2, { 1: 2, 2: 20 }), plant(3, { 1: 3, 2: 10 })];
    const ranked = rankPlants(plants, [yardstick(1, "high", { weight: 2 }), yardstick(2, "high")]);
    expect(ranked.map((r) => [Number(r.id), Number(r.index.toFixed(6))])).toEqual([
      [3, 0.333333],
      [2, 0],
      [1, -0.333333],
    ]);
  });

  test("units do not matter, missing scores neither help nor harm, unscored plants come last", () => {
    const grams = [plant(1, { 1: 500, 2: 5 }), plant(2, { 1: 900 }), plant(3, {}), plant(4, { 1: 700, 2: 9 })];
    const kilograms = [plant(1, { 1: 0.5, 2: 5 }), plant(2, { 1: 0.9 }), plant(3, {}), plant(4, { 1: 0.7, 2: 9 })];
    const marks = [yardstick(1, "high"), yardstick(2, "high")];
    expect(order(grams, marks)).toEqual(order(kilograms, marks));
    expect(order(grams, marks).at(-1)).toBe(3);
  });

  test("a single plant that was scored is the mean of itself", () => {
    const [one, none] = rankPlants([plant(1, { 1: 4 }), plant(2, {})], [yardstick(1, "high")]);
    expect([one!.index, one!.rank, none!.scored]).toEqual([0, 1, 0]);
  });

  test("equal plants share a rank; a weight of nothing leaves a yardstick out", () => {
    const ranked = rankPlants(
      [plant(1, { 1: 4, 2: 1 }), plant(2, { 1: 4, 2: 9 })],
      [yardstick(1, "high"), yardstick(2, "high", { weight: 0 })],
    );
    expect(ranked.map((r) => r.rank)).toEqual([1, 1]);
  });
});

test("a summary of one has no spread, of none is none", () => {
  expect(summarise([3])).toEqual({ count: 1, mean: 3, spread: null, low: 3, high: 3 });
  expect(summarise([])).toBeNull();
});

test("taking out on the day of first flower is in time, the day after is late", () => {
  expect(removal("2027-07-01", "2027-07-01")).toEqual({ late: false, daysAfter: 0 });
  expect(removal("2027-07-05", "2027-07-01")).toEqual({ late: true, daysAfter: 4 });
});

describe("pollen shed before a plant went out", () => {
  const window = { start: "2027-07-01", end: "2027-07-04" };
  test.each([
    ["2027-06-20", 0],
    ["2027-07-01", 0],
    // Weights of four days are 7, 15, 15, 7 of 44.
    ["2027-07-02", 7 / 44],
    ["2027-07-03", 22 / 44],
    ["2027-07-04", 37 / 44],
    ["2027-07-05", 1],
    ["2027-09-01", 1],
  ])("by %s: %d", (on, share) => expect(shedBy(window, on)).toBeCloseTo(share, 12));
});

describe("an off-type's gene", () => {
  test("is the root of the share that shows a recessive, and what misses a dominant one", () => {
    expect(geneFrequency(16, 100, "recessive").likely).toBeCloseTo(0.4, 12);
    expect(geneFrequency(16, 100, "unknown").likely).toBeCloseTo(0.4, 12);
    // 1 − √0.64.
    expect(geneFrequency(36, 100, "dominant").likely).toBeCloseTo(0.2, 12);
    const { low, likely, high } = geneFrequency(2, 40, "recessive");
    expect(low).toBeLessThan(likely);
    expect(likely).toBeLessThan(high);
    // Nine tenths of Beta(9.5, 91.5), by two million draws elsewhere: 0.0515 to 0.1458.
    const range = geneFrequency(9, 100, "recessive");
    expect(range.low).toBeCloseTo(Math.sqrt(0.0515), 3);
    expect(range.high).toBeCloseTo(Math.sqrt(0.1458), 3);
    expect(geneFrequency(0, 40, "recessive")).toMatchObject({ likely: 0, low: 0 });
    expect(geneFrequency(40, 40, "recessive")).toMatchObject({ likely: 1, high: 1 });
  });

  test("of inbred plants is rarer for as many that show it, and stands still where nothing goes out", () => {
    // q² (1 − F) + q F = 0.25 with F ½: q = (√(0.25 + 0.5) − 0.5).
    expect(geneFrequency(25, 100, "recessive", 0.5).likely).toBeCloseTo(Math.sqrt(0.75) - 0.5, 12);
    expect(geneFrequency(25, 100, "recessive", 1).likely).toBe(0.25);
    expect(geneFrequency(75, 100, "dominant", 0.5).likely).toBeCloseTo(1.5 - Math.sqrt(0.75), 12);
    const still = {
      frequency: 0.3,
      generations: 5,
      detection: 0,
      timing: "before-flowering",
      selfingRate: 0.6,
    } as const;
    for (const inheritance of ["recessive", "dominant"] as const) {
      const { offTypes } = roguingForecast({ ...still, inheritance, inbreeding: 0.6 / 1.4 });
      for (const share of offTypes) expect(share).toBeCloseTo(offTypes[0]!, 12);
    }
    const gone = roguingForecast({ ...still, detection: 1, inbreeding: 0.6 / 1.4 }).offTypes;
    for (let t = 1; t <= 5; t++) expect(gone[t]).toBeLessThan(gone[t - 1]!);
  });

  const dominant = (detection: number, timing: "before-flowering" | "after-flowering", selfingRate = 0) =>
    roguingForecast({ frequency: 0.2, generations: 2, detection, timing, selfingRate, inheritance: "dominant" });
  test("that is dominant is gone once all that show it go out in time, by hand", () => {
    expect(dominant(1, "before-flowering").frequency.map((q) => Number(q.toFixed(12)))).toEqual([0.2, 0, 0]);
    expect(dominant(1, "before-flowering").offTypes[0]).toBeCloseTo(1 - 0.64, 12);
    // After flowering eggs are clean and pollen has 0.2: half of it goes on, one in five shows.
    expect(dominant(1, "after-flowering").frequency[1]).toBeCloseTo(0.1, 12);
    expect(dominant(1, "after-flowering").offTypes[1]).toBeCloseTo(0.2, 12);
    // Half found: of 0.64, 0.32, 0.04 there are left 0.64, 0.16, 0.02 of 0.82.
    expect(dominant(0.5, "before-flowering").frequency[1]).toBeCloseTo((0.08 + 0.02) / 0.82, 12);
    expect(dominant(0, "before-flowering", 0.6).frequency[2]).toBeCloseTo(0.2, 12);
  });
});
