import { Refusal, refuse } from "@/db/ops";
import { command } from "../command";
import { lotById } from "../lot/queries";
import { day, ref, seen } from "../record";
import { offtype } from "./offtype";

const countThem = command(
  "offtype.count",
  { ...offtype.adding("lotId", "plants", "strange"), on: day("Counted on").optional() },
  (context, { on, ...input }) => {
    const { code } = lotById(context.db, input.lotId) ?? refuse("lotId", "That lot does not exist.");
    const id = context.write.insert(offtype, { ...input, on: on ?? context.today });
    return { message: `Lot ${code}: ${input.strange} of ${input.plants} plants of a strange father`, id };
  },
);

const dropCount = command(
  "offtype.drop",
  { id: ref("offtype", "Count"), version: seen() },
  ({ write }, { id, version }) => {
    const before = write.read(offtype, id);
    if (!before) throw new Refusal("That count is not there any more.");
    write.remove(offtype, id, version);
    return { message: `The count of ${before.plants} plants struck out` };
  },
);

export const offtypeCommands = [countThem, dropCount] as const;
