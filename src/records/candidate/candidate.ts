import { choice, type Row, real, record, ref } from "../record";

/** One who may have been a parent of a cross, a flower or a lot; without a stand it is a stranger. */
export const candidate = record(
  "candidate",
  {
    crossId: ref("cross", "Cross").optional(),
    flowerId: ref("flower", "Flower").optional(),
    lotId: ref("lot", "Lot").optional(),
    role: choice("Parent", ["mother", "father"]),
    standId: ref("stand", "Stand").optional(),
    plantId: ref("plant", "Plant").optional(),
    share: real("Share", { above: 0, most: 1 }),
  },
  { same: ["crossId", "flowerId", "lotId", "role", "standId", "plantId"] },
);
export type CandidateKept = Row<typeof candidate>;
