import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { lotById } from "../lot/queries";
import { storeById } from "./queries";
import type { AirRow, StayRow, Store } from "./store";

export const storeRule: Rule<Store> = (facts, next, before) => {
  if (touched(next, before, "desiccantOn")) notAhead(facts, next.desiccantOn, "desiccantOn");
  if (touched(next, before, "desiccantEvery") && next.desiccantEvery && !next.desiccantOn)
    refuse("desiccantOn", "Say when the desiccant was last changed.");
  if (touched(next, before, "endedOn")) notAhead(facts, next.endedOn, "endedOn");
};

export const stayRule: Rule<StayRow> = (facts, next, before) => {
  if (!touched(next, before, "since", "storeId", "lotId")) return;
  notAhead(facts, next.since, "since");
  const gathered = lotById(facts.db, next.lotId)?.gathered;
  if (gathered && next.since < gathered)
    refuse("since", `It was gathered on ${dayInWords(gathered)}; it can't have lain there before.`);
  if (storeById(facts.db, next.storeId)?.endedOn) refuse("storeId", "That place was given up.");
};

export const airRule: Rule<AirRow> = (facts, next, before) => {
  if (touched(next, before, "on")) notAhead(facts, next.on);
};
