import { speciesById } from "@/catalogue/catalogue";
import { addDays, dayInWords } from "@/core/calendar/day";
import { outOfOrder, STEP_WORDS, type Step } from "@/core/work/life";
import { refuse } from "@/db/ops";
import { type Facts, notAhead, type Rule, touched } from "../facts";
import { lineById } from "../line/queries";
import { refuseBeyond } from "../lot/left";
import { lotById } from "../lot/queries";
import { numberedPlants } from "./queries";
import { inCells, type Stand } from "./stand";

/** Numbered plants of one family; more can't be scored by hand in a season. */
const MOST_NUMBERED = 2000;

function counts(facts: Facts, next: Stand): void {
  const { sowedSeeds, cameUp, plants, potted, spare } = next;
  if (cameUp !== null && sowedSeeds === null) refuse("sowedSeeds", "Say how many seeds were sown.");
  if (cameUp !== null && cameUp > sowedSeeds!) refuse("cameUp", `${cameUp} can't come up from ${sowedSeeds} seeds.`);
  if (plants !== null && cameUp !== null && plants > cameUp)
    refuse("plants", `${plants} can't be planted: only ${cameUp} came up.`);
  if (potted !== null && cameUp !== null && potted > cameUp)
    refuse("potted", `${potted} can't be pricked out: only ${cameUp} came up.`);
  if (potted !== null && plants !== null && plants > potted)
    refuse("plants", `${plants} can't be planted: only ${potted} were pricked out.`);
  if (spare !== null && cameUp === null) refuse("spare", "Count what came up first.");
  if (spare !== null && (plants ?? 0) + spare > cameUp!)
    refuse("spare", `${plants ?? 0} planted and ${spare} to spare are more than the ${cameUp} that came up.`);
  if (plants !== null && sowedSeeds !== null && plants > sowedSeeds)
    refuse("plants", `${plants} plants can't stand from ${sowedSeeds} seeds.`);
  if (!next.family) return;
  if ((plants ?? 0) > MOST_NUMBERED) refuse("plants", `At most ${MOST_NUMBERED} plants of one family carry numbers.`);
  const numbered = numberedPlants(facts.db, next.id);
  if ((plants ?? 0) < numbered) refuse("plants", `${numbered} plants carry numbers already.`);
}

/** What it is sown in, and how. */
function vessels(next: Stand): void {
  const { sownIn, trays, perCell, potted, crates, sowedSeeds } = next;
  if (sownIn === "ground" && trays !== null) refuse("trays", "It is sown in the ground; no tray stands there.");
  if (perCell !== null && perCell > 1 && !inCells(next))
    refuse("perCell", "Several seeds share a cell or a pot. Say that it is sown in cells or pots.");
  if (perCell !== null && sowedSeeds !== null && perCell > sowedSeeds)
    refuse("perCell", `${sowedSeeds} seeds can't give ${perCell} to a cell.`);
  if (trays !== null && sowedSeeds !== null && trays > sowedSeeds)
    refuse("trays", `${sowedSeeds} seeds can't fill ${trays} trays.`);
  if (crates !== null && potted !== null && crates > potted)
    refuse("crates", `${potted} pots can't fill ${crates} crates.`);
}

function days(facts: Facts, next: Stand, before: Stand | null, species: string): void {
  const { sown, plantedOut, cutBack, firstFlower } = next;
  const { cold, daysToFlower } = speciesById(species);
  if (plantedOut && plantedOut < sown) refuse("plantedOut", "It can't be planted out before it was sown.");
  const moved = before !== null && before.sown !== sown;
  if (cutBack && cutBack <= sown)
    refuse(moved ? "sown" : "cutBack", `It is to be cut back on ${cutBack}; it must be sown before that.`);
  if (next.overwinter && !cold)
    refuse("overwinter", "This species flowers in its first year; no winter stands between.");
  if (!firstFlower || !touched(next, before, "firstFlower", "sown")) return;
  if (firstFlower <= sown) refuse("firstFlower", "A stand can't flower before it was sown.");
  notAhead(facts, firstFlower, "firstFlower");
  if (!next.wintering && firstFlower > addDays(sown, daysToFlower.high * 2))
    refuse("firstFlower", "That is more than twice the usual wait from sowing. Check the day, or the sowing day.");
}

/** Days that are recorded, never planned. */
const SEEN = ["upOn", "pottedOn", "liftedOn", "replantedOn", "setOn", "ripeOn", "endedOn"] as const;

function life(facts: Facts, next: Stand, before: Stand | null): void {
  for (const column of SEEN) if (touched(next, before, column)) notAhead(facts, next[column], column);
  if ((next.endedOn === null) !== (next.ending === null)) refuse("ending", "Say how it ended, and on which day.");
  const wrong = outOfOrder(next);
  if (!wrong) return;
  const { later, earlier } = wrong;
  const field = touched(next, before, later) ? later : earlier;
  const on = (step: Step) => dayInWords(next[step]!);
  if (later === "endedOn" && field !== "endedOn")
    refuse(field, `It can't be ${STEP_WORDS[earlier]} on ${on(earlier)}: it ended on ${on(later)}.`);
  refuse(field, `It can't be ${STEP_WORDS[later]} on ${on(later)}: it was ${STEP_WORDS[earlier]} on ${on(earlier)}.`);
}

function fromLot(facts: Facts, next: Stand, before: Stand | null): void {
  const lot = next.lotId ? lotById(facts.db, next.lotId) : undefined;
  if (!lot) return;
  const { code, gathered } = lot;
  if (lot.lineId !== next.lineId) refuse("lotId", `Lot ${code} is seed of ${lot.lineName}, not of this line.`);
  if (next.sown < gathered) refuse("sown", `Lot ${code} was gathered on ${gathered}; it can't be sown before.`);
  // A sowing that is only planned may leave open how much of the lot it takes.
  if (next.sowedSeeds === null) {
    if (before?.sowedSeeds) refuse("sowedSeeds", "Say how many seeds of the lot are sown.");
    return;
  }
  if (touched(next, before, "sowedSeeds", "lotId")) refuseBeyond(facts, lot.id, next.sowedSeeds, "sowedSeeds", "sown");
}

export const standRule: Rule<Stand> = (facts, next, before) => {
  const { species } = lineById(facts.db, next.lineId)!;
  if (touched(next, before, "sowedSeeds", "cameUp", "potted", "plants", "spare", "family")) counts(facts, next);
  if (touched(next, before, "sownIn", "trays", "perCell", "potted", "crates", "sowedSeeds")) vessels(next);
  if (touched(next, before, "sown", "plantedOut", "cutBack", "firstFlower", "overwinter"))
    days(facts, next, before, species);
  if (touched(next, before, "sown", "plantedOut", "firstFlower", "ending", ...SEEN)) life(facts, next, before);
  if (touched(next, before, "lotId", "lineId", "sown", "sowedSeeds")) fromLot(facts, next, before);
  if (touched(next, before, "rowCount", "plants") && next.rowCount && next.plants && next.rowCount > next.plants)
    refuse("rowCount", `${next.plants} plants can't stand in ${next.rowCount} rows.`);
  if (touched(next, before, "saveFrom", "plants") && next.saveFrom && next.saveFrom > (next.plants ?? 0))
    refuse("saveFrom", `Only ${next.plants ?? 0} plants stand there.`);
};
