/**
 * Weights as shares of their sum.
 * @param weights none below 0, and not all of them 0
 * @example normalised([1, 3]) // [0.25, 0.75]
 */
export function normalised(weights: number[]): number[] {
  const sum = weights.reduce((a, b) => a + b, 0);
  return weights.map((weight) => weight / sum);
}
