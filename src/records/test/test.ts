import { count, day, flag, type Row, real, record, ref, text, whole } from "../record";

/** A germination test of a lot. */
export const test = record("test", {
  lotId: ref("lot", "Lot"),
  on: day("Set on"),
  sown: count("Seeds tested", 1000),
  warmth: real("Warmth, °C", { least: 0, most: 45 }).optional(),
  /** Dormancy was broken first, as its species wants it. */
  woken: flag("Woken first"),
  endedOn: day("Ended on").optional(),
  note: text("Note", 500),
});
export type Test = Row<typeof test>;

/** How many had come up by a day, all together. */
export const testCount = record(
  "testCount",
  { testId: ref("test", "Test"), on: day("Counted on"), up: whole("Up so far", 0, 1000) },
  { same: ["testId", "on"] },
);
export type TestCount = Row<typeof testCount>;
