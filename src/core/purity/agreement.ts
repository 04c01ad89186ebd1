import jstat from "jstat";
import { mean } from "simple-statistics";
import { varianceWithin, withinGroups } from "../numbers/within";
import { type Standing, SURE } from "./standing";

/** What plants of a line showed that were sown on one day. */
export type Sowing = number[];

export type Agreement = {
  standing: Standing;
  /** The newer less the older, with its nine-tenths range; null where too few were seen. */
  difference: { low: number; likely: number; high: number } | null;
  /** What is taken as no difference: what plants of it differ by, one standard deviation. */
  margin: number;
};

/** Of fewer plants nothing is said. */
const FEWEST = 3;

/**
 * Whether a line showed the same in two sowings of a season: shown where the difference lies within what its own plants differ
 * by, nineteen times in twenty on either side.
 *
 * Two one-sided tests (Schuirmann 1987), with Welch's degrees of freedom.
 * @param step the smallest difference a trait is read to
 * @example agreement([1, 2, 3], [1, 2], 0).standing // "open"
 */
export function agreement(newer: Sowing, older: Sowing, step: number): Agreement {
  const both = [newer, older];
  if (both.some((own) => own.length < FEWEST)) return { standing: "open", difference: null, margin: 0 };
  const within = withinGroups(both);
  const own = varianceWithin(within, step);
  const margin = Math.sqrt(own);
  const likely = mean(newer) - mean(older);
  // A mean's error squared is the variance over how many it is of.
  const error = both.reduce((sum, values) => sum + own / values.length, 0);
  if (error === 0) return { standing: "open", difference: null, margin };
  const wide = jstat.studentt.inv(SURE, within.freedom) * Math.sqrt(error);
  const difference = { low: likely - wide, likely, high: likely + wide };
  const held = difference.low >= -margin && difference.high <= margin;
  const apart = difference.low > margin || difference.high < -margin;
  return { standing: held ? "holds" : apart ? "fails" : "open", difference, margin };
}
