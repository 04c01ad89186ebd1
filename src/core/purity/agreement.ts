import jstat from "jstat";
import { mean } from "simple-statistics";
import { varianceWithin, withinGroups } from "../numbers/within";
import { type Standing, SURE } from "./standing";

/** What plants of a line showed where they grew together, and what plants of known lines showed beside them, by line. */
export type Grown = { own: number[]; beside: Record<string, number[]> };

export type Agreement = {
  standing: Standing;
  /** The newer less the older, with its nine-tenths range; null where too few were seen. */
  difference: { low: number; likely: number; high: number } | null;
  /** What is taken as no difference: what plants of it differ by, one standard deviation. */
  margin: number;
  /** Whether it was held against the same known lines in both, so that the weather is out of it. */
  against: string[];
};

/** Of fewer plants nothing is said. */
const FEWEST = 3;

/**
 * Whether a line showed the same in two seasons, or in two sowings: shown where the difference lies within what its own plants
 * differ by, nineteen times in twenty on either side.
 *
 * Held against known lines that grew beside it both times, where there are any: then what the weather did to all is out of it.
 * Two one-sided tests (Schuirmann 1987), with Welch's degrees of freedom.
 * @param step the smallest difference a mark is read to
 * @example agreement({ own: [1, 2, 3], beside: {} }, { own: [1, 2], beside: {} }, 0).standing // "open"
 */
export function agreement(newer: Grown, older: Grown, step: number): Agreement {
  const against = Object.keys(newer.beside).filter(
    (line) => newer.beside[line]!.length >= 2 && (older.beside[line]?.length ?? 0) >= 2,
  );
  const both = [newer.own, older.own];
  if (both.some((own) => own.length < FEWEST)) return { standing: "open", difference: null, margin: 0, against };
  const beside = [newer, older].map((grown) => against.map((line) => grown.beside[line]!));
  const [ours, theirs] = [withinGroups(both), withinGroups(beside.flat())];
  const [own, others] = [varianceWithin(ours, step), varianceWithin(theirs, step)];
  const margin = Math.sqrt(own);
  const [now, before] = [newer, older].map(
    (grown, i) => mean(grown.own) - (against.length > 0 ? mean(beside[i]!.map(mean)) : 0),
  );
  const likely = now! - before!;
  // A mean's error squared is the variance over how many it is of; a mean of lines has it of each.
  const ownError = both.reduce((sum, values) => sum + own / values.length, 0);
  const besideError =
    beside.flat().reduce((sum, values) => sum + others / values.length, 0) / Math.max(1, against.length) ** 2;
  const error = ownError + besideError;
  if (error === 0) return { standing: "open", difference: null, margin, against };
  const freedom =
    error ** 2 /
    (ownError ** 2 / ours.freedom + (theirs.freedom > 0 ? besideError ** 2 / Math.max(1, theirs.freedom) : 0));
  const wide = jstat.studentt.inv(SURE, freedom) * Math.sqrt(error);
  const difference = { low: likely - wide, likely, high: likely + wide };
  const within = difference.low >= -margin && difference.high <= margin;
  const apart = difference.low > margin || difference.high < -margin;
  return { standing: within ? "holds" : apart ? "fails" : "open", difference, margin, against };
}
