import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { normalFrom, seeded } from "../numbers/chance";
import { counting, errorsOf, isBeyond, judgedNext, measuredNext, measuring, plantsToPass } from "./judgings";

describe("off-types, judged after each season", () => {
  test("the error is shared so that eight seasons and counting anew stay within it", () => {
    const { first, anew, beyond } = errorsOf(0.05);
    // Eight seasons that fail one time in a hundred each.
    expect(first + 8 * beyond * anew).toBeLessThanOrEqual(0.05 + 1e-12);
    // 59 plants without one: 0.95^59.
    expect(first).toBeGreaterThan(0.95 ** 59);
    expect(first).toBeLessThan(0.95 ** 58);
  });

  test("none among 59 passes and none among 58 does not", () => {
    const begin = counting(0.05, 0.0488);
    expect(judgedNext(begin, 58).most).toBe(-1);
    expect(judgedNext(begin, 59)).toMatchObject({ most: 0 });
    expect(plantsToPass(begin, 0)).toBe(59);
    // Twelve a season: after 36 another 23 are asked.
    let count = begin;
    for (let season = 0; season < 3; season++) count = judgedNext(count, 12).after;
    expect(plantsToPass(count, 0)).toBe(23);
  });

  test("what was spent is the chance of having passed, season after season", () => {
    const one = judgedNext(counting(0.05, 0.0488), 96);
    expect(one.most).toBe(0);
    expect(one.after.spent).toBeCloseTo(0.95 ** 96, 12);
    // Two of 144 where one at least was among the first 96: by hand from the binomial.
    const two = judgedNext(one.after, 48);
    const b = (n: number, k: number) => {
      let c = 1;
      for (let i = 0; i < k; i++) c *= (n - i) / (i + 1);
      return c * 0.05 ** k * 0.95 ** (n - k);
    };
    expect(two.most).toBe(2);
    expect(two.after.spent).toBeCloseTo(b(96, 0) + b(96, 1) * (b(48, 0) + b(48, 1)) + b(96, 2) * b(48, 0), 12);
  });

  test("a line at the limit is passed within the error, whatever seasons come", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 200 }), { minLength: 1, maxLength: 10 }),
        fc.constantFrom(0.01, 0.05, 0.1, 0.3),
        (seasons, limit) => {
          let count = counting(limit, 0.0488);
          let passed = 0;
          for (const plants of seasons) {
            const before = count.chances.reduce((a, b) => a + b, 0);
            count = judgedNext(count, plants).after;
            passed += before - count.chances.reduce((a, b) => a + b, 0);
          }
          expect(passed).toBeLessThanOrEqual(0.0488 + 1e-9);
          expect(passed).toBeCloseTo(count.spent, 9);
        },
      ),
      { numRuns: 60 },
    );
  });

  test("a season is beyond the limit where a line at it shows so many once in a hundred", () => {
    // Of 48 at 5 in 100: P(X ≥ 7) = 0.0087, P(X ≥ 6) = 0.031.
    expect(isBeyond(7, 48, 0.05, 0.01)).toBe(true);
    expect(isBeyond(6, 48, 0.05, 0.01)).toBe(false);
    expect(isBeyond(0, 0, 0.05, 0.01)).toBe(false);
  });
});

describe("figures, judged after each season", () => {
  test("all at once it is the normal's bound, and little information spends little", () => {
    expect(measuredNext(measuring(0.05), 1e4).needed).toBeCloseTo(1.6449, 2);
    const { needed, after } = measuredNext(measuring(0.05), 1);
    // 0.05 · (1 − e^(−(1/6.5)²)) = 0.00117, whose bound is 3.04.
    expect(after.spent).toBeCloseTo(0.05 * (1 - Math.exp(-((1 / 6.5) ** 2))), 12);
    expect(needed).toBeCloseTo(3.043, 2);
    expect(measuredNext(after, 1).needed).toBe(Number.POSITIVE_INFINITY);
  });

  test("over five judgings as many pass as were allowed to", () => {
    const information = [2, 5, 6, 9, 14];
    const bounds: number[] = [];
    let state = measuring(0.05);
    for (const one of information) {
      const next = measuredNext(state, one);
      bounds.push(next.needed);
      state = next.after;
    }
    const random = seeded(3);
    const draws = 40_000;
    let passed = 0;
    for (let i = 0; i < draws; i++) {
      let [sum, before] = [0, 0];
      for (const [k, one] of information.entries()) {
        sum += Math.sqrt(one - before) * normalFrom(random(), random());
        before = one;
        if (sum / Math.sqrt(one) >= bounds[k]!) {
          passed++;
          break;
        }
      }
    }
    // Give or take 0.0011.
    expect(passed / draws).toBeGreaterThan(state.spent - 0.0035);
    expect(passed / draws).toBeLessThan(state.spent + 0.0035);
    expect(state.spent).toBeCloseTo(0.05 * (1 - Math.exp(-((14 / 6.5) ** 2))), 6);
  });
});
