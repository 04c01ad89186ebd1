import { isKept } from "@/core/selection/marks";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import type { Plant } from "./plant";

export const plantRule: Rule<Plant> = (facts, next, before) => {
  if (next.checkOfId && isKept(next.mark)) refuse("mark", `Plant ${next.number} is a check: it is not chosen from.`);
  if (!touched(next, before, "mark", "reason", "removedOn")) return;
  if (next.mark === "out" && !next.reason) refuse("reason", "Say why it goes out: it is learned from later.");
  if (next.removedOn && next.mark !== "out") refuse("mark", `Plant ${next.number} was taken out on ${next.removedOn}.`);
  notAhead(facts, next.removedOn);
};
