import { describe, expect, test } from "vitest";
import { cameThrough, passing } from "./survival";

const number = (value: number) => ({ number: value, word: null });

describe("survival first", () => {
  test("the share that came through has its range: Beta of half more on either side", () => {
    const { likely, low, high } = cameThrough(20, 5);
    expect(likely).toBe(0.75);
    // Beta(15.5, 5.5) at 0.05 and 0.95, integrated numerically.
    expect(low).toBeCloseTo(0.57138, 4);
    expect(high).toBeCloseTo(0.87849, 4);
    expect(cameThrough(10, 0).high).toBeLessThan(1);
    expect(cameThrough(10, 10)).toMatchObject({ likely: 0 });
    expect(cameThrough(10, 12).likely).toBe(0);
  });

  const TASTE = { id: "t", name: "Taste", wanted: "high", weight: 1, floor: 5 } as const;
  const SIZE = { id: "s", name: "Size", wanted: "none", weight: 0, ceiling: 9 } as const;
  const COLOUR = { id: "c", name: "Colour", wanted: "category", targetWord: "red", weight: 1, must: 1 } as const;
  const LIKED = { id: "l", name: "Liked", wanted: "high", weight: 9 } as const;
  const all = [TASTE, SIZE, COLOUR, LIKED] as never[];

  test("thresholds decide, not weights: what passes, what fails by which, what is still open", () => {
    const red = { number: null, word: "red" };
    const told = passing(
      [
        { id: "a", scores: { t: number(5), s: number(9), c: red } },
        { id: "b", scores: { t: number(4), s: number(9.5), c: red } },
        { id: "c", scores: { t: number(8), s: number(1), c: { number: null, word: "white" } } },
        { id: "d", scores: { t: number(8) } },
        { id: "e", scores: { l: number(1) } },
      ],
      all,
    );
    expect(told).toEqual({
      pass: ["a"],
      fail: [
        { name: "Taste", ids: ["b"] },
        { name: "Size", ids: ["b"] },
        { name: "Colour", ids: ["c"] },
      ],
      open: ["d", "e"],
    });
  });

  test("without a threshold everything that lives passes", () => {
    expect(passing([{ id: "a", scores: {} }], [LIKED] as never[])).toEqual({ pass: ["a"], fail: [], open: [] });
  });
});
