import jstat from "jstat";
import { binomialMasses } from "../numbers/binomial";
import { normalised } from "../numbers/normalised";

export type SegregationTestInput = { observed: number[]; ratio: number[] };
export type SegregationTest = {
  chiSquare: number;
  degreesOfFreedom: number;
  pValue: number;
  /** Null where there are too many tables to be gone through. */
  exactPValue: number | null;
};

/** Tables whose chances differ by less than this share are alike: what differs is rounding. */
const ALIKE = 1e-7;
/** At most so many steps are gone through. */
const MOST_STEPS = 1_500_000;

/** Tables of all classes but the last two, and the masses of those two, in steps. */
function stepsOf(total: number, classes: number): number {
  let tables = 1;
  for (let i = 1; i <= classes - 2; i++) tables *= (total + i) / i;
  // Two classes are one row of masses; more of them need one for every number that may be left.
  return classes === 2 ? total : tables * Math.log2(total + 2) + (total * total) / 2;
}

/** For each count of the first of two classes its chance, and their running sum. */
function summed(total: number, share: number): { masses: number[]; below: Float64Array } {
  const masses = binomialMasses(total, share);
  const below = new Float64Array(total + 2);
  for (let i = 0; i <= total; i++) below[i + 1] = below[i]! + masses[i]!;
  return { masses, below };
}

/** What is in the two tails of one row whose chances do not exceed a limit. */
function tailsWithin({ masses, below }: ReturnType<typeof summed>, share: number, limit: number): number {
  const total = masses.length - 1;
  const peak = Math.min(total, Math.floor((total + 1) * share));
  if (masses[peak]! <= limit) return 1;
  const edge = (outside: number) => {
    let [out, inn] = [outside, peak];
    while (Math.abs(out - inn) > 1) {
      const middle = Math.floor((out + inn) / 2);
      if (masses[middle]! <= limit) out = middle;
      else inn = middle;
    }
    return out;
  };
  return below[edge(-1) + 1]! + (below[total + 1]! - below[edge(total + 1)]!);
}

/** The summed chance of all tables no likelier than the observed, the last two classes in one stroke. */
function exactChance(observed: number[], shares: number[]): number {
  const total = observed.reduce((a, b) => a + b, 0);
  const lnFactorial = new Float64Array(total + 1);
  for (let n = 2; n <= total; n++) lnFactorial[n] = lnFactorial[n - 1]! + Math.log(n);
  const lnOf = (counts: number[]) =>
    counts.reduce((sum, n, i) => sum - lnFactorial[n]! + n * Math.log(shares[i]!), lnFactorial[total]!);
  const lnLimit = lnOf(observed) + Math.log1p(ALIKE);
  const pair = shares[shares.length - 2]! / (shares[shares.length - 2]! + shares[shares.length - 1]!);
  const rest = shares.at(-1)! + shares.at(-2)!;
  const rows = new Map<number, ReturnType<typeof summed>>();
  const rowOf = (left: number) => {
    const known = rows.get(left) ?? summed(left, pair);
    rows.set(left, known);
    return known;
  };
  // `lnBefore` is the chance of the classes chosen so far but for the factorial of the total.
  const through = (at: number, left: number, lnBefore: number): number => {
    if (at === shares.length - 2) {
      const lnPair = lnFactorial[total]! + lnBefore - lnFactorial[left]! + left * Math.log(rest);
      return Math.exp(lnPair) * tailsWithin(rowOf(left), pair, Math.exp(lnLimit - lnPair));
    }
    let sum = 0;
    for (let n = 0; n <= left; n++)
      sum += through(at + 1, left - n, lnBefore - lnFactorial[n]! + n * Math.log(shares[at]!));
    return sum;
  };
  return Math.min(1, through(0, total, 0));
}

/**
 * Whether counts in a family fit a ratio: Pearson's chi-square, and the summed multinomial chance of all tables that are no
 * likelier than the observed.
 *
 * Source: Pearson 1900; the exact multinomial test.
 * @param input.observed plants in each class, whole numbers, at least one in all
 * @param input.ratio parts, above 0, as many as there are classes
 * @returns the exact chance is null where so many plants would have to be gone through for more than a moment; chi-square is
 *   good there
 * @throws RangeError where classes and parts do not match, or nothing was counted
 * @example segregationTest({ observed: [44, 10], ratio: [3, 1] })
 *   // { chiSquare: 1.210, degreesOfFreedom: 1, pValue: 0.271, exactPValue: 0.346 }
 */
export function segregationTest({ observed, ratio }: SegregationTestInput): SegregationTest {
  if (observed.length !== ratio.length) throw new RangeError("as many counts as parts of the ratio are needed");
  const total = observed.reduce((a, b) => a + b, 0);
  if (total === 0) throw new RangeError("nothing was counted");
  const shares = normalised(ratio);
  const chiSquare = shares.reduce((sum, share, i) => sum + (observed[i]! - total * share) ** 2 / (total * share), 0);
  const degreesOfFreedom = ratio.length - 1;
  return {
    chiSquare,
    degreesOfFreedom,
    pValue: 1 - jstat.chisquare.cdf(chiSquare, degreesOfFreedom),
    exactPValue: stepsOf(total, ratio.length) > MOST_STEPS ? null : exactChance(observed, shares),
  };
}
