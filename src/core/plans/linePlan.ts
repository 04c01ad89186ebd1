import { type Bred, generationNamed, nextGeneration } from "../custody/generation";
import { seeded } from "../numbers/chance";
import { remembered } from "../numbers/remembered";
import type { PlanAct, PlanStep, SchemeKey } from "./schemes";
import { RUNS, SCHEMES } from "./schemes";
import { worldOf } from "./world";

/** Ways that a line goes on: those of breeding, and keeping a variety, letting a mix mix, multiplying one plant. */
export const PLAN_WAYS = [...SCHEMES, "keep", "mix", "clone"] as const;
export type PlanWay = (typeof PLAN_WAYS)[number];

/** How the seed of a generation is kept from other pollen: not at all, by standing apart, by hand. */
export const GUARDS = ["none", "apart", "hand"] as const;
export type Guard = (typeof GUARDS)[number];

/** A generation of a line as it is planned: when it stands, how many plants of how many mothers, and what comes of them. */
export type PlannedGeneration = {
  /** Counted from the cross or the last backcross; null where generations are not counted. */
  generation: number | null;
  /** The season in which it flowers. */
  season: number;
  act: PlanAct;
  plants: number;
  /** Mothers whose seed is sown, a row of each; 1 where all of it is one lot. */
  mothers: number;
  /** Plants whose seed is sown next. */
  kept: number;
  guard: Guard;
};

/** A line, as far as its plan hangs on it. */
export type PlannedLine = {
  school: "keep-pure" | "cross-and-fix" | "let-it-mix";
  /** A bought hybrid; one plant that is multiplied. */
  hybrid: boolean;
  cloned: boolean;
};

/** Of its species, what a plan hangs on. */
export type PlannedSpecies = {
  breeding: "selfing" | "mixed" | "outcrossing";
  ownPollen: "taken" | "refused";
  /** Multiplied by runners, tubers or cuttings. */
  multiplied: boolean;
  /** Seasons from one generation to the next. */
  every: number;
  /** Plants that keep a line of it going. */
  keepGoing: number;
  /** Seasons after which its seed is renewed. */
  renew: number;
};

/**
 * The way that a line usually goes on, where nobody chose one: its approach decides, then how the crop takes its own pollen.
 * @example usualWay({ school: "cross-and-fix", hybrid: false, cloned: false }, { breeding: "outcrossing", ownPollen: "refused", multiplied: false, every: 1, keepGoing: 20, renew: 3 }) // "full-sib"
 */
export function usualWay({ school, hybrid, cloned }: PlannedLine, species: PlannedSpecies): PlanWay {
  if (cloned || (school === "cross-and-fix" && species.multiplied)) return "clone";
  if (school === "let-it-mix") return "mix";
  if (school === "keep-pure") return "keep";
  if (species.ownPollen === "refused") return "full-sib";
  return hybrid ? "undo-hybrid" : "pedigree";
}

/** Where a plan begins: what is to be sown next, the season in which that stands, and in how many it was grown before. */
export type PlanFrom = Bred & {
  season: number;
  grown: number;
  cloned: boolean;
  /** The whole way, from the cross on that it begins with. */
  whole?: boolean;
};

/** What a plan is asked for: a way, and the plants that there is ground and time for in a season. */
export type PlanSize = {
  plants: number;
  /** Seasons of a way of breeding, the cross among them: as many as leave hardly anything mixed where nobody says. */
  seasons?: number;
  /** A wanted trait shows with two copies only: a backcross selfs in between. */
  recessive?: boolean;
};

/** To an F6, of which 3 of 100 genes are still mixed, and that is compared. */
const SEASONS = 7;
/** Seasons in which a mix is only kept alive, and those in which it is then chosen among. Working values. */
const ALIVE = 3;
const CHOSEN = 3;
/** One in so many is kept of what mates among itself. */
const ONE_IN = 5;
/** Of seedlings that are multiplied so many are kept, year by year, with so many plants of each. Working values. */
const CLONES = [
  { kept: 6, of: 0 },
  { kept: 2, of: 4 },
  { kept: 1, of: 8 },
];
/** Shares of plants that are left after roguing and mishap: nine in ten of nine in ten. Working value. */
const LEFT = 0.81;

type Numbered = PlanStep & { count: number | null; backcrosses: number };

/** The seasons of a way of breeding, each generation counted on from the one before. */
const stepsOf = remembered(({ way, plants, seasons, recessive }: PlanSize & { way: SchemeKey }): Numbered[] => {
  const ofHybrid = way === "undo-hybrid" ? 1 : 0;
  const hidden = recessive ? 1 : 0;
  const world = worldOf({ random: seeded(1), genes: 1, hidden, many: 1, noise: 1, outcrossing: 0.5 });
  const { steps } = RUNS[way](world, { plants, seasons: seasons ?? SEASONS - ofHybrid });
  let count = generationNamed(steps[0]!.generation);
  let backcrosses = 0;
  return steps.map((step) => {
    const now = { ...step, count, backcrosses };
    if (step.act === "backcross") backcrosses++;
    count = nextGeneration(step.act === "cross" || step.act === "backcross" ? "cross" : "self", count, count);
    return now;
  });
}, 200);

/**
 * From what is sown next on, each with the line's own generation; where the way has no such generation it is compared once more. What comes of a
 * backcross divides already, as an F2 does.
 */
function stepsFrom(steps: Numbered[], { generation, backcrosses, grown, whole }: PlanFrom): Numbered[] {
  if (whole) return steps;
  if (steps.some((step) => step.backcrosses > 0)) {
    const at = steps.findIndex((step) => step.count === generation && step.backcrosses === backcrosses);
    return at < 0 ? [{ ...steps.at(-1)!, count: generation, backcrosses }] : steps.slice(at);
  }
  const counted = steps.some(({ count }) => count !== null);
  // What was crossed and not counted divides as an F2 does, too.
  const as = generation === null ? 2 : generation + (backcrosses > 0 ? 1 : 0);
  const at = counted ? steps.findIndex(({ count }) => count === as) : Math.min(grown, steps.length - 1);
  const left = at < 0 ? [steps.at(-1)!] : steps.slice(at);
  return left.map((step, i) => ({ ...step, count: generation === null ? null : generation + i, backcrosses }));
}

/** Ways whose mothers are open to pollen of all. */
const OPEN: ReadonlySet<PlanWay> = new Set(["mass", "half-sib", "keep", "mix"]);

function guardOf(way: PlanWay, act: PlanAct, { breeding }: PlannedSpecies): Guard {
  if (act === "cross" || act === "pair" || act === "backcross") return "hand";
  if (act === "let-be" || act === "clone" || act === "multiply" || breeding === "selfing") return "none";
  return OPEN.has(way) ? "apart" : "hand";
}

/** What is not crossed and fixed: kept, let be, or multiplied. */
function keptOn(
  way: "keep" | "mix" | "clone",
  { plants }: PlanSize,
  from: PlanFrom,
  { keepGoing, renew }: PlannedSpecies,
) {
  const once = (act: PlanAct, count: number, kept: number, mothers = 1) => ({ act, plants: count, kept, mothers });
  if (way === "keep") {
    const many = Math.max(plants, Math.ceil(keepGoing / LEFT));
    const kept = once("keep", many, Math.max(keepGoing, Math.floor(many * LEFT)));
    return [kept, { ...kept, after: renew }];
  }
  if (way === "mix") {
    const many = Math.max(plants, Math.ceil(keepGoing / LEFT));
    const alive = Array.from({ length: Math.max(0, ALIVE - from.grown) }, () => once("let-be", many, many));
    const best = once("select-open", many, Math.max(Math.min(keepGoing, many), Math.ceil(many / ONE_IN)));
    return [...alive, ...Array.from({ length: CHOSEN }, () => best)];
  }
  const keep = once("multiply", CLONES[2]!.of, 1);
  if (from.cloned) return [keep, keep];
  const stages = CLONES.map(({ kept, of }, i) =>
    i === 0
      ? once("clone", plants, kept)
      : once(i === 2 ? "compare" : "clone", CLONES[i - 1]!.kept * of, kept, CLONES[i - 1]!.kept),
  );
  return [...stages.slice(Math.min(from.grown, stages.length)), keep];
}

/** A generation of a plan with the line's backcrosses until then: after one more it is another line's. */
export type PlannedOn = PlannedGeneration & Pick<Bred, "backcrosses">;

/**
 * A line's plan, season by season, from what is sown next: how many plants of how many mothers, what is done with them, and how many
 * are kept. Of a way of breeding it has the seasons that *Ways to breed it* shows; a variety is renewed, a mix first only kept
 * alive, and of seedlings that are multiplied fewer go on each year.
 *
 * Source: the ways as `schemes.ts` carries them out; the rest are working values.
 * @param from what is sown next
 * @param size plants in a season
 * @returns generations in their order; after a backcross they are those of the line that comes of it
 * @example planFrom("pedigree", { generation: 3, backcrosses: 0, season: 2029, grown: 2, cloned: false }, { plants: 48 }, { breeding: "selfing", ownPollen: "taken", multiplied: false, every: 1, keepGoing: 6, renew: 3 })[0] // { generation: 3, season: 2029, act: "select-self", plants: 48, mothers: 6, kept: 5, guard: "none", backcrosses: 0 }
 */
export function planFrom(way: PlanWay, from: PlanFrom, size: PlanSize, species: PlannedSpecies): PlannedOn[] {
  const { season, generation, backcrosses } = from;
  if (way === "keep" || way === "mix" || way === "clone") {
    let at = season;
    return keptOn(way, size, from, species).map((one, i) => {
      const { after, ...planned } = { after: species.every, ...one };
      if (i > 0) at += after;
      const counted = generation === null || way === "clone" ? generation : generation + i;
      return { generation: counted, season: at, ...planned, guard: guardOf(way, one.act, species), backcrosses };
    });
  }
  return stepsFrom(stepsOf({ way, ...size }), from).map(
    ({ act, plants, families, kept, count, backcrosses: back }, i) => ({
      generation: count,
      season: season + i * species.every,
      act,
      plants,
      mothers: families,
      kept,
      guard: guardOf(way, act, species),
      backcrosses: back,
    }),
  );
}

/** Plants of an F2 where no single gene asks for more, and of crops that take more than half a square metre each. Working values. */
const MANY = 48;
const OF_LARGE = 24;
const LARGE = 0.5;

/**
 * How many plants of a dividing generation are grown where nobody says: as many as show what is wanted, and enough to choose among.
 * @param needed plants of which one at least shows every wanted single-gene trait, nineteen times in twenty; 0 where there are none
 * @param each square metres that a plant takes
 * @example [usualPlants(0, 0.1), usualPlants(0, 1.2), usualPlants(67, 1.2)] // [48, 24, 67]
 */
export const usualPlants = (needed: number, each: number): number => Math.max(needed, each > LARGE ? OF_LARGE : MANY);

/** What of a line was sown already, or is to be by a sowing that is planned. */
export type Sown = { generation: number | null; season: number };

/**
 * What of a plan is still ahead, and by how many seasons it comes later than it was planned: generations that were sown are behind, and where a
 * season was skipped all that follows moves with it.
 * @param earliest the first season in which something may still be sown for
 * @example aheadOf([{ generation: 2, season: 2028, act: "select-self", plants: 48, mothers: 1, kept: 6, guard: "none" }, { generation: 3, season: 2029, act: "compare", plants: 48, mothers: 6, kept: 1, guard: "none" }], [{ generation: 2, season: 2028 }], 2030) // { late: 1, ahead: [{ generation: 3, season: 2030, act: "compare", plants: 48, mothers: 6, kept: 1, guard: "none" }] }
 */
export function aheadOf<Of extends PlannedGeneration>(
  plan: Of[],
  sown: Sown[],
  earliest: number,
): { ahead: Of[]; late: number } {
  const last = Math.max(Number.NEGATIVE_INFINITY, ...sown.map(({ season }) => season));
  const newest = Math.max(Number.NEGATIVE_INFINITY, ...sown.flatMap(({ generation }) => generation ?? []));
  const seasons = new Set(sown.filter(({ generation }) => generation === newest).map(({ season }) => season)).size;
  let same = 0;
  const left = [...plan]
    .sort((a, b) => a.season - b.season)
    .filter(({ generation, season }) => {
      if (generation === null) return season > last;
      // One generation may stand in several seasons, as a clone does.
      return generation === newest ? ++same > seasons : generation > newest;
    });
  const late = left.length === 0 ? 0 : Math.max(0, Math.max(earliest, last + 1) - left[0]!.season);
  return { ahead: left.map((one) => ({ ...one, season: one.season + late })), late };
}
