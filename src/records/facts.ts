import type { Day } from "@/core/calendar/day";
import type { Db } from "@/db/open";
import { refuse } from "@/db/ops";
import type { Garden } from "./garden/garden";

/** What a rule may look at beside the row itself. */
export type Facts = {
  db: Db;
  garden: Garden;
  /** The as-of day of the device that writes. */
  today: Day;
  /** No later day can be recorded; an undo brings back what was recorded on any. */
  latest: Day;
};

/**
 * A record's rule book: what must hold of a row as it is about to be kept, whoever wrote it (a form, a way out, an import,
 * an undo). It throws a Refusal for the field at fault.
 * @param before the row as it was; null for a new one. What did not change is not judged again.
 */
export type Rule<R> = (facts: Facts, next: R, before: R | null) => void;

/** Whether any of some columns was written. */
export const touched = <R>(next: R, before: R | null, ...columns: (keyof R)[]): boolean =>
  before === null || columns.some((column) => next[column] !== before?.[column]);

/** Refuses a day that has not come yet. */
export function notAhead({ latest }: Pick<Facts, "latest">, on: Day | null | undefined, field = "on"): void {
  if (on && on > latest) refuse(field, "That day is still to come.");
}
