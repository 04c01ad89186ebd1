import { refuse } from "@/db/ops";
import type { Rule } from "../facts";
import type { Plan } from "./plan";

export const planRule: Rule<Plan> = (_, { plants, mothers, kept }) => {
  if (kept > plants) refuse("kept", `${kept} of ${plants} plants can't be kept.`);
  if (mothers > plants) refuse("mothers", `${plants} plants can't be of ${mothers} mothers.`);
};
