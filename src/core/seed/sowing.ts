import type { Beta } from "../numbers/beta";
import { betaQuantile } from "../numbers/betaRange";
import { upperTail } from "../numbers/binomial";

/** The share that gets through a stage of raising: known, or as counted so often before. */
export type Stage = { rate: number } | { successes: number; trials: number };

/** The chance of having enough plants that a sowing is reckoned for. */
export const SURE_OF_PLANTS = 0.9;

/** The stages that what is sown goes through: until a seed is up, and from there to a plant in its place. */
export type RaisingStages = { up: Stage[]; stays: Stage[] };

const counted = (stage: Stage): stage is { successes: number; trials: number } => "trials" in stage;

/** More seeds than this nobody sows: the question is wrong then. */
const MOST = 1_000_000;

/** At so many rates an uncertain stage is looked at. */
const STEPS = 160;

/** Even steps bent towards both ends, where an uncertain rate's tails are. */
const bent = (steps: number) =>
  Array.from({ length: steps }, (_, i) => (i + 0.5) / steps).map((t) => ({
    at: t * t * (3 - 2 * t),
    weight: (6 * t * (1 - t)) / steps,
  }));

/** Two stages that were both counted as one: the Beta distribution with the mean and spread of their product. */
function together(one: Beta, other: Beta): Beta {
  const mean = (one.a / (one.a + one.b)) * (other.a / (other.a + other.b));
  const square = ({ a, b }: Beta) => ((a / (a + b)) * (a + 1)) / (a + b + 1);
  const variance = square(one) * square(other) - mean ** 2;
  const weight = (mean * (1 - mean)) / variance - 1;
  return { a: mean * weight, b: (1 - mean) * weight };
}

/**
 * The chance that seeds give at least so many plants through stages of raising.
 * @param seeds a whole number
 * @example chanceOfPlants(10, 9, [{ rate: 0.9 }]) // 0.7361
 */
export const chanceOfPlants = (seeds: number, target: number, stages: Stage[]): number =>
  shareThrough(stages).reduce((sum, { rate, weight }) => sum + weight * upperTail(seeds, rate, target), 0);

/**
 * The share that gets through all stages: one, or many with the weight of each where a stage is uncertain.
 * @param steps how many, where it is uncertain
 * @example shareThrough([{ rate: 0.8 }, { rate: 0.5 }]) // [{ rate: 0.4, weight: 1 }]
 */
export function shareThrough(stages: Stage[], steps = STEPS): { rate: number; weight: number }[] {
  let known = 1;
  let doubt: Beta | null = null;
  for (const stage of stages)
    if (counted(stage)) {
      const beta = { a: stage.successes + 0.5, b: stage.trials - stage.successes + 0.5 };
      doubt = doubt ? together(doubt, beta) : beta;
    } else known *= stage.rate;
  if (!doubt) return [{ rate: known, weight: 1 }];
  const beta = doubt;
  return bent(steps).map(({ at, weight }) => ({ rate: known * betaQuantile(beta, at), weight }));
}

/**
 * How many seeds to sow for enough plants: the smallest number that gives the target with the chance asked for. Stages
 * multiply; a counted one has a Beta(successes+½, failures+½) rate that is integrated over, several counted ones are taken
 * as one with the mean and spread of their product.
 *
 * Source: binomial thinning under Jeffreys' prior.
 * @param input.target plants wanted, a whole number from 1
 * @param input.confidence 0–1, not its ends
 * @returns {{sow: number}} seeds
 * @throws RangeError where not even a million seeds would do
 * @example sowingNumber({ target: 24, confidence: 0.9, stages: [{ rate: 0.85 }, { rate: 0.9 }] }) // { sow: 35 }
 */
export function sowingNumber(input: { target: number; confidence: number; stages: Stage[] }): { sow: number } {
  const { target, confidence, stages } = input;
  const rates = shareThrough(stages);
  const chance = (seeds: number) =>
    rates.reduce((sum, { rate, weight }) => sum + weight * upperTail(seeds, rate, target), 0);
  const sow = leastFor(target, MOST, (seeds) => chance(seeds) >= confidence);
  if (sow === null) throw new RangeError("at these rates not even a million seeds would do");
  return { sow };
}

/**
 * The smallest whole number that is enough, where all larger ones are enough too; null where not even the largest is.
 * @example leastFor(1, 100, (n) => n * n >= 50) // 8
 */
export function leastFor(from: number, most: number, enough: (n: number) => boolean): number | null {
  let low = from - 1;
  let high = from;
  while (!enough(high)) {
    if (high >= most) return null;
    low = high;
    high = Math.min(most, high * 2);
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (enough(middle)) high = middle;
    else low = middle;
  }
  return high;
}
