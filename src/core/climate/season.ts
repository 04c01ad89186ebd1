import { addDays, type Day, isDay, type Span, yearOf } from "../calendar/day";

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

/** `2027` in the north, `2026/27` in the south. */
export function seasonName(season: number, latitude: number): string {
  return latitude >= 0 ? String(season) : `${season}/${String((season + 1) % 100).padStart(2, "0")}`;
}

/** Whether text is a day of the year that exists in an ordinary year, `MM-DD`. */
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
 * The first first-frost day after a day: the frost that a seed set then must beat.
 * @returns null where there is no frost
 */
export function frostAfter(day: Day, firstFrost: string | null): Day | null {
  if (!firstFrost) return null;
  const thisYear = `${yearOf(day)}-${firstFrost}`;
  return thisYear > day ? thisYear : `${yearOf(day) + 1}-${firstFrost}`;
}

/** The days from `span.start` to `span.end`, every `step` days. */
export function everyDay(span: Span, step = 1): Day[] {
  const days: Day[] = [];
  for (let day = span.start; day <= span.end; day = addDays(day, step)) days.push(day);
  return days;
}
