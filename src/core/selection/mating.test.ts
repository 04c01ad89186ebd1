import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { matingPlan, usesOf } from "./mating";

/** The least sum of kinship of all ways to pair some places. */
function leastOf(places: number[], kinship: number[][]): number {
  if (places.length === 0) return 0;
  const [first, ...rest] = places as [number, ...number[]];
  return Math.min(
    ...rest.map(
      (other, at) => kinship[first]![other]! + leastOf([...rest.slice(0, at), ...rest.slice(at + 1)], kinship),
    ),
  );
}

const anyCase = fc
  .record({
    uses: fc.array(fc.integer({ min: 1, max: 2 }), { minLength: 2, maxLength: 5 }),
    kin: fc.array(fc.integer({ min: 0, max: 8 }), { minLength: 25, maxLength: 25 }),
  })
  .map(({ uses, kin }) => {
    // An even number of places.
    if (uses.reduce((a, b) => a + b, 0) % 2) uses[0]!++;
    const kinship = uses.map((_, i) =>
      uses.map((__, j) => (i === j ? 0.5 + kin[i]! / 16 : kin[Math.min(i, j) * 5 + Math.max(i, j)]! / 32)),
    );
    return { uses, kinship };
  });

describe("a mating plan", () => {
  test("is as little inbred as the best of all ways to pair, and uses each as often as it is to be", () => {
    fc.assert(
      fc.property(anyCase, ({ uses, kinship }) => {
        const { pairs, inbreeding } = matingPlan(uses, kinship);
        const places = uses.flatMap((times, i) => new Array<number>(times).fill(i));
        expect(inbreeding * pairs.length).toBeCloseTo(leastOf(places, kinship), 9);
        expect(pairs.flat().sort((a, b) => a - b)).toEqual(places);
        expect(inbreeding).toBeCloseTo(pairs.reduce((sum, [a, b]) => sum + kinship[a]![b]!, 0) / pairs.length, 12);
      }),
      { numRuns: 300 },
    );
  });

  test("two families of two sibs each: every cross is between families, none twice, all mother once and father once", () => {
    const kinship = [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => (i === j ? 0.5 : i >> 1 === j >> 1 ? 0.25 : 0)));
    const { pairs, inbreeding } = matingPlan([2, 2, 2, 2], kinship);
    expect(inbreeding).toBe(0);
    expect(new Set(pairs.map(([a, b]) => [a, b].sort().join(" "))).size).toBe(4);
    expect(pairs.map(([mother]) => mother).sort()).toEqual([0, 1, 2, 3]);
  });

  test("equally kin, nobody is crossed with itself, and no two twice while there are others", () => {
    const kinship = [0, 1, 2].map((i) => [0, 1, 2].map((j) => (i === j ? 0.5 : 0.25)));
    expect(new Set(matingPlan([2, 2, 2], kinship).pairs.map((pair) => [...pair].sort().join(" ")))).toEqual(
      new Set(["0 1", "0 2", "1 2"]),
    );
  });

  test("of one parent there is only itself; of none, nothing", () => {
    expect(matingPlan([2], [[0.75]])).toEqual({ pairs: [[0, 0]], inbreeding: 0.75 });
    expect(matingPlan([], [])).toEqual({ pairs: [], inbreeding: 0 });
  });
});

describe("how often each is used", () => {
  test.each<[number[], number, number[]]>([
    // Twice four places: 4, 2.4, 1.6; the larger remainder takes the last one.
    [[0.5, 0.3, 0.2], 4, [4, 2, 2]],
    [[1 / 3, 1 / 3, 1 / 3], 3, [2, 2, 2]],
    // Nobody is in more than half of the places, nor with a share left out: what is over goes to who is least above its share.
    [[0.9, 0.08, 0.02], 5, [5, 3, 2]],
    [[0.9, 0.1, 0], 2, [2, 2, 0]],
    [[1], 3, [6]],
    [[0, 0], 2, [0, 0]],
    // More parents than places: those of the largest shares.
    [[0.4, 0.3, 0.2, 0.1], 1, [1, 1, 0, 0]],
  ])("of shares %j in %i crosses: %j", (shares, crosses, uses) => {
    expect(usesOf(shares, crosses)).toEqual(uses);
  });

  test("they fill every place", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 2, maxLength: 12 }),
        fc.integer({ min: 1, max: 30 }),
        (parts, crosses) => {
          const all = parts.reduce((a, b) => a + b, 0);
          fc.pre(parts.filter((part) => part > 0).length > 1);
          const uses = usesOf(
            parts.map((part) => part / all),
            crosses,
          );
          expect(uses.reduce((a, b) => a + b, 0)).toBe(2 * crosses);
          expect(Math.max(...uses)).toBeLessThanOrEqual(crosses);
        },
      ),
    );
  });
});
