import { count, day, type Row, record, ref, whole } from "../record";

/** How many plants grown from an open lot had a stranger for a father, of those that were looked at. */
export const offtype = record("offtype", {
  lotId: ref("lot", "Lot"),
  on: day("Counted on"),
  plants: count("Plants looked at", 1_000_000),
  strange: whole("Of a strange father", 0, 1_000_000),
});
export type Offtype = Row<typeof offtype>;
