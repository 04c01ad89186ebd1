import { addDays, type Day, dayNumber, daysBetween } from "../calendar/day";
import type { Climate } from "./climate";
import { coldByNormals, winterMiddle } from "./frost";
import { frostBefore, nextFrost } from "./season";

/** The day on which cold kills what stands in the open, and the standard deviation of the years around it, days. */
export type Kill = { day: Day; spread: number };

/**
 * The number of the last day on which it still comes, by two standard deviations of the years.
 * @example killedBy({ day: "2027-10-06", spread: 9.6 }) - killedBy({ day: "2027-10-06", spread: 0 }) // 19
 */
export const killedBy = ({ day, spread }: Kill): number => dayNumber(day) + Math.round(2 * spread);

/** Where no temperatures are known, cold comes so many days later for each degree below frost. Working value. */
const DAYS_A_DEGREE = 3;
/** Cold that comes in fewer winters than this is not reckoned with: it is a hard winter's. */
const USUAL = 0.5;
/** No autumn lasts longer than this. */
const LONGEST_AUTUMN = 150;

/** Days by which cold of some degrees comes after the first frost of autumn, and is over before the last one of spring. */
function behindFrost(climate: Climate, degrees: number): { first: number; last: number } | null {
  if (climate.daily.length === 0) return { first: -degrees * DAYS_A_DEGREE, last: -degrees * DAYS_A_DEGREE };
  const [frost, cold] = [0, degrees].map((cold) => coldByNormals(climate.daily, winterMiddle(climate.latitude), cold));
  if (!cold || cold.chance < USUAL) return null;
  // A place without frost by its normals, where the grower has seen it.
  if (!frost) return { first: 0, last: 0 };
  return {
    first: Math.min(LONGEST_AUTUMN, Math.round(cold.first.place - frost.first.place)),
    last: Math.round(frost.last.place - cold.last.place),
  };
}

/**
 * When cold kills what stands in the open from a day: the next time in autumn that nights get as cold as that, as far
 * behind the garden's first frost as the normals say; at once where a plant is set out before such nights are over.
 * @param out the first day in the open
 * @param kills the lowest temperature of the night that kills, °C, from and to
 * @param set whether it was set out as a plant: what came up there by itself is not met by cold that is nearly over
 * @returns null where it usually lives through the winter
 * @example killedFrom("2027-06-01", { low: 0, high: 0 }, { frosts: { last: { day: "05-14", spread: 10 }, first: { day: "10-06", spread: 10 } }, daily: [] })
 *   // { day: "2027-10-06", spread: 10 }
 */
export function killedFrom(out: Day, kills: { low: number; high: number }, climate: Climate, set = false): Kill | null {
  const { frosts } = climate;
  if (!frosts) return null;
  const by = behindFrost(climate, (kills.low + kills.high) / 2);
  if (!by) return null;
  const [soft, hard] = [behindFrost(climate, kills.high), behindFrost(climate, kills.low)];
  // Its range of temperatures reads as two standard deviations to each side, too.
  const range = soft && hard ? (hard.first - soft.first) / 4 : 0;
  const spread = Math.hypot(frosts.first.spread, range);
  const before = addDays(frostBefore(addDays(out, -by.first), frosts.first.day), by.first);
  const over = addDays(nextFrost(before, frosts.last.day), -by.last);
  if (set && daysBetween(out, over) > frosts.last.spread && daysBetween(before, over) < 300)
    return { day: out, spread };
  return { day: addDays(nextFrost(addDays(out, -by.first), frosts.first.day), by.first), spread };
}
