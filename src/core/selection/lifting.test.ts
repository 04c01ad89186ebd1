import { describe, expect, test } from "vitest";
import { betaMean } from "../numbers/beta";
import { upperTail } from "../numbers/binomial";
import { bandOf, comeOut, storeShare, toStore } from "./lifting";

/** As good as certain that four in five come out. */
const FOUR_IN_FIVE = { a: 8e7, b: 2e7 };

describe("what comes out of the store", () => {
  test("is the working range's middle where nothing was seen, and follows what was", () => {
    const usual = betaMean(storeShare([]));
    expect(usual).toBeCloseTo(0.775, 9);
    expect(betaMean(storeShare([{ stored: 40, sound: 12 }]))).toBeLessThan(0.5);
    expect(betaMean(storeShare([{ stored: 40, sound: 40 }]))).toBeGreaterThan(usual);
  });

  test("a thousand roots of one winter weigh as eighty", () => {
    const { a, b } = storeShare([{ stored: 1000, sound: 500 }]);
    const before = storeShare([]);
    expect(a + b - before.a - before.b).toBeCloseTo(80, 9);
    expect(
      storeShare([
        { stored: 600, sound: 300 },
        { stored: 400, sound: 200 },
      ]),
    ).toEqual({ a, b });
  });

  test("its range holds nine tenths of a binomial where the share is known", () => {
    const { likely, low, high } = comeOut(100, FOUR_IN_FIVE);
    expect(likely).toBe(80);
    expect(upperTail(100, 0.8, low)).toBeGreaterThanOrEqual(0.95);
    expect(upperTail(100, 0.8, low + 1)).toBeLessThan(0.95);
    expect(upperTail(100, 0.8, high)).toBeGreaterThanOrEqual(0.05);
    expect(upperTail(100, 0.8, high + 1)).toBeLessThan(0.05);
    expect([low, high]).toEqual([73, 86]);
    expect(comeOut(0, FOUR_IN_FIVE)).toEqual({ likely: 0, low: 0, high: 0 });
  });

  test("enough are stored that those wanted come out nine times in ten, and not one more", () => {
    const n = toStore(60, FOUR_IN_FIVE);
    expect(upperTail(n, 0.8, 60)).toBeGreaterThanOrEqual(0.9);
    expect(upperTail(n - 1, 0.8, 60)).toBeLessThan(0.9);
    expect(toStore(60, storeShare([]))).toBeGreaterThan(n);
  });
});

test.each([
  [3, { low: 4, high: 9 }, "small"],
  [4, { low: 4, high: 9 }, "fit"],
  [9, { low: 4, high: 9 }, "fit"],
  [9.1, { low: 4, high: 9 }, "large"],
  [-5, { low: null, high: 9 }, "fit"],
  [50, { low: 4, high: null }, "fit"],
] as const)("a size of %d within %j is %s", (size, bands, band) => {
  expect(bandOf(size, bands)).toBe(band);
});
