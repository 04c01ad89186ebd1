import { describe, expect, test } from "vitest";
import { heritabilityFrom, inheritedAmong } from "./heritability";

const GUESS = { low: 0.1, high: 0.6 };

describe("how much is inherited", () => {
  test("is the guess while there are no repeated looks, and its range holds", () => {
    const { likely, low, high, grid } = heritabilityFrom(GUESS, null);
    expect([likely, low, high].map((x) => Number(x.toFixed(2)))).toEqual([0.35, 0.16, 0.57]);
    expect(grid.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 12);
  });

  test("is below what second looks repeat", () => {
    const told = heritabilityFrom(GUESS, { share: 0.25, low: 0.15, high: 0.35 });
    expect(told.high).toBeLessThan(0.37);
    expect(told.likely).toBeLessThan(heritabilityFrom(GUESS, null).likely);
  });

  test("what can't be brought together with the guess leaves the guess", () => {
    const { likely, grid } = heritabilityFrom({ low: 0.94, high: 0.97 }, { share: -60, low: -60, high: -60 });
    expect(likely).toBeGreaterThan(0.9);
    expect(grid).toHaveLength(3);
  });

  test("of plants that are nearly fixed less of it is among them", () => {
    // 0.3 · 0.03125 / (0.3 · 0.03125 + 0.5 · 0.7)
    expect(inheritedAmong(0.3, 0.03125)).toBeCloseTo(0.009375 / 0.359375, 12);
  });
});
