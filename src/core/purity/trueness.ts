import { type Chances, chancesOf, type NextStep } from "./nextSteps";
import { allOf } from "./standing";
import { type JudgedAs, judgedOf, type TrueInput, type TrueTest, testsOf } from "./trueTests";

export type Trueness = {
  as: JudgedAs;
  tests: TrueTest[];
  holding: number;
  /** `true` where all tests hold; `no` where one fails; `open` where one can't be said yet; `unknown` where nothing was looked at. */
  says: "true" | "no" | "open" | "unknown";
  /** Seasons after this one, at least, until it may come true. */
  wants: number;
  /** What brings it on for least: the fewest seasons, then the fewest plants. */
  step: TrueTest | null;
  /** The chance that all tests hold after the next season, and what raises it; null where they hold, or nothing was looked at. */
  next: Chances | null;
};
export type { NextStep };

/**
 * Whether a line comes true: a standing list of tests, each with its figures, what is missing, how likely they hold after the
 * next season, and what brings it on for least.
 *
 * All tests must hold. Each is judged after every season, and a line of which it does not hold is ever passed in `error` at
 * most, so the whole is too (Berger 1982, intersection of tests). A mix is judged by steady means and the variety it keeps, a
 * plant that is multiplied by its off-types and seasons alone.
 * @example trueness({ as: "clone", standard: 0.05, error: 0.05, looked: false, underWay: null, counts: [], words: [], measured: [], alike: 1,
 *   mixed: null, ploidy: 2, parents: [], parentsWanted: 1, seed: [] }).says // "unknown"
 */
export function trueness(input: TrueInput): Trueness {
  const judged = judgedOf(input);
  const tests = testsOf(judged);
  const missing = tests.filter(({ standing }) => standing !== "holds");
  const looked = input.looked || input.measured.some(({ grown }) => grown.some(({ own }) => own.length > 0));
  const standing = allOf(tests.map((one) => one.standing));
  const known = looked || (input.as === "mix" && input.parents.length > 0);
  return {
    as: input.as,
    tests,
    holding: tests.length - missing.length,
    says: !known ? "unknown" : standing === "holds" ? "true" : standing === "fails" ? "no" : "open",
    wants: Math.max(0, ...missing.map(({ wants }) => wants)),
    step: missing.sort((a, b) => a.wants - b.wants || a.plants - b.plants)[0] ?? null,
    next: known && standing !== "holds" ? chancesOf(judged, tests) : null,
  };
}
