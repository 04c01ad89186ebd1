import { LRUCache } from "lru-cache";
import { speciesById } from "@/catalogue/catalogue";
import type { Day } from "@/core/calendar/day";
import type { Climate } from "@/core/climate/climate";
import { seasonOf, seasonSpan } from "@/core/climate/season";
import { dayAt } from "@/core/climate/sun";
import type { Id } from "@/core/custody/id";
import type { Correction } from "@/core/flowering/correction";
import type { Flowering } from "@/core/flowering/facts";
import { flowersAtAll } from "@/core/flowering/facts";
import { indoorsInWords, type Ripening, ripensBeforeFrost } from "@/core/flowering/ripening";
import type { Db } from "@/db/open";
import { type Rests, rely, watched, written } from "@/db/reads";
import { climateOf } from "@/records/climate/queries";
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

/** The outlook of a day: what several views of a page need is reckoned once. */
export const outlook = (db: Db, day: DeviceDay = null): Outlook => looking(db, day, garden(db)).sky;

/** So many results are kept of one outlook. */
const RESULTS = 400;

type Looking = { sky: Outlook; known: LRUCache<string, Rests<unknown>> };

function looking(db: Db, day: DeviceDay, place: Garden): Looking {
  const today = dayOn(place, day);
  const known = new LRUCache<string, Rests<unknown>>({ max: RESULTS });
  const once = <T>(name: string, work: () => T): T => {
    const kept = known.get(name) ?? watched(work);
    known.set(name, kept);
    return rely(kept) as T;
  };
  const climate = () => once("climate", () => climateOf(db, today));
  const forecasts = () => once("forecasts", () => forecaster(db, today));
  const forecast = (stand: StandRow): ForecastStand => {
    const window = forecasts().of(stand);
    const ripening = ripensBeforeFrost(window, climate());
    const indoors = indoorsInWords(ripening, speciesById(stand.species).ripensIndoors);
    const notes = indoors && flowersAtAll(window) ? [...window.notes, indoors] : window.notes;
    return { ...stand, window: { ...window, notes }, ripening };
  };
  const sky: Outlook = {
    db,
    garden: place,
    today,
    pinned: day !== "now" && (day ?? place.asOf) !== null,
    look: lookFrom(place, day),
    season: seasonOf(today, place.latitude),
    get climate() {
      return climate();
    },
    correction: (lineId) => forecasts().correction(lineId),
    flowering: (stand) => forecasts().of(stand),
    forecast,
    standsOf: (season) => once(`stands ${season}`, () => standsOfSeason(db, season).map(forecast)),
    once,
  };
  return { sky, known };
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
const kept = new WeakMap<Db, LRUCache<string, Looking>>();

/**
 * The outlook of a day as the garden is now. What it worked out is kept until a table is written that it was read from, so
 * that it serves the next page too.
 */
export function outlookKept(db: Db, day: DeviceDay = null): Outlook {
  const all = kept.get(db) ?? new LRUCache<string, Looking>({ max: KEPT });
  kept.set(db, all);
  const parts = [...written(db)];
  if (parts.length > 0)
    for (const { known } of all.values())
      for (const [name, { on }] of known.entries()) if (parts.some((part) => on.has(part))) known.delete(name);
  const place = garden(db);
  // A device that stands on the calendar's day sees the day change.
  const key = `${place.version} ${day} ${dayOn(place, day)} ${lastRecordable(place)}`;
  const made = all.get(key) ?? looking(db, day, place);
  all.set(key, made);
  return made.sky;
}
