import { TZDate } from "@date-fns/tz";
import { getTimes } from "suncalc";
import type { Day } from "../calendar/day";

export type Sun = {
  /** Hours from sunrise to sunset; 24 in polar day, 0 in polar night. */
  hours: number;
  /** Moments; null where the sun does not rise or set that day. */
  sunrise: Date | null;
  sunset: Date | null;
  /** The sun 6° below the horizon in the evening: the last useful light. */
  dusk: Date | null;
};

/**
 * Sunrise, sunset and the hours between them at a place on a day.
 *
 * The sun's centre at −0.833° (upper limb with mean refraction), by the suncalc library's low-precision solar
 * position; good to about a minute outside the polar circles.
 * @param latitude degrees north, −90 to 90
 * @param longitude degrees east, −180 to 180
 * @param day the local calendar day
 * @example sunOn(47.2, 8.5, "2027-06-21").hours // 15.93
 */
export function sunOn(latitude: number, longitude: number, day: Day): Sun {
  // Local mean noon, so that the library picks the solar day of this calendar day at any longitude.
  const noon = new Date(Date.parse(`${day}T12:00:00Z`) - (longitude / 15) * 3_600_000);
  const times = getTimes(noon, latitude, longitude);
  const { sunrise, sunset, dusk } = times;
  if (sunrise && sunset) return { hours: (sunset.getTime() - sunrise.getTime()) / 3_600_000, sunrise, sunset, dusk };
  return { hours: times.alwaysUp ? 24 : 0, sunrise: null, sunset: null, dusk };
}

/** The moments of a day that work in the garden is timed by. Every one is there, also where the sun does not set or rise. */
export type SunMarks = {
  sunrise: Date;
  noon: Date;
  sunset: Date;
  dusk: Date;
  /** In polar day and night the marks are counted from the sun's highest point instead. */
  counted: boolean;
};

const HOUR = 3_600_000;
/** Where the sun does not set, evening and dawn are this long after and before its highest point, hours; ours. */
const POLAR_DAY = 9;
/** Where it does not rise, the twilight around its highest point, hours to each side; ours. */
const POLAR_NIGHT = 3;

/**
 * Sunrise, the sun's highest point, sunset and dusk of a day at a place, in that order anywhere on earth.
 *
 * In white nights, when the sun sets but it never gets dark, dusk is the sunset. In polar day evening and dawn are nine
 * hours to each side of the highest sun, in polar night three: flowers there follow the low sun, and these are working
 * values.
 * @example sunMarks(78, 16, "2027-06-21").counted // true
 */
export function sunMarks(latitude: number, longitude: number, day: Day): SunMarks {
  const meanNoon = new Date(Date.parse(`${day}T12:00:00Z`) - (longitude / 15) * HOUR);
  const noon = getTimes(meanNoon, latitude, longitude).solarNoon ?? meanNoon;
  const { hours, sunrise, sunset, dusk } = sunOn(latitude, longitude, day);
  if (sunrise && sunset) return { sunrise, noon, sunset, dusk: dusk ?? sunset, counted: false };
  const away = (hours === 24 ? POLAR_DAY : POLAR_NIGHT) * HOUR;
  const evening = new Date(noon.getTime() + away);
  return { sunrise: new Date(noon.getTime() - away), noon, sunset: evening, dusk: evening, counted: true };
}

/** The sun's marks of a place, each day reckoned once. @example marksOf(78, 16)("2027-06-21").counted // true */
export function marksOf(latitude: number, longitude: number): (day: Day) => SunMarks {
  const kept = new Map<Day, SunMarks>();
  return (day) => {
    const known = kept.get(day) ?? sunMarks(latitude, longitude, day);
    kept.set(day, known);
    return known;
  };
}

/**
 * The moment of a clock time on a calendar day in a time zone, also on the days when clocks change: an hour that is
 * skipped counts on, one that comes twice is the first.
 * @param clock `HH:MM`
 * @example momentOf("2027-07-09", "05:40", "Europe/Zurich").toISOString() // "2027-07-09T03:40:00.000Z"
 */
export function momentOf(day: Day, clock: string, timezone: string): Date {
  const [year, month, date] = day.split("-").map(Number);
  const [hour, minute] = clock.split(":").map(Number);
  return new Date(new TZDate(year!, month! - 1, date!, hour!, minute!, timezone).getTime());
}

/**
 * The clock time of a moment at a place.
 * @param timezone IANA name, as `Europe/Zurich`
 * @returns `05:31`
 * @example clockTime(new Date("2027-07-09T03:30:00Z"), "Europe/Zurich") // "05:30"
 */
export function clockTime(moment: Date, timezone: string): string {
  return clockIn(timezone).format(moment);
}

/** A format made once for each zone: to make one costs more than a thousand of its uses. */
function inZone(locale: string, style: Intl.DateTimeFormatOptions = {}): (timeZone: string) => Intl.DateTimeFormat {
  const kept = new Map<string, Intl.DateTimeFormat>();
  return (timeZone) => {
    const format = kept.get(timeZone) ?? new Intl.DateTimeFormat(locale, { ...style, timeZone });
    kept.set(timeZone, format);
    return format;
  };
}
const clockIn = inZone("en-GB", { hour: "2-digit", minute: "2-digit" });
const calendarIn = inZone("en-CA");

/** Whether `timezone` is an IANA name this machine knows. @example isTimezone("Europe/Tarnholt") // false */
export function isTimezone(timezone: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone: timezone });
    return true;
  } catch {
    return false;
  }
}

/**
 * The calendar day at a moment in a time zone.
 * @example dayAt(new Date("2027-07-09T23:30:00Z"), "Europe/Zurich") // "2027-07-10"
 */
export function dayAt(moment: Date, timezone: string): Day {
  return calendarIn(timezone).format(moment);
}
