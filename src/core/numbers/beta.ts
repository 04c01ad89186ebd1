import { gammaln } from "simple-statistics";

/** A Beta distribution over a share between 0 and 1: `a` successes and `b` failures, both above 0, parts allowed. */
export type Beta = { a: number; b: number };

/** The mean of a Beta distribution, 0–1. @example betaMean({ a: 3, b: 1 }) // 0.75 */
export const betaMean = ({ a, b }: Beta): number => a / (a + b);

/** How many trials a Beta distribution weighs. @example betaWeight({ a: 3, b: 1 }) // 4 */
export const betaWeight = ({ a, b }: Beta): number => a + b;

/** After more successes and failures: the conjugate update of binomial trials. @example observe({ a: 2, b: 3 }, 4, 1) // { a: 6, b: 4 } */
export const observe = ({ a, b }: Beta, successes: number, failures: number): Beta => ({
  a: a + successes,
  b: b + failures,
});

/**
 * The Beta distribution that says no more than a range does: its mean is the range's middle, and the range reaches two
 * standard deviations to each side (moments matched).
 * @param range shares, 0 < low ≤ high < 1 or touching the ends
 * @example betaOfRange({ low: 0.25, high: 0.55 }) // { a: 16.7, b: 25 }
 */
export function betaOfRange({ low, high }: { low: number; high: number }): Beta {
  const mean = Math.min(0.995, Math.max(0.005, (low + high) / 2));
  const deviation = Math.max(0.01, (high - low) / 4);
  // Never less than two trials: a range wider than the even distribution would ask for a U shape.
  const weight = Math.max(2, (mean * (1 - mean)) / deviation ** 2 - 1);
  return { a: mean * weight, b: (1 - mean) * weight };
}

/**
 * The same mean held with at most `weight` trials' certainty.
 * @example lighter({ a: 18, b: 6 }, 12) // { a: 9, b: 3 }
 */
export function lighter(beta: Beta, weight: number): Beta {
  const share = Math.min(1, weight / betaWeight(beta));
  return { a: beta.a * share, b: beta.b * share };
}

const lnBeta = (a: number, b: number): number => gammaln(a) + gammaln(b) - gammaln(a + b);

/**
 * The chance of at least k successes in n trials whose rate is itself uncertain (beta-binomial).
 *
 * Source: the posterior predictive distribution of binomial trials under a Beta rate.
 * @param n trials, a whole number from 0
 * @param k successes, a whole number
 * @example betaBinomialTail(1, { a: 1, b: 3 }, 1) // 0.25
 */
export function betaBinomialTail(n: number, { a, b }: Beta, k: number): number {
  if (k <= 0) return 1;
  if (k > n) return 0;
  // From the largest count down, each chance from the one above it: C(n,i) B(a+i, b+n−i) / B(a,b).
  const first = lnBeta(a + n, b) - lnBeta(a, b);
  let logTerm = first;
  let sum = Math.exp(logTerm);
  for (let i = n - 1; i >= k; i--) {
    logTerm += Math.log((i + 1) / (n - i)) + Math.log((b + n - i - 1) / (a + i));
    sum += Math.exp(logTerm);
  }
  return Math.min(1, sum);
}

/**
 * The smallest number of trials that bring at least k successes with a chance, at an uncertain rate.
 * @param confidence 0–1, not 1
 * @param most where no number up to it would do, it is the answer
 * @example trialsNeeded({ a: 1, b: 1 }, 1, 0.9) // 9
 */
export function trialsNeeded(beta: Beta, k: number, confidence: number, most = 100_000): number {
  if (k <= 0) return 0;
  let low = k - 1;
  let high = Math.max(k, Math.ceil(k / betaMean(beta)));
  while (high < most && betaBinomialTail(high, beta, k) < confidence) {
    low = high;
    high = Math.min(most, high * 2);
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (betaBinomialTail(middle, beta, k) >= confidence) high = middle;
    else low = middle;
  }
  return high;
}
