import { allOf } from "./standing";
import { type JudgedAs, type TrueInput, type TrueTest, testsOf } from "./trueTests";

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
};

/**
 * Whether a line comes true: a standing list of tests, each with its figures, what is missing and what brings it on for least.
 *
 * All tests must hold. Each is wrongly said to hold of one line in twenty at most, so the whole is too. A mix is judged by
 * steady means and the variety it keeps, a plant that is multiplied by its off-types and seasons alone.
 * @example trueness({ as: "clone", standard: 0.05, underWay: null, counts: [], words: [], measured: [], mixed: null,
 *   ploidy: 2, parents: [], parentsWanted: 1, seed: [] }).says // "unknown"
 */
export function trueness(input: TrueInput): Trueness {
  const tests = testsOf(input);
  const missing = tests.filter(({ standing }) => standing !== "holds");
  const looked =
    input.counts.some(({ plants }) => plants > 0) || input.measured.some(({ own }) => own.flat().length > 0);
  const standing = allOf(tests.map((one) => one.standing));
  const known = looked || (input.as === "mix" && input.parents.length > 0);
  return {
    as: input.as,
    tests,
    holding: tests.length - missing.length,
    says: !known ? "unknown" : standing === "holds" ? "true" : standing === "fails" ? "no" : "open",
    wants: Math.max(0, ...missing.map(({ wants }) => wants)),
    step: missing.sort((a, b) => a.wants - b.wants || a.plants - b.plants)[0] ?? null,
  };
}
