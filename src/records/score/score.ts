import { day, type Row, real, record, ref, text, whole } from "../record";

/** What one plant showed on one yardstick at one look: a number or a word. A date is kept as days from sowing. */
export const score = record(
  "score",
  {
    plantId: ref("plant", "Plant"),
    yardstickId: ref("yardstick", "Yardstick"),
    number: real("Score", {}).optional().asked(),
    word: text("Score", 60).optional().asked(),
    scoredOn: day("Scored on"),
    /** Which look of that day. */
    look: whole("Look", 1, 100).or(1),
  },
  { same: ["plantId", "yardstickId", "scoredOn", "look"], together: ["number", "word"] },
);
export type Score = Row<typeof score>;
