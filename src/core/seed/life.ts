import { addDays, type Day, yearsLater } from "../calendar/day";
import { probit } from "../numbers/probit";
import { aged, type Clock, type Stay } from "./ageing";
import { agedUntil, type Germination, germinationAfter, type Known } from "./alive";

/**
 * How far seed may age until too little of it germinates: the range of nine tenths and the middle; and until hardly any
 * does; in probits.
 */
export type Limits = { early: number; likely: number; late: number; dead: number };

/**
 * How far seed may age until less than a share germinates.
 * @param limit the share a grower wants at least, 0–1
 * @example limitsOf(UNTESTED, 0.5).likely // 1.45
 */
export function limitsOf(known: Known, limit: number): Limits {
  const [early, likely, late] = agedUntil(known, probit(limit), [0.05, 0.5, 0.95]) as [number, number, number];
  const [dead] = agedUntil(known, probit(DEAD), [0.5]) as [number];
  return { early, likely, late, dead };
}

/** It keeps; it will be under the limit in a year, so this year's sowing is the last good one; it is under it; hardly any lives. */
export type LifeState = "keeps" | "regrow" | "failing" | "dead";

export type Life = {
  /** Probits of ageing so far, and in a day from now on. */
  aged: number;
  perDay: number;
  /** When less than the limit germinates, at the earliest, likely and at the latest; null where that is past. */
  until: { early: Day | null; likely: Day | null; late: Day | null };
  state: LifeState;
  /** How far it is to the limit, as a share of the way there: 1 at it. */
  way: number;
  /** When a germination test tells most; null for what hardly lives. */
  testOn: Day | null;
};

/** Seed of which the middle of the range is under this is as good as dead. Working value. */
const DEAD = 0.05;
/** Days from one test to the next, where there is doubt. */
const TEST_AGAIN = 365;
/** So many years no estimate goes untested. Working value. */
const TEST_ANYWAY = 4;
/** Nothing is foretold beyond so many years. */
const FORETOLD_YEARS = 60;

/** Seed and how it lay: since when it ages, and where it was. */
export type Kept = { gathered: Day; stays: Stay[]; room: Clock; testedOn: Day | null };

/**
 * How alive a lot is, and until when.
 * @param limits of this lot and the share wanted, as `limitsOf` gives them
 * @example lifeOf({ early: 0.6, likely: 1.4, late: 2.6, dead: 4 },
 *   { gathered: "2024-09-01", stays: [], room: { perDay: 0.001, days: [], beyond: [] }, testedOn: null }, "2027-09-01").state
 *   // "regrow"
 */
export function lifeOf(limits: Limits, { gathered, stays, room, testedOn }: Kept, today: Day): Life {
  const sofar = aged(stays, room, gathered, today);
  const { perDay } = stays.at(-1)?.clock ?? room;
  const on = (limit: number): Day | null =>
    limit <= sofar
      ? null
      : addDays(today, Math.min(FORETOLD_YEARS * 365, Math.round((limit - sofar) / Math.max(1e-9, perDay))));
  const until = { early: on(limits.early), likely: on(limits.likely), late: on(limits.late) };
  const state =
    sofar >= limits.dead
      ? "dead"
      : until.likely === null
        ? "failing"
        : until.likely < addDays(today, 365)
          ? "regrow"
          : "keeps";
  return {
    aged: sofar,
    perDay,
    until,
    state,
    way: sofar / Math.max(1e-6, limits.likely),
    testOn: state === "dead" ? null : testDay(until, testedOn ?? gathered, testedOn, today),
  };
}

/**
 * A test tells most from when the seed may first be under the limit, and once a year while nobody can be sure; and some
 * years on the model itself is to be tested, whatever it says.
 */
function testDay({ early, late }: Life["until"], known: Day, testedOn: Day | null, today: Day): Day | null {
  if (early !== null) {
    const longest = yearsLater(known, TEST_ANYWAY);
    if (early < longest) return early;
    return longest > today ? longest : today;
  }
  if (late === null) return null;
  const again = testedOn && addDays(testedOn, TEST_AGAIN);
  return again && again > today ? again : today;
}

/** A point of a lot's curve: years from gathering, and what germinates then. */
export type CurvePoint = Germination & { year: number };

/**
 * What germinates of a lot over the years: as it aged so far, and from today on as it lies now.
 * @param years how many from gathering
 * @param each points a year
 * @example curveOf(UNTESTED,
 *   { aged: 0.738, perDay: 0.00101 }, 2, 4, 1).length // 5
 */
export function curveOf(
  known: Known,
  { aged: sofar, perDay }: Pick<Life, "aged" | "perDay">,
  age: number,
  years: number,
  each: number,
): CurvePoint[] {
  return Array.from({ length: years * each + 1 }, (_, i) => {
    const year = i / each;
    const at = year <= age ? (age > 0 ? (sofar * year) / age : 0) : sofar + (year - age) * 365.25 * perDay;
    return { year, ...germinationAfter(known, at) };
  });
}
