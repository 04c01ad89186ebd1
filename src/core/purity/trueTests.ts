import type { Made } from "../custody/generation";
import { inbreedingGrowth } from "../inheritance/smallPopulation";
import type { Share } from "../isolation/share";
import { type Agreement, agreement, type Sowing } from "./agreement";
import { type Evenness, type EvenRun, evenness, evenRun } from "./evenness";
import { type Errors, errorsOf } from "./judgings";
import { offTypeBound } from "./offTypes";
import { type CountRun, countRun, type OffTypeTest, offTypeTest, type SeasonCount } from "./offTypeTest";
import { type SameInSeasons, type SameRun, sameInSeasons, sameRun, type TraitSeasons } from "./sameInSeasons";
import { allOf, type Standing } from "./standing";

/** As what a line is judged: what is selfed until it is fixed, what crosses among itself, a mix, or one plant multiplied. */
export type JudgedAs = "selfed" | "crossed" | "mix" | "clone";

/** Seed that the line's newest plants rest on. */
export type SeedBehind = {
  code: string;
  made: Made;
  /** What is doubtful about its father, or that nobody can say it is one lot. */
  doubt: string | null;
  /** Share of foreign pollen that was foreseen for open seed, what nobody saw with it; null where nobody can say. */
  strangers: Share | null;
  /** What was counted in its offspring. */
  counted: { plants: number; strange: number } | null;
};

/** What was measured on one trait. */
export type Measured = TraitSeasons & {
  name: string;
  unit: string;
  /** So much wider than plants of known lines its own may spread; above 1. */
  limit: number;
  /** Two sowings of its newest season. */
  sowings: { newer: Sowing; older: Sowing } | null;
};

export type TrueInput = {
  as: JudgedAs;
  /** Share of off-types that is allowed, and of foreign pollen in the seed it rests on. */
  standard: number;
  /** How often a line exactly at a limit may ever be passed, over all judgings, 0–1. */
  error: number;
  /** Somebody looked at plants of it in a season that is over, counted here or not. */
  looked: boolean;
  /** Plants of this season that can't be judged yet; null where none stand. */
  underWay: number | null;
  counts: SeasonCount[];
  /** Of each category that belongs to the line: plants that show another. */
  words: { name: string; wanted: string; counts: SeasonCount[] }[];
  measured: Measured[];
  /** As many traits as say the same of a plant by chance (`alikeOf`). */
  alike: number;
  /** What is not yet fixed in the newest generation, as expected; null where generations are not counted. */
  mixed: { low: number; likely: number; high: number } | null;
  /** Sets of chromosomes. */
  ploidy: number;
  /** Plants that gave seed, season by season, the newest first; and how many are enough. */
  parents: { season: number; plants: number }[];
  parentsWanted: number;
  seed: SeedBehind[];
};

type Test<Key extends string, Told = object> = {
  key: Key;
  standing: Standing;
  /** Seasons after this one, at least, until it may hold. */
  wants: number;
  /** Plants more to look at; 0 where that is not what is missing. */
  plants: number;
} & Told;

/** Where those known to be even come from: other lines, or the line itself in earlier seasons. */
export type KnownAre = "lines" | "earlier";

export type SeedJudged = SeedBehind & { standing: Standing; upper: number | null };

export type TrueTest =
  | Test<"off-types", { test: OffTypeTest }>
  | Test<"word", { name: string; wanted: string; test: OffTypeTest }>
  | Test<"even", { items: (Evenness & { name: string; unit: string; knownAre: KnownAre })[] }>
  | Test<"seasons", { same: SameInSeasons; names: string[]; units: string[] }>
  | Test<"sowings", { items: (Agreement & { name: string; unit: string })[] }>
  | Test<"fixed", { mixed: { low: number; likely: number; high: number }; limit: number }>
  | Test<"parents", { seasons: { season: number; plants: number }[]; wanted: number; oneIsEnough: boolean }>
  | Test<"variety", { seasons: number; lost: number; limit: number }>
  | Test<"seed", { lots: SeedJudged[]; standard: number }>;

/**
 * Share of off-types that a line may have, by how it is judged and the garden's level of care, where its own is not set: what
 * crosses among itself is never as uniform as what selfs. Working values.
 */
export const OFF_TYPES_TAKEN: Record<JudgedAs, Record<"relaxed" | "usual" | "strict", number>> = {
  selfed: { relaxed: 0.1, usual: 0.05, strict: 0.02 },
  crossed: { relaxed: 0.2, usual: 0.1, strict: 0.05 },
  mix: { relaxed: 0.2, usual: 0.1, strict: 0.05 },
  clone: { relaxed: 0.05, usual: 0.02, strict: 0.01 },
};

/** A line is fixed once so much of what its parents differ in is mixed in a plant, at most. Working value: an F6. */
export const FIXED = 0.05;
/**
 * Plants of a cross count towards the verdict from this generation on: those before still divide, whatever was chosen. Working
 * value: of the F5 a sixteenth is not yet fixed in a plant.
 */
const COUNTED_FROM = 5;

/**
 * Whether plants of a generation count towards the verdict of a line that is being fixed.
 * @example countsFrom(4) // false
 */
export const countsFrom = (generation: number | null): boolean => generation === null || generation >= COUNTED_FROM;

/** So much of its variety may a mix have lost by chance since it was put together. Working value. */
export const VARIETY_LOST = 0.1;

const later = (seasons: number, underWay: TrueInput["underWay"]) => Math.max(0, seasons - (underWay === null ? 0 : 1));

/** What is judged season after season, once: tests and chances ask it. */
export type Judged = {
  input: TrueInput;
  counts: CountRun;
  words: CountRun[];
  even: { knownAre: KnownAre; run: EvenRun }[];
  same: SameRun;
};

/** Judgings of a line against itself, where no known line stands beside it: each may go wrong so much less often. */
const AGAINST_ITSELF = 8;

function evenOf({ grown, step, limit }: Measured, errors: Errors): Judged["even"][number] {
  if (grown.some(({ beside }) => Object.keys(beside).length > 0)) {
    const seasons = grown.map(({ own, beside }) => ({ own, known: Object.values(beside) }));
    return { knownAre: "lines", run: evenRun(seasons, step, limit, errors) };
  }
  // Without lines beside it, its last two seasons against those before.
  const own = grown.map((one) => one.own).filter((values) => values.length > 0);
  const seasons = own.map((values, i) =>
    i < own.length - 2 ? { own: [], known: [values] } : { own: values, known: [] },
  );
  const careful = { ...errors, first: errors.first / AGAINST_ITSELF, anew: errors.anew / AGAINST_ITSELF };
  return { knownAre: "earlier", run: evenRun(seasons, step, limit, careful) };
}

/**
 * A line judged after each of its seasons.
 * @example judgedOf({ as: "clone", standard: 0.05, error: 0.05, looked: false, underWay: null, counts: [], words: [], measured: [], alike: 1,
 *   mixed: null, ploidy: 2, parents: [], parentsWanted: 1, seed: [] }).counts.passed // false
 */
export function judgedOf(input: TrueInput): Judged {
  const errors = errorsOf(input.error);
  return {
    input,
    counts: countRun(input.counts, input.standard, errors),
    words: input.words.map(({ counts }) => countRun(counts, input.standard, errors)),
    even: input.measured.map((one) => evenOf(one, errors)),
    same: sameRun(input.measured, input.alike, errors),
  };
}

function ofOffTypes(test: OffTypeTest, underWay: TrueInput["underWay"]) {
  const plants = test.more ?? 0;
  // More than stand now are not looked at this season.
  const wants = Math.max(later(test.wants, underWay), plants > (underWay ?? 0) ? 1 : 0);
  return { standing: test.standing, wants, plants, test };
}

function evenTest({ input: { measured, underWay, as }, even }: Judged): TrueTest[] {
  if (measured.length === 0) return [];
  const items = even.map(({ knownAre, run }, i) => ({
    name: measured[i]!.name,
    unit: measured[i]!.unit,
    knownAre,
    ...evenness(run),
  }));
  const standing = allOf(items.map((one) => one.standing));
  const generations = Math.max(...items.map((one) => one.generations ?? 1));
  const seasons = standing === "holds" ? 0 : as === "selfed" && standing === "fails" ? generations : 1;
  return [{ key: "even", standing, wants: later(seasons, underWay), plants: 0, items }];
}

function sameTests({ input: { measured, underWay, as }, same: run }: Judged): TrueTest[] {
  if (measured.length === 0 && as !== "mix") return [];
  const same = sameInSeasons(run);
  const seasons: TrueTest = {
    key: "seasons",
    standing: same.standing,
    wants: same.standing === "holds" ? 0 : later(1, underWay),
    plants: 0,
    same,
    names: measured.map(({ name }) => name),
    units: measured.map(({ unit }) => unit),
  };
  const items = measured.flatMap(({ name, unit, sowings, step }) =>
    sowings ? [{ name, unit, ...agreement(sowings.newer, sowings.older, step) }] : [],
  );
  const seen = items.filter(({ difference }) => difference !== null);
  // Two sowings of a season are more than is asked.
  if (items.length === 0) return [seasons];
  const standing = seen.length === 0 ? "open" : allOf(seen.map((one) => one.standing));
  const wants = standing === "holds" ? 0 : later(1, underWay);
  return [seasons, { key: "sowings", standing, wants, plants: 0, items: seen }];
}

function fixedTest({ mixed, ploidy }: TrueInput): TrueTest[] {
  if (!mixed) return [];
  const standing = mixed.high <= FIXED ? "holds" : mixed.low > FIXED ? "fails" : "open";
  const each = Math.log((2 * ploidy - 3) / (2 * ploidy - 2));
  const wants = standing === "holds" ? 0 : Math.ceil(Math.log(FIXED / mixed.high) / each - 1e-9);
  return [{ key: "fixed", standing, wants, plants: 0, mixed, limit: FIXED }];
}

function parentsTest({ as, parents, parentsWanted }: TrueInput): TrueTest {
  const seasons = parents.slice(0, 2);
  const oneIsEnough = as === "selfed";
  const fewest = Math.min(...seasons.map(({ plants }) => plants));
  const wanted = oneIsEnough ? 1 : parentsWanted;
  const standing = seasons.length === 0 ? "open" : fewest >= wanted ? "holds" : "fails";
  const wants = standing === "holds" ? 0 : seasons.length > 0 && seasons[0]!.plants >= wanted ? 1 : 2;
  return { key: "parents", standing, wants, plants: 0, seasons, wanted, oneIsEnough };
}

/** How much of its variety a mix has lost by chance, as so many plants gave its seed. */
function varietyTest({ parents }: TrueInput): TrueTest {
  const kept = parents.reduce(
    (share, { plants }) =>
      share * (1 - inbreedingGrowth({ effectiveSize: Math.max(1, plants), generations: 1 }).inbreeding),
    1,
  );
  const standing = parents.length === 0 ? "open" : 1 - kept <= VARIETY_LOST ? "holds" : "fails";
  return {
    key: "variety",
    standing,
    // What is lost does not come back; a new founder brings it.
    wants: standing === "holds" ? 0 : 1,
    plants: 0,
    seasons: parents.length,
    lost: 1 - kept,
    limit: VARIETY_LOST,
  };
}

function seedJudged(lot: SeedBehind, { standard, error }: TrueInput): SeedJudged {
  const { counted, strangers, doubt, made } = lot;
  const bound =
    counted && counted.plants > 0
      ? offTypeBound({ offTypes: counted.strange, plants: counted.plants, confidence: 1 - error }).upper
      : null;
  if (bound !== null && bound <= standard) return { ...lot, standing: "holds", upper: bound };
  if (doubt !== null || made === "received") return { ...lot, standing: "open", upper: bound };
  if (made === "by-hand") return { ...lot, standing: "holds", upper: null };
  const upper = strangers?.high ?? null;
  const standing = !strangers
    ? "open"
    : strangers.high <= standard
      ? "holds"
      : strangers.low > standard
        ? "fails"
        : "open";
  return { ...lot, standing, upper };
}

function seedTest(input: TrueInput): TrueTest {
  const { seed, standard } = input;
  const lots = seed.map((lot) => seedJudged(lot, input));
  const standing = allOf(lots.map((lot) => lot.standing));
  return { key: "seed", standing, wants: standing === "holds" ? 0 : 1, plants: 0, lots, standard };
}

/**
 * The tests that a line is judged by, as what it is.
 * @example testsOf(judgedOf({ as: "clone", standard: 0.05, error: 0.05, looked: false, underWay: null, counts: [], words: [], measured: [],
 *   alike: 1, mixed: null, ploidy: 2, parents: [], parentsWanted: 1, seed: [] })).map(({ key }) => key) // ["off-types"]
 */
export const testsOf = (judged: Judged): TrueTest[] => {
  const { input } = judged;
  const { as, words, underWay } = input;
  const offTypes: TrueTest = { key: "off-types", ...ofOffTypes(offTypeTest(judged.counts), underWay) };
  const ofWords = words.map(
    ({ name, wanted }, i): TrueTest => ({
      key: "word",
      name,
      wanted,
      ...ofOffTypes(offTypeTest(judged.words[i]!), underWay),
    }),
  );
  switch (as) {
    case "mix":
      return [...sameTests(judged), varietyTest(input), seedTest(input)];
    case "clone":
      return [offTypes, ...ofWords, ...sameTests(judged)];
    case "crossed":
      return [offTypes, ...ofWords, ...evenTest(judged), ...sameTests(judged), parentsTest(input), seedTest(input)];
    default:
      return [
        offTypes,
        ...ofWords,
        ...evenTest(judged),
        ...sameTests(judged),
        ...fixedTest(input),
        parentsTest(input),
        seedTest(input),
      ];
  }
};
