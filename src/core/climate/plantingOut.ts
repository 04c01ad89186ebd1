import { addDays, type Day } from "../calendar/day";
import type { Frosts } from "./frost";
import { frostBefore, nextFrost } from "./season";

/** Hardy seedlings go out so many days before the usual last frost: the ground is open, and what still comes is light. Working value. */
const HARDY_BEFORE = 28;

/**
 * When a seedling goes out: as soon as it has grown, where that falls between spring and the first frost of autumn; else
 * next spring. What is tender can be risked from the usual last frost on, and waits for it with the spread of its years;
 * what is hardy goes out four weeks before it.
 * @param grown the day on which it is big enough
 * @param frosts null where it does not freeze
 * @example plantingOut("2027-05-01", true, { last: { day: "05-14", spread: 10 }, first: { day: "10-06", spread: 10 } })
 *   // { from: "2027-05-14", best: "2027-05-24" }
 */
export function plantingOut(
  grown: Day,
  tender: boolean,
  frosts: Pick<Frosts, "last" | "first"> | null,
): { from: Day; best: Day } {
  if (!frosts) return { from: grown, best: grown };
  const { last, first } = frosts;
  const margin = tender ? last.spread : -HARDY_BEFORE;
  const over = nextFrost(addDays(grown, -margin), last.day);
  const spring = addDays(over, margin);
  if (grown < frostBefore(spring, first.day)) return { from: grown, best: grown };
  return { from: !tender ? spring : grown > over ? grown : over, best: spring };
}
