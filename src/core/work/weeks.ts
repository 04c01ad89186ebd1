import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Standing, Work } from "./work";

/** A day of the weeks ahead, with the minutes of what is best done on it. */
export type WorkDay<W> = { day: Day; minutes: number; works: W[] };

type Placed = Pick<Work, "best" | "from" | "last" | "minutes"> & { standing: Standing };

/**
 * Work laid out over the days to come, each piece on its best day, what is due already on the first. What is missed, or
 * best done later than these days, is left out.
 * @param count so many days, the first of them included
 * @example laidOut([{ ...piece("sow", { best: "2027-04-03" }), standing: "early" }], "2027-04-01", 3).map(({ minutes }) =>
 *   minutes) // [0, 0, 10]
 */
export function laidOut<W extends Placed>(works: W[], first: Day, count: number): WorkDay<W>[] {
  const days = Array.from({ length: count }, (_, n): WorkDay<W> => ({ day: addDays(first, n), minutes: 0, works: [] }));
  for (const work of works) {
    if (work.standing === "missed") continue;
    const day = days[Math.max(0, daysBetween(first, work.best))];
    if (!day) continue;
    day.works.push(work);
    day.minutes += work.minutes;
  }
  return days;
}

/** More minutes than these make a day crowded, whatever the others hold. Working value. */
const CROWDED = 120;

/**
 * A later day, not past its last chance, on which a piece of work of a crowded day would stand in less work than it does;
 * the one with the least, the sooner of two alike. Null on a day that is not crowded, or where no day is quieter.
 * @example quieterDay({ ...piece("sow", { minutes: 60, last: "2027-04-03" }), standing: "due" }, "2027-04-01", [
 *   { day: "2027-04-01", minutes: 150, works: [] }, { day: "2027-04-02", minutes: 80, works: [] },
 *   { day: "2027-04-03", minutes: 20, works: [] }]) // "2027-04-03"
 */
export function quieterDay(work: Placed, on: Day, days: WorkDay<unknown>[]): Day | null {
  const here = days.find(({ day }) => day === on);
  if (!here || here.minutes <= CROWDED) return null;
  const others = days.filter(
    ({ day, minutes }) => day > on && (work.last === null || day <= work.last) && minutes + work.minutes < here.minutes,
  );
  return others.sort((a, b) => a.minutes - b.minutes || a.day.localeCompare(b.day))[0]?.day ?? null;
}
