import { mean, sampleStandardDeviation } from "simple-statistics";
import type { Id } from "../custody/id";
import { withinGroups } from "../numbers/within";
import { type Bedded, type BedModel, bedModel } from "./bedModel";
import type { Seen } from "./classes";
import { type FrontierPoint, frontierOf } from "./contributions";
import { drawnValues } from "./drawn";
import { type DrawnTrait, type GainStep, gainSteps } from "./gain";
import type { Heritability } from "./heritability";
import { baseKinship, kinshipAmong, type SampledPedigree } from "./kinship";
import { inheritedIn, type Likely, likelyVariances, withinSibs } from "./likely";
import { type Ranged, ranged } from "./ranged";
import { type Aim, goodness } from "./ranking";

/** One look at one record of a plant. */
export type LookAt = { record: number; value: number };

/** What is known of one trait. */
export type Trait = {
  aim: Aim;
  looks: LookAt[];
  /** How much of what single looks at an F2's sibs differ by is inherited, as far as is known. */
  inherited: Heritability["grid"];
};

export type WorthInput = {
  pedigree: SampledPedigree;
  /** Plants in their environments: those to be chosen from, and all that is known beside them. */
  records: Bedded[];
  /** Records of those to be chosen from. */
  candidates: number[];
  traits: Trait[];
  /** How many are the best. */
  best: number;
  draws: number;
  random: () => number;
  /** 1 where both parents are chosen, ½ where pollen comes from anyone. */
  parentalControl: 1 | 0.5;
  /** How the next generation is made of those kept: each by itself, or among themselves. */
  selfed: boolean;
  /** What genes take off each candidate's index, in its unit; none where left out. */
  handicap?: number[];
  /** What a generation of full inbreeding takes off, in standard deviations of single looks; 0 of what selfs. */
  depression?: number;
};

export type TraitWorth = {
  /** What its offspring would show in the candidates' environment, if all were like it, with the nine-tenths range. */
  value: number;
  low: number;
  high: number;
  /** How far it is above the candidates' mean, with the same range. */
  apart: Ranged;
  /** Expected squared correlation of prediction and truth among the candidates, 0–1. */
  reliability: number;
};

/** Where a choice stands between gain and narrowing. */
export type Choice = {
  /** What keeping so many does, from one to all: those that are advised first, then the best of the others. */
  steps: GainStep[];
  /** The most gain for each mean kinship; shares are of the candidates, best first by their index. */
  frontier: FrontierPoint[];
};

export type Worth = {
  /** Weighted sum over the traits, in standard deviations of single looks at the candidates; mean of draws and nine-tenths range. */
  index: number;
  low: number;
  high: number;
  /** How often it was among the best, 0–1. */
  amongBest: number;
  /** By trait. */
  traits: Record<Id, TraitWorth>;
};

/** What was found out of one trait on the way. */
export type Found = {
  /** How much of what single looks at sibs differ by is inherited, as it came out, with its nine-tenths range. */
  inherited: { low: number; likely: number; high: number };
  /** Shares of what single looks differ by that rows and places make up. */
  rows: number;
  places: number;
};

/** Whom to keep. */
export type Advice = {
  /** Positions among the candidates, the first to keep first. */
  keep: number[];
  /** The chance that they are truly better on the mean than as many next to them, 0–1. */
  apart: number;
};

export type Ranked = { worths: Worth[]; choice: Choice; advice: Advice; found: Found[] };

/** Looks at one plant repeat themselves so well where nobody looked twice, and as so many plants' evidence. Working values. */
const REPEATED = { share: 0.75, weight: 6 };

/** The mean of each record's looks, and how many. */
function seenOf(records: number, looks: LookAt[], middle: number): Seen {
  const values = new Float64Array(records);
  const counts = new Float64Array(records);
  for (const { record, value } of looks) {
    values[record]! += value - middle;
    counts[record]! += 1;
  }
  for (let i = 0; i < records; i++) if (counts[i]! > 0) values[i]! /= counts[i]!;
  return { values, looks: counts };
}

/** How much of what single looks at sibs differ by stays with a plant from look to look. */
function repeatedOf(looks: LookAt[], familyOf: (record: number) => string): number {
  const by = new Map<number, number[]>();
  for (const { record, value } of looks) by.set(record, [...(by.get(record) ?? []), value]);
  const several = [...by.values()].filter((values) => values.length > 1);
  const errors = withinGroups(several);
  if (errors.freedom === 0) return 1;
  const families = new Map<string, number[]>();
  for (const { record, value } of looks)
    families.set(familyOf(record), [...(families.get(familyOf(record)) ?? []), value]);
  const whole = withinGroups([...families.values()]);
  if (whole.squares === 0) return 1;
  const share = Math.max(0, 1 - errors.squares / errors.freedom / (whole.squares / whole.freedom));
  return Math.min(
    0.99,
    (errors.freedom * share + REPEATED.weight * REPEATED.share) / (errors.freedom + REPEATED.weight),
  );
}

/** Standard deviation of single looks at the candidates, by the aim's goodness: to put traits on one footing. */
function scaleOf({ aim, looks }: Trait, candidates: ReadonlySet<number>): number {
  const good = looks
    .filter(({ record }) => candidates.has(record))
    .map(({ value }) => goodness(aim, { number: value, word: null }));
  const deviation = good.length > 1 ? sampleStandardDeviation(good) : 0;
  if (deviation > 0) return deviation;
  const values = looks.map(({ value }) => value);
  return (values.length > 1 ? sampleStandardDeviation(values) : 0) || 1;
}

type Prepared = { trait: Trait; middle: number; seen: Seen; likely: Likely[]; scale: number };

function prepared(model: BedModel, input: WorthInput): Prepared[] {
  const { pedigree, records } = input;
  const candidates = new Set(input.candidates);
  const familyOf = (i: number) => {
    const { individual, environment } = records[i]!;
    return `${environment} ${pedigree.mother[individual]} ${pedigree.father[individual]}`;
  };
  return input.traits.map((trait) => {
    const middle = trait.looks.length > 0 ? mean(trait.looks.map(({ value }) => value)) : 0;
    const seen = seenOf(records.length, trait.looks, middle);
    return {
      trait,
      middle,
      seen,
      likely: likelyVariances(model, seen, trait.inherited, repeatedOf(trait.looks, familyOf)),
      scale: scaleOf(trait, candidates),
    };
  });
}

/** What came out of one trait's variances, in what single looks at sibs differ by. */
function foundOf({ likely }: Prepared): Found {
  const shares = likely
    .map(({ variances, chance }) => {
      const within = withinSibs(variances);
      return {
        inherited: inheritedIn(variances),
        row: variances.row / within,
        place: variances.place / within,
        chance,
      };
    })
    .sort((a, b) => a.inherited - b.inherited);
  const sum = (of: (one: (typeof shares)[number]) => number) =>
    shares.reduce((all, one) => all + one.chance * of(one), 0);
  const all = sum(() => 1);
  const at = (share: number) => {
    let passed = 0;
    return shares.find(({ chance }) => {
      passed += chance;
      return passed >= share * all;
    })!.inherited;
  };
  return {
    inherited: { low: at(0.05), likely: sum((one) => one.inherited) / all, high: at(0.95) },
    rows: sum((one) => one.row) / all,
    places: sum((one) => one.place) / all,
  };
}

/**
 * What plants are worth as parents, by the aim: breeding values of all traits drawn together again and again as they may be in
 * truth, from one model of forebears, rows, places and each plant's own, weighed, and ranked each time; so that a rank comes
 * with how sure it is.
 *
 * Several looks at a plant count as they repeat themselves; parents, F1 and pure lines beside a family tell what is not
 * inherited. How much is inherited, what rows and places do and how traits go together are drawn too, from what all looks make
 * likely (`likelyVariances`, `drawnValues`).
 * @returns one for each candidate, in their order, what choices among them bring, and whom to keep
 * @example rankedWorth({ pedigree: { mother: Int32Array.of(-1), father: Int32Array.of(-1), ofMother: Float64Array.of(0.5), ofFather: Float64Array.of(0.5), sampled: Float64Array.of(1) },
 *   records: [{ individual: 0, environment: 0, row: null, x: null, y: null }], candidates: [0], traits: [], best: 1, draws: 10,
 *   random: () => 0.5, parentalControl: 1, selfed: true }).next().value // { done: 0, of: 10 }
 */
export function* rankedWorth(input: WorthInput): Generator<{ done: number; of: number }, Ranked> {
  const { records, candidates, draws, random, pedigree } = input;
  const n = candidates.length;
  const model = bedModel(pedigree, records);
  const ready = prepared(model, input);
  yield { done: 0, of: draws };
  const environments = [...new Set(records.map(({ environment }) => environment))];
  const reference = [...new Set(candidates.map((i) => environments.indexOf(records[i]!.environment)))];
  const drawn = yield* drawnValues(model, ready, reference, draws, random);
  const weights = ready.reduce((sum, { trait }) => sum + trait.aim.weight, 0);
  const index = new Float64Array(n * draws);
  const values = ready.map(({ trait, middle, scale }, t) => {
    const own = new Float64Array(n * draws);
    for (const [c, i] of candidates.entries())
      for (let d = 0; d < draws; d++) {
        const value = drawn.values[t]![i * draws + d]! + middle;
        own[c * draws + d] = value;
        const good = goodness(trait.aim, { number: value, word: null });
        index[c * draws + d]! += weights > 0 ? (trait.aim.weight * good) / (scale * weights) : 0;
      }
    return own;
  });
  const kinship = kinshipAmong(
    pedigree,
    candidates.map((i) => records[i]!.individual),
  );
  const told = ready.map((_, t) => toldOf(values[t]!, drawn.genes[t]!, kinship, draws));
  const among = amongBest(index, n, input);
  const worths = candidates.map((_, c): Worth => {
    const { likely, ...range } = ranged(index.subarray(c * draws, (c + 1) * draws));
    return {
      index: likely,
      ...range,
      amongBest: among[c]!,
      traits: Object.fromEntries(ready.map(({ trait }, t) => [trait.aim.id, told[t]![c]!])),
    };
  });
  const traits = ready.map(
    ({ trait, scale }, t): DrawnTrait => ({ aim: trait.aim, spread: scale, values: values[t]! }),
  );
  const advice = adviceOf(input, worths, index, kinship);
  return {
    worths,
    choice: choiceOf(input, worths, index, traits, kinship, advice.keep),
    advice,
    found: ready.map(foundOf),
  };
}

/** Candidates among which contributions are reckoned, the best ones; and points of the frontier. */
const MOST_SHARED = 120;
const POINTS = 33;

const bestFirst = (worths: Worth[]): number[] => [...worths.keys()].sort((a, b) => worths[b]!.index - worths[a]!.index);

function choiceOf(
  input: WorthInput,
  worths: Worth[],
  index: Float64Array,
  traits: DrawnTrait[],
  kinship: number[][],
  keep: number[],
): Choice {
  const { draws, parentalControl, pedigree, records, candidates } = input;
  const order = bestFirst(worths);
  const shared = order.slice(0, MOST_SHARED);
  const middle = mean(worths.map(({ index: of }) => of));
  return {
    steps: gainSteps({
      order: [...keep, ...order.filter((c) => !keep.includes(c))],
      draws,
      index,
      traits,
      kinship,
      parentalControl,
      base: baseKinship(
        pedigree,
        candidates.map((i) => records[i]!.individual),
      ),
      depression: input.depression ?? 0,
    }),
    frontier: frontierOf(
      shared.map((c) => parentalControl * (worths[c]!.index - middle)),
      shared.map((a) => shared.map((b) => kinship[a]![b]!)),
      POINTS,
    ),
  };
}

/** What the draws of one trait say of each candidate; reliability against what candidates differ by in truth. */
function toldOf(drawn: Float64Array, genes: Float64Array, kinship: number[][], draws: number): TraitWorth[] {
  const n = kinship.length;
  const means = Float64Array.from({ length: draws }, (_, d) => {
    let sum = 0;
    for (let c = 0; c < n; c++) sum += drawn[c * draws + d]!;
    return sum / n;
  });
  const additive = genes.reduce((a, b) => a + b, 0) / draws;
  const toAll = kinship.map((row) => row.reduce((a, b) => a + b, 0) / n);
  const all = toAll.reduce((a, b) => a + b, 0) / n;
  return kinship.map((row, c) => {
    const own = drawn.subarray(c * draws, (c + 1) * draws);
    const { likely, ...range } = ranged(own);
    const above = own.map((value, d) => value - means[d]!);
    const apart = ranged(above);
    const left = above.reduce((sum, x) => sum + (x - apart.likely) ** 2, 0) / Math.max(1, draws - 1);
    const could = additive * 2 * (row[c]! - 2 * toAll[c]! + all);
    return {
      value: likely,
      ...range,
      apart,
      reliability: could > 0 ? Math.min(0.99, Math.max(0, 1 - left / could)) : 0,
    };
  });
}

/** How often each of n is among the best in its draw. */
function amongBest(index: Float64Array, n: number, { draws, best, random }: WorthInput): number[] {
  const times = new Array<number>(n).fill(0);
  const order = Array.from({ length: n }, (_, c) => c);
  for (let d = 0; d < draws; d++) {
    // Those that are alike come in any order.
    for (let i = n - 1; i > 0; i--) {
      const j = Math.floor(random() * (i + 1));
      [order[i], order[j]] = [order[j]!, order[i]!];
    }
    order.sort((a, b) => index[b * draws + d]! - index[a * draws + d]!);
    for (const c of order.slice(0, best)) times[c]!++;
  }
  return times.map((count) => count / draws);
}

/** Among the best so many times as many as are kept the choice is made. */
const LOOKED_AMONG = 12;

/**
 * Whom to keep. Of what is selfed: those of whom the best is best on the mean over the draws, so that each that joins is one
 * that may well be the best where those before it are not; kin that rise and fall together are held apart by themselves. Of what
 * crosses among itself: the most gain for the kinship it costs.
 */
function adviceOf(input: WorthInput, worths: Worth[], index: Float64Array, kinship: number[][]): Advice {
  const { draws, selfed, handicap = [] } = input;
  const best = Math.min(input.best, worths.length);
  const value = worths.map(({ index: of }, c) => of - (handicap[c] ?? 0));
  const order = [...worths.keys()].sort((a, b) => value[b]! - value[a]!);
  const from = order.slice(0, Math.max(LOOKED_AMONG, best * LOOKED_AMONG));
  const keep = selfed
    ? bestOfBest(from, (c, d) => index[c * draws + d]! - (handicap[c] ?? 0), best, draws)
    : broadest(from, value, kinship, best);
  const next = order.filter((c) => !keep.includes(c)).slice(0, keep.length);
  let better = 0;
  for (let d = 0; d < draws; d++) {
    const meanOf = (list: number[]) => list.reduce((sum, c) => sum + index[c * draws + d]!, 0) / list.length;
    if (next.length === 0 || meanOf(keep) > meanOf(next)) better++;
  }
  return { keep, apart: better / draws };
}

function bestOfBest(from: number[], worthIn: (c: number, d: number) => number, best: number, draws: number): number[] {
  const reached = new Float64Array(draws).fill(Number.NEGATIVE_INFINITY);
  const keep: number[] = [];
  while (keep.length < best) {
    let [first, most] = [-1, Number.NEGATIVE_INFINITY];
    for (const c of from) {
      if (keep.includes(c)) continue;
      let sum = 0;
      for (let d = 0; d < draws; d++) sum += Math.max(reached[d]!, worthIn(c, d));
      if (sum > most) [first, most] = [c, sum];
    }
    if (first < 0) break;
    keep.push(first);
    for (let d = 0; d < draws; d++) reached[d] = Math.max(reached[d]!, worthIn(first, d));
  }
  return keep;
}

/** What a unit of mean kinship among those kept costs, in the index's unit. Working value: a tenth of inbreeding as much as a third of a deviation. */
const KIN_COSTS = 3;

function broadest(from: number[], value: number[], kinship: number[][], best: number): number[] {
  const keep: number[] = [];
  const left = new Set(from);
  // Sums over those kept, and of each one's kinship to them.
  let [worth, kin] = [0, 0];
  const toKept = new Float64Array(value.length);
  while (keep.length < best && left.size > 0) {
    const size = keep.length + 1;
    const joined = (c: number) => kin + 2 * toKept[c]! + kinship[c]![c]!;
    const worthWith = (c: number) => (worth + value[c]!) / size - (KIN_COSTS * joined(c)) / size ** 2;
    const next = [...left].reduce((most, c) => (worthWith(c) > worthWith(most) ? c : most));
    kin = joined(next);
    worth += value[next]!;
    for (const c of left) toKept[c]! += kinship[c]![next]!;
    left.delete(next);
    keep.push(next);
  }
  return keep;
}
