/** A figure with its nine-tenths range. */
export type Ranged = { likely: number; low: number; high: number };

/**
 * The mean of draws, and the range that holds nine tenths of them.
 * @param draws one at least, in any order
 * @example ranged(Float64Array.of(3, 1, 2)) // { likely: 2, low: 1, high: 3 }
 */
export function ranged(draws: Float64Array): Ranged {
  const sorted = Float64Array.from(draws).sort();
  const at = (share: number) => sorted[Math.round(share * (sorted.length - 1))]!;
  return { likely: draws.reduce((a, b) => a + b, 0) / draws.length, low: at(0.05), high: at(0.95) };
}
