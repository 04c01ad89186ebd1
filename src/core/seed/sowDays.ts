import { addDays, type Day } from "../calendar/day";
import type { Frosts } from "../climate/frost";
import { frostBefore, nextFrost } from "../climate/season";
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

/**
 * The next good day to plant out what is sown on a day: as soon as it has grown, where that falls between spring and the
 * frosts of autumn; else next spring. What is tender waits for the last frost with its spread.
 * @param grown days from sowing to planting out
 * @param frosts null where it does not freeze
 * @example nextPlantingOut("2027-07-09", { low: 42, high: 56 }, true, null) // "2027-08-20"
 */
export function nextPlantingOut(today: Day, grown: Range, tender: boolean, frosts: Frosts | null): Day {
  const soonest = addDays(today, grown.low);
  if (!frosts) return soonest;
  const { last, first } = frosts;
  const safe = tender ? last.spread : 0;
  const spring = addDays(frostBefore(soonest, last.day), safe);
  if (soonest < spring) return spring;
  return soonest < nextFrost(spring, first.day) ? soonest : addDays(nextFrost(soonest, last.day), safe);
}
