import { betaBinomialTail } from "../numbers/beta";
import { type Counting, counting, type Errors, isBeyond, judgedNext, plantsToPass } from "./judgings";
import { offTypeBound } from "./offTypes";
import { type Standing, SURE } from "./standing";

/** Plants of a season that were looked at, and how many of them did not belong; removed ones of which nobody said are apart. */
export type SeasonCount = { season: number; plants: number; offTypes: number; undecided?: number };

export type OffTypeTest = {
  standing: Standing;
  /** Share that is allowed, 0–1. */
  limit: number;
  /** Every season that was looked at, the newest first, and whether it had more than a line at the limit shows. */
  seasons: (SeasonCount & { failed: boolean })[];
  /** Plants of the seasons that count together: all since the last one that failed. */
  plants: number;
  offTypes: number;
  undecided: number;
  /** The share is at most this, of the seasons that count; 1 where nobody looked. */
  upper: number;
  /** So many more plants without an off-type would show it; null where it is shown, or where the newest season failed. */
  more: number | null;
  /** Seasons it takes yet, at least. */
  wants: number;
};

/** Seasons that must have been looked at. */
const SEASONS = 2;
/** What is believed of a line before anyone looked: half an off-type in as many plants as the limit allows one in. Working value. */
const BEFORE = 0.5;

/** How a count stands after all its judgings. */
export type CountRun = {
  limit: number;
  errors: Errors;
  /** Every season that was looked at, the oldest first. */
  counts: SeasonCount[];
  counting: Counting;
  offTypes: number;
  undecided: number;
  seasons: number;
  passed: boolean;
  failed: boolean;
};

const begun = (error: number, { limit }: Pick<CountRun, "limit">) => ({
  counting: counting(limit, error),
  offTypes: 0,
  undecided: 0,
  seasons: 0,
  passed: false,
});

/** A season more. One that fails ends the count; the next begins anew, with less that may go wrong. */
function after(run: CountRun, { plants, offTypes, undecided = 0 }: SeasonCount): CountRun {
  const { limit, errors } = run;
  if (isBeyond(offTypes, plants, limit, errors.beyond)) return { ...run, ...begun(errors.anew, run), failed: true };
  const next = judgedNext(run.counting, plants);
  const all = run.offTypes + offTypes;
  return {
    ...run,
    counting: next.after,
    offTypes: all,
    undecided: run.undecided + undecided,
    seasons: run.seasons + 1,
    passed: run.passed || all <= next.most,
    failed: false,
  };
}

/**
 * The count of off-types, judged after every season.
 * @param counts seasons in which plants were looked at, in any order
 * @param limit share of off-types that is allowed, above 0 and below 1
 * @example countRun([{ season: 2026, plants: 60, offTypes: 0 }], 0.05, { first: 0.0488, anew: 0.015, beyond: 0.01 }).passed // true
 */
export function countRun(counts: SeasonCount[], limit: number, errors: Errors): CountRun {
  const looked = counts.filter(({ plants }) => plants > 0).sort((a, b) => a.season - b.season);
  const begin: CountRun = { limit, errors, counts: looked, ...begun(errors.first, { limit }), failed: false };
  return looked.reduce(after, begin);
}

/**
 * Whether off-types keep a limit: of all plants that were looked at since the last season that failed, judged after every season
 * (`judgedNext`), so few did not belong that a line at the limit would ever show it in `errors` at most; and two seasons at
 * least were looked at. Plants removed for a reason that nobody has called an off-type or not keep it open.
 * @example offTypeTest(countRun([{ season: 2026, plants: 30, offTypes: 0 }, { season: 2027, plants: 30, offTypes: 0 }], 0.05, { first: 0.0488, anew: 0.015, beyond: 0.01 })).standing // "holds"
 */
export function offTypeTest(run: CountRun): OffTypeTest {
  const { limit, errors, offTypes, undecided } = run;
  const { plants } = run.counting;
  const seasons = run.counts
    .map((one) => ({ ...one, failed: isBeyond(one.offTypes, one.plants, limit, errors.beyond) }))
    .reverse();
  const shown = run.passed && run.seasons >= SEASONS;
  const standing = run.failed ? "fails" : shown && undecided === 0 ? "holds" : "open";
  return {
    standing,
    limit,
    seasons,
    plants,
    offTypes,
    undecided,
    upper: plants > 0 ? offTypeBound({ offTypes, plants, confidence: SURE }).upper : 1,
    more: run.failed || shown ? null : run.passed ? 0 : plantsToPass(run.counting, offTypes),
    wants: run.failed ? SEASONS : shown ? 0 : Math.max(1, SEASONS - run.seasons),
  };
}

/**
 * The chance that off-types keep the limit after the next season, with so many plants looked at: their share is believed to
 * be as what was seen says (Beta, half an off-type in 1/limit plants before anyone looked).
 * @param more plants that will be looked at, in all those seasons
 * @param seasons that they are looked at in
 * @returns 0–1
 * @example chanceOfFew(countRun([{ season: 2026, plants: 40, offTypes: 0 }], 0.05, { first: 0.0488, anew: 0.015, beyond: 0.01 }), 40) // 0.774
 */
export function chanceOfFew(run: CountRun, more: number, seasons = 1): number {
  const { limit, errors } = run;
  if (run.undecided > 0 || run.failed || run.seasons + (more > 0 ? seasons : 0) < SEASONS) return 0;
  const believed = { a: BEFORE + run.offTypes, b: 1 / limit + run.counting.plants - run.offTypes };
  const most = run.passed ? Number.POSITIVE_INFINITY : judgedNext(run.counting, more).most - run.offTypes;
  // Whatever stood before, a season that is beyond the limit fails.
  let failing = 0;
  while (failing <= more && !isBeyond(failing, more, limit, errors.beyond)) failing++;
  const allowed = Math.min(most, failing - 1);
  return allowed < 0 ? 0 : 1 - betaBinomialTail(more, believed, allowed + 1);
}

/**
 * The same count once every removed plant is called an off-type, or none is.
 * @example decidedRun(countRun([{ season: 2026, plants: 60, offTypes: 0, undecided: 9 }], 0.05, { first: 0.0488, anew: 0.015, beyond: 0.01 }), true).failed // true
 */
export const decidedRun = ({ counts, limit, errors }: CountRun, off: boolean): CountRun =>
  countRun(
    counts.map((one) => ({ ...one, offTypes: one.offTypes + (off ? (one.undecided ?? 0) : 0), undecided: 0 })),
    limit,
    errors,
  );
