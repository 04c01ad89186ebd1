import { dayNumber } from "../calendar/day";
import { below } from "../numbers/normal";
import type { Window } from "./facts";

/** The flowering of mother and father, as forecast. */
type Pair = { mother: Window; father: Window };

/** A range's half is read as two standard deviations; a day seen is doubted by half a day at least. */
const deviation = (likely: string, farthest: string): number =>
  Math.max(0.5, Math.abs(dayNumber(farthest) - dayNumber(likely)) / 2);

/**
 * The chance that two flowerings have at least some days in common.
 *
 * Start and end of each are normal around their likely day, the widest day forecast being two standard deviations away;
 * they miss when the mother is over before the father begins or the other way round, and these exclude each other.
 * A rule of thumb: both feel the same weather, which makes them meet somewhat more surely than this says.
 * @param days how many days are wanted, 1 or more
 * @example meetingChance({
 *   mother: { start: "2027-07-01", end: "2027-07-06", earliest: "2027-06-27", latest: "2027-07-10" },
 *   father: { start: "2027-07-07", end: "2027-07-20", earliest: "2027-07-03", latest: "2027-07-24" },
 * }) // 0.43
 */
export function meetingChance({ mother, father }: Pair, days = 1): number {
  const over = (first: Window, second: Window): number => {
    const gap = dayNumber(second.start) + days - 1 - dayNumber(first.end);
    const spread = Math.hypot(deviation(first.end, first.latest), deviation(second.start, second.earliest));
    // They miss when the first ends at least a day before the second has begun for long enough.
    return 1 - below(0.5, gap, spread);
  };
  return Math.max(0, Math.min(1, 1 - over(mother, father) - over(father, mother)));
}
