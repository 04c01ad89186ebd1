import fc from "fast-check";
import { solveQP } from "quadprog";
import { describe, expect, test } from "vitest";
import { atKinship, equalShares, frontierOf } from "./contributions";

/** Every way to share sixteenths out among so many. */
function allShares(n: number, left = 16): number[][] {
  if (n === 1) return [[left / 16]];
  return Array.from({ length: left + 1 }, (_, k) => allShares(n - 1, left - k).map((rest) => [k / 16, ...rest])).flat();
}

const kinshipOf = (kinship: number[][], shares: number[]) =>
  shares.reduce((sum, a, i) => sum + shares.reduce((s, b, j) => s + a * b * kinship[i]![j]!, 0), 0);

/** Candidates of a few families: sibs are kin, others less, each most with itself. */
const anyCase = fc
  .record({
    worth: fc.array(fc.integer({ min: -8, max: 8 }), { minLength: 2, maxLength: 4 }),
    family: fc.array(fc.integer({ min: 0, max: 1 }), { minLength: 4, maxLength: 4 }),
    sib: fc.double({ min: 0.1, max: 0.5, noNaN: true }),
  })
  .map(({ worth, family, sib }) => ({
    worth,
    kinship: worth.map((_, i) => worth.map((__, j) => (i === j ? 0.75 : family[i] === family[j] ? sib : 0.05))),
  }));

/** Thirty candidates of six families, whose kinship with each other and within is drawn. */
const manyCandidates = fc
  .record({
    worth: fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 30, maxLength: 30 }),
    family: fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 30, maxLength: 30 }),
    sib: fc.double({ min: 0.2, max: 0.45, noNaN: true }),
    own: fc.array(fc.double({ min: 0.5, max: 1, noNaN: true }), { minLength: 30, maxLength: 30 }),
  })
  .map(({ worth, family, sib, own }) => ({
    worth,
    kinship: worth.map((_, i) => worth.map((__, j) => (i === j ? own[i]! : family[i] === family[j] ? sib : 0.05))),
  }));

/** The shares of least mean kinship that gain so much, by quadprog (Goldfarb and Idnani 1983), which counts from 1. */
function leastKin(worth: number[], kinship: number[][], gain: number): number[] {
  const fromOne = <T>(list: T[]): T[] => [undefined as T, ...list];
  const n = worth.length;
  const { solution, message } = solveQP(
    fromOne(kinship.map((row) => fromOne(row.map((k) => 2 * k)))),
    fromOne(new Array<number>(n).fill(0)),
    fromOne(worth.map((g, i) => fromOne([1, g, ...worth.map((_, j) => (i === j ? 1 : 0))]))),
    fromOne([1, gain, ...new Array<number>(n).fill(0)]),
    1,
  );
  if (message) throw new Error(message);
  return solution.slice(1);
}

describe("optimum contributions", () => {
  test("no way of sharing out sixteenths is better at the same kinship", () => {
    fc.assert(
      fc.property(anyCase, ({ worth, kinship }) => {
        const frontier = frontierOf(worth, kinship, 41);
        for (const shares of allShares(worth.length)) {
          const kin = kinshipOf(kinship, shares);
          const gain = worth.reduce((sum, g, i) => sum + g * shares[i]!, 0);
          expect(atKinship(frontier, kin).gain).toBeGreaterThanOrEqual(gain - 0.005);
          expect(frontier[0]!.kinship).toBeLessThanOrEqual(kin + 1e-6);
        }
      }),
      { numRuns: 40 },
    );
  });

  test("is what a quadratic program finds for the same gain, among many candidates", () => {
    fc.assert(
      fc.property(manyCandidates, fc.double({ min: 0.02, max: 0.98, noNaN: true }), ({ worth, kinship }, part) => {
        const frontier = frontierOf(worth, kinship, Number.POSITIVE_INFINITY);
        const [widest, best] = [frontier[0]!, frontier.at(-1)!];
        const gain = widest.gain + part * (best.gain - widest.gain);
        const shares = leastKin(worth, kinship, gain);
        const at = atKinship(frontier, kinshipOf(kinship, shares));
        expect(at.gain).toBeCloseTo(gain, 5);
        for (const [i, share] of shares.entries()) expect(at.shares[i]).toBeCloseTo(share, 3);
      }),
      { numRuns: 60 },
    );
  });

  test("rises from the widest choice to the single best; shares come to 1, and what is said of them holds", () => {
    fc.assert(
      fc.property(anyCase, ({ worth, kinship }) => {
        const frontier = frontierOf(worth, kinship, 9);
        for (const [i, { gain, kinship: kin, shares }] of frontier.entries()) {
          expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
          expect(Math.min(...shares)).toBeGreaterThanOrEqual(0);
          expect(kinshipOf(kinship, shares)).toBeCloseTo(kin, 9);
          if (i > 0) expect(gain).toBeGreaterThan(frontier[i - 1]!.gain);
        }
        expect(frontier.at(-1)!.gain).toBeCloseTo(Math.max(...worth), 4);
      }),
      { numRuns: 60 },
    );
  });

  test("three unrelated: by hand the least kinship is a third of each, and a limit is met exactly", () => {
    const kinship = [0, 1, 2].map((i) => [0, 1, 2].map((j) => (i === j ? 0.5 : 0)));
    const frontier = frontierOf([3, 2, 1], kinship, 9);
    expect(frontier[0]!.shares.map((s) => Number(s.toFixed(6)))).toEqual([0.333333, 0.333333, 0.333333]);
    // With shares ⅓ + d, ⅓, ⅓ − d kinship is ½(⅓ + 2d²), gain 2 + 2d.
    const d = 0.2;
    const at = atKinship(frontier, 0.5 * (1 / 3 + 2 * d * d));
    expect(at.gain).toBeCloseTo(2 + 2 * d, 6);
    expect(at.shares[0]).toBeCloseTo(1 / 3 + d, 6);
    expect(atKinship(frontier, 0)).toBe(frontier[0]);
    expect(atKinship(frontier, 9)).toBe(frontier.at(-1));
  });

  test("plants of one pure line are one candidate: the best of them has all that the line gets", () => {
    const alike = [0, 1, 2].map(() => [1, 1, 1]);
    expect(frontierOf([1, 3, 2], alike, 9)).toMatchObject([{ gain: 3, kinship: 1, shares: [0, 1, 0] }]);
    // Two unrelated pure lines of two plants each: half of each line's best is least kin, ½ of 1.
    const lines = [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => Number(i < 2 === j < 2)));
    const frontier = frontierOf([5, 1, 2, 4], lines, 9);
    expect(frontier[0]!.shares.map((s) => Number(s.toFixed(6)))).toEqual([0.5, 0, 0, 0.5]);
    expect(frontier[0]!.kinship).toBeCloseTo(0.5, 9);
    expect(frontier.at(-1)!.shares).toEqual([1, 0, 0, 0]);
  });

  test("what can be no kinship still comes to an end", () => {
    const none = Array.from({ length: 60 }, (_, i) =>
      Array.from({ length: 60 }, (__, j) => (i === j ? 0.75 : 0.1 + (0.2 * ((i * j) % 7)) / 7)),
    );
    const worth = Array.from({ length: 60 }, (_, i) => (i * 37) % 41);
    expect(frontierOf(worth, none, 9).at(-1)!.gain).toBeCloseTo(40, 6);
  });

  test("where all are worth the same only kinship counts; one candidate is the whole choice", () => {
    expect(
      frontierOf(
        [2, 2],
        [
          [0.5, 0.25],
          [0.25, 0.5],
        ],
        9,
      ),
    ).toHaveLength(1);
    expect(frontierOf([4], [[0.5]], 5)).toEqual([{ gain: 4, kinship: 0.5, shares: [1], toNext: 0.5 }]);
    expect(
      equalShares(
        [4, 1, 7],
        [
          [1, 0, 0],
          [0, 1, 0],
          [0, 0, 1],
        ],
        [0, 2],
      ),
    ).toEqual({ gain: 5.5, kinship: 0.5, shares: [0.5, 0, 0.5] });
  });
});
