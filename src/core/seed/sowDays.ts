import { addDays, type Day } from "../calendar/day";
import type { Range } from "../flowering/facts";

/**
 * The days on which to sow what is to be planted out on a day.
 * @param out the day of planting out
 * @param grown days from sowing to planting out
 * @example sowingDays("2027-05-25", { low: 42, high: 56 }) // { from: "2027-03-30", best: "2027-04-06", to: "2027-04-13" }
 */
export function sowingDays(out: Day, { low, high }: Range): { from: Day; best: Day; to: Day } {
  return { from: addDays(out, -high), best: addDays(out, -Math.round((low + high) / 2)), to: addDays(out, -low) };
}
