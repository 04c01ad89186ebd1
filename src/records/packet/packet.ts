import { count, day, flag, type Row, record, ref, text, whole } from "../record";

/** A packet of a lot. */
export const packet = record(
  "packet",
  {
    lotId: ref("lot", "Lot"),
    number: whole("Number", 1, 10_000),
    seeds: count("Seeds in it", 10_000_000).optional(),
    storeId: ref("store", "Place").optional(),
    reserve: flag("A reserve"),
    madeOn: day("Made on"),
    goneOn: day("Given away on").optional(),
    goneTo: text("To", 120),
  },
  { apart: ["lotId", "number"], together: ["goneOn", "goneTo"] },
);
export type Packet = Row<typeof packet>;
