import { speciesById } from "@/catalogue/catalogue";
import { yearOf, yearsLater } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { inOrder } from "@/core/lists/order";
import type { PlanFrom, PlannedSpecies } from "@/core/plans/linePlan";
import { hoursOf, type Plan, planOf } from "@/core/plans/plans";
import { SCHEMES, type SchemeKey } from "@/core/plans/schemes";
import { guessOf } from "@/core/selection/heritability";
import { counts } from "@/core/selection/ranking";
import { isMeasured } from "@/core/traits/kinds";
import { type Db, theDb } from "@/db/open";
import type { Line } from "@/records/line/line";
import { lineByCode, lineById, linesOfSpecies, yardsticks } from "@/records/line/queries";
import { real, ref, type Told, whole } from "@/records/record";
import { standsOfLine } from "@/records/stand/queries";
import { type Band, band } from "./band";
import { earliestSeason, planFacts } from "./linePlan";
import type { Outlook } from "./outlook";
import { familyWorth } from "./worth";

/** Which line, and what is wanted of its plants and seasons. */
export const PLANS = {
  lineId: ref("line", "Line"),
  genes: whole("Single-gene traits", 1, 8),
  hidden: whole("Of these, recessive", 0, 8),
  plants: whole("Plants a season", 10, 1000),
  seasons: whole("Seasons", 4, 12),
  /** As the line shows it, where nobody says. */
  heritability: real("Heritability", { least: 0.05, most: 0.95 }).optional(),
};
export type PlansAsked = Told<typeof PLANS>;

/** A plan with what it takes of ground, and over how many years. */
export type LaidOut = Plan & {
  /** Square metres in its fullest season. */
  ground: number;
  /** Years, as a crop that flowers in its second year takes two for each. */
  years: number;
  /** Why it is not for this crop; null where it is. */
  not: string | null;
};

/** What is taken to be inherited of what plants differ by: as the looks at a family show, as its traits usually are, or as it is told. */
export type TakenInherited = { low: number; high: number; of: { code: string; plants: number } | "kinds" | "told" };

export type LaidOutPlans = { inherited: TakenInherited; plans: LaidOut[] };

/** A grower's word for it is good to so much either way. Working value. */
const EITHER_WAY = 0.1;
/** Fewer plants than this show nothing of what is inherited. */
const FEW_LOOKED_AT = 6;
/** Where no trait is asked for. Working value. */
const ANY = { low: 0.1, high: 0.6 };
/** So many seasons back a family is looked for that was looked at. */
const SEASONS_BACK = 3;

/** Each is carried out so often. */
const RUNS = 300;
const SEED = 20_270_709;

/** Ways that need seed of one plant by itself, and those that live on pollen of all. */
const SELFING: SchemeKey[] = ["pedigree", "single-seed", "bulk", "near-isogenic", "pure-line", "undo-hybrid"];
const OPEN: SchemeKey[] = ["mass", "half-sib"];

function unfit(scheme: SchemeKey, species: ReturnType<typeof speciesById>, { status }: Line): string | null {
  if (scheme === "undo-hybrid" && status !== "f1-hybrid") return "it is no bought hybrid";
  if (scheme === "pure-line" && status !== "mix") return "it is no mix";
  if (SELFING.includes(scheme) && species.ownPollen === "refused") return "its stigmas refuse the plant’s own pollen";
  if (scheme === "pure-line" && species.breeding !== "selfing") return "a mix of it is no mix of pure lines";
  if (OPEN.includes(scheme) && species.breeding === "selfing")
    return "hardly any of its seed has another plant for a father";
  return null;
}

/** The mean of some ranges by their weights. */
function weighed(ranges: { low: number; high: number; weight: number }[]): { low: number; high: number } {
  const all = ranges.reduce((sum, { weight }) => sum + weight, 0);
  const of = (end: "low" | "high") => ranges.reduce((sum, one) => sum + (one[end] * one.weight) / all, 0);
  return { low: of("low"), high: of("high") };
}

/** How much of what a line's plants differ by is inherited: the newest family that was looked at tells, else its traits' kinds. */
function* inheritedOf(db: Db, line: Line): Generator<unknown, TakenInherited> {
  const marks = yardsticks(db, line.id).filter((mark) => mark.retiredOn === null && counts(mark) && isMeasured(mark));
  if (marks.length === 0) return { ...ANY, of: "kinds" };
  const weightOf = new Map(marks.map(({ id, weight }) => [id, weight]));
  const families = standsOfLine(db, line.id).filter(({ family, planned }) => family === 1 && planned === 0);
  for (const { id, code } of families.slice(0, SEASONS_BACK)) {
    const { yardsticks: found } = yield* familyWorth(db, { standId: id, best: 1, open: false, across: true });
    const plants = Math.max(0, ...found.map(({ seen }) => seen));
    if (plants >= FEW_LOOKED_AT)
      return {
        ...weighed(found.map(({ id: mark, inherited }) => ({ ...inherited, weight: weightOf.get(mark)! }))),
        of: { code, plants },
      };
  }
  return { ...weighed(marks.map((mark) => ({ ...guessOf(mark), weight: mark.weight }))), of: "kinds" };
}

/** All ways of breeding laid side by side for one crop and aim, the likeliest to reach it first. */
export function* plansOf(db: Db, { lineId, heritability, ...asked }: PlansAsked): Generator<unknown, LaidOutPlans> {
  const line = lineById(db, lineId);
  if (!line) return { inherited: { ...ANY, of: "kinds" }, plans: [] };
  const species = speciesById(line.species);
  const each = middle(species.plantSpacing) ** 2;
  const inherited: TakenInherited =
    heritability === null
      ? yield* inheritedOf(db, line)
      : {
          low: Math.max(0.02, heritability - EITHER_WAY),
          high: Math.min(0.98, heritability + EITHER_WAY),
          of: "told",
        };
  const plans: LaidOut[] = [];
  for (const [i, scheme] of SCHEMES.entries()) {
    yield { doing: "Running each method", done: i, of: SCHEMES.length };
    const simulated = { ...asked, heritability: inherited, outcrossing: middle(species.outcrossing) };
    const plan = planOf(scheme, simulated, RUNS, SEED);
    // What selfs by itself asks for no hand.
    const byItself = species.breeding === "selfing" && SELFING.includes(scheme);
    plans.push({
      ...plan,
      ...(byItself ? { hours: hoursOf(plan.plants, 1), hands: 1 } : {}),
      ground: plan.most * each,
      years: plan.steps.length * (species.lifeCycle === "biennial" ? 2 : 1),
      not: unfit(scheme, species, line),
    });
  }
  plans.sort((a, b) => Number(a.not !== null) - Number(b.not !== null) || comesTo(b) - comesTo(a));
  return { inherited, plans };
}

/** What a method comes to: all words fixed, a quarter for each standard deviation of gain, less what still divides. Working values. */
const comesTo = ({ recovers, gain, mixed }: LaidOut): number => recovers + gain.likely / 4 - mixed;

export const plansJob = (asked: PlansAsked): Generator<unknown, LaidOutPlans> => plansOf(theDb(), asked);

export type PlansPage = {
  band: Band;
  line: { id: Id; code: string; name: string; speciesName: string };
  /** Whom it was crossed from, where that is on record; and the lines that it could be crossed with. */
  parents: { mother: string | null; father: string | null };
  others: { id: Id; name: string }[];
  /** The day of its next sowing, as in its last season. */
  sown: string;
  /** Its newest generation and the first season for the next, from which the rest of a plan goes on. */
  from: PlanFrom;
  species: PlannedSpecies;
};

export function plansView(sky: Outlook, code: string): PlansPage | null {
  const { db, season, today } = sky;
  const line = lineByCode(db, code);
  if (!line) return null;
  const species = speciesById(line.species);
  const facts = planFacts(species);
  const stands = standsOfLine(db, line.id);
  const last = stands.find(({ planned, sown }) => planned === 0 && sown <= today);
  let sown = last?.sown ?? `${yearOf(today)}-04-01`;
  while (sown <= today) sown = yearsLater(sown, 1);
  const nameOf = (id: Id | null) => (id && lineById(db, id)?.name) || null;
  return {
    band: band(
      sky,
      season,
      sky.standsOf(season).filter(({ lineId }) => lineId === line.id),
    ),
    line: { id: line.id, code: line.code, name: line.name, speciesName: species.name },
    parents: { mother: nameOf(line.motherLineId), father: nameOf(line.fatherLineId) },
    others: linesOfSpecies(db, line.species)
      .filter(({ id, endedOn }) => id !== line.id && endedOn === null)
      .map(({ id, name }) => ({ id, name }))
      .sort((a, b) => inOrder(a.name, b.name)),
    sown,
    from: {
      generation: last?.generation ?? null,
      backcrosses: last?.backcrosses ?? 0,
      season: Math.max(earliestSeason(sky, species), last ? last.season + facts.every : 0),
      grown: new Set(stands.filter(({ planned }) => planned === 0).map((one) => one.season)).size,
      cloned: line.cloned === 1,
    },
    species: facts,
  };
}
