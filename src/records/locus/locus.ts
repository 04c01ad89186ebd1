import { WAY_KEYS } from "@/core/inheritance/ways";
import { choice, json, type Row, real, record, ref } from "../record";

/** How a yardstick of words is inherited, as the grower has it. */
export const locus = record(
  "locus",
  {
    yardstickId: ref("yardstick", "Yardstick"),
    way: choice("Inherited", WAY_KEYS),
    /** JSON list: the word of each class of the way, in its order. */
    words: json("Words"),
    recombination: real("Recombination", { least: 0, most: 0.5 }).or(0.5),
    /** Share of plants that are put down as another word than they show. */
    error: real("Put down wrongly", { least: 0, most: 0.4 }).or(0.02),
  },
  { same: ["yardstickId"], together: ["way", "words", "recombination"] },
);
export type Locus = Row<typeof locus>;
