import { describe, expect, test } from "vitest";
import { placeOf, plantsInRow } from "./bench";
import { failsAim, goodness, rankPlants } from "./ranking";
import { repeatability } from "./repeatability";
import { pairsToAsk, weightsFrom } from "./weights";

const number = (value: number) => ({ number: value, word: null });

describe("repeatability", () => {
  test("by hand: four plants seen twice", () => {
    // Means 4.5, 8, 2.5, 6, grand 5.25: between 2·(0.5625+7.5625+7.5625+0.5625)/3 = 10.833, within (0.5+0+0.5+0)/4 = 0.25.
    const { share, plants, slip, low, high } = repeatability([[4, 5], [8, 8], [2, 3], [6, 6], [9]])!;
    expect(plants).toBe(4);
    expect(slip).toBeCloseTo(0.5, 12);
    expect(share).toBeCloseTo((10.8333333 - 0.25) / (10.8333333 + 0.25), 6);
    // F(0.95; 3, 4) = 6.591 and F(0.95; 4, 3) = 9.117.
    const f = 10.8333333 / 0.25;
    expect(low).toBeCloseTo((f / 6.5914 - 1) / (f / 6.5914 + 1), 4);
    expect(high).toBeCloseTo((f * 9.1172 - 1) / (f * 9.1172 + 1), 4);
  });

  test("is not said of two plants, or where nothing differs; perfect looks are told apart from none", () => {
    expect(
      repeatability([
        [1, 2],
        [3, 4],
      ]),
    ).toBeNull();
    expect(repeatability([[1], [3], [4], [5]])).toBeNull();
    expect(
      repeatability([
        [3, 3],
        [3, 3],
        [3, 3],
      ]),
    ).toBeNull();
    expect(
      repeatability([
        [1, 1],
        [3, 3],
        [5, 5],
      ]),
    ).toMatchObject({ share: 1, slip: 0 });
    expect(
      repeatability([
        [1, 5],
        [5, 1],
        [2, 4],
      ])!.share,
    ).toBe(0);
  });
});

describe("an aim", () => {
  test.each([
    [{ wanted: "range", low: 2, high: 4 }, [1, 2, 3, 4, 6], [-1, 0, 0, 0, -2]],
    [{ wanted: "target", target: 5 }, [3, 5, 8], [-2, 0, -3]],
    [{ wanted: "low" }, [3, -1], [-3, 1]],
    [{ wanted: "none" }, [3, 8], [0, 0]],
    [{ wanted: "high" }, [3, 8], [3, 8]],
  ] as const)("%j is met by %j as far as %j", (aim, values, good) => {
    expect(values.map((value) => goodness(aim, number(value)) + 0)).toEqual(good);
  });

  test.each([
    [{ wanted: "high", floor: 3 }, number(2.9), true],
    [{ wanted: "high", floor: 3 }, number(3), false],
    [{ wanted: "low", ceiling: 3 }, number(3), false],
    [{ wanted: "low", ceiling: 3 }, number(3.1), true],
    [{ wanted: "category", targetWord: "orange", must: 1 }, { number: null, word: "pale" }, true],
    [{ wanted: "category", targetWord: "orange", must: 1 }, { number: null, word: "orange" }, false],
    [{ wanted: "category", targetWord: "orange", must: 0 }, { number: null, word: "pale" }, false],
    [{ wanted: "no", must: 1 }, number(1), true],
    [{ wanted: "no", must: 1 }, number(0), false],
    [{ wanted: "yes", must: 1 }, number(0), true],
  ] as const)("%j with %j: out %s", (aim, value, out) => expect(failsAim(aim, value)).toBe(out));

  test("of words the wanted one is worth one, and any other nothing", () => {
    const aim = { wanted: "category", targetWord: "red" } as const;
    expect(["red", "white"].map((word) => goodness(aim, { number: null, word }))).toEqual([1, 0]);
    expect([goodness({ wanted: "yes" }, number(1)), goodness({ wanted: "no" }, number(1))]).toEqual([1, -1]);
  });

  test("what is out stands behind what is not, however good; unscored plants are last", () => {
    const aim = { id: "m", wanted: "high", target: null, targetWord: null, weight: 1, low: null, high: null } as const;
    const ranked = rankPlants(
      [
        { id: "best", scores: { m: number(9) } },
        { id: "sound", scores: { m: number(4) } },
        { id: "poor", scores: { m: number(2) } },
        { id: "unseen", scores: {} },
      ],
      [{ ...aim, floor: null, ceiling: 8, must: 0 }],
    );
    expect(ranked.map(({ id, rank, out }) => [id, rank, out])).toEqual([
      ["sound", 1, []],
      ["poor", 2, []],
      ["best", 3, ["m"]],
      ["unseen", 4, []],
    ]);
  });
});

describe("weights from pairs", () => {
  test("fit what is said, with a mean of 2", () => {
    const { weights, contradicts } = weightsFrom(3, [
      { one: 0, other: 1, times: 3 },
      { one: 1, other: 2, times: 1 },
      { one: 2, other: 0, times: 1 / 3 },
    ]);
    expect(weights).toEqual([3.6, 1.2, 1.2]);
    expect(contradicts).toBeNull();
  });
  test("name the answer that can't stand with the others, and find the best mean of all", () => {
    const { weights, contradicts } = weightsFrom(3, [
      { one: 0, other: 1, times: 3 },
      { one: 1, other: 2, times: 3 },
      { one: 2, other: 0, times: 3 },
    ]);
    expect(weights).toEqual([2, 2, 2]);
    expect(contradicts).toBe(0);
  });
  test("what nobody compared counts as the mean, and none is over 10", () => {
    expect(weightsFrom(3, [{ one: 0, other: 1, times: 1 }]).weights).toEqual([2, 2, 2]);
    expect(weightsFrom(9, [{ one: 0, other: 1, times: 1e6 }]).weights[0]).toBe(10);
    expect(weightsFrom(2, [])).toEqual({ weights: [2, 2], contradicts: null });
  });
  test("ask each with the next and close the ring", () => {
    expect([pairsToAsk(1), pairsToAsk(2), pairsToAsk(4)]).toEqual([
      [],
      [[0, 1]],
      [
        [0, 1],
        [1, 2],
        [2, 3],
        [3, 0],
      ],
    ]);
  });
});

test("rows are filled one after the other", () => {
  expect([plantsInRow(40, 3), plantsInRow(12, null), plantsInRow(0, 4)]).toEqual([14, 12, 1]);
  expect([1, 14, 15, 40].map((n) => placeOf(n, 14))).toEqual([
    { row: 0, at: 0 },
    { row: 0, at: 13 },
    { row: 1, at: 0 },
    { row: 2, at: 11 },
  ]);
});
