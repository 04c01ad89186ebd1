import type { Day } from "../calendar/day";
import type { Id } from "../custody/id";
import type { Standing, Work } from "./work";

/** What is asked of something that is no planting, and can be put off or left. */
export const ASKED = ["regrow", "line-lost", "line-risk", "ask", "desiccant", "count"] as const;
export type Asked = (typeof ASKED)[number];

/** What a task is done with. */
export type Subject =
  | "planting"
  | "cross"
  | "lot"
  | "test"
  | "place"
  | "line"
  | "neighbour"
  | "tasting"
  | "sharing"
  | "season"
  | "own";

/** Something to be done, whatever it is done with: the day, the weeks ahead and the calendar read one shape. */
export type Task = Pick<Work, "key" | "what" | "how" | "minutes" | "part" | "from" | "best" | "last" | "otherwise"> & {
  of: Subject;
  id: Id;
  act: string;
  /** What it is done with, by name, and its code where it has one. */
  name: string;
  code: string | null;
  /** In which bed; null where it is in none. */
  place: string | null;
  /** The hour at which it calls on its best day; null where any will do. */
  at: string | null;
  standing: Standing;
};

/** How something was put off or left: until a day, for this time, or for good. */
export type PutOff = { how: "put-off" | "cannot" | "never"; on: Day; until: Day | null };

/**
 * Whether what was put off or left is not asked on a day: until its day, for the season it was left in, or ever.
 * @param began the day on which the time began for which something is left; what was left before is asked again
 * @example isPutOff({ how: "put-off", on: "2027-04-01", until: "2027-04-08" }, "2027-04-07", "2027-01-01") // true
 */
export function isPutOff({ how, on, until }: PutOff, day: Day, began: Day): boolean {
  if (how === "never") return true;
  return how === "put-off" ? until !== null && day < until : on >= began;
}

/** Minutes of what is done flower by flower: to begin with, and for each. Working values. */
const FLOWERS = { once: 5, each: 3 };

/** About how long flowers take, minutes. @example minutesOfFlowers(4) // 17 */
export const minutesOfFlowers = (flowers: number): number => FLOWERS.once + FLOWERS.each * flowers;

/** About how long other tasks take, minutes. Working values. */
export const MINUTES_OF: Record<Exclude<Subject, "planting" | "cross">, number> = {
  lot: 15,
  test: 5,
  place: 10,
  line: 15,
  neighbour: 20,
  tasting: 30,
  sharing: 120,
  season: 10,
  own: 15,
};
