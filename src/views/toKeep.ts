import { speciesById } from "@/catalogue/catalogue";
import { goesOnSelfed } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { parentsToKeep } from "@/core/selection/parents";
import type { Plan } from "@/records/plan/plan";
import { allPlans } from "@/records/plan/queries";
import type { StandRow } from "@/records/stand/queries";
import type { Outlook } from "./outlook";

/** What was planned of every line, by the line. */
export const plansOf = (sky: Outlook): Map<Id, Plan[]> =>
  sky.once("plans", () => groupBy(allPlans(sky.db), (one) => one.lineId));

/** How many plants of a planting are kept as parents: as its line's plan says, else as is usual; and whether each one's seed is its own. */
export function toKeepOf(
  sky: Outlook,
  {
    lineId,
    season,
    species,
    school,
    generation,
  }: Pick<StandRow, "lineId" | "season" | "species" | "school" | "generation">,
): { count: number; selfed: boolean } {
  const { breeding, plants } = speciesById(species);
  const selfed = goesOnSelfed(breeding, school) && school !== "let-it-mix";
  const planned = plansOf(sky)
    .get(lineId)
    ?.find((one) => one.generation === generation && one.season === season);
  return { count: planned?.kept ?? parentsToKeep(selfed, generation, plants["keep going"].low), selfed };
}
