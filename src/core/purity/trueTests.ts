import type { Made } from "../custody/generation";
import { inbreedingGrowth } from "../inheritance/smallPopulation";
import type { Share } from "../isolation/share";
import { type Agreement, agreement, type Grown } from "./agreement";
import { type Evenness, evenness, type Group } from "./evenness";
import { offTypeBound } from "./offTypes";
import { type OffTypeTest, offTypeTest, type SeasonCount } from "./offTypeTest";
import { allOf, type Standing, SURE } from "./standing";

/** As what a line is judged: what is selfed until it is fixed, what crosses among itself, a mix, or one plant multiplied. */
export type JudgedAs = "selfed" | "crossed" | "mix" | "clone";

/** Seed that the line's newest plants rest on. */
export type SeedBehind = {
  code: string;
  made: Made;
  /** What is doubtful about its father, or that nobody can say it is one lot. */
  doubt: string | null;
  /** Share of strange fathers that was foreseen for open seed; null where nobody can say. */
  strangers: Share | null;
  /** What was counted in its offspring. */
  counted: { plants: number; strange: number } | null;
};

/** What was measured on one yardstick. */
export type Measured = {
  name: string;
  unit: string;
  /** The smallest difference it is read to; 0 where that is finer than what plants differ by. */
  step: number;
  own: Group[];
  known: Group[];
  /** Where those known to be even come from: other lines, or the line itself in earlier seasons. */
  knownAre: "lines" | "earlier";
  /** Its last two seasons, and two sowings of one season. */
  seasons: { newer: Grown; older: Grown } | null;
  sowings: { newer: Grown; older: Grown } | null;
};

export type TrueInput = {
  as: JudgedAs;
  /** Share of off-types that is allowed, and of strange fathers of the seed it rests on. */
  standard: number;
  /** Plants of this season that can't be judged yet; null where none stand. */
  underWay: number | null;
  counts: SeasonCount[];
  /** Of each yardstick of words that belongs to the line: plants that show another. */
  words: { name: string; wanted: string; counts: SeasonCount[] }[];
  measured: Measured[];
  /** What is still mixed in the newest generation, as expected; null where generations are not counted. */
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

export type SeedJudged = SeedBehind & { standing: Standing; upper: number | null };

export type TrueTest =
  | Test<"off-types", { test: OffTypeTest }>
  | Test<"word", { name: string; wanted: string; test: OffTypeTest }>
  | Test<"even", { items: (Evenness & { name: string; unit: string; knownAre: Measured["knownAre"] })[] }>
  | Test<"seasons" | "sowings", { items: (Agreement & { name: string; unit: string })[] }>
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
/** So much of its variety may a mix have lost by chance since it was put together. Working value. */
export const VARIETY_LOST = 0.1;

const later = (seasons: number, underWay: TrueInput["underWay"]) => Math.max(0, seasons - (underWay === null ? 0 : 1));

function ofOffTypes(test: OffTypeTest, underWay: TrueInput["underWay"]) {
  const plants = test.more ?? 0;
  // More than stand now are not looked at this season.
  const wants = Math.max(later(test.wants, underWay), plants > (underWay ?? 0) ? 1 : 0);
  return { standing: test.standing, wants, plants, test };
}

function evenTest({ measured, underWay, as }: TrueInput): TrueTest[] {
  if (measured.length === 0) return [];
  const items = measured.map(({ name, unit, own, known, step, knownAre }) => ({
    name,
    unit,
    knownAre,
    ...evenness(own, known, step),
  }));
  const standing = allOf(items.map((one) => one.standing));
  const generations = Math.max(...items.map((one) => one.generations ?? 1));
  const seasons = standing === "holds" ? 0 : as === "selfed" && standing === "fails" ? generations : 1;
  return [{ key: "even", standing, wants: later(seasons, underWay), plants: 0, items }];
}

function agreeTests({ measured, underWay, as }: TrueInput): TrueTest[] {
  const of = (key: "seasons" | "sowings"): TrueTest[] => {
    const items = measured.flatMap((one) => {
      const both = one[key];
      return both ? [{ name: one.name, unit: one.unit, ...agreement(both.newer, both.older, one.step) }] : [];
    });
    // Two sowings of a season are more than is asked; two seasons are not.
    if (key === "sowings" && items.length === 0) return [];
    const seen = items.filter(({ difference }) => difference !== null);
    const standing = seen.length === 0 ? "open" : allOf(seen.map((one) => one.standing));
    const wants = standing === "holds" ? 0 : later(1, underWay);
    return [{ key, standing, wants, plants: 0, items: seen }];
  };
  if (measured.length === 0)
    return as === "mix" ? [{ key: "seasons", standing: "open", wants: 1, plants: 0, items: [] }] : [];
  return [...of("seasons"), ...of("sowings")];
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

function seedJudged(lot: SeedBehind, standard: number): SeedJudged {
  const { counted, strangers, doubt, made } = lot;
  const bound =
    counted && counted.plants > 0
      ? offTypeBound({ offTypes: counted.strange, plants: counted.plants, confidence: SURE }).upper
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

function seedTest({ seed, standard }: TrueInput): TrueTest {
  const lots = seed.map((lot) => seedJudged(lot, standard));
  const standing = allOf(lots.map((lot) => lot.standing));
  return { key: "seed", standing, wants: standing === "holds" ? 0 : 1, plants: 0, lots, standard };
}

/**
 * The tests that a line is judged by, as what it is.
 * @example testsOf({ as: "clone", standard: 0.05, underWay: null, counts: [], words: [], measured: [], mixed: null, ploidy: 2,
 *   parents: [], parentsWanted: 1, seed: [] }).map(({ key }) => key) // ["off-types"]
 */
export const testsOf = (input: TrueInput): TrueTest[] => {
  const { as, counts, words, standard, underWay } = input;
  const offTypes: TrueTest = { key: "off-types", ...ofOffTypes(offTypeTest(counts, standard), underWay) };
  const ofWords = words.map(
    ({ name, wanted, counts: of }): TrueTest => ({
      key: "word",
      name,
      wanted,
      ...ofOffTypes(offTypeTest(of, standard), underWay),
    }),
  );
  switch (as) {
    case "mix":
      return [...agreeTests(input), varietyTest(input), seedTest(input)];
    case "clone":
      return [offTypes, ...ofWords, ...agreeTests(input)];
    case "crossed":
      return [offTypes, ...ofWords, ...evenTest(input), ...agreeTests(input), parentsTest(input), seedTest(input)];
    default:
      return [
        offTypes,
        ...ofWords,
        ...evenTest(input),
        ...agreeTests(input),
        ...fixedTest(input),
        parentsTest(input),
        seedTest(input),
      ];
  }
};
