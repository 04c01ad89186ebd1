import { GUARDS } from "@/core/plans/linePlan";
import { PLAN_ACTS } from "@/core/plans/schemes";
import { choice, count, type Row, record, ref, whole } from "../record";

/** A generation of a line as it is planned: when it stands, how many plants of how many mothers, and how many are kept. */
export const plan = record(
  "plan",
  {
    lineId: ref("line", "Line"),
    generation: whole("Generation", 1, 40).optional(),
    season: whole("Season", 1900, 2200).draws({ hint: "The year in which it flowers." }),
    act: choice("What is done", PLAN_ACTS),
    plants: count("Plants", 100_000),
    mothers: count("Mothers", 1000).draws({ hint: "A row of each." }),
    kept: count("Plants kept", 100_000).draws({ hint: "Their seed is sown next." }),
    guard: choice("Kept from other pollen", GUARDS),
  },
  { same: ["lineId", "generation", "season"] },
);
export type Plan = Row<typeof plan>;
