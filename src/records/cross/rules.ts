import { methodsOf, speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { refuse } from "@/db/ops";
import { type Facts, notAhead, type Rule, touched } from "../facts";
import { anyPollinated } from "../flower/queries";
import { plantById } from "../plant/queries";
import type { Cross } from "./cross";
import { crossById } from "./queries";

/** A parent's plant stands in the parent's stand. */
function stands({ db }: Facts, plantId: Id | null, standId: Id, field: string): void {
  if (!plantId) return;
  const plant = plantById(db, plantId);
  if (plant?.standId !== standId) refuse(field, "That plant does not stand there.");
}

export const crossRule: Rule<Cross> = (facts, next, before) => {
  const { db } = facts;
  const pollinated = before !== null && anyPollinated(db, next.id);
  if (touched(next, before, "motherPlantId", "motherStandId"))
    stands(facts, next.motherPlantId, next.motherStandId, "motherPlantId");
  if (touched(next, before, "fatherPlantId", "fatherStandId"))
    stands(facts, next.fatherPlantId, next.fatherStandId, "fatherPlantId");
  if (touched(next, before, "setLow", "setHigh") && next.setLow > next.setHigh)
    refuse("setHigh", "The highest rate can't be under the lowest one.");
  // Whose pollen a flower got does not change with the plan.
  if (
    pollinated &&
    touched(next, before, "motherStandId", "motherPlantId", "fatherStandId", "fatherPlantId", "kind", "lineId")
  )
    refuse("fatherStandId", "Flowers were pollinated already; plan a cross of its own for other parents.");
  if (touched(next, before, "method") && next.method) {
    const cross = crossById(db, next.id)!;
    const ways = methodsOf(speciesById(cross.species), next.kind === "self", cross.motherAnthers);
    if (!ways.some((way) => way.id === next.method)) refuse("method", "That method does not serve this cross.");
    if (pollinated)
      refuse("method", "Flowers were done already in the other way; plan a cross of its own for this one.");
  }
  if (touched(next, before, "storedOn", "storage") && next.storedOn) {
    notAhead(facts, next.storedOn, "storedOn");
    if (!next.storage) refuse("storage", "Say how the pollen is kept.");
  }
};
