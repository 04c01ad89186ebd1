import { sceneSpecies, speciesById } from "@/catalogue/catalogue";
import { type Day, yearsLater } from "@/core/calendar/day";
import { seasonSpan } from "@/core/climate/season";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { usualSowing } from "@/core/flowering/typical";
import { remembered } from "@/core/numbers/remembered";
import { lotsToSow } from "@/core/plans/chooseLots";
import { type Germination, germinationAfter } from "@/core/seed/alive";
import type { LifeState } from "@/core/seed/life";
import { type LotLeft, type Stake, stakeOf } from "@/core/seed/regrow";
import { type Stage, SURE_OF_PLANTS, sowingNumber } from "@/core/seed/sowing";
import { meanOf } from "@/core/work/losses";
import { lineDependants } from "@/records/line/queries";
import { notSown, type WaitingLine } from "@/records/lot/queries";
import { lastSowings } from "@/records/stand/queries";
import { livesOf } from "./alive";
import { type DrawerLot, fades, longestLived, plantsToGoOn, soundOf, sowableOf } from "./drawer";
import { decidingOn, lineStandings } from "./linePlan";
import type { Outlook } from "./outlook";
import { lineStages, stagesFor } from "./raising";

/** A line that nothing is sown of, whose seed grows old, or that is the next generation of what is fixed. */
export type Regrow = {
  lineId: Id;
  code: string;
  name: string;
  /** The lot that is best sown. */
  lot: string;
  why: "old" | "next";
  gathered: Day;
  state: LifeState;
  germination: Germination;
  until: Day | null;
  /** Plants with which it goes on, seeds to sow for them, and those that are left; null where nobody can say. */
  plants: number;
  sow: number | null;
  left: number | null;
  /** The chance of enough plants this year, and a year later. */
  stake: Stake;
  /** Lines that come from it. */
  rests: number;
  lotId: Id;
  /** Of a cross on its way: the plants of its plan, and of how many mothers there is seed. */
  planned: { plants: number; mothers: number } | null;
  /** The next day on which it would be sown: as it was last, or in spring. */
  sowOn: Day;
};

const leftOf = (sky: Outlook, lot: DrawerLot): LotLeft => ({
  known: livesOf(sky)(lot).known,
  aged: lot.life.aged,
  perDay: lot.life.perDay,
  seeds: lot.seedsLeft,
});

const sowing = remembered(sowingNumber, 1000);

/** Seeds that give enough plants, nine times in ten; null where so poor a germination gives them of no number. */
function toSow(plants: number, stages: Stage[], { likely }: Germination): number | null {
  if (likely < 0.02) return null;
  return sowing({ target: plants, confidence: SURE_OF_PLANTS, stages }).sow;
}

/** The chance that enough plants come of a line's seed this year, and a year later; and what that loses. */
export const stakeIn = (
  sky: Outlook,
  { lineId, species }: { lineId: Id; species: string },
  lots: DrawerLot[],
  rests: number,
): Stake =>
  stakeOf({
    lots: lots.map((lot) => leftOf(sky, lot)),
    plants: plantsToGoOn(species),
    stays: meanOf(lineStages(sky)(species, lineId).stays),
    rests,
  });

function regrowOf(sky: Outlook, line: WaitingLine, lots: DrawerLot[], rests: number): Regrow {
  const { lineId, lineCode, species, school, generation } = line;
  const next = school === "cross-and-fix" && generation !== null;
  // Of what is being fixed the newest generation is sown; otherwise what lives longest.
  const best = next ? lots[0]! : longestLived(lots)!;
  const plants = plantsToGoOn(species);
  const germination = germinationAfter(livesOf(sky)(best).known, best.life.aged);
  return {
    lineId,
    code: lineCode,
    name: nameWithGeneration(line),
    lot: best.code,
    why: next ? "next" : "old",
    gathered: best.gathered,
    state: best.life.state,
    germination,
    until: best.life.until.likely,
    plants,
    sow: toSow(plants, stagesFor(sky, { species, lineId, lot: best }), germination),
    left: best.seedsLeft,
    // What is next is sown anyway: its stake is that of the one lot.
    stake: stakeIn(sky, { lineId, species }, next ? [best] : lots, rests),
    rests,
    lotId: best.id,
    planned: next ? plannedOf(sky, lineId, lots) : null,
    sowOn: nextSowing(sky, { id: lineId, species }),
  };
}

/** What the plan of a cross has next, and of how many mothers seed is there. */
function plannedOf(sky: Outlook, lineId: Id, lots: DrawerLot[]): Regrow["planned"] {
  const [step] = lineStandings(sky).get(lineId)!.plan.ahead;
  if (!step) return null;
  const sowable = lots.map((lot) => sowableOf(sky, lot));
  return { plants: step.plants, mothers: lotsToSow(sowable, step.mothers).length };
}

/**
 * The next day on which a line would be sown: the day of its last sowing, a year or more on; else when its kind is usually sown in
 * such a climate. Where that day of this season is past and sowings can still be decided on, it is today.
 */
export function nextSowing(sky: Outlook, { id, species }: { id: Id | null; species: string }): Day {
  const { today, season, garden, climate } = sky;
  const { start } = seasonSpan(season, garden.latitude);
  const last = id === null ? undefined : sky.once("last sowings", () => lastSowings(sky.db)).get(id);
  const facts = sceneSpecies(speciesById(species));
  // What flowers in its second year is sown in this one for the next.
  let day = last ?? usualSowing(facts, facts.cold ? season + 1 : season, climate);
  while (day < start || day === last) day = yearsLater(day, 1);
  if (day > today) return day;
  return decidingOn(sky).season === season && (last ?? "") < start ? today : yearsLater(day, 1);
}

/**
 * Lines whose seed should be grown again this season: the next generation of what is crossed and fixed first, then by what
 * stands to be lost if they are not. Lines that are sown or planned are not among them.
 */
export const regrowList = (sky: Outlook): Regrow[] =>
  sky.once("regrow list", () => {
    const { db, season } = sky;
    const rests = lineDependants(db);
    return notSown(db, season)
      .flatMap((line) => {
        const lots = soundOf(sky, line.lineId);
        const next = line.school === "cross-and-fix" && line.generation !== null;
        if (lots.length === 0 || (!next && !fades(lots))) return [];
        return [regrowOf(sky, line, lots, rests.get(line.lineId) ?? 0)];
      })
      .sort((a, b) => a.why.localeCompare(b.why) || b.stake.loss - a.stake.loss || a.name.localeCompare(b.name));
  });

/** The same, while there is time to sow. */
export const regrowView = (sky: Outlook): Regrow[] => {
  return decidingOn(sky).season > sky.season ? [] : regrowList(sky);
};
