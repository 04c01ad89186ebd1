import { choice, count, day, grams, type Row, record, ref, text, whole } from "../record";

/** Seed of one gathering. */
export const lot = record(
  "lot",
  {
    code: text("Code", 40),
    lineId: ref("line", "Line"),
    kind: choice("Pollen", ["cross", "self", "intercross", "open", "received"]),
    generation: whole("Generation", 1, 40).optional(),
    crossId: ref("cross", "Cross").optional(),
    motherStandId: ref("stand", "Stand").optional(),
    motherPlantId: ref("plant", "Plant").optional(),
    gathered: day("Gathered on"),
    fruits: count("Fruits", 10_000).optional(),
    seeds: count("Seeds", 10_000_000).optional().asked(),
    mass: grams("Mass").optional().asked(),
    /** What is doubtful about its father, where its flowers had a fault. */
    doubt: text("Doubt", 200).optional(),
    note: text("Note"),
    /** Seeds that stay, whatever is sown. */
    reserve: count("Reserve, seeds", 10_000_000).optional(),
    endedOn: day("Ended on").optional(),
    ending: choice("Ended as", ["used-up", "dead", "lost", "given", "parted"]).optional(),
  },
  { apart: ["code"], together: ["endedOn", "ending"] },
);
export type Lot = Row<typeof lot>;
