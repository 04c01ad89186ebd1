import { mean, quantileSorted, sampleStandardDeviation } from "simple-statistics";
import { addDays, type Day, dayNumber, daysBetween, yearOf } from "../calendar/day";
import { normalFrom, seeded } from "../numbers/chance";
import { below } from "../numbers/normal";
import type { Temperature } from "./temperature";

/** A frost's usual day of the year, `MM-DD`, and the standard deviation of the years around it, days. */
export type FrostDay = { day: string; spread: number };

/** Last frost of spring and first of autumn, with what they rest on; null for a place without frost. */
export type Frosts = {
  last: FrostDay;
  first: FrostDay;
  from: "stated" | "readings" | "normals";
  seasons: number;
};

/** Years differ: where only a usual day is known, this is the working spread around it, days. */
const STATED_SPREAD = 10;
/**
 * A night's lowest temperature lies so far from its normal, °C (standard deviation): in midsummer, and in midwinter so much
 * more for each degree by which the normals of winter's nights lie below summer's, as inland. Working values.
 */
const NIGHT_DEVIATION = { summer: 3.2, aDegree: 0.12 };
/** Days by which the coldest time follows the winter's middle. */
const COLDEST_AFTER = 15;
/** Cold comes in spells: so much of a night's deviation is the night's before. Working value. */
const PERSISTENCE = 0.6;
/** Years that are drawn to see when frosts fall. */
const YEARS = 300;
const FEWEST_SEASONS = 5;

/**
 * The place in the year at which the winter's middle lies.
 * @example winterMiddle(-41) // 181
 */
export const winterMiddle = (latitude: number): number => (latitude < 0 ? 181 : 0);

const dayOfYear = (place: number): string =>
  addDays("2027-01-01", Math.max(0, Math.min(364, Math.round(place)))).slice(5);

/** The last and first day of the winter on which a night is so cold, and in how many winters of one it is at all. */
export type ColdSpell = {
  last: { place: number; spread: number };
  first: { place: number; spread: number };
  chance: number;
};

/**
 * When nights of some cold end and begin by the normals alone: years are drawn in which nights scatter around the normal
 * lowest temperature, in spells.
 * @param daily 366 normal days, 1 January first
 * @param start the place in the year at which the winter's middle lies, see `winterMiddle`
 * @param degrees how cold, °C
 * @returns places counted from the winter's middle; null where it is rarer than one year in ten
 * @example coldByNormals(Array(366).fill({ min: 21, max: 31 }), 0, 0) // null
 */
export function coldByNormals(daily: Temperature[], start: number, degrees: number): ColdSpell | null {
  const known = reckoned.get(daily) ?? new Map<string, ColdSpell | null>();
  reckoned.set(daily, known);
  const key = `${start} ${degrees}`;
  if (!known.has(key)) known.set(key, coldOfYears(daily, start, degrees));
  return known.get(key)!;
}

/** Drawing years takes a millisecond or two, and every press asks for the same place again. */
const reckoned = new WeakMap<Temperature[], Map<string, ColdSpell | null>>();

function coldOfYears(daily: Temperature[], start: number, degrees: number): ColdSpell | null {
  const nights = deviations();
  const lows = daily.map(({ min }) => min);
  const more = NIGHT_DEVIATION.aDegree * (Math.max(...lows) - Math.min(...lows));
  // Counted from the winter's middle.
  const [usual, scatter] = [new Float64Array(366), new Float64Array(366)];
  for (let i = 0; i < 366; i++) {
    usual[i] = lows[(i + start) % 366]!;
    const winter = (1 + Math.cos((2 * Math.PI * (i - COLDEST_AFTER)) / 366)) / 2;
    scatter[i] = NIGHT_DEVIATION.summer + more * winter;
  }
  const [lasts, firsts]: [number[], number[]] = [[], []];
  for (let year = 0; year < YEARS; year++) {
    const cold = (i: number) => usual[i]! + nights[year * 366 + i]! * scatter[i]! <= degrees;
    for (let i = 182; i >= 0; i--)
      if (cold(i)) {
        lasts.push(i);
        break;
      }
    for (let i = 183; i < 366; i++)
      if (cold(i)) {
        firsts.push(i);
        break;
      }
  }
  const [one, other] = [lasts.length / YEARS, firsts.length / YEARS];
  if (one < 0.1 || other < 0.1) return null;
  // By the middle and the middle two thirds of the years: a frost in August is nobody's usual one.
  const place = (list: number[]) => {
    const sorted = [...list].sort((a, b) => a - b);
    const [low, middle, high] = [0.16, 0.5, 0.84].map((share) => quantileSorted(sorted, share)) as [
      number,
      number,
      number,
    ];
    return { place: middle, spread: Math.max(1, (high - low) / 2) };
  };
  // Either half of the winter may bring it.
  return { last: place(lasts), first: place(firsts), chance: 1 - (1 - one) * (1 - other) };
}

let drawn: Float64Array | null = null;

/** By how many deviations each night of the drawn years is warmer or colder than its normal; the same years everywhere. */
function deviations(): Float64Array {
  if (drawn) return drawn;
  const luck = seeded(366);
  drawn = new Float64Array(YEARS * 366);
  let before = 0;
  for (let i = 0; i < drawn.length; i++) {
    before = PERSISTENCE * before + Math.sqrt(1 - PERSISTENCE ** 2) * normalFrom(luck(), luck());
    drawn[i] = before;
  }
  return drawn;
}

/**
 * When frost ends and begins by the normals alone.
 * @param daily 366 normal days, 1 January first
 * @param start the place in the year at which the winter's middle lies, see `winterMiddle`
 * @returns null where frost is rarer than one year in ten
 * @example frostsByNormals(Array(366).fill({ min: 21, max: 31 }), 0) // null
 */
export function frostsByNormals(daily: Temperature[], start: number): Frosts | null {
  const cold = coldByNormals(daily, start, 0);
  if (!cold) return null;
  const named = ({ place, spread }: ColdSpell["first"]) => ({
    day: dayOfYear((place + start) % 366),
    spread: Math.round(spread * 10) / 10,
  });
  return { last: named(cold.last), first: named(cold.first), from: "normals", seasons: 0 };
}

/** The least that years are taken to differ by, days. */
const LEAST_SPREAD = 2;

/**
 * When frost ended and began in the grower's own readings: mean and spread of the years.
 * @param readings lowest temperatures by day number
 * @param south whether the winter lies in the middle of the calendar year
 * @returns null with fewer than five whole springs and autumns with frost
 * @example frostsByReadings(new Map(), false) // null
 */
export function frostsByReadings(readings: ReadonlyMap<number, Temperature>, south: boolean): Frosts | null {
  const years = new Map<string, { day: number; days: number }>();
  for (const [number, { min }] of readings) {
    const day = addDays("1970-01-01", number);
    const shifted = south ? addDays(day, -181) : day;
    const place = daysBetween(`${yearOf(shifted)}-01-01`, shifted);
    const spring = place < 183;
    const key = `${yearOf(shifted)} ${spring ? "last" : "first"}`;
    const known = years.get(key) ?? { day: -1, days: 0 };
    known.days++;
    if (min <= 0 && (known.day < 0 || (spring ? place > known.day : place < known.day))) known.day = place;
    years.set(key, known);
  }
  const places = (end: string) =>
    [...years].filter(([key, y]) => key.endsWith(end) && y.days > 170 && y.day >= 0).map(([, y]) => y.day);
  const [last, first] = [places("last"), places("first")];
  if (last.length < FEWEST_SEASONS || first.length < FEWEST_SEASONS) return null;
  const named = (list: number[]) => {
    const spread = Math.max(LEAST_SPREAD, sampleStandardDeviation(list));
    return { day: dayOfYear((mean(list) + (south ? 181 : 0)) % 365), spread: Math.round(spread * 10) / 10 };
  };
  return { last: named(last), first: named(first), from: "readings", seasons: Math.min(last.length, first.length) };
}

/** The frost of a kind that comes nearest to a day, by its usual date. */
function nearest(frost: FrostDay, day: Day): Day {
  return [-1, 0, 1]
    .map((by) => `${yearOf(day) + by}-${frost.day}`)
    .sort((a, b) => Math.abs(daysBetween(day, a)) - Math.abs(daysBetween(day, b)))[0]!;
}

/**
 * The chance that no autumn frost has come by a day: the years' first frosts as a normal distribution.
 * @example frostFreeUntil("2027-09-28", { day: "09-28", spread: 10 }) // 0.48
 */
export function frostFreeUntil(day: Day, first: FrostDay): number {
  return 1 - below(dayNumber(day) + 0.5, dayNumber(nearest(first, day)), first.spread);
}

/**
 * The chance that the last frost of spring is over by a day.
 * @example frostOverBy("2027-05-14", { day: "05-14", spread: 10 }) // 0.52
 */
export function frostOverBy(day: Day, last: FrostDay): number {
  return below(dayNumber(day) + 0.5, dayNumber(nearest(last, day)), last.spread);
}

/** Where a garden lies, and the frost days that its grower says. */
export type FrostPlace = { latitude: number; lastFrost?: string | null; firstFrost?: string | null };

/**
 * A garden's frosts: as its grower says, else as the grower's own readings of five seasons tell, else by the normals. What a
 * station makes up is no reading.
 * @param daily normal days; none where no normals are known
 * @example frostsOf({ latitude: 48, lastFrost: "05-20", firstFrost: "09-28" }, [], new Map())?.from // "stated"
 */
export function frostsOf(
  { latitude, lastFrost, firstFrost }: FrostPlace,
  daily: Temperature[],
  readings: ReadonlyMap<number, Temperature>,
): Frosts | null {
  const told = (day: string): FrostDay => ({ day, spread: STATED_SPREAD });
  if (lastFrost && firstFrost) return { last: told(lastFrost), first: told(firstFrost), from: "stated", seasons: 0 };
  const seen =
    frostsByReadings(readings, latitude < 0) ??
    (daily.length > 0 ? frostsByNormals(daily, winterMiddle(latitude)) : null);
  if (!seen) return null;
  return {
    ...seen,
    ...(lastFrost ? { last: told(lastFrost) } : {}),
    ...(firstFrost ? { first: told(firstFrost) } : {}),
  };
}
