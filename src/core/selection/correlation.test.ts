import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { correlation, swarm } from "./correlation";

describe("correlation", () => {
  test("by hand, with Fisher's range", () => {
    const pairs: [number, number][] = [
      [1, 2],
      [2, 1],
      [3, 4],
      [4, 3],
      [5, 5],
    ];
    // Deviations −2 −1 0 1 2 and −1 −2 1 0 2: 2+2+0+0+4 = 8 of 10; atanh 0.8 = 1.0986, reach 1.6449/√2.
    const { r, low, high } = correlation(pairs)!;
    expect(r).toBeCloseTo(0.8, 12);
    expect(low).toBeCloseTo(Math.tanh(1.0986123 - 1.6449 / Math.SQRT2), 6);
    expect(high).toBeCloseTo(Math.tanh(1.0986123 + 1.6449 / Math.SQRT2), 6);
  });
  test("is not said of three plants or where one does not differ, and never is certain", () => {
    expect(
      correlation([
        [1, 2],
        [2, 3],
        [3, 4],
      ]),
    ).toBeNull();
    expect(
      correlation([
        [1, 2],
        [1, 3],
        [1, 4],
        [1, 9],
      ]),
    ).toBeNull();
    expect(
      correlation([
        [1, 2],
        [2, 2],
        [3, 2],
        [4, 2],
      ]),
    ).toBeNull();
    expect(
      correlation([
        [1, 1],
        [2, 2],
        [3, 3],
        [4, 4],
      ])!.r,
    ).toBe(0.9999);
    expect(
      correlation([
        [1, 4],
        [2, 3],
        [3, 2],
        [4, 1],
      ])!.r,
    ).toBe(-0.9999);
  });
});

describe("dots along a line", () => {
  test("stand at their value, the later ones off the line by turns", () => {
    expect(swarm([4, 4, 4, 4, 9], 1, 3)).toEqual([0, 1, -1, 2, 0]);
    expect(swarm([], 1, 3)).toEqual([]);
  });
  test("none covers another while there is room", () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 20, noNaN: true }), { maxLength: 9 }), (places) => {
        const steps = swarm(places, 2, 9);
        for (const [i, a] of places.entries())
          for (const [j, b] of places.entries())
            if (i < j && steps[i] === steps[j]) expect(Math.abs(a - b)).toBeGreaterThanOrEqual(2);
      }),
    );
  });
  test("where there is none they lie on each other", () => {
    expect(swarm([1, 1, 1, 1, 1], 1, 1)).toEqual([0, 1, -1, 0, 0]);
  });
});
