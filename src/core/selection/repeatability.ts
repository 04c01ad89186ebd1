import { mean } from "simple-statistics";
import { intraclass } from "../numbers/intraclass";

export type Repeatability = {
  /** Plants that were looked at more than once. */
  plants: number;
  /** Share of what differs that is between plants, not between looks at one of them; 0–1. */
  share: number;
  low: number;
  high: number;
  /** How far two looks at one plant are apart, as a standard deviation, in the yardstick's unit. */
  slip: number;
};

/**
 * How well a grower's own eye repeats itself: the intraclass correlation of plants that were looked at twice or more, by
 * one-way analysis of variance, with its nine-tenths range.
 *
 * Source: Fisher's intraclass correlation; range by Searle 1971 with the mean number of looks.
 * @param looks of each plant the numbers seen, any number of them
 * @returns null where fewer than three plants were looked at twice, or nothing differs
 * @example repeatability([[4, 5], [8, 8], [2, 3], [6, 6]])?.share // 0.955
 */
export function repeatability(looks: number[][]): Repeatability | null {
  const several = looks.filter((numbers) => numbers.length > 1);
  if (several.length < 3) return null;
  const all = several.flat();
  const [n, k] = [all.length, several.length];
  const grand = mean(all);
  const between = several.reduce((sum, one) => sum + one.length * (mean(one) - grand) ** 2, 0) / (k - 1);
  const within = several.reduce((sum, one) => sum + one.reduce((s, x) => s + (x - mean(one)) ** 2, 0), 0) / (n - k);
  if (between + within === 0) return null;
  const each = (n - several.reduce((sum, one) => sum + one.length ** 2, 0) / n) / (k - 1);
  const { share, low, high } = intraclass(
    within === 0 ? Number.POSITIVE_INFINITY : between / within,
    each,
    k - 1,
    n - k,
  );
  return { plants: k, share, low, high, slip: Math.sqrt(within) };
}
