import { dayInWords } from "@/core/calendar/day";
import { SORTED } from "@/core/selection/lifting";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { standById } from "../stand/queries";
import { sortingOf } from "./queries";
import type { Sorting } from "./sorting";

export const sortingRule: Rule<Sorting> = (facts, next, before) => {
  if (touched(next, before, "sortedOn")) notAhead(facts, next.sortedOn, "sortedOn");
  const stand = standById(facts.db, next.standId);
  if (stand && next.sortedOn < stand.sown)
    refuse("sortedOn", `${stand.code} was sown on ${dayInWords(stand.sown)}, after that day.`);
  const all = next.fit + SORTED.reduce((sum, why) => sum + next[why], 0);
  if (all === 0) refuse("fit", "Count what was sorted.");
  const lifted = next.moment === "replant" ? sortingOf(facts.db, next.standId, "lift") : undefined;
  if (!lifted) return;
  if (all > lifted.fit) refuse("fit", `${lifted.fit} went into the store; ${all} can't come out of it.`);
  if (next.sortedOn < lifted.sortedOn)
    refuse("sortedOn", `They were lifted on ${dayInWords(lifted.sortedOn)}, after that day.`);
};
