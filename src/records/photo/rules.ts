import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import type { Photo } from "./photo";
import { sownOfPlant } from "./queries";

export const photoRule: Rule<Photo> = (facts, next, before) => {
  if ((next.plantId === null) === (next.offkindId === null)) refuse("plantId", "A picture is of one thing.");
  if (!touched(next, before, "takenOn")) return;
  notAhead(facts, next.takenOn, "takenOn");
  const sown = next.plantId === null ? undefined : sownOfPlant(facts.db, next.plantId);
  if (sown !== undefined && next.takenOn < sown)
    refuse("takenOn", `The plant was sown on ${dayInWords(sown)}, after that day.`);
};
