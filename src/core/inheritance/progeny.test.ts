import fc from "fast-check";
import { expect, test } from "vitest";
import { progenyNeeded, progenyTest } from "./progeny";

test("so many offspring are enough to be sure, and one fewer is not", () => {
  const cases = fc.record({
    priorHeterozygous: fc.double({ min: 0.01, max: 0.99, noNaN: true }),
    sure: fc.double({ min: 0.5, max: 0.999, noNaN: true }),
    kind: fc.constantFrom("selfed" as const, "testcrossed" as const),
  });
  fc.assert(
    fc.property(cases, ({ sure, ...plant }) => {
      const progeny = progenyNeeded({ ...plant, sure });
      expect(progenyTest({ ...plant, progeny }).posteriorHomozygous).toBeGreaterThanOrEqual(sure - 1e-9);
      if (progeny > 0)
        expect(progenyTest({ ...plant, progeny: progeny - 1 }).posteriorHomozygous).toBeLessThan(sure + 1e-9);
    }),
  );
});

test("by hand: of an F2 two in three carry it; three quarters to the thirteenth halves of nineteen", () => {
  // 2 · 0.75ⁿ ≤ 1/19: n = 12.65; 2 · 0.5ⁿ ≤ 1/19: n = 5.25.
  expect(progenyNeeded({ priorHeterozygous: 2 / 3, sure: 0.95, kind: "selfed" })).toBe(13);
  expect(progenyNeeded({ priorHeterozygous: 2 / 3, sure: 0.95, kind: "testcrossed" })).toBe(6);
  expect(progenyNeeded({ priorHeterozygous: 0.04, sure: 0.95, kind: "selfed" })).toBe(0);
  expect(() => progenyNeeded({ priorHeterozygous: 1, sure: 0.95, kind: "selfed" })).toThrow(RangeError);
  expect(() => progenyNeeded({ priorHeterozygous: 0.5, sure: 1, kind: "selfed" })).toThrow(RangeError);
});
