import { gammaln } from "simple-statistics";

/** P(X = k) for X ~ Bin(n, p), p between 0 and 1 and neither. */
const massAt = (n: number, p: number, k: number): number =>
  Math.exp(gammaln(n + 1) - gammaln(k + 1) - gammaln(n - k + 1) + k * Math.log(p) + (n - k) * Math.log1p(-p));

/**
 * P(X = k) for X ~ Bin(n, p).
 * @param p chance of success, 0–1
 * @example binomialMass(2, 0.5, 1) // 0.5
 */
export const binomialMass = (n: number, p: number, k: number): number =>
  p <= 0 ? Number(k === 0) : p >= 1 ? Number(k === n) : massAt(n, p, k);

/**
 * P(X = k) for X ~ Bin(n, p) and each k from 0 to n, reckoned outwards from the likeliest.
 * @param n trials, a whole number
 * @param p chance of success, 0–1
 * @example binomialMasses(2, 0.5) // [0.25, 0.5, 0.25]
 */
export function binomialMasses(n: number, p: number): number[] {
  const masses = new Array<number>(n + 1).fill(0);
  if (p <= 0 || p >= 1) {
    masses[p <= 0 ? 0 : n] = 1;
    return masses;
  }
  const likeliest = Math.min(n, Math.floor((n + 1) * p));
  const odds = p / (1 - p);
  masses[likeliest] = massAt(n, p, likeliest);
  for (let k = likeliest; k < n; k++) masses[k + 1] = masses[k]! * ((n - k) / (k + 1)) * odds;
  for (let k = likeliest; k > 0; k--) masses[k - 1] = (masses[k]! * k) / (n - k + 1) / odds;
  return masses;
}

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
  const largest = (i: number) => massAt(n, p, i);
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
