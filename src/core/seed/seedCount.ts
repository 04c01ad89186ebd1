import jstat from "jstat";

/** Seeds that were counted out and weighed. */
export type Sample = { seeds: number; mass: number };

/** Seeds per gram, and seeds in all, with the range of nine tenths. */
export type CountByWeight = {
  perGram: { low: number; likely: number; high: number };
  seeds: { low: number; likely: number; high: number };
};

/** Counted samples of one lot differ by so much of their weight, and this is known as surely as from so many samples. Working values. */
const USUAL = { share: 0.04, samples: 4 };

/**
 * Seeds of a lot by weight, from counted samples of it: seeds per gram and the total, with the range of nine tenths. With
 * one sample the range is what samples usually differ by; the more there are, the more they speak for themselves.
 *
 * Source: a ratio of means with Student's range, the usual spread as prior degrees of freedom (working value).
 * @param samples at least one; seeds counted from 1, grams above 0
 * @param mass of the whole lot, grams
 * @example countByWeight([{ seeds: 100, mass: 0.4 }], 12).seeds.likely // 3000
 */
export function countByWeight(samples: Sample[], mass: number): CountByWeight {
  const seeds = samples.reduce((sum, s) => sum + s.seeds, 0);
  const weighed = samples.reduce((sum, s) => sum + s.mass, 0);
  const each = weighed / seeds;
  // How far each sample's seed is from the mean one, as a share of it.
  const off = samples.map((s) => s.mass / s.seeds / each - 1);
  const own = off.reduce((sum, x) => sum + x ** 2, 0);
  const freedom = samples.length - 1 + USUAL.samples;
  const variance = (own + USUAL.samples * USUAL.share ** 2) / freedom;
  const half = jstat.studentt.inv(0.95, freedom) * Math.sqrt(variance / samples.length);
  const likely = 1 / each;
  const range = { low: likely / (1 + half), likely, high: likely / Math.max(0.05, 1 - half) };
  const count = (perGram: number) => Math.round(perGram * mass);
  return { perGram: range, seeds: { low: count(range.low), likely: count(likely), high: count(range.high) } };
}
