import { refuse } from "@/db/ops";
import { command } from "../command";
import { lineById } from "../line/queries";
import { loss } from "./loss";

/** Plants that went for a reason are no off-types of their line. */
const addLoss = command("loss.add", loss.adding("lineId", "reason"), ({ db, write }, input) => {
  const line = lineById(db, input.lineId) ?? refuse("lineId", "That line does not exist.");
  return {
    message: `${line.name}: ${input.reason || "no reason given"} is no off-type`,
    id: write.insert(loss, input),
  };
});

export const lossCommands = [addLoss] as const;
