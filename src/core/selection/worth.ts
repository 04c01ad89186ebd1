import { mean, sampleStandardDeviation, variance } from "simple-statistics";
import type { Id } from "../custody/id";
import {
  type AnimalModel,
  breedingValues,
  drawnValues,
  kinshipAmong,
  type SampledPedigree,
  type SeenOf,
} from "./breedingValues";
import { type FrontierPoint, frontierOf } from "./contributions";
import { type DrawnTrait, type GainStep, gainSteps } from "./gain";
import { AMONG_SIBS, drawnHeritability, type Heritability } from "./heritability";
import { ranged } from "./ranged";
import { type Aim, goodness } from "./ranking";

/** What is known of one yardstick. */
export type Trait = {
  aim: Aim;
  seen: SeenOf[];
  environments: number;
  /** Environments that the candidates stand in: what they are worth is said for the mean of them, whichever each stood in. */
  reference: number[];
  heritability: Heritability;
  /** Standard deviation of what plants of one family showed. */
  spread: number;
};

export type WorthInput = {
  pedigree: SampledPedigree;
  /** Positions of those to be chosen from. */
  candidates: number[];
  traits: Trait[];
  /** How many are the best. */
  best: number;
  draws: number;
  random: () => number;
  /** 1 where both parents are chosen, ½ where pollen comes from anyone. */
  parentalControl: 1 | 0.5;
};

export type TraitWorth = {
  /** What its offspring would show in the candidates' environment, if all were like it, with the nine-tenths range. */
  value: number;
  low: number;
  high: number;
  /** Squared correlation of prediction and truth among sibs, 0–1. */
  reliability: number;
};

/** Where a choice stands between gain and narrowing. */
export type Choice = {
  /** What keeping the best so many does, from one to all. */
  steps: GainStep[];
  /** The most gain for each mean kinship; shares are of the candidates in the order of `steps`, best first. */
  frontier: FrontierPoint[];
};

export type Worth = {
  /** Weighted sum over the yardsticks, in standard deviations of what plants show; mean of draws and nine-tenths range. */
  index: number;
  low: number;
  high: number;
  /** How often it was among the best, 0–1. */
  amongBest: number;
  /** By yardstick. */
  traits: Record<Id, TraitWorth>;
};

/**
 * The variances behind what plants showed. How much is inherited is said of sibs of an F2; sibs of a family that is nearly
 * fixed differ by as much less of it as their pedigree leaves, and what is not inherited stays.
 */
function modelOf(pedigree: SampledPedigree, trait: Trait, share: number): AnimalModel {
  const { seen, spread, environments } = trait;
  const among = seen.reduce((sum, { individual }) => sum + pedigree.sampled[individual]!, 0) / seen.length;
  // spread² = additive · among + residual, and of an F2 the share is additive · ½ of additive · ½ + residual.
  const additive = spread ** 2 / (among + (AMONG_SIBS * (1 - share)) / share);
  const residual = (additive * AMONG_SIBS * (1 - share)) / share;
  return { pedigree, seen, environments, additive, residual };
}

/** How far the aim's goodness of what candidates showed is spread, to put yardsticks on one footing. */
function scaleOf({ aim, seen, spread }: Trait): number {
  const good = seen.map(({ value }) => goodness(aim, { number: value, word: null }));
  const deviation = good.length > 1 ? sampleStandardDeviation(good) : 0;
  return deviation > 0 ? deviation : spread;
}

/**
 * What plants are worth as parents, by the aim: breeding values of each yardstick drawn again and again as they may be in
 * truth, weighed, and ranked each time; so that a rank comes with how sure it is.
 *
 * Each yardstick by itself (`drawnValues`), with a heritability drawn from what is known of it; what two yardsticks share is
 * left out. The share inherited is that of an F2's sibs. Words and yes or no count as 0 and 1.
 * @returns one for each candidate, in their order, and what choices among them bring
 * @example worthOf({ pedigree: { mother: Int32Array.of(-1), father: Int32Array.of(-1), sampled: Float64Array.of(1) },
 *   candidates: [0], traits: [], best: 1, draws: 10, random: () => 0.5, parentalControl: 1 }).next().value.worths.length // 1
 */
export function* worthOf(
  input: WorthInput,
): Generator<{ done: number; of: number }, { worths: Worth[]; choice: Choice }> {
  const { pedigree, candidates, traits, draws, random } = input;
  const n = candidates.length;
  const weights = traits.reduce((sum, { aim }) => sum + aim.weight, 0);
  const index = new Float64Array(n * draws);
  const byTrait = new Map<Id, TraitWorth[]>();
  const drawnTraits: DrawnTrait[] = [];
  for (const [t, trait] of traits.entries()) {
    const scale = scaleOf(trait);
    const drawn = new Float64Array(n * draws);
    const prior = new Float64Array(draws);
    for (let d = 0; d < draws; d++) {
      const share = drawnHeritability(trait.heritability, random());
      const model = modelOf(pedigree, trait, share);
      const { values, environments } = drawnValues(model, random);
      prior[d] = model.additive;
      const here = trait.reference.reduce((sum, e) => sum + environments[e]!, 0) / trait.reference.length;
      for (const [c, i] of candidates.entries()) {
        const value = here + values[i]!;
        drawn[c * draws + d] = value;
        const good = goodness(trait.aim, { number: value, word: null });
        index[c * draws + d]! += weights > 0 ? (trait.aim.weight * good) / (scale * weights) : 0;
      }
      if (d % 10 === 9) yield { done: t * draws + d + 1, of: traits.length * draws };
    }
    byTrait.set(trait.aim.id, toldOf(drawn, prior, input));
    drawnTraits.push({ aim: trait.aim, spread: trait.spread, values: drawn });
  }
  const among = amongBest(index, n, input);
  const worths = candidates.map((_, c): Worth => {
    const { likely, ...range } = ranged(index.subarray(c * draws, (c + 1) * draws));
    return {
      index: likely,
      ...range,
      amongBest: among[c]!,
      traits: Object.fromEntries([...byTrait].map(([id, own]) => [id, own[c]!])),
    };
  });
  return { worths, choice: choiceOf(input, worths, index, drawnTraits) };
}

/** Candidates among which contributions are reckoned, the best ones; and points of the frontier. */
const MOST_SHARED = 300;
const POINTS = 33;

function choiceOf(input: WorthInput, worths: Worth[], index: Float64Array, traits: DrawnTrait[]): Choice {
  const { pedigree, candidates, draws, parentalControl } = input;
  const order = [...worths.keys()].sort((a, b) => worths[b]!.index - worths[a]!.index);
  const kinship = kinshipAmong(pedigree, candidates);
  const shared = order.slice(0, MOST_SHARED);
  const middle = mean(worths.map(({ index: of }) => of));
  return {
    steps: gainSteps({ order, draws, index, traits, kinship, parentalControl }),
    frontier: frontierOf(
      shared.map((c) => parentalControl * (worths[c]!.index - middle)),
      shared.map((a) => shared.map((b) => kinship[a]![b]!)),
      POINTS,
    ),
  };
}

/** What the draws of one yardstick say of each candidate; reliability against what sibs differ by. */
function toldOf(drawn: Float64Array, prior: Float64Array, { candidates, pedigree, draws }: WorthInput): TraitWorth[] {
  const n = candidates.length;
  const means = Float64Array.from({ length: draws }, (_, d) => {
    let sum = 0;
    for (let c = 0; c < n; c++) sum += drawn[c * draws + d]!;
    return sum / n;
  });
  const additive = prior.reduce((a, b) => a + b, 0) / draws;
  return candidates.map((position, c) => {
    const own = drawn.subarray(c * draws, (c + 1) * draws);
    const { likely, ...range } = ranged(own);
    const apart = own.map((value, d) => value - means[d]!);
    const left = variance([...apart]);
    const could = additive * Math.max(pedigree.sampled[position]!, 1e-3);
    return {
      value: likely,
      ...range,
      reliability: Math.min(0.99, Math.max(0, 1 - left / could)),
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

/**
 * The plain prediction of one yardstick's breeding values at its likeliest heritability, as deviations from their
 * environment's mean.
 * @example predicted({ mother: Int32Array.of(-1), father: Int32Array.of(-1), sampled: Float64Array.of(1) }, [0], { aim: {},
 *   seen: [{ individual: 0, environment: 0, value: 4, weight: 1 }], environments: 1, reference: [0], spread: 1,
 *   heritability: { likely: 0.3 } }) // [0]
 */
export function predicted(pedigree: SampledPedigree, candidates: number[], trait: Trait): number[] {
  const model = modelOf(pedigree, trait, trait.heritability.likely);
  const { values } = breedingValues(model);
  return candidates.map((i) => values[i]!);
}
