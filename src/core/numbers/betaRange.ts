import jstat from "jstat";
import type { Beta } from "./beta";

/**
 * The share below which a Beta variable lies with a probability (jstat's inverse of the incomplete beta function).
 * @param probability 0–1
 * @example betaQuantile({ a: 2, b: 5 }, 0.05) // 0.0628
 */
export const betaQuantile = ({ a, b }: Beta, probability: number): number => jstat.beta.inv(probability, a, b);

/** The middle range that holds a share of a Beta distribution. @example betaInterval({ a: 1, b: 1 }, 0.9) // { low: 0.05, high: 0.95 } */
export const betaInterval = (beta: Beta, level: number): { low: number; high: number } => ({
  low: betaQuantile(beta, (1 - level) / 2),
  high: betaQuantile(beta, (1 + level) / 2),
});

/**
 * The nine-tenths range of a share of which so many were seen, and so many not (Jeffreys).
 * @example shareRange(10, 30) // { low: 0.152, high: 0.373 }
 */
export const shareRange = (seen: number, not: number): { low: number; high: number } =>
  betaInterval({ a: seen + 0.5, b: not + 0.5 }, 0.9);

/**
 * The chance that the share behind one Beta distribution is above that behind another, summed on a fine grid of the
 * first one's quantiles.
 * @example chanceAbove({ a: 2, b: 1 }, { a: 1, b: 1 }) // 0.667
 */
export function chanceAbove(one: Beta, other: Beta): number {
  const STEPS = 400;
  let sum = 0;
  for (let i = 0; i < STEPS; i++) sum += jstat.beta.cdf(betaQuantile(one, (i + 0.5) / STEPS), other.a, other.b);
  return sum / STEPS;
}
