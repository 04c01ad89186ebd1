import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { partsBefore } from "../lot/parts";
import { lotById } from "../lot/queries";
import { leftBehindIn, vesselById } from "./queries";
import type { Move, Vessel } from "./vessel";

export const vesselRule: Rule<Vessel> = (facts, next, before) => {
  if (!touched(next, before, "endedOn") || !next.endedOn) return;
  notAhead(facts, next.endedOn, "endedOn");
  const row = before && vesselById(facts.db, next.id);
  if (row?.lotId) refuse("endedOn", `Lot ${row.lotCode} lies in it. Move it first.`);
};

export const moveRule: Rule<Move> = (facts, next, before) => {
  if (touched(next, before, "cleanedOn") && next.cleanedOn) {
    notAhead(facts, next.cleanedOn, "cleanedOn");
    if (next.cleanedOn < next.on)
      refuse("cleanedOn", `It went in on ${dayInWords(next.on)}; sign it clean after that.`);
  }
  if (!touched(next, before, "on", "lotId", "toVesselId")) return;
  notAhead(facts, next.on);
  const lot = lotById(facts.db, next.lotId);
  if (lot && next.on < lot.gathered) refuse("on", `It was gathered on ${dayInWords(lot.gathered)}.`);
  if (!next.toVesselId) return;
  const into = vesselById(facts.db, next.toVesselId);
  if (into?.endedOn) refuse("toVesselId", `${into.name} was given up.`);
  // What it was taken out of, or put together from, is its own seed.
  const own = new Set([next.lotId, ...partsBefore(facts.db, next.lotId).map(({ fromId }) => fromId)]);
  const other = leftBehindIn(facts.db, next.toVesselId).find(({ lotId }) => !own.has(lotId));
  if (other && into)
    refuse(
      "toVesselId",
      `${into.name} held lot ${lotById(facts.db, other.lotId)?.code} and was not signed clean since. Look for seed left behind, then sign it clean.`,
    );
};
