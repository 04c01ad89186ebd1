import { refuse } from "@/db/ops";
import { notAhead, type Rule } from "../facts";
import type { Deed } from "./deed";

export const deedRule: Rule<Deed> = (facts, { how, on, until }) => {
  notAhead(facts, on);
  if (how === "put-off" && (until === null || until <= on))
    refuse("until", "Put it off to a day that is still to come.");
};
