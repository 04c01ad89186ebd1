import { day, type Row, record, ref, text } from "../record";

/** What was noted of something, on a day; it belongs to one row of one record. */
export const note = record("note", {
  lineId: ref("line", "Line").optional(),
  standId: ref("stand", "Stand").optional(),
  plantId: ref("plant", "Plant").optional(),
  bedId: ref("bed", "Bed").optional(),
  lotId: ref("lot", "Lot").optional(),
  crossId: ref("cross", "Cross").optional(),
  on: day("Day"),
  words: text("Note", 2000).needed(),
});
export type Note = Row<typeof note>;

/** What a note can be of. */
export const NOTED = ["lineId", "standId", "plantId", "bedId", "lotId", "crossId"] as const satisfies (keyof Note)[];
export type Noted = (typeof NOTED)[number];
