import { type Day, daysBetween } from "../calendar/day";
import { type DayPart, isTimed } from "../pollination/protocol";

/** What is done with a stand, from sowing to seed; some of it again and again. */
export const ACTS = [
  "sow",
  "look-up",
  "thin",
  "stake",
  "prick-out",
  "harden",
  "plant-out",
  "winter-way",
  "mulch",
  "lift",
  "look-store",
  "replant",
  "count-living",
  "look-around",
  "rogue",
  "cover",
  "first-flower",
  "sexes",
  "males-out",
  "score",
  "choose",
  "bolters",
  "self",
  "flowers-off",
  "cage",
  "uncover",
  "taste",
  "cut",
  "pick",
  "bring-in",
  "gather",
  "keep",
] as const;
export type Act = (typeof ACTS)[number];

/** One thing to be done, as plain data: every screen, the calendar file and the season read the same. */
export type Work = {
  /** Its name for as long as the garden stands: what it is done with, and the act. */
  key: string;
  act: Act;
  /** What to do, in few words: "Sow 24 seeds". */
  what: string;
  /** How it is done well, a sentence; empty where nothing needs saying. */
  how: string;
  /** How many, of seeds, plants or roots; null where nothing is counted. */
  count: number | null;
  /** About how long it takes, minutes. */
  minutes: number;
  part: DayPart;
  /** The first day on which it can be done, and the best one. */
  from: Day;
  best: Day;
  /** The last day on which it is of use; null where it never comes too late. */
  last: Day | null;
  /** What comes of it if it is not done by then. */
  otherwise: string | null;
  /** Keys of what must be done before. */
  waitsFor: string[];
};

/** How a piece of work stands on a day. */
export type Standing = "missed" | "due" | "early" | "ahead";

/**
 * How an open piece of work stands on a day: past its last chance; due, from its best day on or where its last chance is
 * near; to be done early; or still ahead, as its day has not come or something must be done before it.
 * @param open everything that is still open: what a piece of work waits for is done once it is not among these
 * @example standingOn(piece("sow", { from: "2027-04-01", best: "2027-04-20" }), "2027-04-09", new Set()) // "early"
 */
export function standingOn(work: Work, day: Day, open: ReadonlySet<string>): Standing {
  const standing = standingBy(work, day);
  return standing !== "missed" && work.waitsFor.some((key) => open.has(key)) ? "ahead" : standing;
}

/**
 * How what waits for nothing stands on a day, by its own days alone.
 * @example standingBy({ from: "2027-04-01", best: "2027-04-10", last: null }, "2027-04-05") // "early"
 */
export function standingBy({ from, best, last }: Pick<Work, "from" | "best" | "last">, day: Day): Standing {
  if (last !== null && day > last) return "missed";
  if (day < from) return "ahead";
  return day >= best || (last !== null && daysBetween(day, last) <= LAST_DAYS) ? "due" : "early";
}

/** Days left of what never comes too late: more than any real ones. */
export const NO_HURRY = 1000;
/** So near to its last chance, days, nothing is early any more. */
export const LAST_DAYS = 2;

/**
 * What is done at its hour, must be within a few days, or has no last day that would bring it up: it is never folded away.
 * @example isPressing({ part: "any-hour", daysLeft: 3 }) // false
 */
export const isPressing = ({ part, daysLeft }: { part: DayPart; daysLeft: number }): boolean =>
  isTimed(part) || daysLeft <= LAST_DAYS || daysLeft >= NO_HURRY;

/**
 * What of a day's work is shown: all that is pressing, and of the rest what is soonest impossible as far as there is room.
 * @param rows how many there is room for
 * @example unfolded([9, 0, 4].map((daysLeft) => ({ part: "any-hour", daysLeft })), 2).waiting // [{ part: "any-hour", daysLeft: 9 }]
 */
export function unfolded<T extends { part: DayPart; daysLeft: number }>(tasks: T[], rows: number) {
  const rest = tasks.filter((task) => !isPressing(task)).sort((a, b) => a.daysLeft - b.daysLeft);
  const waiting = rest.slice(Math.max(0, rows - (tasks.length - rest.length)));
  const folded = new Set(waiting);
  return { shown: tasks.filter((task) => !folded.has(task)), waiting };
}

type Ordered = Pick<Work, "key" | "best" | "last">;

/**
 * The soonest impossible first; what has no last chance comes behind, by its best day.
 * @example [piece("thin"), piece("sow", { last: "2027-05-01" })].sort(byLastChance).map(({ act }) => act) // ["sow", "thin"]
 */
export function byLastChance(a: Ordered, b: Ordered): number {
  const never = "9999-12-31";
  const [one, other] = [a.last ?? never, b.last ?? never];
  if (one !== other) return one < other ? -1 : 1;
  return a.best.localeCompare(b.best) || a.key.localeCompare(b.key);
}
