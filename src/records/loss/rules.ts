import { refuse } from "@/db/ops";
import type { Rule } from "../facts";
import { hasOffkind } from "../offkind/queries";
import type { Loss } from "./loss";
import { hasLoss } from "./queries";

export const lossRule: Rule<Loss> = ({ db }, { lineId, reason, id }) => {
  if (hasLoss(db, lineId, reason, id)) refuse("reason", "This reason is already decided for this line.");
  if (reason !== "" && hasOffkind(db, lineId, reason, id))
    refuse("reason", "This is described as an off-type. Delete that off-type first.");
};
