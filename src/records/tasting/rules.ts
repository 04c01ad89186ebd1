import { speciesById } from "@/catalogue/catalogue";
import { isTasted } from "@/catalogue/hazards";
import { dayInWords } from "@/core/calendar/day";
import { hasEnds } from "@/core/traits/kinds";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { yardsticks } from "../line/queries";
import { standById } from "../stand/queries";
import { tastersOf } from "./queries";
import type { BiteRow, Tasting } from "./tasting";

export const tastingRule: Rule<Tasting> = (facts, next, before) => {
  if (touched(next, before, "heldOn")) notAhead(facts, next.heldOn, "heldOn");
  if (touched(next, before, "closedOn") && next.closedOn && next.closedOn < next.heldOn)
    refuse("closedOn", `It was held on ${dayInWords(next.heldOn)}, after that day.`);
  if (!touched(next, before, "standId", "yardstickId")) return;
  const stand = standById(facts.db, next.standId);
  if (!stand) return;
  const { hazards, name } = speciesById(stand.species);
  if (!isTasted(hazards)) refuse("standId", `${name} is not tasted: it is poisonous.`);
  const yardstick = yardsticks(facts.db, stand.lineId).find(({ id }) => id === next.yardstickId);
  if (!yardstick || !hasEnds(yardstick)) refuse("yardstickId", "Choose a scale of 1 to 9 of this line.");
};

export const biteRule: Rule<BiteRow> = ({ db }, next) => {
  if (next.number === null && !next.bitter) refuse("number", "Give 1 to 9, or say that it is bitter.");
  const tasters = tastersOf(db, next.servingId);
  if (tasters !== undefined && next.taster > tasters) refuse("taster", `There are ${tasters} tasters.`);
};
