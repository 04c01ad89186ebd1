import { addDays, type Day } from "../calendar/day";
import { type Beta, betaBinomialTail, betaWeight, trialsNeeded } from "../numbers/beta";
import { upperTail } from "../numbers/binomial";
import { plantsNeeded } from "../numbers/plantsNeeded";
import type { SetRate } from "./setRate";
import type { Tally } from "./tally";

/** Flowers done, as far as they say how many more it takes. */
export type FlowersDone = Omit<Tally, "harvested">;

export type FlowersToDo = {
  /** More flowers to cover and pollinate, the set rate's own doubt counted in; fewer at its high, more at its low end. */
  likely: number;
  fewest: number;
  most: number;
  /** The chance that what is covered and waiting already gives enough. */
  chanceNow: number;
};

/**
 * Fruits to wish for when seeds are wanted: each fruit is taken to hold its likely number.
 * @example fruitsFor(250, 100) // 3
 */
export function fruitsFor(seedsWanted: number, seedsPerFruit: number): number {
  return Math.ceil(seedsWanted / seedsPerFruit);
}

/** The chance of at least k fruits of n flowers; a rate given without doubt (no weight) is binomial. */
const chanceOf = (n: number, rate: SetRate, k: number): number =>
  Number.isFinite(betaWeight(rate)) ? betaBinomialTail(n, rate, k) : upperTail(n, rate.likely, k);

/** A set rate that is taken as certain, for trying figures out. @example certain(0.5).likely // 0.5 */
export const certain = (rate: number): SetRate => ({
  a: Number.POSITIVE_INFINITY,
  b: Number.POSITIVE_INFINITY,
  low: rate,
  likely: rate,
  high: rate,
});

/**
 * How many more flowers to do so that enough fruits set, counting those that wait.
 *
 * Each flower sets on its own, at a rate that is itself known only as a Beta distribution, so fruits are beta-binomial:
 * the smallest n for which waiting + n flowers bring the missing fruits with the wanted chance. The range is the
 * binomial answer at either end of the rate's range.
 * @param wanted fruits wanted
 * @param confidence 0–1, the chance of having them
 * @example flowersToDo(2, { set: 0, covered: 0, waiting: 0 }, certain(0.5), 0.9).likely // 7
 */
export function flowersToDo(wanted: number, done: FlowersDone, rate: SetRate, confidence: number): FlowersToDo {
  const missing = wanted - done.set;
  const pending = done.covered + done.waiting;
  if (missing <= 0) return { likely: 0, fewest: 0, most: 0, chanceNow: 1 };
  const at = (probability: number) =>
    Math.max(0, plantsNeeded({ probability, atLeast: missing, confidence }).plants - pending);
  const needed = Number.isFinite(betaWeight(rate))
    ? trialsNeeded(rate as Beta, missing, confidence)
    : plantsNeeded({ probability: rate.likely, atLeast: missing, confidence }).plants;
  const likely = Math.max(0, needed - pending);
  return {
    likely,
    fewest: Math.min(likely, at(rate.high)),
    most: Math.max(likely, at(rate.low)),
    chanceNow: chanceOf(pending, rate, missing),
  };
}

/** How the flowers still to do are spread over evenings. */
export type Evenings = {
  /** To do tonight. */
  tonight: number;
  /** The last evening from which, with as many each evening as can be done, the number is still reached; null when it is too late already. */
  beginBy: Day | null;
  /** What can still be done in the evenings that are left, when that is fewer than needed. */
  possible: number;
};

/** Spread over at most this many evenings, so that bad weather leaves room. */
const SPREAD = 5;

/**
 * How many flowers to do tonight: enough that the rest fits into the evenings left, spread over at most five.
 * @param needed flowers still to do
 * @param evenings evenings left, tonight included
 * @param perEvening the most that can be done in one evening
 * @param last the last useful evening
 * @example tonight(10, 3, 6, "2027-07-12") // { tonight: 4, beginBy: "2027-07-11", possible: 18 }
 */
export function tonight(needed: number, evenings: number, perEvening: number, last: Day): Evenings {
  if (evenings <= 0) return { tonight: 0, beginBy: null, possible: 0 };
  const possible = evenings * perEvening;
  const spread = Math.ceil(needed / Math.min(SPREAD, evenings));
  const mustDo = needed - (evenings - 1) * perEvening;
  const number = Math.min(perEvening, needed, Math.max(spread, mustDo));
  const nights = Math.ceil(needed / perEvening);
  return { tonight: number, beginBy: needed > possible ? null : addDays(last, 1 - Math.max(1, nights)), possible };
}
