import { ASKED } from "@/core/work/task";
import { ACTS } from "@/core/work/work";
import { choice, count, day, name, type Row, record, ref, text, whole } from "../record";

/** What was done with a planting, or put off, or left, and why; or what is asked of something else and was put off or left. */
export const deed = record("deed", {
  standId: ref("stand", "Planting").optional(),
  lineId: ref("line", "Line").optional(),
  sourceId: ref("source", "Neighbour").optional(),
  storeId: ref("store", "Place").optional(),
  testId: ref("test", "Test").optional(),
  act: choice("What", [...ACTS, ...ASKED]),
  /** Put off until a day; not this time; never again. */
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

/** What a deed can be of beside a planting. */
export const OF_ELSE = ["lineId", "sourceId", "storeId", "testId"] as const satisfies (keyof Deed)[];

/** Plants of one kind that a walk removed from a planting without numbers. */
export const found = record("found", {
  deedId: ref("deed", "Walk"),
  reason: name("Reason", 60),
  plants: count("Plants"),
});
export type Found = Row<typeof found>;
