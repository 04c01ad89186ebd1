import { mean } from "simple-statistics";

/** A plant's value with the day on which it was looked at, counted from any day that is the same for all. */
export type Aged = { day: number; value: number };

/** Fewer plants tell nothing of a day's growth; and so much better must it foretell to be taken. Working values, as for places. */
const FEWEST = 12;
const BETTER = 0.03;

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
  const [day, middle] = [mean(plants.map((one) => one.day)), mean(values)];
  const spread = plants.reduce((sum, one) => sum + (one.day - day) ** 2, 0);
  if (spread === 0) return asTheyAre;
  const perDay = plants.reduce((sum, one) => sum + (one.day - day) * (one.value - middle), 0) / spread;
  const n = plants.length;
  const trend = plants.map((one) => middle + perDay * (one.day - day));
  const left = (of: number[], on: (i: number) => number) =>
    mean(values.map((value, i) => ((value - of[i]!) / (1 - on(i))) ** 2));
  const nothing = left(
    values.map(() => middle),
    () => 1 / n,
  );
  if (nothing < 1e-12) return asTheyAre;
  const explained = 1 - left(trend, (i) => 1 / n + (plants[i]!.day - day) ** 2 / spread) / nothing;
  if (explained < BETTER) return asTheyAre;
  return { explained, perDay, values: values.map((value, i) => value - trend[i]! + middle) };
}
