/** A day's lowest and highest temperature, °C. */
export type Temperature = { min: number; max: number };

/** Mean daily minimum and maximum of each month, January first, °C. */
export type Normals = { min: number[]; max: number[] };

const YEAR = 365.2425;
/** Where in the year the middle of each month lies, in days from 1 January. */
const MIDDLES = [15.5, 45, 74.5, 105, 135.5, 166, 196.5, 227.5, 258, 288.5, 319, 349.5];

/** The place of a numbered day in its year, 0 to 365. @example placeInYear(31) // 31 */
export const placeInYear = (day: number): number => Math.floor(((day % YEAR) + YEAR) % YEAR);

/** Years drawn from months; one object for each place, so that what is reckoned of a year can be kept with it. */
const drawn = new Map<string, Temperature[]>();
const PLACES_KEPT = 50;

/**
 * A normal temperature for every day of the year, drawn through the middles of the months by straight lines.
 * @returns 366 entries, 1 January first; the same object for the same months, not to be changed
 * @example dailyNormals({ min: Array(12).fill(5), max: Array(12).fill(15) })[0] // { min: 5, max: 15 }
 */
export function dailyNormals(normals: Normals): Temperature[] {
  const key = `${normals.min} ${normals.max}`;
  const known = drawn.get(key);
  if (known) return known;
  if (drawn.size >= PLACES_KEPT) drawn.clear();
  const made = throughMonths(normals);
  drawn.set(key, made);
  return made;
}

function throughMonths(normals: Normals): Temperature[] {
  return Array.from({ length: 366 }, (_, day) => {
    const after = MIDDLES.findIndex((middle) => middle > day);
    const next = after < 0 ? 0 : after;
    const before = (next + 11) % 12;
    const from = MIDDLES[before]! - (next === 0 && after >= 0 ? YEAR : 0);
    const to = MIDDLES[next]! + (after < 0 ? YEAR : 0);
    const share = (day - from) / (to - from);
    const between = (list: number[]) => list[before]! + (list[next]! - list[before]!) * share;
    return { min: between(normals.min), max: between(normals.max) };
  });
}
