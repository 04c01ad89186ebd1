import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { bulked, mothersCount } from "./bulk";

describe("seed of several mothers put together", () => {
  test.each<[{ left: number; share: number }[], number | undefined, number[]]>([
    // The scarcest decides.
    [
      [
        { left: 12, share: 1 },
        { left: 50, share: 1 },
        { left: 31, share: 1 },
      ],
      undefined,
      [12, 12, 12],
    ],
    [
      [
        { left: 12, share: 3 },
        { left: 50, share: 1 },
      ],
      undefined,
      [12, 4],
    ],
    [
      [
        { left: 100, share: 1 },
        { left: 100, share: 2 },
      ],
      60,
      [20, 40],
    ],
    [
      [
        { left: 100, share: 1 },
        { left: 5, share: 0 },
      ],
      undefined,
      [100, 0],
    ],
    [
      [
        { left: 0, share: 1 },
        { left: 5, share: 1 },
      ],
      undefined,
      [0, 0],
    ],
    [[{ left: 9, share: 0 }], undefined, [0]],
    // Whole seeds: never more than there are.
    [
      [
        { left: 10, share: 1 / 3 },
        { left: 20, share: 2 / 3 },
      ],
      undefined,
      [10, 20],
    ],
  ])("%j, at most %d: %j", (lots, most, seeds) => {
    expect(bulked(lots, most)).toEqual(seeds);
  });

  test("never more of a lot than there is, nor than is wanted in all", () => {
    const lots = fc.array(fc.record({ left: fc.nat(500), share: fc.integer({ min: 0, max: 9 }) }), { minLength: 1 });
    fc.assert(
      fc.property(lots, fc.nat(900), (of, most) => {
        const seeds = bulked(of, most);
        for (const [i, { left }] of of.entries()) expect(seeds[i]).toBeLessThanOrEqual(left);
        expect(seeds.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(most);
      }),
    );
  });

  test("equal seed in rows counts for more than mothers, from the bulk for less, and unequal for least", () => {
    // (4 · 20 − 2) over variance + 2: 1, 2, and 2 with a quarter more where half give three times the others.
    expect(mothersCount(new Array(20).fill(7), true)).toBeCloseTo(78 / 3, 9);
    expect(mothersCount(new Array(20).fill(7), false)).toBeCloseTo(78 / 4, 9);
    const unequal = [...new Array(10).fill(30), ...new Array(10).fill(10)];
    expect(mothersCount(unequal, true)).toBeCloseTo(78 / 3.25, 9);
    expect(mothersCount([...unequal, 0], true)).toBeCloseTo(78 / 3.25, 9);
    expect(() => mothersCount([5, 0], true)).toThrow(RangeError);
  });
});
