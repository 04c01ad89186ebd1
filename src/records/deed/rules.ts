import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/ops";
import { notAhead, type Rule } from "../facts";
import { standById } from "../stand/queries";
import type { Deed } from "./deed";

export const deedRule: Rule<Deed> = (facts, { standId, act, how, on, until, counted, looked }) => {
  notAhead(facts, on);
  if (how === "put-off" && (until === null || until <= on))
    refuse("until", "Put it off to a day that is still to come.");
  if (looked !== null && act !== "rogue")
    refuse("looked", "Only a walk for off-types says how many plants were looked at.");
  if (looked !== null && looked < (counted ?? 0))
    refuse("looked", "More plants were removed than were looked at. Count again.");
  const { code, sown, planned } = standById(facts.db, standId)!;
  if (how !== "done" || act === "sow") return;
  if (planned) refuse("act", `${code} is only planned; sow it first.`);
  if (on < sown) refuse("on", `${code} was sown on ${dayInWords(sown)}, after that day.`);
};
