import { WAY_IDS } from "@/core/seed/cleaning/ways";
import { choice, count, day, flag, grams, type Row, real, record, ref, text, whole } from "../record";

/** Parts of a lot that are kept apart as it is cleaned. */
export const FRACTIONS = ["first", "later", "sunk", "floated", "best", "second-best", "ends"] as const;

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
    seeds: count("Seeds, counted", 10_000_000).optional().asked(),
    mass: grams("Or weighed").optional().asked().draws({ hint: "Mass is turned into a range of seeds." }),
    /** What is doubtful about its father, where its flowers had a fault. */
    doubt: text("Doubt", 200).optional(),
    note: text("Note").draws({ long: true }),
    /** Seeds that stay, whatever is sown. */
    reserve: count("Reserve", 10_000_000)
      .optional()
      .draws({ unit: "seeds", hint: "They stay, whatever is sown, tested or given." }),
    endedOn: day("Ended on").optional(),
    ending: choice("Ended as", ["used-up", "dead", "lost", "given", "parted"]).optional(),
    /** It is on its way from fruit to packet. */
    onTable: flag("On the table"),
    vesselId: ref("vessel", "In").optional(),
    way: choice("Way of cleaning", WAY_IDS).optional(),
    warmth: real("Warmth of the room, °C", { least: 0, most: 45 }).optional(),
    starter: flag("With a starter"),
    /** Which part of another lot it is. */
    fraction: choice("Fraction", FRACTIONS).optional(),
    /** Since when nobody can say for sure that it is one lot, and why; for ever. */
    brokenOn: day("Chain broken on").optional(),
    brokenWhy: text("Why", 300),
  },
  { apart: ["code"], together: ["endedOn", "ending"] },
);
export type Lot = Row<typeof lot>;

/** That a lot has a share from another: it was taken out of it, or put together from several. */
export const part = record(
  "part",
  {
    lotId: ref("lot", "Lot"),
    fromId: ref("lot", "From"),
    share: real("Share", { above: 0, most: 1 }),
    /** Seeds taken from it, where the rest stays a lot; none where all of it, or an unknown part, went over. */
    seeds: count("Seeds", 10_000_000).optional(),
  },
  { same: ["lotId", "fromId"], together: ["share", "seeds"] },
);
export type PartRecord = Row<typeof part>;
