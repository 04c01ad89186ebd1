import { errorFunction } from "simple-statistics";

/** A standard normal lies below this nine times in ten. */
export const NINE_IN_TEN = 1.2816;
/** A standard normal value that one in twenty exceeds: a range of nine tenths reaches so far either way. */
export const ONE_IN_TWENTY = 1.6449;

/**
 * The chance that a normal variable lies below x, by the error function of simple-statistics (to about 1e-7: enough for
 * odds of frost and flower, not for tails).
 * @param mean in the unit of x
 * @param deviation above 0, in the unit of x
 * @example below(0, 0, 1) // 0.5
 */
export function below(x: number, mean: number, deviation: number): number {
  return (1 + errorFunction((x - mean) / (deviation * Math.SQRT2))) / 2;
}
