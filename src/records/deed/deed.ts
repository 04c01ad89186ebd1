import { ACTS } from "@/core/work/work";
import { choice, count, day, name, type Row, record, ref, text, whole } from "../record";

/** What was done with a stand, or put off, or left, and why. */
export const deed = record("deed", {
  standId: ref("stand", "Stand"),
  act: choice("What", ACTS),
  /** Put off until a day; not this time; never with this stand. */
  how: choice("How", ["done", "put-off", "cannot", "never"]),
  on: day("Day"),
  until: day("Until").optional(),
  /** Seeds sown, plants that came up or were planted, roots that were sound. */
  counted: whole("How many", 0, 1_000_000).optional(),
  why: text("Why", 300),
  /** Of a walk: how many plants were looked at, and who looked. */
  looked: count("Plants looked at").optional(),
  byWhom: text("Looked at by", 80),
});
export type Deed = Row<typeof deed>;

/** Plants of one kind that a walk removed from a planting without numbers. */
export const found = record("found", {
  deedId: ref("deed", "Walk"),
  reason: name("Reason", 60),
  plants: count("Plants"),
});
export type Found = Row<typeof found>;
