import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { standById } from "../stand/queries";
import { amountOf, refuseBeyond, takenFrom } from "./left";
import type { Lot, PartRecord } from "./lot";
import { lotById, lotsIn } from "./queries";

export const lotRule: Rule<Lot> = (facts, next, before) => {
  if (touched(next, before, "gathered", "motherStandId")) {
    notAhead(facts, next.gathered, "gathered");
    const mother = next.motherStandId ? standById(facts.db, next.motherStandId) : undefined;
    if (mother && next.gathered <= (mother.firstFlower ?? mother.sown))
      refuse("gathered", "Seed can't be gathered before the stand has flowered.");
  }
  // Of fruit that is brought in the seed is counted later.
  if (touched(next, before, "seeds", "mass") && !next.seeds && !next.mass && !next.fruits && !next.onTable)
    refuse("seeds", "Count the seeds or weigh them.");
  if (touched(next, before, "vesselId", "endedOn") && next.vesselId && !next.endedOn) {
    const other = lotsIn(facts.db, next.vesselId).find(({ id }) => id !== next.id);
    if (other) refuse("vesselId", `Lot ${other.code} lies in it. Two lots in one vessel are one lot.`);
  }
  if (touched(next, before, "brokenOn")) notAhead(facts, next.brokenOn, "brokenOn");
  if ((next.endedOn === null) !== (next.ending === null)) refuse("ending", "Say how it ended, and on which day.");
  if (touched(next, before, "endedOn") && next.endedOn) {
    notAhead(facts, next.endedOn, "endedOn");
    if (next.endedOn < next.gathered) refuse("endedOn", "It can't have ended before it was gathered.");
  }
  if (!touched(next, before, "reserve", "seeds", "mass") || next.reserve === null) return;
  const row = before ? lotById(facts.db, next.id) : undefined;
  if (!row) return;
  const amount = amountOf({ ...row, ...next });
  const left = amount && amount.high - takenFrom(row);
  if (left !== null && next.reserve > left)
    refuse("reserve", `Only ${Math.max(0, left)} seeds are left of it; no more can be a reserve.`);
};

export const partRule: Rule<PartRecord> = (facts, next, before) => {
  if (touched(next, before, "seeds", "fromId") && next.seeds !== null)
    refuseBeyond(facts, next.fromId, next.seeds, "lots", "put together");
};
