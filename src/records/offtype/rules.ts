import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/ops";
import { notAhead, type Rule } from "../facts";
import { lotById } from "../lot/queries";
import type { Offtype } from "./offtype";

export const offtypeRule: Rule<Offtype> = (facts, { lotId, on, plants, strange }) => {
  notAhead(facts, on);
  const lot = lotById(facts.db, lotId);
  if (lot && lot.kind !== "open") refuse("lotId", `Lot ${lot.code} is no seed of open flowers: its father is known.`);
  if (lot && on < lot.gathered) refuse("on", `Its seed was gathered on ${dayInWords(lot.gathered)}, after that day.`);
  if (strange > plants) refuse("strange", `More than the ${plants} plants that were looked at.`);
};
