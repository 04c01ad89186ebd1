import { count, day, flag, name, type Row, record, ref, text, whole } from "../record";

/** A tasting of a family's plants on one yardstick; its tasters are numbers, no names. */
export const tasting = record("tasting", {
  standId: ref("stand", "Family"),
  yardstickId: ref("yardstick", "Yardstick"),
  heldOn: day("Day"),
  tasters: count("Tasters", 40),
  note: text("Note"),
  closedOn: day("Closed on").optional(),
});
export type Tasting = Row<typeof tasting>;

/** What is served of one plant, under a code that says nothing of it. */
export const serving = record(
  "serving",
  { tastingId: ref("tasting", "Tasting"), plantId: ref("plant", "Plant"), code: name("Code", 3) },
  { same: ["tastingId", "plantId"] },
);
export type Serving = Row<typeof serving>;

/** What one taster said of one serving: 1 to 9, or that it is bitter and to be left. */
export const bite = record(
  "bite",
  {
    servingId: ref("serving", "Serving"),
    taster: whole("Taster", 1, 40),
    number: whole("Score", 1, 9).optional().asked(),
    bitter: flag("Bitter"),
  },
  { same: ["servingId", "taster"], together: ["number", "bitter"] },
);
export type BiteRow = Row<typeof bite>;
