import { mean } from "simple-statistics";
import { BETTER, FEWEST, flat, lineOn } from "./fit";

/** A plant's value with the day on which it was looked at, counted from any day that is the same for all. */
export type Aged = { day: number; value: number };

/**
 * Values set right for the age at which plants of one sowing were looked at: a straight line by the day, taken only where it
 * foretells plants left out clearly better than their mean does.
 *
 * Source: covariance adjustment (Fisher 1932), chosen by leaving each out.
 * @returns values as they would be on the mean day, what the day explains (0–1), and the change a day
 * @example adjustedForAge([{ day: 0, value: 5 }, { day: 9, value: 7 }]) // { explained: 0, perDay: 0, values: [5, 7] }
 */
export function adjustedForAge(plants: Aged[]): { explained: number; perDay: number; values: number[] } {
  const values = plants.map(({ value }) => value);
  const asTheyAre = { explained: 0, perDay: 0, values };
  if (plants.length < FEWEST) return asTheyAre;
  const nothing = flat(values);
  const line = lineOn(
    plants.map(({ day }) => day),
    values,
  );
  if (!line || nothing.error < 1e-12) return asTheyAre;
  const explained = 1 - line.error / nothing.error;
  if (explained < BETTER) return asTheyAre;
  const middle = mean(values);
  return {
    explained,
    perDay: line.slope,
    values: plants.map(({ day, value }) => value - line.at(day) + middle),
  };
}
