import { HARDSHIPS } from "@/core/selection/hardships";
import { choice, count, day, type Row, record, ref, text, whole } from "../record";

/** What a stand came through, or not. */
export const trial = record("trial", {
  standId: ref("stand", "Stand"),
  what: choice("What it was", HARDSHIPS),
  endedOn: day("Day"),
  stood: count("Plants before it", 100_000),
  lost: whole("Lost to it", 0, 100_000).or(0),
  words: text("How hard it was", 300),
});
export type Trial = Row<typeof trial>;
