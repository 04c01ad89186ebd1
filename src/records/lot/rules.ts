import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { standById } from "../stand/queries";
import type { Lot } from "./lot";

export const lotRule: Rule<Lot> = (facts, next, before) => {
  if (touched(next, before, "gathered", "motherStandId")) {
    notAhead(facts, next.gathered, "gathered");
    const mother = next.motherStandId ? standById(facts.db, next.motherStandId) : undefined;
    if (mother && next.gathered <= (mother.firstFlower ?? mother.sown))
      refuse("gathered", "Seed can't be gathered before the stand has flowered.");
  }
  // Of fruit that is brought in the seed is counted later.
  if (touched(next, before, "seeds", "mass") && !next.seeds && !next.mass && !next.fruits)
    refuse("seeds", "Count the seeds or weigh them.");
};
