import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { plantById } from "../plant/queries";
import { standById } from "../stand/queries";
import type { Pick } from "./pick";

export const pickRule: Rule<Pick> = (facts, next, before) => {
  if (!touched(next, before, "on", "standId", "plantId", "verdict", "why")) return;
  notAhead(facts, next.on);
  const stand = standById(facts.db, next.standId);
  if (stand && next.on <= (stand.firstFlower ?? stand.sown))
    refuse("on", "Fruit can't be picked before the stand has flowered.");
  const plant = next.plantId ? plantById(facts.db, next.plantId) : undefined;
  if (plant && plant.standId !== next.standId) refuse("plantIds", "That plant stands elsewhere.");
  if (plant?.removedOn && plant.removedOn < next.on)
    refuse("plantIds", `Plant ${plant.number} was taken out on ${dayInWords(plant.removedOn)}.`);
  if (next.verdict === "set-aside" && !next.why)
    refuse("why", "Say in what it does not match: it is learned from later.");
  if (next.verdict === "set-aside" && next.lotId) refuse("verdict", "What is set aside is never mixed in.");
};
