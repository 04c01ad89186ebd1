import { dayInWords } from "@/core/calendar/day";
import { ASKED } from "@/core/work/task";
import { refuse } from "@/db/ops";
import { notAhead, type Rule } from "../facts";
import { standById } from "../stand/queries";
import { type Deed, OF_ELSE } from "./deed";

export const deedRule: Rule<Deed> = (facts, next) => {
  const { standId, act, how, on, until, counted, looked } = next;
  notAhead(facts, on);
  if (how === "put-off" && (until === null || until <= on))
    refuse("until", "Put it off to a day that is still to come.");
  if (looked !== null && act !== "rogue")
    refuse("looked", "Only a walk for off-types says how many plants were looked at.");
  if (looked !== null && looked < (counted ?? 0))
    refuse("looked", "More plants were removed than were looked at. Count again.");
  const ofElse = OF_ELSE.filter((column) => next[column] !== null);
  if (ofElse.length + (standId === null ? 0 : 1) !== 1)
    refuse("standId", "Say what it is of: one planting, line, neighbour, place or test.");
  const asked = (ASKED as readonly string[]).includes(act);
  if (asked === (standId !== null)) refuse("act", "That is not asked of it.");
  if (standId === null) {
    if (how === "done") refuse("how", "What was done is written down where it was done.");
    return;
  }
  const { code, sown, planned } = standById(facts.db, standId)!;
  if (how !== "done" || act === "sow") return;
  if (planned) refuse("act", `${code} is only planned; sow it first.`);
  if (on < sown) refuse("on", `${code} was sown on ${dayInWords(sown)}, after that day.`);
};
