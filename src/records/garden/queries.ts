import { type Day, isRecordable } from "@/core/calendar/day";
import { dayAt } from "@/core/climate/sun";
import { writeAs } from "@/core/writing/locale";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { GARDEN_ID, type Garden } from "./garden";

/** What a garden is before the grower has said: an empty version stands for one not yet kept. */
const NEW_GARDEN: Garden = {
  id: GARDEN_ID,
  version: "",
  name: "",
  latitude: 0,
  longitude: 0,
  timezone: "UTC",
  lastFrost: null,
  firstFrost: null,
  units: "metric",
  locale: "en-GB",
  care: "usual",
  asOf: null,
  demo: 0,
  windFrom: null,
  station: "none",
  ripeWanted: 0.8,
  aliveWanted: 0.6,
};

/** The garden. Whoever asks for it writes as it does from here on. */
export function garden(db: Db): Garden {
  const place = (prepared(db, "SELECT * FROM garden").get() as Garden | undefined) ?? NEW_GARDEN;
  writeAs(place.locale);
  return place;
}

/** The last day that may be recorded: today, or the day a demo garden stands on; another one for trials. */
export function lastRecordable(place: Garden): Day {
  const today = dayAt(new Date(), place.timezone);
  const named = process.env.ORCHARD_RECORD_UNTIL;
  if (named && isRecordable(named)) return named;
  return place.asOf !== null && place.asOf > today ? place.asOf : today;
}

/** "Today" on a device that has no day of its own: the day a demo garden stands on, else the calendar day at the garden. */
export function asOfDay(place: Garden): Day {
  return place.asOf ?? dayAt(new Date(), place.timezone);
}
