import { mean } from "simple-statistics";

/** Fewer plants than these tell nothing; and so much better must a model foretell to be taken. Working values. */
export const FEWEST = 12;
export const BETTER = 0.03;

/** What a model gives for each value, and how far off it is of those it was not told. */
export type Fit = { trend: number[]; error: number };

/**
 * Mean squared error of foretelling each value from all others.
 * @param weightOnItself how much each value weighs in what is given for it, 0–1
 * @example foretold([1, 3], [2, 2], [0.5, 0.5]) // 4
 */
export const foretold = (values: number[], trend: number[], weightOnItself: number[]): number =>
  mean(values.map((value, i) => ((value - trend[i]!) / (1 - weightOnItself[i]!)) ** 2));

/** All alike but for chance: their mean. @example flat([1, 3]) // { trend: [2, 2], error: 4 } */
export function flat(values: number[]): Fit {
  const middle = mean(values);
  const trend = values.map(() => middle);
  return {
    trend,
    error: foretold(
      values,
      trend,
      values.map(() => 1 / values.length),
    ),
  };
}

/** Covariates that differ by less are one. */
const ALIKE = 1e-12;

/**
 * Values on a straight line over one covariate, by least squares.
 * @param least the line falls no steeper than this
 * @returns its slope, what it gives at any covariate, and its error of foretelling; null where the covariate does not differ
 * @example lineOn([0, 1, 2], [1, 3, 5])?.slope // 2
 */
export function lineOn(covariate: number[], values: number[], least = Number.NEGATIVE_INFINITY) {
  const [middle, around] = [mean(values), mean(covariate)];
  const spread = covariate.reduce((sum, x) => sum + (x - around) ** 2, 0);
  if (spread < ALIKE) return null;
  const steep = covariate.reduce((sum, x, i) => sum + (x - around) * (values[i]! - middle), 0) / spread;
  const slope = Math.max(least, steep);
  const at = (x: number) => middle + slope * (x - around);
  const on = covariate.map((x) => 1 / values.length + (x - around) ** 2 / spread);
  return { slope, at, error: foretold(values, covariate.map(at), on) };
}
