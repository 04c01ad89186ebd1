import { SORTED_OUT } from "@/core/selection/lifting";
import { choice, day, type Row, record, ref, text, whole } from "../record";

const many = (label: string) => whole(label, 0, 100_000).or(0);

/** How a stand's roots or bulbs were sorted at lifting, or at replanting. */
export const sorting = record(
  "sorting",
  {
    standId: ref("stand", "Stand"),
    moment: choice("When", ["lift", "replant"]),
    sortedOn: day("Sorted on"),
    fit: whole("Sound, true, of the right size", 0, 100_000),
    small: many(SORTED_OUT.small),
    large: many(SORTED_OUT.large),
    split: many(SORTED_OUT.split),
    odd: many(SORTED_OUT.odd),
    bolted: many(SORTED_OUT.bolted),
    rotten: many(SORTED_OUT.rotten),
    /** From which size to which, in the grower's words. */
    bands: text("Size taken", 120),
  },
  { same: ["standId", "moment"] },
);
export type Sorting = Row<typeof sorting>;
