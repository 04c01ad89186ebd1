import { describe, expect, test } from "vitest";
import { normalFrom, seeded } from "../numbers/chance";
import { agreement } from "./agreement";
import { evenness } from "./evenness";
import { offTypeTest } from "./offTypeTest";
import { allOf } from "./standing";
import { trueness } from "./trueness";
import type { Measured, TrueInput } from "./trueTests";

const season = (year: number, plants: number, offTypes: number) => ({ season: year, plants, offTypes });

describe("off-types in two seasons running", () => {
  // Of n plants without one, 1 − 0.05^(1/n): 59 are the fewest for 5 in 100; with one 93, with two 124 (tables of sampling).
  test.each([
    [[season(2027, 30, 0), season(2026, 29, 0)], "holds", null, 0],
    [[season(2027, 30, 0), season(2026, 28, 0)], "open", 1, 1],
    [[season(2027, 60, 0)], "open", 0, 1],
    [[season(2027, 40, 1), season(2026, 40, 0)], "open", 13, 1],
    [[season(2027, 40, 1), season(2026, 40, 1)], "open", 44, 1],
    [[], "open", 59, 2],
    [[season(2027, 0, 0)], "open", 59, 2],
  ] as const)("%j", (counts, standing, more, wants) => {
    expect(offTypeTest([...counts], 0.05)).toMatchObject({ standing, more, wants });
  });

  test("a season with more than the standard tolerates fails, until two newer ones stand", () => {
    // Of 40 plants at 5 in 100, P(X ≤ 4) = 0.952.
    const failed = offTypeTest([season(2026, 40, 5), season(2027, 40, 0), season(2020, 400, 0)], 0.05);
    expect(failed).toMatchObject({ standing: "fails", more: null, wants: 1 });
    expect(failed.seasons.map(({ season: year, maximum }) => [year, maximum])).toEqual([
      [2027, 4],
      [2026, 4],
    ]);
    expect(offTypeTest([season(2027, 40, 5), season(2026, 40, 0)], 0.05).wants).toBe(2);
    expect(offTypeTest([season(2027, 100, 0), season(2026, 100, 0), season(2025, 40, 5)], 0.05).standing).toBe("holds");
    expect(offTypeTest([season(2027, 40, 4), season(2026, 40, 0)], 0.05).standing).toBe("open");
  });
});

describe("as even as known lines", () => {
  const eight = [1, 2, 3, 4, 5, 6, 7, 8];
  const doubled = eight.map((value) => value * 2);

  test("the range is that of F: of seven and seven degrees 3.787 cuts off one in twenty", () => {
    const { ratio, own, standing } = evenness([doubled], [eight], 0);
    expect(own.spread).toBeCloseTo(Math.sqrt(24), 10);
    expect(ratio!.likely).toBeCloseTo(2, 10);
    expect(ratio!.low).toBeCloseTo(2 / Math.sqrt(3.787), 3);
    expect(ratio!.high).toBeCloseTo(2 * Math.sqrt(3.787), 3);
    expect(standing).toBe("fails");
    expect(evenness([eight], [eight], 0).standing).toBe("open");
  });

  test("many plants show it; groups have each their own mean, and a step adds its twelfth", () => {
    const many = Array.from({ length: 15 }, (_, i) => eight.map((value) => value + 100 * i));
    // 105 degrees on either side: F of 0.95 is 1.381.
    const even = evenness(many, many, 0);
    expect(even.standing).toBe("holds");
    expect(even.ratio!.high).toBeCloseTo(Math.sqrt(1.381), 2);
    expect(evenness([eight], [[5, 5, 5, 5, 5, 5, 5, 5]], 0)).toMatchObject({ standing: "open", ratio: null });
    const stepped = evenness([eight], [[5, 5, 5, 5, 5, 5, 5, 5]], 1);
    expect(stepped.known.spread).toBeCloseTo(Math.sqrt(1 / 12), 10);
    expect(stepped.ratio!.likely).toBeCloseTo(Math.sqrt(6 * 12 + 1), 10);
  });

  test("generations to go: each halves what is too much", () => {
    // Variance four times as wide: 3 too much, 1.25 taken, so two halvings.
    expect(evenness([doubled], [eight], 0).generations).toBe(2);
    expect(evenness([eight.map((value) => value * 1.9)], [eight], 0).generations).toBe(null);
    const many = Array.from({ length: 30 }, () => eight);
    const wide = (by: number) =>
      evenness(
        many.map((group) => group.map((value) => value * by)),
        many,
        0,
      );
    expect(wide(1.6)).toMatchObject({ standing: "fails", generations: 1 });
    expect(wide(5)).toMatchObject({ standing: "fails", generations: 5 });
    expect(wide(1e6).generations).toBe(null);
    expect(evenness([[1, 2, 3, 4]], [eight], 0).ratio).toBe(null);
    expect(evenness([[1, 2, 3, 4, 5]], [eight], 0).ratio).not.toBe(null);
  });
});

describe("two seasons agree", () => {
  const own = (shift: number) => Array.from({ length: 25 }, (_, i) => (i % 5) + shift);

  test("by t: fifty plants of variance 2.0833", () => {
    const same = agreement({ own: own(0), beside: {} }, { own: own(0.2), beside: {} }, 0);
    // Squares 50 within each of two, 48 degrees; error² 2 · 2.0833 / 25; t of 48 at 0.95 is 1.6772.
    expect(same.margin).toBeCloseTo(Math.sqrt(100 / 48), 10);
    expect(same.difference!.likely).toBeCloseTo(-0.2, 10);
    expect(same.difference!.high).toBeCloseTo(-0.2 + 1.6772 * Math.sqrt((2 * 100) / 48 / 25), 3);
    expect(same.standing).toBe("holds");
    expect(agreement({ own: own(3), beside: {} }, { own: own(0), beside: {} }, 0).standing).toBe("fails");
    expect(agreement({ own: own(1), beside: {} }, { own: own(0), beside: {} }, 0).standing).toBe("open");
  });

  test("what the weather did to lines beside it is out of it", () => {
    const with10 = { own: own(10), beside: { A: [20, 21, 22, 20, 21, 22], B: [5] } };
    const with0 = { own: own(0), beside: { A: [10, 11, 12, 10, 11, 12], B: [9, 9] } };
    const found = agreement(with10, with0, 0);
    expect(found).toMatchObject({ against: ["A"], standing: "holds" });
    expect(found.difference!.likely).toBeCloseTo(0, 10);
    // Error² 2 · 2.0833/25 of its own and 2 · 0.8/6 of the six beside it; by Welch 21 degrees, t 1.72.
    const error = Math.sqrt((2 * 100) / 48 / 25 + (2 * 0.8) / 6);
    expect(found.difference!.high / error).toBeGreaterThan(1.7);
    expect(found.difference!.high / error).toBeLessThan(1.74);
    expect(agreement({ own: [1, 2], beside: {} }, with0, 0)).toMatchObject({ standing: "open", difference: null });
    expect(agreement({ own: [1, 1, 1], beside: {} }, { own: [1, 1, 1], beside: {} }, 0).standing).toBe("open");
    expect(agreement({ own: [1, 1, 1], beside: {} }, { own: [1, 1, 1], beside: {} }, 1).difference!.likely).toBe(0);
  });
});

const values = (seed: number, count: number, spread = 1, mean = 50): number[] => {
  const random = seeded(seed);
  return Array.from({ length: count }, () => normalFrom(random(), random()) * spread + mean);
};
const measured = (more: Partial<Measured> = {}): Measured => ({
  name: "Mass",
  unit: "kg",
  step: 0,
  own: [values(1, 300)],
  known: [values(2, 300)],
  knownAre: "lines",
  seasons: { newer: { own: values(1, 300), beside: {} }, older: { own: values(3, 300), beside: {} } },
  sowings: null,
  ...more,
});
const line = (more: Partial<TrueInput> = {}): TrueInput => ({
  as: "selfed",
  standard: 0.05,
  underWay: null,
  counts: [season(2027, 60, 0), season(2026, 40, 0)],
  words: [],
  measured: [measured()],
  mixed: { low: 0.03, likely: 0.03, high: 0.03 },
  ploidy: 2,
  parents: [{ season: 2026, plants: 4 }],
  parentsWanted: 20,
  seed: [{ code: "K", made: "by-hand", doubt: null, strangers: null, counted: null }],
  ...more,
});
const standings = (input: TrueInput) =>
  Object.fromEntries(trueness(input).tests.map(({ key, standing }) => [key, standing]));

describe("does it come true", () => {
  test("where all holds", () => {
    const verdict = trueness(line());
    expect(verdict).toMatchObject({ says: "true", holding: 6, wants: 0, step: null });
    expect(verdict.tests.map(({ key }) => key)).toEqual(["off-types", "even", "seasons", "fixed", "parents", "seed"]);
  });

  test("one that fails is said first, and the seasons are those of the slowest", () => {
    const mixed = { low: 0.2, likely: 0.25, high: 0.25 };
    const verdict = trueness(line({ mixed, counts: [season(2027, 40, 0)] }));
    // 0.25 to 0.05 takes three halvings; off-types one season.
    expect(verdict).toMatchObject({ says: "no", holding: 4, wants: 3 });
    expect(verdict.step).toMatchObject({ key: "off-types", wants: 1, plants: 19 });
    // With four sets of chromosomes a sixth goes each time: nine.
    expect(trueness(line({ mixed, ploidy: 4 })).wants).toBe(9);
    expect(standings(line({ mixed: { low: 0.04, likely: 0.05, high: 0.06 } })).fixed).toBe("open");
  });

  test("what stands this season counts as one of the seasons, unless too few stand", () => {
    const counts = [season(2027, 40, 0)];
    expect(trueness(line({ counts, underWay: 19 }))).toMatchObject({ says: "open", wants: 0 });
    expect(trueness(line({ counts, underWay: 18 })).wants).toBe(1);
    expect(trueness(line({ counts: [], measured: [] })).says).toBe("unknown");
  });

  test("what crosses among itself wants parents, and is not asked how long it was bred", () => {
    const crossed = line({ as: "crossed", mixed: null, parents: [season(2026, 25, 0), season(2025, 19, 0)] });
    expect(standings(crossed)).toMatchObject({ parents: "fails" });
    expect(trueness(crossed).wants).toBe(1);
    expect(trueness({ ...crossed, parents: [season(2026, 19, 0)] }).wants).toBe(2);
    expect(standings({ ...crossed, parents: [season(2026, 20, 0)] }).parents).toBe("holds");
    expect(standings(crossed)).not.toHaveProperty("fixed");
  });

  test("a mix is judged by steady means and the variety it keeps", () => {
    const mix = line({ as: "mix", parents: Array.from({ length: 4 }, (_, i) => ({ season: 2027 - i, plants: 34 })) });
    const verdict = trueness(mix);
    expect(verdict.tests.map(({ key }) => key)).toEqual(["seasons", "variety", "seed"]);
    // 1 − (1 − 1/68)⁴
    expect(verdict.tests[1]).toMatchObject({ standing: "holds", seasons: 4 });
    expect((verdict.tests[1] as { lost: number }).lost).toBeCloseTo(1 - (67 / 68) ** 4, 12);
    expect(standings({ ...mix, parents: mix.parents.map((one) => ({ ...one, plants: 18 })) }).variety).toBe("fails");
    expect(standings({ ...mix, measured: [] }).seasons).toBe("open");
    expect(trueness({ ...mix, counts: [], measured: [], parents: [] }).says).toBe("unknown");
  });

  test("a plant that is multiplied is judged by itself", () => {
    expect(trueness(line({ as: "clone" })).tests.map(({ key }) => key)).toEqual(["off-types", "seasons"]);
  });

  test.each([
    [{ made: "open", strangers: { low: 0, likely: 0.01, high: 0.05 } }, "holds", 0.05],
    [{ made: "open", strangers: { low: 0, likely: 0.01, high: 0.06 } }, "open", 0.06],
    [{ made: "open", strangers: { low: 0.06, likely: 0.1, high: 0.3 } }, "fails", 0.3],
    [{ made: "open", strangers: null }, "open", null],
    [{ made: "by-hand", doubt: "it was found open" }, "open", null],
    [{ made: "received" }, "open", null],
    [{ made: "received", counted: { plants: 59, strange: 0 } }, "holds", 0.0495],
    [{ made: "received", counted: { plants: 58, strange: 0 } }, "open", 0.0503],
  ] as const)("seed that was %j", (lot, standing, upper) => {
    const seed = [{ code: "K", doubt: null, strangers: null, counted: null, ...lot }];
    const test = trueness(line({ seed })).tests.find(({ key }) => key === "seed") as unknown as {
      standing: string;
      lots: { upper: number | null }[];
    };
    expect(test.standing).toBe(standing);
    if (upper === null) expect(test.lots[0]!.upper).toBe(null);
    else expect(test.lots[0]!.upper).toBeCloseTo(upper, 4);
  });

  test("words that belong to it are counted as off-types are; two sowings are asked only where there are two", () => {
    const words = [{ name: "Flesh", wanted: "orange", counts: [season(2027, 40, 9), season(2026, 40, 0)] }];
    const sowings = { newer: { own: values(4, 300, 1, 53), beside: {} }, older: { own: values(5, 300), beside: {} } };
    expect(standings(line({ words, measured: [measured({ sowings })] }))).toMatchObject({
      word: "fails",
      sowings: "fails",
    });
    expect(standings(line())).not.toHaveProperty("sowings");
    expect(standings(line({ measured: [measured({ seasons: null })] })).seasons).toBe("open");
    expect(allOf([])).toBe("open");
  });

  test("lines that do not come true are said to one time in twenty at most", () => {
    const random = seeded(77);
    const plants = (mean: number, count: number, spread = 1) =>
      Array.from({ length: count }, () => normalFrom(random(), random()) * spread + mean);
    let wrong = 0;
    const programmes = 600;
    for (let i = 0; i < programmes; i++) {
      // Each just misses what is asked in one thing, and is sound in all others.
      const [share, spread, shift] = [
        [0.0501, 1, 0],
        [0, 1.501, 0],
        [0, 1, 1.001],
      ][i % 3]!;
      const off = (of: number) => Array.from({ length: of }, () => random()).filter((r) => r < share!).length;
      const own = plants(shift!, 80, spread);
      const older = plants(0, 80, spread);
      const known = [plants(0, 40), plants(0, 40)];
      const counts = [season(2027, 80, off(80)), season(2026, 80, off(80))];
      const seasons = { newer: { own, beside: {} }, older: { own: older, beside: {} } };
      // The margin is what plants differ by, here 1.
      if (trueness(line({ counts, measured: [measured({ own: [own], known, seasons })] })).says === "true") wrong++;
    }
    // 5 in 100 of 600 are 30, give or take 5.3.
    expect(wrong).toBeLessThanOrEqual(41);
  });
});
