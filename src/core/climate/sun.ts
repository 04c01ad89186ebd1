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
 * @example sunOn(47.2, 8.5, "2027-06-21").hours // 15.92
 */
export function sunOn(latitude: number, longitude: number, day: Day): Sun {
  // Local mean noon, so that the library picks the solar day of this calendar day at any longitude.
  const noon = new Date(Date.parse(`${day}T12:00:00Z`) - (longitude / 15) * 3_600_000);
  const times = getTimes(noon, latitude, longitude);
  const { sunrise, sunset, dusk } = times;
  if (sunrise && sunset) return { hours: (sunset.getTime() - sunrise.getTime()) / 3_600_000, sunrise, sunset, dusk };
  return { hours: times.alwaysUp ? 24 : 0, sunrise: null, sunset: null, dusk };
}

/**
 * The clock time of a moment at a place.
 * @param timezone IANA name, as `Europe/Zurich`
 * @returns `05:31`
 */
export function clockTime(moment: Date, timezone: string): string {
  return new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone: timezone }).format(moment);
}

/** Whether `timezone` is an IANA name this machine knows. */
export function isTimezone(timezone: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone: timezone });
    return true;
  } catch {
    return false;
  }
}

/** The calendar day at a moment in a time zone. */
export function dayAt(moment: Date, timezone: string): Day {
  return new Intl.DateTimeFormat("en-CA", { timeZone: timezone }).format(moment);
}
