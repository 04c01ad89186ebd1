import { addDays, type Day, dayInWords, daysBetween, isDay, yearOf } from "../calendar/day";
import { isDayOfYear } from "../climate/season";
import { dayFirst, LOCALES, type Locale, writtenAs } from "./locale";
import { asked, EMPTY, plainly, type Read, read, twoWays, unmarked, unread } from "./read";

/** Months by their names in every locale, whole and short, by themselves and after a day. */
const MONTHS = new Map<string, number>();
for (const locale of LOCALES)
  for (let month = 0; month < 12; month++)
    for (const style of ["long", "short"] as const)
      for (const day of [undefined, "numeric"] as const) {
        const parts = new Intl.DateTimeFormat(locale, { month: style, day, timeZone: "UTC" }).formatToParts(
          Date.UTC(2027, month, 15),
        );
        const name = parts.find(({ type }) => type === "month")!.value;
        if (/\p{L}/u.test(name)) MONTHS.set(unmarked(name).replace(/\.$/, ""), month + 1);
      }

/** A month by its name or by three letters or more of it, where these are one month's alone. */
function monthOf(word: string): number | null {
  const typed = unmarked(word).replace(/\.$/, "");
  const known = MONTHS.get(typed);
  if (known) return known;
  if (typed.length < 3) return null;
  const fits = new Set([...MONTHS].filter(([name]) => name.startsWith(typed)).map(([, month]) => month));
  return fits.size === 1 ? [...fits][0]! : null;
}

const NEAR: Record<string, number> = {
  today: 0,
  heute: 0,
  "aujourd'hui": 0,
  dzis: 0,
  dzisiaj: 0,
  yesterday: -1,
  gestern: -1,
  hier: -1,
  wczoraj: -1,
  tomorrow: 1,
  morgen: 1,
  demain: 1,
  jutro: 1,
};

type Parts = { day: number; month: number; year: number | null };

const two = (n: number) => String(n).padStart(2, "0");

/** Whole numbers of a year as people write it: two figures are of this century. */
const yearFrom = (text: string | undefined) =>
  text === undefined ? null : text.length === 2 ? 2000 + Number(text) : Number(text);

const NUMBERS = /^(\d{1,2})([./-]) ?(\d{1,2})(?:\.|\2 ?(\d{4}|\d{2}))?$/;
const DAY_MONTH = /^(\d{1,2})(?:\.|st|nd|rd|th|er)? ?(?:of |de )?([\p{L}]+\.?),? ?(\d{4}|\d{2})?$/u;
const MONTH_DAY = /^([\p{L}]+\.?) ?(\d{1,2})(?:\.|st|nd|rd|th)?(?:,? (\d{4}|\d{2}))?$/u;

/** Which of two figures of a day comes first. */
export type DayOrder = "day-first" | "month-first";

/**
 * In which order a file writes its days in figures, by all of them together: the order that any of them shows; "plain" where
 * each reads the same either way, "unclear" where none shows it, "mixed" where they contradict each other.
 * @example dayOrderOf(["3/4/2027", "3/14/2027"]) // "month-first"
 */
export function dayOrderOf(days: string[]): DayOrder | "plain" | "unclear" | "mixed" {
  const pairs = days.flatMap((text): [number, number][] => {
    const [, a, sign, b] = NUMBERS.exec(plainly(text)) ?? [];
    return a && b && sign !== "." ? [[Number(a), Number(b)]] : [];
  });
  const dayFirst = pairs.some(([a]) => a > 12);
  const monthFirst = pairs.some(([, b]) => b > 12);
  if (dayFirst && monthFirst) return "mixed";
  if (dayFirst || monthFirst) return dayFirst ? "day-first" : "month-first";
  return pairs.some(([a, b]) => a !== b) ? "unclear" : "plain";
}

const fits = ({ day, month, year }: Parts) =>
  month >= 1 && month <= 12 && isDay(`${year ?? 2028}-${two(month)}-${two(day)}`);

/** The readings of a day's parts, the likelier first; empty where none is a day. */
function readings(text: string, locale: Locale): Parts[] | null {
  const numbers = NUMBERS.exec(text);
  if (numbers) {
    const [a, b, year] = [Number(numbers[1]), Number(numbers[3]), yearFrom(numbers[4])];
    const daily = { day: a, month: b, year };
    const monthly = { day: b, month: a, year };
    // With points the day comes first everywhere; two pairs with a hyphen may be the end of 2027-05-20.
    const sign = numbers[2];
    if (sign === ".") return [daily].filter(fits);
    if (sign === "-" && year === null) return [monthly, daily].filter(fits);
    const first = (dayFirst(locale) ? [daily, monthly] : [monthly, daily]).filter(fits);
    return first.slice(0, 1);
  }
  const [named, other] = [DAY_MONTH.exec(text), MONTH_DAY.exec(text)];
  const [word, day, year] = named ? [named[2], named[1], named[3]] : other ? [other[1], other[2], other[3]] : [];
  if (!word) return null;
  const month = monthOf(word);
  if (!month) return null;
  return [{ day: Number(day), month, year: yearFrom(year) }].filter(fits);
}

/** A day that begins with its weekday, as days are shown here, without it. */
const withoutWeekday = (text: string) => text.replace(/^\p{L}{2,10}[.,]* (?=\d|\p{L})/u, "");

/** The day of a year that lies nearest to today. */
function nearest({ day, month }: Parts, today: Day): Day | null {
  const years = [-1, 0, 1].map((by) => `${yearOf(today) + by}-${two(month)}-${two(day)}`).filter(isDay);
  const far = (one: Day) => Math.abs(daysBetween(today, one));
  return years.length === 0 ? null : years.reduce((best, one) => (far(one) < far(best) ? one : best));
}

const AWAY =
  /^(?:in |vor |il y a |za )?(\d{1,3}) ?(days?|weeks?|tage?n?|wochen?|jours?|semaines?|dni|dzien|tygodnie|tygodni|tydzien)( ago| temu)?$/;

function away(text: string, today: Day): Day | null {
  const match = AWAY.exec(text);
  if (!match) return null;
  const back = match[3] !== undefined || /^(vor|il y a) /.test(text);
  if (!back && !/^(in|za) /.test(text)) return null;
  const days = Number(match[1]) * (/^(w|sem|tyg)/.test(match[2]!) ? 7 : 1);
  return addDays(today, back ? -days : days);
}

/**
 * A day as people write it: `25/10` and `10/25` in the order of the locale, `10 April`, `10.4.27`, `2027-04-10`, `yesterday`,
 * `3 weeks ago`. Without a year it is the one nearest to today.
 * @example readDay("25/10", "2027-09-01") // { kind: "read", value: "2027-10-25" }
 */
export function readDay(text: string, today: Day, locale: Locale = writtenAs()): Read<Day> {
  const plain = plainly(text);
  if (plain === "") return EMPTY;
  if (isDay(plain)) return read(plain);
  const word = unmarked(plain);
  const near = NEAR[word];
  if (near !== undefined) return read(addDays(today, near));
  const far = away(word, today);
  if (far) return read(far);
  const found = readings(plain, locale) ?? readings(withoutWeekday(plain), locale);
  const days = found?.flatMap((one) => {
    if (one.year !== null) return [`${one.year}-${two(one.month)}-${two(one.day)}`];
    const day = nearest(one, today);
    return day ? [day] : [];
  });
  if (!days)
    return unread(
      `“${plain}” can't be read as a day. Write it as 2027-07-09, 9 July or ${dayFirst(locale) ? "9/7" : "7/9"}.`,
    );
  if (days.length === 0) return unread(`“${plain}” is not a day that exists.`);
  return asked(
    twoWays(plain),
    days.map((day) => ({ value: day, words: dayInWords(day, "day", locale) })),
  );
}

/**
 * A day of every year as people write it, kept as `MM-DD`.
 * @example readDayOfYear("20 May") // { kind: "read", value: "05-20" }
 */
export function readDayOfYear(text: string, locale: Locale = writtenAs()): Read<string> {
  const plain = plainly(text);
  if (plain === "") return EMPTY;
  // As it is kept, month before day; where that is no day it may be the other way round.
  const days = readings(plain, locale);
  if (!days) return unread(`“${plain}” can't be read as a day of the year. Write it as 20 May.`);
  if (days.some(({ year }) => year !== null)) return unread("A day of every year is wanted here, without a year.");
  const kept = days.map(({ day, month }) => `${two(month)}-${two(day)}`).filter(isDayOfYear);
  if (kept.length === 0) return unread(`“${plain}” is not a day of every year.`);
  return asked(
    twoWays(plain),
    kept.map((value) => ({ value, words: dayOfYearTyped(value, locale) })),
  );
}

/** A day as it stands in a field, which reads as itself again. @example dayTyped("2027-07-09") // "9 Jul 2027" */
export const dayTyped = (day: Day, locale: Locale = writtenAs()): string => dayInWords(day, "day", locale);

/** A day of the year as it stands in a field. @example dayOfYearTyped("05-20") // "20 May" */
export const dayOfYearTyped = (day: string, locale: Locale = writtenAs()): string =>
  dayInWords(`2027-${day}`, "short", locale);
