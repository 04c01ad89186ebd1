import { VESSEL_KINDS } from "@/core/seed/vessels";
import { choice, day, hour, name, type Row, record, ref, text } from "../record";

/** A vessel, strainer or machine that seed passes through, with a tag. */
export const vessel = record(
  "vessel",
  {
    code: text("Code", 40),
    kind: choice("Kind", VESSEL_KINDS),
    name: name("Name"),
    endedOn: day("Given up on").optional(),
  },
  { apart: ["code"] },
);
export type Vessel = Row<typeof vessel>;

/** A lot's way from one vessel into another. */
export const move = record("move", {
  lotId: ref("lot", "Lot"),
  fromVesselId: ref("vessel", "From").optional(),
  toVesselId: ref("vessel", "Into").optional(),
  on: day("Day"),
  at: hour("Hour").optional(),
  /** Since when nothing of the lot is left in the vessel it went into, and who looked. */
  cleanedOn: day("Signed clean on").optional(),
  cleanedBy: text("Signed by", 40),
});
export type Move = Row<typeof move>;
