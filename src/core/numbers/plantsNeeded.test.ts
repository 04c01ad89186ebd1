import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { upperTail } from "./binomial";
import { plantsNeeded } from "./plantsNeeded";

/** The tail by plain recurrence, as an independent check. */
function tailByRecurrence(n: number, p: number, k: number): number {
  let chances = [1];
  for (let i = 0; i < n; i++) chances = [...chances, 0].map((c, j) => c * (1 - p) + (chances[j - 1] ?? 0) * p);
  return chances.slice(k).reduce((a, b) => a + b, 0);
}

describe("plants needed", () => {
  test("the tail agrees with adding up chance by chance", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 80 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.integer({ min: 0, max: 85 }),
        (n, p, k) => {
          expect(upperTail(n, p, k)).toBeCloseTo(tailByRecurrence(n, p, k), 9);
        },
      ),
    );
  });

  test("the number is enough, and one fewer is not", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 30 }),
        fc.double({ min: 0.5, max: 0.99, noNaN: true }),
        (probability, atLeast, confidence) => {
          const { plants } = plantsNeeded({ probability, atLeast, confidence });
          expect(upperTail(plants, probability, atLeast)).toBeGreaterThanOrEqual(confidence);
          expect(upperTail(plants - 1, probability, atLeast)).toBeLessThan(confidence);
        },
      ),
    );
  });

  test("certain plants need no margin, impossible asks are refused", () => {
    expect(plantsNeeded({ probability: 1, atLeast: 7, confidence: 0.999 })).toEqual({ plants: 7 });
    expect(() => plantsNeeded({ probability: 0, atLeast: 1, confidence: 0.9 })).toThrow(RangeError);
    expect(() => plantsNeeded({ probability: 0.5, atLeast: 1, confidence: 1 })).toThrow(RangeError);
  });
});
