import type { Id } from "../custody/id";
import { shareBelow } from "../numbers/probit";
import { type Ranged, ranged } from "./ranged";
import type { Aim } from "./ranking";

/** What keeping the best so many as parents does to the next generation. */
export type GainStep = {
  kept: number;
  /** Change of each yardstick's mean, in its unit. */
  traits: Record<Id, Ranged>;
  /** Change of the weighed sum, in standard deviations of what plants show. */
  index: Ranged;
  /** Mean kinship of the kept, themselves included: the inbreeding of seed they set among themselves. */
  kinship: number;
  /** How many parents that is worth: unrelated ones of the population they were bred from that would narrow as much. */
  effective: number;
  /** Chance that a gene version that is one in twenty in that population is still among them. */
  rareKept: number;
  /** Share of the next generation within all floors and ceilings; null where there are none. */
  floorsMet: Ranged | null;
};

/** Draws of one yardstick: of each candidate, one after the other, all its draws. */
export type DrawnTrait = { aim: Aim; spread: number; values: Float64Array };

export type GainInput = {
  /** Those to keep first, as positions among the candidates. */
  order: number[];
  draws: number;
  index: Float64Array;
  traits: DrawnTrait[];
  /** Of every two candidates, themselves on the diagonal. */
  kinship: number[][];
  /** 1 where both parents are chosen, ½ where pollen comes from anyone. */
  parentalControl: 1 | 0.5;
  /** Kinship in the population that they were bred from. */
  base: number;
  /** What full inbreeding takes off, in standard deviations of single looks. */
  depression: number;
};

const RARE = 0.05;

/** Running means over the kept, draw by draw, against the mean of all. */
class Kept {
  private readonly sums: Float64Array;
  private readonly all: Float64Array;
  constructor(
    private readonly values: Float64Array,
    private readonly draws: number,
    count: number,
  ) {
    this.sums = new Float64Array(draws);
    this.all = new Float64Array(draws);
    for (let c = 0; c < count; c++) for (let d = 0; d < draws; d++) this.all[d]! += values[c * draws + d]! / count;
  }
  add(candidate: number): void {
    for (let d = 0; d < this.draws; d++) this.sums[d]! += this.values[candidate * this.draws + d]!;
  }
  /** How far the kept are above the mean of all. */
  above(kept: number): Float64Array {
    return this.sums.map((sum, d) => sum / kept - this.all[d]!);
  }
  meanOfAll(d: number): number {
    return this.all[d]!;
  }
}

/** The share of plants around a mean that no floor or ceiling puts out. */
function within({ floor, ceiling, must, wanted }: Aim, mean: number, spread: number): number {
  // Words, and yes or no, are kept as the share that shows what is wanted.
  if (must) return Math.min(1, Math.max(0, wanted === "no" ? 1 - mean : mean));
  const below = (bound: number | null, none: number) => (bound === null ? none : shareBelow((bound - mean) / spread));
  return below(ceiling, 1) - below(floor, 0);
}

/** Which way a trait is wanted: what inbreeding takes off goes the other. */
const towards = ({ wanted }: Aim): number =>
  wanted === "low" || wanted === "no" ? -1 : wanted === "high" || wanted === "yes" ? 1 : 0;

const limits = ({ aim: { floor, ceiling, must } }: DrawnTrait): boolean =>
  floor !== null || ceiling !== null || must === 1;

/**
 * What each number of parents, the best first, brings and costs: response by yardstick (`selection-response`, by the draws
 * of breeding values), kinship, effective size, and the chance of keeping what is rare.
 *
 * The effective size is that of unrelated parents whose seed would be as much more kin than the population they come from, of
 * mean kinship θ: (1 − θ) / 2(θₖ − θ); as many independent gene versions, twice that, keep a rare one or lose it. Source: Falconer
 * and Mackay 1996. Where they set seed among themselves, inbreeding takes its toll of the index and of each trait.
 * @returns one for each number from one parent to all
 * @example gainSteps({ order: [0, 1], draws: 1, index: Float64Array.of(1, 0), traits: [], kinship: [[0.5, 0], [0, 0.5]],
 *   parentalControl: 1, base: 0, depression: 0 })[0].effective // 1
 */
export function gainSteps(input: GainInput): GainStep[] {
  const { order, draws, index, traits, kinship, parentalControl: c, base, depression } = input;
  const n = order.length;
  const worth = new Kept(index, draws, n);
  const by = traits.map((trait) => ({ trait, kept: new Kept(trait.values, draws, n) }));
  const inbred = kinship.reduce((sum, row, i) => sum + 2 * row[i]! - 1, 0) / Math.max(1, n);
  let kin = 0;
  return order.map((candidate, i) => {
    const kept = i + 1;
    worth.add(candidate);
    for (const { kept: of } of by) of.add(candidate);
    kin += kinship[candidate]![candidate]! + 2 * order.slice(0, i).reduce((sum, j) => sum + kinship[candidate]![j]!, 0);
    const mean = kin / kept ** 2;
    // Seed set among them is as inbred as they are kin, on the mean.
    const toll = depression * Math.max(0, mean - inbred);
    const responses = by.map(({ trait, kept: of }) => ({
      trait,
      of,
      draws: of.above(kept).map((x) => c * x - toll * trait.spread * towards(trait.aim)),
    }));
    const gametes = (1 - base) / Math.max(1e-9, mean - base);
    const bounded = responses.filter(({ trait }) => limits(trait));
    return {
      kept,
      index: ranged(worth.above(kept).map((x) => c * x - toll)),
      traits: Object.fromEntries(responses.map(({ trait, draws: own }) => [trait.aim.id, ranged(own)])),
      kinship: mean,
      effective: gametes / 2,
      rareKept: 1 - (1 - RARE) ** gametes,
      floorsMet:
        bounded.length === 0
          ? null
          : ranged(
              Float64Array.from({ length: draws }, (_, d) =>
                bounded.reduce(
                  (share, { trait, of, draws: own }) =>
                    share * within(trait.aim, of.meanOfAll(d) + own[d]!, trait.spread),
                  1,
                ),
              ),
            ),
    };
  });
}
