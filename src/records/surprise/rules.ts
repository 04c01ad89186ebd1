import { refuse } from "@/db/ops";
import { notAhead, type Rule } from "../facts";
import type { SurpriseDecided } from "./surprise";

export const surpriseRule: Rule<SurpriseDecided> = (facts, { decidedOn, plants, odd, cause, sourceName }) => {
  notAhead(facts, decidedOn, "decidedOn");
  if (odd > plants) refuse("odd", `More than the ${plants} plants that were looked at.`);
  if (cause === "pollen" && sourceName === "") refuse("sourceName", "Say whose pollen it was.");
};
