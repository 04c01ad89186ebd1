import { describe, expect, test } from "vitest";
import { normalFrom, seeded } from "../numbers/chance";
import { drawnHeritability, type FamilyPair, heritabilityFrom } from "./heritability";

const GUESS = { low: 0.1, high: 0.6 };
/** Families whose offspring go on by a share, each seen well. */
const families = (share: number, passed: 1 | 0.5, count = 40): FamilyPair[] =>
  Array.from({ length: count }, (_, i) => {
    const parents = (i - count / 2) / 4;
    return { parents, offspring: share * passed * parents + (i % 2 === 0 ? 0.05 : -0.05), seen: 20, passed };
  });

describe("how much is inherited", () => {
  test("is the guess while there are no records, and its range holds", () => {
    const { likely, low, high, from, grid } = heritabilityFrom(GUESS, [], null);
    expect([likely, low, high].map((x) => Number(x.toFixed(2)))).toEqual([0.35, 0.16, 0.57]);
    expect(from).toEqual([]);
    expect(grid.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 12);
  });

  test("follows families on their parents, whether both or the mother alone passed on", () => {
    for (const passed of [1, 0.5] as const) {
      const { likely, from } = heritabilityFrom(GUESS, families(0.55, passed), null);
      expect(likely).toBeGreaterThan(0.44);
      expect(likely).toBeLessThan(0.56);
      expect(from).toEqual(["parents"]);
    }
    expect(heritabilityFrom(GUESS, families(0.55, 1, 3), null).from).toEqual([]);
    expect(heritabilityFrom(GUESS, families(0.1, 1), null).likely).toBeLessThan(0.25);
  });

  test("is below what second looks repeat", () => {
    const repeats = { plants: 30, share: 0.25, low: 0.15, high: 0.35, slip: 1 };
    const with_ = heritabilityFrom(GUESS, [], repeats);
    expect(with_.high).toBeLessThan(0.37);
    expect(with_.from).toEqual(["repeats"]);
    expect(with_.likely).toBeLessThan(heritabilityFrom(GUESS, [], null).likely);
  });

  test("what can't be brought together with the guess leaves the guess", () => {
    const wild = families(0.5, 1).map((pair) => ({ ...pair, offspring: -60 * pair.parents }));
    const { likely } = heritabilityFrom(GUESS, wild, null);
    expect(likely).toBeGreaterThan(0.01);
    expect(likely).toBeLessThan(0.6);
  });

  test("is drawn as often as it is likely", () => {
    const known = heritabilityFrom(GUESS, [], null);
    const random = seeded(5);
    const drawn = Array.from({ length: 4_000 }, () => drawnHeritability(known, random()));
    expect(drawn.reduce((a, b) => a + b, 0) / drawn.length).toBeCloseTo(known.likely, 1.5);
    expect(drawn.filter((x) => x < known.low).length / 4_000).toBeLessThan(0.07);
    expect(drawnHeritability(known, 1)).toBe(0.99);
  });

  test("noise around a true share is seen as such: the range holds it about nine times in ten", () => {
    const random = seeded(8);
    const chance = () => normalFrom(random(), random());
    let held = 0;
    for (let round = 0; round < 200; round++) {
      const pairs = Array.from({ length: 12 }, (): FamilyPair => {
        const parents = chance();
        return { parents, offspring: 0.4 * parents + 0.25 * chance(), seen: 15, passed: 1 };
      });
      const { low, high } = heritabilityFrom({ low: 0.05, high: 0.9 }, pairs, null);
      if (low <= 0.4 && 0.4 <= high) held++;
    }
    expect(held).toBeGreaterThanOrEqual(170);
  });
});
