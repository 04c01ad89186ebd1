import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { standById } from "../stand/queries";
import type { Trial } from "./trial";

export const trialRule: Rule<Trial> = (facts, next, before) => {
  if (touched(next, before, "endedOn")) {
    notAhead(facts, next.endedOn, "endedOn");
    const stand = standById(facts.db, next.standId);
    if (stand && next.endedOn < stand.sown)
      refuse("endedOn", `${stand.code} was sown on ${dayInWords(stand.sown)}, after that day.`);
  }
  if (next.lost > next.stood) refuse("lost", `${next.stood} stood before it; ${next.lost} can't be lost.`);
};
