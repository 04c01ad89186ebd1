import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { betaBinomialTail, betaMean, betaOfRange, lighter, observe, trialsNeeded } from "./beta";
import { betaInterval, betaQuantile, chanceAbove } from "./betaRange";
import { upperTail } from "./binomial";

describe("beta", () => {
  test("a range becomes a distribution of its middle, two deviations to each end", () => {
    const beta = betaOfRange({ low: 0.25, high: 0.55 });
    expect(betaMean(beta)).toBeCloseTo(0.4, 12);
    const n = beta.a + beta.b;
    expect(Math.sqrt((0.4 * 0.6) / (n + 1))).toBeCloseTo(0.075, 12);
    expect(observe(beta, 3, 1).a - beta.a).toBeCloseTo(3, 12);
    expect(betaMean(lighter(beta, 5))).toBeCloseTo(0.4, 12);
    expect(lighter({ a: 1, b: 1 }, 5)).toEqual({ a: 1, b: 1 });
  });

  test("quantiles agree with closed forms", () => {
    expect(betaQuantile({ a: 1, b: 1 }, 0.3)).toBeCloseTo(0.3, 9);
    expect(betaQuantile({ a: 2, b: 1 }, 0.49)).toBeCloseTo(0.7, 9);
    expect(betaQuantile({ a: 1, b: 3 }, 0.875)).toBeCloseTo(0.5, 9);
    const { low, high } = betaInterval({ a: 1, b: 1 }, 0.9);
    expect([low, high].map((x) => Number(x.toFixed(6)))).toEqual([0.05, 0.95]);
  });

  test("the beta-binomial is even over counts under an even rate, and binomial under a sure one", () => {
    for (let k = 0; k <= 7; k++) expect(betaBinomialTail(7, { a: 1, b: 1 }, k)).toBeCloseTo(1 - k / 8, 10);
    expect(betaBinomialTail(12, { a: 4e7, b: 6e7 }, 6)).toBeCloseTo(upperTail(12, 0.4, 6), 5);
    expect([betaBinomialTail(3, { a: 2, b: 2 }, 0), betaBinomialTail(3, { a: 2, b: 2 }, 4)]).toEqual([1, 0]);
  });

  test("trials needed are enough, and one fewer is not", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.integer({ min: 1, max: 15 }),
        (a, b, k) => {
          const n = trialsNeeded({ a, b }, k, 0.9, 2_000);
          if (n < 2_000) expect(betaBinomialTail(n, { a, b }, k)).toBeGreaterThanOrEqual(0.9);
          expect(betaBinomialTail(n - 1, { a, b }, k)).toBeLessThan(0.9);
        },
      ),
    );
  });

  test("the chance to be above another is one half for equals and sure for far ones", () => {
    expect(chanceAbove({ a: 5, b: 9 }, { a: 5, b: 9 })).toBeCloseTo(0.5, 3);
    expect(chanceAbove({ a: 90, b: 10 }, { a: 10, b: 90 })).toBeGreaterThan(0.999);
    // Even against even squared: P(X > Y) with X ~ Beta(2,1) is 2/3.
    expect(chanceAbove({ a: 2, b: 1 }, { a: 1, b: 1 })).toBeCloseTo(2 / 3, 3);
  });
});
