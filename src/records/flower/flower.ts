import { STAGES } from "@/core/pollination/protocol";
import { FAULTS, FLOWER_STATES } from "@/core/pollination/tally";
import { choice, count, day, hour, type Row, record, ref, text, whole } from "../record";

/** One flower of a cross, with the day of each step. */
export const flower = record(
  "flower",
  {
    crossId: ref("cross", "Cross"),
    number: count("Flower", 100_000),
    plantId: ref("plant", "Mother plant").optional(),
    state: choice("State", FLOWER_STATES).asked(),
    bud: choice("Bud", STAGES).optional(),
    coveredOn: day("Covered"),
    gatheredOn: day("Gathered").optional(),
    pollinatedOn: day("Pollinated").optional(),
    pollinatedAt: hour("Hour").optional(),
    passes: whole("Passes", 0, 100).or(0),
    lastPass: day("Last pass").optional(),
    males: count("Male flowers", 1000).optional(),
    uncoveredOn: day("Uncovered").optional(),
    checkedOn: day("Looked at").optional(),
    fault: choice("Fault", FAULTS).optional(),
    lostWhy: text("Why it was lost", 200).optional(),
    lotId: ref("lot", "Lot").optional(),
    note: text("Note"),
  },
  {
    apart: ["crossId", "number"],
    together: [
      "state",
      "coveredOn",
      "gatheredOn",
      "pollinatedOn",
      "pollinatedAt",
      "passes",
      "lastPass",
      "males",
      "uncoveredOn",
      "checkedOn",
      "fault",
      "lostWhy",
      "lotId",
    ],
  },
);
export type Flower = Row<typeof flower>;
