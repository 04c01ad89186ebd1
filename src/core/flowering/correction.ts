/**
 * What a line's own first flowers say of the catalogue's figure: factors on its middle, and from how many observations.
 * The range is two standard deviations to each side.
 */
export type Correction = { low: number; likely: number; high: number; observations: number };

/** How much one season's first flower scatters around a line's own figure, as a share; a working value. */
const SEASON_TO_SEASON = 0.07;

/**
 * Corrects a line's time to flower by the first flowers that were seen: on the logarithm of the ratio seen / expected,
 * a normal prior as wide as the catalogue's range, updated by each observation, and the spread from season to season. The
 * catalogue's range holds lines and seasons both, so that what was seen never makes it wider.
 * Source: the normal–normal conjugate update.
 * @param ratios heat (or days) until the flower that was seen, over the middle of the catalogue's range
 * @param range the catalogue's range
 * @returns null without an observation: the catalogue's range stands
 * @example correctionFrom([0.9, 0.92], { low: 500, high: 700 }) // { low: 0.79, likely: 0.93, high: 1.1, observations: 2 }
 */
export function correctionFrom(ratios: number[], range: { low: number; high: number }): Correction | null {
  const usable = ratios.filter((ratio) => Number.isFinite(ratio) && ratio > 0);
  if (usable.length === 0) return null;
  const halfWidth = (range.high - range.low) / (range.high + range.low);
  const prior = Math.max(0.02, halfWidth / 2) ** 2;
  const scatter = SEASON_TO_SEASON ** 2;
  const mean = usable.reduce((sum, ratio) => sum + Math.log(ratio), 0) / usable.length;
  const precision = 1 / prior + usable.length / scatter;
  const posterior = ((usable.length / scatter) * mean) / precision;
  const spread = Math.min(Math.sqrt(1 / precision + scatter), Math.sqrt(prior));
  return {
    low: Math.exp(posterior - 2 * spread),
    likely: Math.exp(posterior),
    high: Math.exp(posterior + 2 * spread),
    observations: usable.length,
  };
}
