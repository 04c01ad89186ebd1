import { refuse } from "@/db/ops";
import type { Rule } from "../facts";
import type { Line } from "./line";
import { lineInUse } from "./queries";

export const lineRule: Rule<Line> = ({ db }, next, before) => {
  if (before && before.species !== next.species && lineInUse(db, next.id))
    refuse("species", "Stands and seed are kept under this line's species; it can't change.");
  if (next.motherLineId === next.id || next.fatherLineId === next.id)
    refuse("motherLineId", "A line can't be its own parent.");
};
