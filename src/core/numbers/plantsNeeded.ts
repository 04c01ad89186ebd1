import { upperTail } from "./binomial";

export type PlantsNeededInput = { probability: number; atLeast: number; confidence: number };

/**
 * How many plants to grow (or flowers to pollinate) to have enough: the smallest n with P(X ≥ atLeast) ≥ confidence,
 * X ~ Bin(n, probability).
 *
 * Source: binomial sampling; the textbook answer for "how many to grow for at least one of a type" is its case of one.
 * @param input.probability chance that one plant is of the wanted kind, 0–1 (not 0)
 * @param input.atLeast how many are wanted, a whole number from 1
 * @param input.confidence the chance of having them, 0–1 (not 1)
 * @returns {{plants: number}} a count
 * @throws RangeError where no number would do
 * @example plantsNeeded({ probability: 0.0625, atLeast: 1, confidence: 0.95 }) // { plants: 47 }
 */
export function plantsNeeded({ probability, atLeast, confidence }: PlantsNeededInput): { plants: number } {
  if (!(probability > 0 && probability <= 1)) throw new RangeError("probability must lie above 0 and up to 1");
  if (!(confidence > 0 && confidence < 1)) throw new RangeError("confidence must lie between 0 and 1");
  if (atLeast <= 0) return { plants: 0 };
  // The tail rises with n: double until enough, then halve the gap.
  let low = atLeast - 1;
  let high = Math.max(atLeast, Math.ceil(atLeast / probability));
  while (upperTail(high, probability, atLeast) < confidence) {
    low = high;
    high *= 2;
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (upperTail(middle, probability, atLeast) >= confidence) high = middle;
    else low = middle;
  }
  return { plants: high };
}
