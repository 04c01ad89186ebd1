import { upperTail } from "../numbers/binomial";
import { plantsNeeded } from "../numbers/plantsNeeded";

export type FlowerState = "covered" | "pollinated" | "unusable" | "set" | "failed" | "harvested";

export type Tally = {
  covered: number;
  /** Pollinated, not yet known whether set. */
  waiting: number;
  set: number;
  lost: number;
};

/** Counts flowers by what they stand for; a harvested fruit is a set one. */
export function tally(states: FlowerState[]): Tally {
  const count = (...wanted: FlowerState[]) => states.filter((state) => wanted.includes(state)).length;
  return {
    covered: count("covered"),
    waiting: count("pollinated"),
    set: count("set", "harvested"),
    lost: count("unusable", "failed"),
  };
}

export type SetRate = { low: number; likely: number; high: number };

export type FlowersToDo = {
  /** More flowers to cover and pollinate, at the likely set rate; fewer at the high, more at the low rate. */
  likely: number;
  fewest: number;
  most: number;
  /** The chance that what is covered and waiting already gives enough, at the likely rate. */
  chanceNow: number;
};

/** Fruits to wish for when seeds are wanted: each fruit is taken to hold its likely number. */
export function fruitsFor(seedsWanted: number, seedsPerFruit: number): number {
  return Math.ceil(seedsWanted / seedsPerFruit);
}

/**
 * How many more flowers to do so that enough fruits set, counting those that wait.
 *
 * Each flower sets on its own with the set rate, so fruits are binomial: the smallest n for which covered + waiting + n
 * flowers bring the missing fruits with the wanted confidence. The set rate's own uncertainty is shown as the range.
 * @param wanted fruits wanted
 * @param confidence 0–1, the chance of having them
 * @example flowersToDo(2, { covered: 0, waiting: 0, set: 0, lost: 0 }, { low: 0.3, likely: 0.5, high: 0.7 }, 0.9).likely // 7
 */
export function flowersToDo(wanted: number, done: Tally, rate: SetRate, confidence: number): FlowersToDo {
  const missing = wanted - done.set;
  const pending = done.covered + done.waiting;
  if (missing <= 0) return { likely: 0, fewest: 0, most: 0, chanceNow: 1 };
  const more = (probability: number) =>
    Math.max(0, plantsNeeded({ probability, atLeast: missing, confidence }).plants - pending);
  return {
    likely: more(rate.likely),
    fewest: more(rate.high),
    most: more(rate.low),
    chanceNow: upperTail(pending, rate.likely, missing),
  };
}
