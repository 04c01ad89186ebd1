import { HANDLING_IDS } from "@/core/seed/handlings";
import { choice, count, day, grams, hour, type Row, real, record, ref, text } from "../record";

/** What was done with a lot on the table, and what was read off. */
export const handling = record("handling", {
  lotId: ref("lot", "Lot"),
  act: choice("What", HANDLING_IDS),
  on: day("Day"),
  at: hour("Hour").optional(),
  /** Rinses, grams, or whether a nail left a dent (1) and it snapped (1). */
  value: real("Read off", { least: 0, most: 100_000 }).optional(),
  note: text("Note", 300),
});
export type HandlingRow = Row<typeof handling>;

/** Seeds of a lot that were counted and weighed. */
export const sample = record("sample", {
  lotId: ref("lot", "Lot"),
  seeds: count("Seeds counted", 100_000),
  mass: grams("Their mass"),
});
export type SampleRow = Row<typeof sample>;
