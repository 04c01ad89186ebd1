import { dayInWords } from "@/core/calendar/day";
import { HANDLINGS } from "@/core/seed/handlings";
import { hoursAt, whyNot } from "@/core/seed/table";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { lotById } from "../lot/queries";
import type { HandlingRow } from "./handling";
import { handlingsOf } from "./queries";
import { tableLot } from "./tableLot";

export const handlingRule: Rule<HandlingRow> = (facts, next, before) => {
  if (!touched(next, before, "act", "on", "at", "value", "lotId")) return;
  notAhead(facts, next.on);
  const lot = lotById(facts.db, next.lotId);
  if (!lot) return;
  if (next.on < lot.gathered) refuse("on", `It was gathered on ${dayInWords(lot.gathered)}.`);
  const { reads } = HANDLINGS[next.act];
  if (reads && !reads.fits(next.value)) refuse("value", reads.asked);
  const at = hoursAt(next.on, next.at);
  const earlier = handlingsOf(facts.db, next.lotId).filter(
    ({ id, on, at: hour }) => id !== next.id && hoursAt(on, hour) <= at,
  );
  const why = whyNot(next.act, tableLot(lot, earlier));
  if (why) refuse("act", why);
};
