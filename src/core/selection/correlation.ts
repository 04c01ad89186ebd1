import { sampleCorrelation } from "simple-statistics";

export type Correlation = { pairs: number; r: number; low: number; high: number };

/** Nine times in ten a normal variable lies within so many deviations. */
const NINE_TENTHS = 1.6449;

/**
 * How far two yardsticks go together over the plants that have both, with the nine-tenths range.
 *
 * Pearson's correlation; range by Fisher's z (1921).
 * @returns null of fewer than four plants, or where one of the two does not differ
 * @example correlation([[1, 2], [2, 1], [3, 4], [4, 3]]) // { pairs: 4, r: 0.6, low: -0.74, high: 0.98 }
 */
export function correlation(pairs: [number, number][]): Correlation | null {
  if (pairs.length < 4) return null;
  const [xs, ys] = [pairs.map(([x]) => x), pairs.map(([, y]) => y)];
  if (new Set(xs).size < 2 || new Set(ys).size < 2) return null;
  const r = Math.max(-0.9999, Math.min(0.9999, sampleCorrelation(xs, ys)));
  const z = Math.atanh(r);
  const reach = NINE_TENTHS / Math.sqrt(pairs.length - 3);
  return { pairs: pairs.length, r, low: Math.tanh(z - reach), high: Math.tanh(z + reach) };
}

/**
 * Places for dots along a line so that none covers another: each stands at its value, and above or below the line as far as
 * it must.
 * @param places along the line
 * @param size of a dot, in the unit of the places
 * @param most steps off the line; beyond them dots lie on each other
 * @returns steps off the line, 0 on it, in the order of the places
 * @example swarm([1, 1, 5], 1, 4) // [0, 1, 0]
 */
export function swarm(places: number[], size: number, most: number): number[] {
  const set: { at: number; step: number }[] = [];
  const steps = new Array<number>(places.length).fill(0);
  for (const i of [...places.keys()].sort((a, b) => places[a]! - places[b]!)) {
    const at = places[i]!;
    const near = new Set(set.filter((other) => at - other.at < size).map(({ step }) => step));
    // 0, 1, −1, 2, −2 …
    const step = Array.from({ length: 2 * most + 1 }, (_, k) => (k % 2 === 1 ? (k + 1) / 2 : -k / 2)).find(
      (one) => !near.has(one),
    );
    steps[i] = (step ?? 0) + 0;
    set.push({ at, step: steps[i]! });
  }
  return steps;
}
