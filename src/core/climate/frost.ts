import { addDays, type Day, dayNumber, daysBetween, yearOf } from "../calendar/day";
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
/** Day-to-day deviation of the lowest temperature around its normal, °C; a working value. */
const DAILY_DEVIATION = 3.5;
/** Cold nights come in spells: a night counts as this share of an independent one. A working value. */
const INDEPENDENT = 0.4;
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
 * When nights of some cold end and begin by the normals alone: nights scatter around the normal lowest temperature.
 * @param daily 366 normal days, 1 January first
 * @param start the place in the year at which the winter's middle lies, see `winterMiddle`
 * @param degrees how cold, °C
 * @returns places counted from the winter's middle; null where it is rarer than one year in ten
 * @example coldByNormals(Array(366).fill({ min: 21, max: 31 }), 0, 0) // null
 */
export function coldByNormals(daily: Temperature[], start: number, degrees: number): ColdSpell | null {
  const at = (i: number) => daily[(i + start + 366) % 366]!.min;
  const free = (i: number) => (1 - below(degrees, at(i), DAILY_DEVIATION)) ** INDEPENDENT;
  // The chance that the last frost before midsummer (or the first after it) falls on each day.
  const season = (order: number[]) => {
    let still = 1;
    let mean = 0;
    let square = 0;
    for (const i of order) {
      const here = still * (1 - free(i));
      mean += here * i;
      square += here * i * i;
      still *= free(i);
    }
    const weight = 1 - still;
    return { weight, place: mean / weight, spread: Math.sqrt(Math.max(1, square / weight - (mean / weight) ** 2)) };
  };
  const half = Array.from({ length: 183 }, (_, i) => i);
  const last = season([...half].reverse());
  const first = season(half.map((i) => i + 183));
  if (last.weight < 0.1 || first.weight < 0.1) return null;
  // Either half of the winter may bring it.
  return { last, first, chance: 1 - (1 - last.weight) * (1 - first.weight) };
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

const meanAndSpread = (places: number[]) => {
  const mean = places.reduce((a, b) => a + b, 0) / places.length;
  const variance = places.reduce((sum, p) => sum + (p - mean) ** 2, 0) / (places.length - 1);
  return { mean, spread: Math.max(2, Math.sqrt(variance)) };
};

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
    const { mean, spread } = meanAndSpread(list);
    return { day: dayOfYear((mean + (south ? 181 : 0)) % 365), spread: Math.round(spread * 10) / 10 };
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
