import { choice, day, type Row, record, ref, text, whole } from "../record";

/** Fruit picked for seed in one pass, of a stand or of one plant of it. */
export const pick = record("pick", {
  standId: ref("stand", "Stand"),
  plantId: ref("plant", "Plant").optional(),
  /** The lot it became; none for what was set aside. */
  lotId: ref("lot", "Lot").optional(),
  on: day("Picked on"),
  fruits: whole("Fruits", 1, 10_000),
  /** Seed of soft, rotting and dropped fruit can still be used. */
  state: choice("State", ["sound", "soft", "rotting", "dropped"]),
  verdict: choice("As its line should be", ["matches", "set-aside", "uncertain"]),
  why: text("Why", 300),
});
export type Pick = Row<typeof pick>;
