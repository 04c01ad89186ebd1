import { fCumulative, fQuantile } from "../numbers/intraclass";
import { shareBelow } from "../numbers/probit";
import { varianceWithin, withinGroups } from "../numbers/within";
import { type Errors, errorsOff, type Measuring, measuredNext, measuring } from "./judgings";
import { type Standing, SURE } from "./standing";

/** Values of plants that grew side by side: of one season, and of one line. */
export type Group = number[];

/** What was measured in one season: the line's plants together, and those of lines that are known to be even, each by itself. */
export type EvenSeason = { own: Group; known: Group[] };

export type Evenness = {
  standing: Standing;
  /** Standard deviation of the line's plants over that of plants of known stable lines, with its nine-tenths range; null where too few were seen. */
  ratio: { low: number; likely: number; high: number } | null;
  /** So much wider it may be. */
  limit: number;
  /** Standard deviations, and of how many plants. */
  own: { spread: number; plants: number };
  known: { spread: number; plants: number };
  /** Generations of selfing until it may be shown, as each halves what is still mixed; null where that is not the way. */
  generations: number | null;
};

/** A line is even as long as its plants spread no more than so much wider than those of known lines. Working value. */
export const EVEN = 1.5;
/** Of fewer plants beyond their group's mean nothing is said: of the line itself, and of known lines. */
const FEWEST = { own: 4, known: 3 };
/** More generations are not foretold. */
const MOST_GENERATIONS = 12;
/** What a stable line's plants are believed to spread, against known ones, before they were measured: the logarithm of the
 * ratio of variances and its deviation. Working values. */
const BEFORE = { middle: 0.1, deviation: 0.35 };

type Sum = { squares: number; freedom: number; plants: number };
const NONE: Sum = { squares: 0, freedom: 0, plants: 0 };

function plus(sum: Sum, groups: Group[]): Sum {
  const some = groups.filter((group) => group.length > 0);
  const { squares, freedom } = withinGroups(some);
  return {
    squares: sum.squares + squares,
    freedom: sum.freedom + freedom,
    plants: sum.plants + some.flat().length,
  };
}

/** How a line's evenness stands after all its judgings. */
export type EvenRun = {
  step: number;
  limit: number;
  errors: Errors;
  own: Sum;
  known: Sum;
  /** The newest season by itself. */
  newest: Sum;
  measuring: Measuring;
  passed: boolean;
  failed: boolean;
};

/** How far a ratio of variances lies from the limit, as a chance: that one at the limit would be as small. */
function chanceOfLess(own: Sum, known: Sum, step: number, limit: number): number | null {
  if (own.freedom < FEWEST.own || known.freedom < FEWEST.known) return null;
  const theirs = varianceWithin(known, step);
  if (theirs === 0) return null;
  return fCumulative(varianceWithin(own, step) / theirs / limit ** 2, own.freedom, known.freedom);
}

/** What so many degrees of freedom tell, in units of what lies between the limit and no difference. */
const informationOf = (own: number, known: number, limit: number): number =>
  Math.log(limit ** 2) ** 2 / (2 / own + 2 / known);

function after(run: EvenRun, { own, known: beside }: EvenSeason): EvenRun {
  const { step, limit, errors } = run;
  const known = plus(run.known, beside);
  // A season that by itself is clearly wider ends what was gathered.
  const newest = plus(NONE, [own]);
  const alone = chanceOfLess(newest, known, step, limit);
  if (alone !== null && 1 - alone <= errors.beyond)
    return { ...run, own: NONE, known, newest, measuring: measuring(errors.anew), passed: false, failed: true };
  const ours = plus(run.own, [own]);
  const chance = chanceOfLess(ours, known, step, limit);
  if (chance === null) return { ...run, own: ours, known, newest, failed: false };
  const next = measuredNext(run.measuring, informationOf(ours.freedom, known.freedom, limit));
  return {
    ...run,
    own: ours,
    known,
    newest,
    measuring: next.after,
    passed: run.passed || errorsOff(chance) >= next.needed,
    failed: false,
  };
}

/**
 * A line's evenness, judged after every season.
 * @param seasons oldest first; the line's plants of a season together, so that what its families differ by counts
 * @param step the smallest difference a trait is read to, in its unit; 0 where it is finer than what plants differ by
 * @param limit above 1
 * @example evenRun([], 0, 1.5, { first: 0.0488, anew: 0.015, beyond: 0.01 }).passed // false
 */
export const evenRun = (seasons: EvenSeason[], step: number, limit: number, errors: Errors): EvenRun =>
  seasons.reduce<EvenRun>(after, {
    step,
    limit,
    errors,
    own: NONE,
    known: NONE,
    newest: NONE,
    measuring: measuring(errors.first),
    passed: false,
    failed: false,
  });

/**
 * Whether plants of a line are as even as those of lines that are known to come true: shown where their spread, over all seasons
 * since the last that was clearly wider, is no more than `limit` times as wide; judged after each season, so that a line at the
 * limit is ever passed in `errors` at most.
 *
 * By the F distribution of the ratio of variances, each pooled within groups, its chances taken as those of a normal figure from
 * judging to judging. What a trait is read to adds step²/12 to both.
 * @example evenness(evenRun([{ own: [1, 2, 3, 4, 5, 6, 7, 8], known: [[2, 4]] }], 1, 1.5, { first: 0.0488, anew: 0.015, beyond: 0.01 })).standing // "open"
 */
export function evenness(run: EvenRun): Evenness {
  const { step, limit, known } = run;
  // A season that failed is told of as it was.
  const own = run.failed ? run.newest : run.own;
  const [ours, theirs] = [varianceWithin(own, step), varianceWithin(known, step)];
  const told = {
    limit,
    own: { spread: Math.sqrt(ours), plants: own.plants },
    known: { spread: Math.sqrt(theirs), plants: known.plants },
  };
  if (own.freedom < FEWEST.own || known.freedom < FEWEST.known || theirs === 0)
    return { standing: "open", ratio: null, ...told, generations: null };
  const f = ours / theirs;
  const ratio = {
    low: Math.sqrt(f / fQuantile(SURE, own.freedom, known.freedom)),
    likely: Math.sqrt(f),
    high: Math.sqrt(f * fQuantile(SURE, known.freedom, own.freedom)),
  };
  const wide = run.failed || (ratio.low > 1 && ratio.likely > limit);
  const standing = wide ? "fails" : run.passed ? "holds" : "open";
  return { standing, ratio, ...told, generations: wide ? generationsTo(f, limit) : null };
}

/** Generations until a ratio of variances is as wide as is taken, if all above 1 is what is still mixed. */
function generationsTo(ratio: number, limit: number): number | null {
  const wanted = Math.ceil(Math.log2((ratio - 1) / (limit ** 2 - 1)) - 1e-9);
  return wanted > MOST_GENERATIONS ? null : Math.max(1, wanted);
}

/**
 * The chance that it is shown to be even after the next season, with so many plants of its own and of known lines beyond their
 * groups' means: the ratio is believed to be as what was measured says, and near 1 where little was.
 * @param freedom degrees of freedom that the next season adds
 * @returns 0–1
 * @example chanceOfEven(evenRun([], 0, 1.5, { first: 0.0488, anew: 0.015, beyond: 0.01 }), { own: 100, known: 60 }) // 0.79
 */
export function chanceOfEven(run: EvenRun, freedom: { own: number; known: number }): number {
  const { step, limit, errors } = run;
  const before = { own: run.own.freedom, known: run.known.freedom };
  const then = { own: before.own + freedom.own, known: before.known + freedom.known };
  const error = ({ own, known }: typeof then) => 2 / own + 2 / known;
  const seen = chanceOfLess(run.own, run.known, step, limit) !== null;
  const measured = seen ? Math.log(varianceWithin(run.own, step) / varianceWithin(run.known, step)) : BEFORE.middle;
  const [prior, told] = [1 / BEFORE.deviation ** 2, seen ? 1 / error(before) : 0];
  const [middle, doubt] = [(prior * BEFORE.middle + told * measured) / (prior + told), 1 / (prior + told)];
  if (run.passed) {
    // It stays so unless the next season by itself is clearly wider.
    const alone = error({ own: Math.max(1, freedom.own), known: then.known });
    return shareBelow(
      (Math.log(limit ** 2) + errorsOff(errors.beyond) * Math.sqrt(alone) - middle) / Math.sqrt(doubt + alone),
    );
  }
  if (then.own < FEWEST.own || then.known < FEWEST.known) return 0;
  const { needed } = measuredNext(run.measuring, informationOf(then.own, then.known, limit));
  if (!Number.isFinite(needed)) return 0;
  // What will be measured is partly what was, partly new.
  const added = Math.max(1e-9, 1 / error(then) - told);
  const share = added * error(then);
  const foretold = (1 - share) * measured + share * middle;
  const scatter = share * Math.sqrt(doubt + 1 / added);
  const bound = Math.log(limit ** 2 / fQuantile(shareBelow(needed), then.known, then.own));
  return shareBelow((bound - foretold) / scatter);
}
