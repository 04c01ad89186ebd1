import { figure } from "./numbers";

/** Chances nearer to none or all than this are said of a hundred, and nearer than this as all but certain. */
const FINE = 0.05;
const END = 0.01;

/**
 * The chance of one event: of ten, towards the ends of a hundred; a model is never certain.
 * @param chance 0–1
 * @example [0.62, 0.97, 0.03, 0.999, 0].map((chance) => chanceInWords(chance)) // ["6 in 10", "97 in 100", "3 in 100",
 *   "almost certain (over 99 in 100)", "very unlikely (under 1 in 100)"]
 */
export function chanceInWords(chance: number): string {
  if (chance > 1 - END) return "almost certain (over 99 in 100)";
  if (chance < END) return "very unlikely (under 1 in 100)";
  if (chance > 1 - FINE || chance < FINE) return `${Math.round(chance * 100)} in 100`;
  return `${Math.min(9, Math.max(1, Math.round(chance * 10)))} in 10`;
}

/**
 * A share after a label or in a table: percent, below one in a hundred of a thousand.
 * @param share 0–1
 * @example [0.114, 0.004, 0.0004].map((share) => percentInWords(share)) // ["11%", "4 of 1,000", "fewer than 1 of 1,000"]
 */
export function percentInWords(share: number): string {
  if (share >= 0.0095) return `${Math.round(share * 100)}%`;
  return share < 0.001 && share > 0
    ? `fewer than 1 of ${figure(1000)}`
    : share === 0
      ? "0%"
      : `${Math.round(share * 1000)} of ${figure(1000)}`;
}

/**
 * So many of so many that were counted, with their share.
 * @example countedInWords(3, 48) // "3 of 48 (6%)"
 * @example countedInWords(5, 5) // "all 5"
 */
export function countedInWords(some: number, all: number): string {
  if (some === all && all > 0) return `all ${figure(all)}`;
  return some === 0 ? `0 of ${figure(all)}` : `${figure(some)} of ${figure(all)} (${percentInWords(some / all)})`;
}
