import { day, type Row, record, ref, text } from "../record";

/** A picture of a plant, or of how an off-type looks. Its file lies beside the database under the row's id. */
export const photo = record("photo", {
  plantId: ref("plant", "Plant").optional(),
  offkindId: ref("offkind", "Off-type").optional(),
  takenOn: day("Taken on"),
  words: text("What it shows"),
});
export type Photo = Row<typeof photo>;
