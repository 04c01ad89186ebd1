import type { Day } from "@/core/calendar/day";
import type { Climate } from "@/core/climate/climate";
import { seasonOf, seasonSpan } from "@/core/climate/season";
import { dayAt } from "@/core/climate/sun";
import type { Id } from "@/core/custody/id";
import type { Correction } from "@/core/flowering/correction";
import type { Flowering } from "@/core/flowering/facts";
import { type Ripening, ripensBeforeFrost } from "@/core/flowering/ripening";
import type { Db } from "@/db/open";
import { headOf } from "@/db/ops";
import type { Garden } from "@/records/garden/garden";
import { asOfDay, garden, lastRecordable } from "@/records/garden/queries";
import { forecaster } from "@/records/stand/forecast";
import { type StandRow, standsOfSeason } from "@/records/stand/queries";

export type ForecastStand = StandRow & { window: Flowering; ripening: Ripening };

/** What every screen looks out from: the garden, the device's day, the climate, and the forecast of a stand. */
export type Outlook = {
  db: Db;
  garden: Garden;
  today: Day;
  /** Whether the device stands on a day of its own, or a demo garden's. */
  pinned: boolean;
  /** Whether the device looks at a day that is past, or still to come. */
  look: Look;
  /** The season that the day belongs to. */
  season: number;
  climate: Climate;
  correction: (lineId: Id) => Correction | null;
  flowering: ReturnType<typeof forecaster>["of"];
  /** A stand with its flowering and its race with the frost. */
  forecast: (stand: StandRow) => ForecastStand;
  /** A season's stands with their forecasts, read once. */
  standsOf: (season: number) => ForecastStand[];
  /** What several screens need, worked out by the first that asks for it under a name. */
  once: <T>(name: string, work: () => T) => T;
};

export type Look = "back" | "ahead" | null;

/** How a device's day lies to the one it would stand on by itself. */
function lookFrom(place: Garden, day: DeviceDay): Look {
  if (day === null || day === "now") return null;
  if (day > lastRecordable(place)) return "ahead";
  return day < asOfDay(place) ? "back" : null;
}

/** What a device says of its day: one it stands on, the calendar's, or nothing. */
export type DeviceDay = Day | "now" | null;

/** The as-of day of a device. */
export const dayOn = (place: Garden, day: DeviceDay): Day =>
  day === "now" ? dayAt(new Date(), place.timezone) : (day ?? asOfDay(place));

/** The outlook of one request: what several views of a page need is reckoned once. */
export function outlook(db: Db, day: DeviceDay = null): Outlook {
  const place = garden(db);
  const today = dayOn(place, day);
  const { climate, correction, of } = forecaster(db, today);
  const forecast = (stand: StandRow): ForecastStand => {
    const window = of(stand);
    return { ...stand, window, ripening: ripensBeforeFrost(window, climate) };
  };
  const known = new Map<string, unknown>();
  const once = <T>(name: string, work: () => T): T => {
    if (!known.has(name)) known.set(name, work());
    return known.get(name) as T;
  };
  return {
    db,
    garden: place,
    today,
    pinned: day !== "now" && (day ?? place.asOf) !== null,
    look: lookFrom(place, day),
    season: seasonOf(today, place.latitude),
    climate,
    correction,
    flowering: of,
    forecast,
    standsOf: (season) => once(`stands ${season}`, () => standsOfSeason(db, season).map(forecast)),
    once,
  };
}

/** Crops of the second year that stand in a season and flower in the next. */
export function firstYearOf(sky: Outlook, season: number): ForecastStand[] {
  const { end } = seasonSpan(season, sky.garden.latitude);
  // Plants that live on stand where they stood, as long as that stand has not ended.
  const there = new Set(sky.standsOf(season).flatMap(({ id, endedOn }) => (endedOn ? [] : [id])));
  return sky
    .standsOf(season + 1)
    .filter(({ sown, endedOn, continuesId }) => !endedOn && sown <= end && !(continuesId && there.has(continuesId)));
}

/** So many outlooks are kept: devices that stand on different days. */
const KEPT = 4;
const kept = new WeakMap<Db, Map<string, Outlook>>();

/** The outlook of a day as the garden is now, kept until something is written: what it worked out serves the next page too. */
export function outlookKept(db: Db, day: DeviceDay = null): Outlook {
  const place = garden(db);
  const known = kept.get(db) ?? new Map<string, Outlook>();
  kept.set(db, known);
  // A device that stands on the calendar's day sees the day change.
  const key = `${headOf(db)} ${day} ${dayOn(place, day)} ${lastRecordable(place)}`;
  const sky = known.get(key) ?? outlook(db, day);
  known.delete(key);
  known.set(key, sky);
  if (known.size > KEPT) known.delete(known.keys().next().value!);
  return sky;
}
