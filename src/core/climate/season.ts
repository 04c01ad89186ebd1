import { type Day, dayNumber, dayOf, isDay, type Span, yearOf } from "../calendar/day";

/** Seasons that can be asked for: four figures, and days of theirs can be written. */
const [EARLIEST_SEASON, LATEST_SEASON] = [1900, 2200];
/**
 * Whether a season can be asked for: a whole year of four figures whose days can be written.
 * @example isSeason(2027.5) // false
 */
export const isSeason = (season: number): boolean =>
  Number.isInteger(season) && season >= EARLIEST_SEASON && season <= LATEST_SEASON;

/**
 * A season's days: the calendar year in the north, 1 July to 30 June in the south, so that a growing season is whole.
 * @param season the year in which the season begins
 * @example seasonSpan(2026, -37) // { start: "2026-07-01", end: "2027-06-30" }
 */
export function seasonSpan(season: number, latitude: number): Span {
  return latitude >= 0
    ? { start: `${season}-01-01`, end: `${season}-12-31` }
    : { start: `${season}-07-01`, end: `${season + 1}-06-30` };
}

/** The season a day belongs to. @example seasonOf("2027-03-01", -37) // 2026 */
export function seasonOf(day: Day, latitude: number): number {
  return latitude >= 0 || day.slice(5) >= "07-01" ? yearOf(day) : yearOf(day) - 1;
}

/** `2027` in the north, `2026/27` in the south. @example seasonName(2026, -37) // "2026/27" */
export function seasonName(season: number, latitude: number): string {
  return latitude >= 0 ? String(season) : `${season}/${String((season + 1) % 100).padStart(2, "0")}`;
}

/**
 * Whether text is a day of the year that exists in an ordinary year, `MM-DD`.
 * @example isDayOfYear("02-29") // false
 */
export function isDayOfYear(text: string): boolean {
  return isDay(`2027-${text}`);
}

/**
 * The day of a season on which a day of the year falls.
 * @example inSeason("04-20", 2026, -37) // "2027-04-20"
 */
export function inSeason(dayOfYear: string, season: number, latitude: number): Day {
  const { start } = seasonSpan(season, latitude);
  const sameYear = `${yearOf(start)}-${dayOfYear}`;
  return sameYear >= start ? sameYear : `${yearOf(start) + 1}-${dayOfYear}`;
}

/**
 * The next day, after a day, on which a frost's day of the year falls: the one place where that is reckoned.
 * @param frost `MM-DD`, of a last or a first frost
 * @example nextFrost("2027-10-02", "09-28") // "2028-09-28"
 */
export function nextFrost(day: Day, frost: string): Day {
  const thisYear = `${yearOf(day)}-${frost}`;
  return thisYear > day ? thisYear : `${yearOf(day) + 1}-${frost}`;
}

/**
 * The latest day, not after a day, on which a frost's day of the year fell.
 * @param frost `MM-DD`
 * @example frostBefore("2027-10-02", "09-28") // "2027-09-28"
 */
export function frostBefore(day: Day, frost: string): Day {
  const thisYear = `${yearOf(day)}-${frost}`;
  return thisYear <= day ? thisYear : `${yearOf(day) - 1}-${frost}`;
}

/**
 * The days from `span.start` to `span.end`, every `step` days. @throws RangeError for days that are none
 * @example everyDay({ start: "2027-03-01", end: "2027-03-09" }, 4) // ["2027-03-01", "2027-03-05", "2027-03-09"]
 */
export function everyDay(span: Span, step = 1): Day[] {
  if (!isDay(span.start) || !isDay(span.end) || !(step >= 1))
    throw new RangeError(`No days from ${span.start} to ${span.end} by ${step}`);
  const [from, to] = [dayNumber(span.start), dayNumber(span.end)];
  return Array.from({ length: Math.max(0, Math.floor((to - from) / step) + 1) }, (_, i) => dayOf(from + i * step));
}
