import { gammaln } from "simple-statistics";

/**
 * P(X ≥ k) for X ~ Bin(n, p), summed over the shorter tail from its largest term, so that neither tail loses digits.
 * @param n trials, a whole number
 * @param p chance of success, 0–1
 * @example upperTail(47, 0.0625, 1) // 0.952
 */
export function upperTail(n: number, p: number, k: number): number {
  if (k <= 0) return 1;
  if (k > n || p <= 0) return 0;
  if (p >= 1) return 1;
  const largest = (i: number) =>
    Math.exp(gammaln(n + 1) - gammaln(i + 1) - gammaln(n - i + 1) + i * Math.log(p) + (n - i) * Math.log1p(-p));
  const odds = p / (1 - p);
  let sum = 0;
  if (k > n * p) {
    for (let i = k, term = largest(k); i <= n && term > sum * 1e-17; term *= ((n - i) / (i + 1)) * odds, i++)
      sum += term;
    return Math.min(1, sum);
  }
  for (let i = k - 1, term = largest(k - 1); i >= 0 && term > sum * 1e-17; term *= i / (n - i + 1) / odds, i--)
    sum += term;
  return Math.max(0, 1 - sum);
}
