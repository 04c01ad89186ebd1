import { refuse } from "@/db/ops";
import type { Rule } from "../facts";
import type { Offkind } from "./offkind";
import { hasOffkind } from "./queries";

export const offkindRule: Rule<Offkind> = ({ db }, { lineId, name, id }) => {
  if (hasOffkind(db, lineId, name, id)) refuse("name", "This line has an off-type of that name already.");
};
