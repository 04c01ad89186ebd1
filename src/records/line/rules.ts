import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import type { Line } from "./line";
import { lineInUse } from "./queries";

export const lineRule: Rule<Line> = (facts, next, before) => {
  const { db } = facts;
  if (before && before.species !== next.species && lineInUse(db, next.id))
    refuse("species", "Stands and seed are kept under this line's species; it can't change.");
  if (next.motherLineId === next.id || next.fatherLineId === next.id)
    refuse("motherLineId", "A line can't be its own parent.");
  if (touched(next, before, "releasedOn") && next.releasedOn) notAhead(facts, next.releasedOn, "releasedOn");
  if (!touched(next, before, "endedOn", "ending")) return;
  if ((next.endedOn === null) !== (next.ending === null)) refuse("ending", "Say how the line ended, and on which day.");
  if (next.endedOn) notAhead(facts, next.endedOn);
};
