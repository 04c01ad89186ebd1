import { speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import { addDays, type Day } from "@/core/calendar/day";
import { seasonSpan } from "@/core/climate/season";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { groupBy } from "@/core/lists/groupBy";
import { plantsNeeded } from "@/core/numbers/plantsNeeded";
import {
  aheadOf,
  type PlannedGeneration,
  type PlannedSpecies,
  type PlanSize,
  type PlanWay,
  planFrom,
  usualPlants,
  usualWay,
} from "@/core/plans/linePlan";
import { type NextStep, nextStep } from "@/core/plans/nextStep";
import { type Risk, riskOf } from "@/core/plans/risk";
import { linesCrossed } from "@/records/cross/queries";
import type { Line } from "@/records/line/line";
import { type LineSummary, lines } from "@/records/line/queries";
import { linesOnTable, newestSeed } from "@/records/lot/queries";
import type { Plan } from "@/records/plan/plan";
import { type GrownOfLine, grownOfLines } from "@/records/stand/queries";
import { type DrawerLot, fades, plantsToGoOn, soundOf } from "./drawer";
import type { Outlook } from "./outlook";
import { plansOf } from "./toKeep";
import { wantedShare } from "./wanted";

/** A generation of a line's plan that is still ahead; with its row where somebody planned it. */
export type Ahead = PlannedGeneration & Partial<Pick<Plan, "id" | "version">>;

/** A line's plan: the way it takes, what was grown of it, and what is ahead. */
export type LinePlan = {
  way: PlanWay;
  /** Nobody made a plan: it is how such a line usually goes on. */
  usual: boolean;
  grown: GrownOfLine[];
  ahead: Ahead[];
  /** By how many seasons it comes later than it was planned. */
  late: number;
  /** The rows of the plan that was made, behind and ahead. */
  rows: Id[];
};

/** Sowings of a season are decided on in its first months, days. */
const DECIDED = 150;
/** So many days before a season, after the harvest, its sowings are first asked about. */
const AFTER_HARVEST = 92;

/** Chance of one plant at least that shows all that is wanted, for which a number of plants is reckoned. */
const SURE = 0.95;

/** What was sown and did not all get lost: what slugs or frost took is sown again. */
const reallySown = (grown: GrownOfLine[]) =>
  grown.filter(({ planned, lost, stands }) => planned === 0 && lost < stands);

/** What a plan asks of a species. */
export function planFacts({ id, breeding, ownPollen, multiplied, lifeCycle, shelfYears }: Species): PlannedSpecies {
  return {
    breeding,
    ownPollen,
    multiplied,
    every: lifeCycle === "biennial" ? 2 : 1,
    keepGoing: plantsToGoOn(id),
    renew: Math.max(1, Math.floor(shelfYears.low)),
  };
}

/** How many plants a season are planned where nobody says: for what is wanted of a dividing cross, else those that keep it going. */
function sizeOf(
  sky: Outlook,
  { id, school }: Pick<Line, "id" | "school">,
  species: Species,
  grown: GrownOfLine[],
): PlanSize {
  // A variety and a mix are grown as they were last.
  if (school !== "cross-and-fix") return { plants: Math.max(plantsToGoOn(species.id), grown.at(-1)?.plants ?? 0) };
  const { share, recessive } = wantedShare(sky, id);
  const needed = share ? plantsNeeded({ probability: share, atLeast: 1, confidence: SURE }).plants : 0;
  return { plants: usualPlants(needed, middle(species.plantSpacing) ** 2), recessive };
}

/** The season whose sowings are decided on: from when, and until when; and since when a choice holds for it. */
export type Deciding = { season: number; began: Day; opens: Day; closes: Day };

/** This season in its first months, then the one to come. */
export function decidingOn({ today, season: now, garden }: Pick<Outlook, "today" | "season" | "garden">): Deciding {
  const closesOf = (season: number) => addDays(seasonSpan(season, garden.latitude).start, DECIDED);
  const season = today <= closesOf(now) ? now : now + 1;
  return {
    season,
    began: addDays(closesOf(season - 1), 1),
    opens: addDays(seasonSpan(season, garden.latitude).start, -AFTER_HARVEST),
    closes: closesOf(season),
  };
}

/** The first season for which something may still be sown: this one for its first months. */
export const earliestSeason = (sky: Outlook, { lifeCycle }: Species): number =>
  decidingOn(sky).season + (lifeCycle === "biennial" ? 1 : 0);

/** Every line, by its id. */
export const linesKnown = (sky: Outlook): Map<Id, LineSummary> =>
  sky.once("lines known", () => new Map(lines(sky.db, sky.today).map((line) => [line.id, line])));

const grownOf = (sky: Outlook): Map<Id, GrownOfLine[]> =>
  sky.once("grown of lines", () => groupBy(grownOfLines(sky.db), (one) => one.lineId));

type PlannedAs = Pick<
  Line,
  "id" | "motherLineId" | "species" | "school" | "status" | "cloned" | "way" | "releasedOn"
> & {
  backcrosses: number;
};

/** The way a line takes: the one that was chosen, else the usual one. */
function wayOf({ way, school, status, cloned }: PlannedAs, species: PlannedSpecies): PlanWay {
  return way ?? usualWay({ school, hybrid: status === "f1-hybrid", cloned: cloned === 1 }, species);
}

/**
 * A line's plan as it stands today. What was planned for it by somebody holds, moved on where a season was skipped; else it goes
 * on as usual from its newest generation.
 * @param seed the generation of its newest living seed; undefined where there is none
 * @param planned whether what is planned to be sown is behind, too
 */
export function linePlan(sky: Outlook, line: PlannedAs, seed: number | null | undefined, planned = false): LinePlan {
  const kind = speciesById(line.species);
  const species = planFacts(kind);
  const way = wayOf(line, species);
  const grown = grownOf(sky).get(line.id) ?? [];
  const made = plansOf(sky).get(line.id) ?? [];
  const earliest = earliestSeason(sky, kind);
  const rows = made.map(({ id }) => id);
  const sown = reallySown(grown);
  const known = planned ? grown.filter(({ standing, planned: only }) => only === 1 && standing > 0).concat(sown) : sown;
  if (made.length > 0) return { way, usual: false, grown, rows, ...aheadOf(made, known, earliest) };
  const generations = known.flatMap(({ generation }) => generation ?? []);
  const newest = generations.length > 0 ? Math.max(...generations) : null;
  // What is still to be crossed begins with what comes of the cross.
  const first = line.motherLineId === null ? null : 1;
  const next = newest === null ? (seed ?? first) : Math.max(newest + 1, seed ?? 0);
  const last = Math.max(0, ...known.map(({ season }) => season));
  const seasons = new Set(known.map(({ season }) => season)).size;
  const from = {
    generation: way === "clone" && newest !== null ? newest : next,
    backcrosses: line.backcrosses,
    season: Math.max(earliest, last + species.every),
    grown: seasons,
    cloned: line.cloned === 1,
  };
  const ahead = planFrom(way, from, sizeOf(sky, line, kind, sown), species)
    .filter(({ backcrosses }) => backcrosses === line.backcrosses)
    .map(({ backcrosses: _, ...one }) => one);
  return { way, usual: true, grown, rows, ahead, late: 0 };
}

/** Where a line stands on its way: its plan, its next step, and whether its next generation can be sown. */
export type LineStanding = {
  plan: LinePlan;
  step: NextStep;
  /** Seed of its next generation is there, and no sowing of it is planned. */
  toSow: boolean;
  /** The soonest sowing that is planned. */
  plannedOn: Day | null;
  /** What endangers it; null where it has seed besides what grows. */
  risk: Risk | null;
};

/** Whether living seed of a line is to be sown: of a cross its next generation, of a mix each season, of a variety before it fades. */
export function isToSow({ school }: PlannedAs, plan: LinePlan, lots: DrawerLot[], season: number): boolean {
  const sown = reallySown(plan.grown);
  if (school === "cross-and-fix") {
    const newest = Math.max(0, ...sown.map(({ generation }) => generation ?? 0));
    return lots.some(({ generation }) => (generation ?? 0) > newest) || (sown.length === 0 && lots.length > 0);
  }
  if (school === "let-it-mix") return lots.length > 0 && !sown.some((one) => one.season >= season);
  return lots.length > 0 && fades(lots);
}

/** Where every line stands today. */
export const lineStandings = (sky: Outlook): Map<Id, LineStanding> =>
  sky.once("line standings", () => new Map([...linesKnown(sky)].map(([id, line]) => [id, lineStanding(sky, line)])));

/** Where a line stands on its way today. */
export function lineStanding(sky: Outlook, line: PlannedAs): LineStanding {
  const { db, season } = sky;
  const { id } = line;
  const lots = soundOf(sky, id);
  const generations = lots.flatMap(({ generation }) => generation ?? []);
  const plan = linePlan(
    sky,
    line,
    lots.length === 0 ? undefined : generations.length > 0 ? Math.max(...generations) : null,
    true,
  );
  const there = plan.grown.filter(({ standing }) => standing > 0);
  const ahead = there.filter((one) => one.planned === 1 && one.season >= season);
  const toSow = ahead.length === 0 && isToSow(line, plan, lots, season);
  const now = there.filter((one) => one.planned === 0 && one.season >= season);
  const onTable = sky.once("lines on table", () => linesOnTable(db)).has(id);
  const step = nextStep({
    begun: plan.grown.length > 0 || sky.once("newest seed", () => newestSeed(db)).has(id),
    growing: now.length > 0,
    planned: ahead.length > 0,
    crossing: sky.once("lines crossed", () => linesCrossed(db, season)).has(id),
    onTable,
    seed: lots.length > 0,
    toSow,
  });
  const forSeed = now.reduce((sum, one) => sum + one.forSeed, 0);
  return {
    plan,
    step,
    risk: riskOf({ step, seed: lots.length > 0 || onTable, forSeed }),
    toSow,
    plannedOn: ahead.reduce<Day | null>((first, { sown }) => (first && first < sown ? first : sown), null),
  };
}
