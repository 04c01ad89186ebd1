import { day, type Row, real, record, ref, text } from "../record";

/** What one plant showed on one yardstick on one day: a number or a word. A date is kept as days from sowing. */
export const score = record(
  "score",
  {
    plantId: ref("plant", "Plant"),
    yardstickId: ref("yardstick", "Yardstick"),
    number: real("Score", {}).optional().asked(),
    word: text("Score", 60).optional().asked(),
    scoredOn: day("Scored on"),
  },
  { same: ["plantId", "yardstickId", "scoredOn"], together: ["number", "word"] },
);
export type Score = Row<typeof score>;
