import { binomialMasses, upperTail } from "../numbers/binomial";
import { normalDensity, probit, shareBelow } from "../numbers/probit";

/**
 * What a line may be wrongly said to hold, over all judgings of all its seasons together: most of it for the seasons as they
 * come, a little for counting anew after a season that failed.
 */
export type Errors = { first: number; anew: number; beyond: number };

/**
 * An error shared out. A season that is beyond what a line at the limit shows once in a hundred judgings fails; over eight
 * seasons that happens to such a line 8 times in 100 at most, so that first + 0.08 · anew stays within the error.
 * @param error 0–1, such as 0.05
 * @example errorsOf(0.05) // { first: 0.0488, anew: 0.015, beyond: 0.01 }
 */
export const errorsOf = (error: number): Errors => ({ first: 0.976 * error, anew: 0.3 * error, beyond: 0.2 * error });

/** So many off-types are expected at the limit when two thirds of the error are spent. Working value. */
const MOST_COUNTED_AT = 6;

/** Chances below this are none. */
const NOTHING = 1e-15;

/** How a count of off-types stands in the middle of its judgings, for a line exactly at the limit that was not yet passed. */
export type Counting = {
  limit: number;
  error: number;
  plants: number;
  spent: number;
  /** P(so many off-types so far, not passed), from `from` upwards. */
  from: number;
  chances: number[];
};

/**
 * A count that begins.
 * @param limit share of off-types at which a line no longer comes true, above 0 and below 1
 * @param error chance that a line at the limit is ever passed
 * @example counting(0.05, 0.05).plants // 0
 */
export const counting = (limit: number, error: number): Counting => ({
  limit,
  error,
  plants: 0,
  spent: 0,
  from: 0,
  chances: [1],
});

/** Off-types after so many more plants, for a line at the limit. */
function spreadOver({ from, chances, limit }: Counting, more: number): { from: number; chances: number[] } {
  if (more === 0) return { from, chances };
  const masses = binomialMasses(more, limit);
  const first = masses.findIndex((mass) => mass > NOTHING);
  const last = masses.findLastIndex((mass) => mass > NOTHING);
  const out = new Array<number>(chances.length + last - first).fill(0);
  for (const [i, before] of chances.entries())
    for (let k = first; k <= last; k++) out[i + k - first]! += before * masses[k]!;
  return { from: from + first, chances: out };
}

/**
 * The next judging, after so many more plants were looked at: the most off-types among all so far with which the line passes
 * (−1 where none does yet), and the count as it goes on if it does not.
 *
 * The most that keeps the chance of ever passing a line at the limit within the error, reckoned exactly over all judgings so
 * far (a group-sequential binomial test; Jennison and Turnbull 2000).
 * @example judgedNext(counting(0.05, 0.0488), 59).most // 0
 * @example judgedNext(counting(0.05, 0.0488), 58).most // -1
 */
export function judgedNext(before: Counting, more: number): { most: number; after: Counting } {
  const { from, chances } = spreadOver(before, more);
  const plants = before.plants + more;
  // None at all may take the whole error; with some it is spent little by little, so that later seasons can still tell.
  const slowly = Math.max(
    before.error * -Math.expm1(-(((plants * before.limit) / MOST_COUNTED_AT) ** 2)),
    (before.spent + before.error) / 2,
  );
  let spent = before.spent;
  let passed = 0;
  while (passed < chances.length && spent + chances[passed]! <= (from + passed === 0 ? before.error : slowly))
    spent += chances[passed++]!;
  return {
    most: passed === 0 ? -1 : from + passed - 1,
    after: {
      ...before,
      plants,
      spent,
      from: from + passed,
      chances: passed === chances.length ? [0] : chances.slice(passed),
    },
  };
}

/** Nobody looks at more plants than this to know. */
const TOO_MANY = 1_000_000;

/**
 * The fewest plants more, without an off-type among them, with which the line passes next time.
 * @param offTypes seen so far in this count
 * @example plantsToPass(counting(0.05, 0.0488), 0) // 59
 */
export function plantsToPass(before: Counting, offTypes: number): number {
  const passes = (more: number) => judgedNext(before, more).most >= offTypes;
  let [low, high] = [0, 8];
  while (high < TOO_MANY && !passes(high)) {
    low = high;
    high *= 2;
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (passes(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/**
 * Whether so many off-types among so many plants are beyond what a line at the limit shows by chance.
 * @param beyond the chance of so many or more
 * @example isBeyond(12, 48, 0.05, 0.01) // true
 */
export const isBeyond = (offTypes: number, plants: number, limit: number, beyond: number): boolean =>
  plants > 0 && upperTail(plants, limit, offTypes) <= beyond;

/**
 * The information at which most of the error is spent, where the limit lies one unit off what is sound: with half of it a
 * sound line passes some 6 times in 10. Chosen so that a line of 48 plants with two checks of four passes soonest. Working value.
 */
const MOST_SPENT_AT = 6.5;
/** The grid on which what is not passed yet is followed: standard deviations to each side, and places. */
const REACH = 6;
const PLACES = 121;

const ROOT = Math.sqrt(2 * Math.PI);

/** How a measured figure stands in the middle of its judgings, for a line exactly at the limit. */
export type Measuring = { error: number; information: number; spent: number; density: number[] };

/** Figures that begin. @example measuring(0.05).information // 0 */
export const measuring = (error: number): Measuring => ({ error, information: 0, spent: 0, density: [] });

/**
 * The next judging of a figure that is normal with a known error: how many standard errors it must lie on the good side of the
 * limit to pass, and how it goes on if it does not.
 *
 * An error-spending test (Lan and DeMets 1983) over judgings that add information, by recursive numerical integration
 * (Armitage, McPherson and Rowe 1969): error · (1 − e^(−(I/6.5)²)) may be spent by information I, so that there is always some left.
 * @param information 1 / (error² of the figure, in units of what lies between the limit and what is sound); not below the one before
 * @example measuredNext(measuring(0.05), 100).needed // 1.645
 */
export function measuredNext(before: Measuring, information: number): { needed: number; after: Measuring } {
  const added = information - before.information;
  // A judging that adds nothing is none.
  if (added <= 1e-9) return { needed: Number.POSITIVE_INFINITY, after: before };
  const allowed = before.error * -Math.expm1(-((information / MOST_SPENT_AT) ** 2)) - before.spent;
  const step = (2 * REACH) / (PLACES - 1);
  const [scale, old] = [Math.sqrt(information / added), Math.sqrt(before.information / added)];
  const density = Array.from({ length: PLACES }, (_, i) => {
    const place = -REACH + i * step;
    if (before.density.length === 0) return normalDensity(place);
    // What was so far off, and what came since.
    let sum = 0;
    for (let j = 0; j < PLACES; j++) {
      const apart = place * scale - (-REACH + j * step) * old;
      if (apart > -REACH && apart < REACH) sum += before.density[j]! * Math.exp(-0.5 * apart * apart);
    }
    return (sum * step * scale) / ROOT;
  });
  let [tail, first] = [0, PLACES];
  while (first > 0 && tail + density[first - 1]! * step <= allowed) tail += density[--first]! * step;
  if (first === PLACES) return { needed: Number.POSITIVE_INFINITY, after: { ...before, information, density } };
  // The last place taken in part, so that the error is spent to the end.
  const part = first > 0 ? Math.min(1, (allowed - tail) / (density[first - 1]! * step)) : 0;
  return {
    needed: -REACH + (first - 0.5 - part) * step,
    after: {
      ...before,
      information,
      spent: before.spent + allowed,
      density: density.map((chance, i) => (i >= first ? 0 : i === first - 1 ? chance * (1 - part) : chance)),
    },
  };
}

/** How many standard errors a chance is: −Φ⁻¹. @example errorsOff(0.05) // 1.645 */
export const errorsOff = (chance: number): number => -probit(chance);

/** The other way. @example chanceOff(1.6449) // 0.05 */
export const chanceOff = (errors: number): number => shareBelow(-errors);
