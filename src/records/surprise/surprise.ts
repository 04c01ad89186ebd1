import { CAUSES } from "@/core/purity/causes";
import { choice, count, day, type Row, record, ref, text } from "../record";

/** What made an odd plant, as it was decided. */
export const surprise = record(
  "surprise",
  {
    plantId: ref("plant", "Plant"),
    cause: choice("What it was", CAUSES),
    /** Of pollen: whose. */
    sourceName: text("Whose pollen", 200),
    /** Plants of its family that were looked at, and those as odd. */
    plants: count("Plants looked at", 1_000_000),
    odd: count("As odd", 1_000_000),
    decidedOn: day("Decided on"),
    words: text("Why", 300),
  },
  { same: ["plantId"], together: ["cause", "sourceName", "words"] },
);
export type SurpriseDecided = Row<typeof surprise>;
