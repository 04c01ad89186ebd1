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
  const term = (i: number) =>
    Math.exp(gammaln(n + 1) - gammaln(i + 1) - gammaln(n - i + 1) + i * Math.log(p) + (n - i) * Math.log1p(-p));
  const upper = k > n * p;
  let sum = 0;
  if (upper) for (let i = k; i <= n; i++) sum += term(i);
  else for (let i = 0; i < k; i++) sum += term(i);
  return upper ? Math.min(1, sum) : Math.max(0, 1 - sum);
}
