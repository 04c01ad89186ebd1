import { betaQuantile } from "../numbers/betaRange";
import { upperTail } from "../numbers/binomial";

export type OffTypeBoundInput = { offTypes: number; plants: number; confidence: number };

/**
 * The share of off-types that a line has at most, as so many were seen among so many plants.
 *
 * Source: Clopper and Pearson 1934, one-sided.
 * @param input.confidence 0–1, neither
 * @returns {{upper: number}} a share, 0–1
 * @throws RangeError where more were seen than there are plants
 * @example offTypeBound({ offTypes: 0, plants: 60, confidence: 0.95 }) // { upper: 0.0487 }
 */
export function offTypeBound({ offTypes, plants, confidence }: OffTypeBoundInput): { upper: number } {
  if (offTypes > plants) throw new RangeError("more off-types than plants");
  if (offTypes === plants) return { upper: 1 };
  // None seen: (1 − p)ⁿ = 1 − confidence, exact however many plants.
  if (offTypes === 0) return { upper: -Math.expm1(Math.log1p(-confidence) / plants) };
  return { upper: betaQuantile({ a: offTypes + 1, b: plants - offTypes }, confidence) };
}

export type OffTypeStandardInput = { plants: number; standard: number; acceptance: number };

/**
 * How many off-types a test of uniformity tolerates: the smallest number that a line which just meets the standard does not
 * exceed with the acceptance.
 *
 * Source: binomial acceptance sampling, as uniformity of varieties is judged.
 * @param input.plants looked at
 * @param input.standard share of off-types that is allowed, 0–1
 * @param input.acceptance chance that a line at the standard passes, 0–1
 * @returns {{maximum: number}} a count
 * @example offTypeStandard({ plants: 36, standard: 0.01, acceptance: 0.95 }) // { maximum: 2 }
 */
export function offTypeStandard({ plants, standard, acceptance }: OffTypeStandardInput): { maximum: number } {
  const within = (k: number) => 1 - upperTail(plants, standard, k + 1) >= acceptance;
  let [low, high] = [-1, plants];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (within(middle)) high = middle;
    else low = middle;
  }
  return { maximum: high };
}
