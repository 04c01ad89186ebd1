import { type Locale, writtenAs } from "../writing/locale";

/** A calendar day as ISO text, `YYYY-MM-DD`, without a zone. ISO text sorts as the days do. */
export type Day = string;

/** Days from `start` to `end`, both included. */
export type Span = { start: Day; end: Day };

const MS_A_DAY = 86_400_000;

// Days are reckoned as UTC midnights, which no summer time can shift; a screen reckons thousands of them.
const pair = (day: Day, at: number): number => (day.charCodeAt(at) - 48) * 10 + day.charCodeAt(at + 1) - 48;

/**
 * The number of a day by integer arithmetic alone: a search over plans does this millions of times. Years begin in March
 * here, so that the leap day is their last (the usual civil-calendar algorithm).
 */
function numberOf(day: Day): number {
  const month = pair(day, 5);
  const year = pair(day, 0) * 100 + pair(day, 2) - (month <= 2 ? 1 : 0);
  const inYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + pair(day, 8) - 1;
  return year * 365 + Math.floor(year / 4) - Math.floor(year / 100) + Math.floor(year / 400) + inYear - 719_468;
}

const read = (day: Day): number => numberOf(day) * MS_A_DAY;

/** Days of these years are written once each: 1970 to 2199, by their number. */
const written: Day[] = new Array(84_006);

function write(time: number): Day {
  const number = time / MS_A_DAY;
  const known = written[number];
  if (known !== undefined) return known;
  const day = new Date(time).toISOString().slice(0, 10);
  if (number >= 0 && number < written.length && Number.isInteger(number)) written[number] = day;
  return day;
}

/**
 * Whether `text` is a day that exists, written `YYYY-MM-DD`.
 * @example isDay("2027-02-29") // false
 */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const time = read(text);
  return !Number.isNaN(time) && write(time) === text;
}

/**
 * Whether a text is a day that can be recorded, or looked out from: one from 1990 to 2100.
 * @example isRecordable("1989-12-31") // false
 */
export const isRecordable = (text: string): boolean => isDay(text) && text >= "1990-01-01" && text <= "2100-12-31";

/**
 * The day `days` after `day` (before it when negative).
 * @example addDays("2027-12-31", 1) // "2028-01-01"
 */
export function addDays(day: Day, days: number): Day {
  return write(read(day) + days * MS_A_DAY);
}

/**
 * Whole days from `from` to `to`; negative when `to` comes first.
 * @example daysBetween("2027-07-01", "2027-07-09") // 8
 */
export function daysBetween(from: Day, to: Day): number {
  return (read(to) - read(from)) / MS_A_DAY;
}

/**
 * The same day of another year; the 29th of February becomes the 28th where there is none.
 * @example yearsLater("2028-02-29", 1) // "2029-02-28"
 */
export function yearsLater(day: Day, years: number): Day {
  const moved = `${String(yearOf(day) + years).padStart(4, "0")}${day.slice(4)}`;
  return isDay(moved) ? moved : `${moved.slice(0, 5)}02-28`;
}

/** A day as a whole number that rises by one a day; what long reckonings run on. @example dayNumber("1970-01-02") // 1 */
export const dayNumber = (day: Day): number => numberOf(day);

/** The day of a number. @example dayOf(1) // "1970-01-02" */
export const dayOf = (number: number): Day => write(number * MS_A_DAY);

/** The calendar year of a day. @example yearOf("2027-07-09") // 2027 */
export function yearOf(day: Day): number {
  return Number(day.slice(0, 4));
}

/**
 * The days that two spans share; null when they do not meet.
 * @example sharedSpan({ start: "2027-07-01", end: "2027-07-10" }, { start: "2027-07-09", end: "2027-07-20" }) // { start: "2027-07-09", end: "2027-07-10" }
 */
export function sharedSpan(a: Span, b: Span): Span | null {
  const start = a.start > b.start ? a.start : b.start;
  const end = a.end < b.end ? a.end : b.end;
  return start <= end ? { start, end } : null;
}

/** Days of a span, both ends included; 0 for none. */
function spanDays(span: Span | null): number {
  return span ? daysBetween(span.start, span.end) + 1 : 0;
}

/**
 * Days that two spans share, both ends included.
 * @example overlapDays({ start: "2027-07-01", end: "2027-07-10" }, { start: "2027-07-09", end: "2027-07-20" }) // 2
 */
export const overlapDays = (a: Span, b: Span): number => spanDays(sharedSpan(a, b));

// Made once for each locale: a formatter costs more than a thousand of its uses.
const formats = new Map<string, Intl.DateTimeFormat>();
const STYLES = {
  month: { month: "short" },
  short: { day: "numeric", month: "short" },
  day: { day: "numeric", month: "short", year: "numeric" },
  long: { weekday: "short", day: "numeric", month: "long", year: "numeric" },
} as const;

/**
 * A day in words for a person, as the locale writes it.
 * @param style `month` Jul, `short` 9 Jul, `day` 9 Jul 2027, `long` Fri 9 July 2027
 * @example dayInWords("2027-07-09") // "9 Jul"
 * @example dayInWords("2027-07-09", "long") // "Fri 9 July 2027"
 */
export function dayInWords(day: Day, style: keyof typeof STYLES = "short", locale: Locale = writtenAs()): string {
  const key = `${locale} ${style}`;
  const format = formats.get(key) ?? new Intl.DateTimeFormat(locale, { ...STYLES[style], timeZone: "UTC" });
  formats.set(key, format);
  return format.format(read(day)).replace(/^(\p{L}+\.?), (?=\d)/u, "$1 ");
}
