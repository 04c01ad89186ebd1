import { addDays, type Day, dayNumber } from "@/core/calendar/day";
import { type Climate, hoursOfYear } from "@/core/climate/climate";
import { frostsOf } from "@/core/climate/frost";
import { type RainAhead, simulatedStation, type WeatherStation } from "@/core/climate/station";
import { dailyNormals, type Normals, type Temperature } from "@/core/climate/temperature";
import type { Id } from "@/core/custody/id";
import { below } from "@/core/numbers/normal";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Garden } from "../garden/garden";
import { garden } from "../garden/queries";

/** The monthly normals that the grower gave; null until they did. */
export function normals(db: Db): Normals | null {
  const rows = prepared(db, "SELECT min, max FROM normal ORDER BY id").all() as Temperature[];
  return rows.length === 12 ? { min: rows.map((r) => r.min), max: rows.map((r) => r.max) } : null;
}

/** The months of which normals are kept. */
export function monthsKept(db: Db): Set<string> {
  return new Set(prepared(db, "SELECT id FROM normal").pluck().all() as string[]);
}

/** The version of the normal that was written last; null without any. */
export function normalsVersion(db: Db): Id | null {
  return prepared(db, "SELECT n.version FROM normal n LEFT JOIN op o ON o.id = n.version ORDER BY o.clock DESC LIMIT 1")
    .pluck()
    .get() as Id | null;
}

export type Reading = Temperature & { id: Day };

/** Every reading of the grower's own. */
export const readingsKept = (db: Db): Reading[] => prepared(db, "SELECT id, min, max FROM reading").all() as Reading[];

export type ReadingStretch = { count: number; from: Day | null; to: Day | null };

export function readingStretch(db: Db): ReadingStretch {
  const row = prepared(db, "SELECT count(*) count, min(id) low, max(id) high FROM reading").get() as {
    count: number;
    low: Day | null;
    high: Day | null;
  };
  return { count: row.count, from: row.low, to: row.high };
}

/** The days over which a simulated station is asked: all that a garden's records may look back on. */
const LOOK_BACK_YEARS = 8;
export const FORECAST_DAYS = 5;

/** The station this garden listens to; null for none. A real one would be another case here. */
export function stationOf(place: Garden, daily: Temperature[]): WeatherStation | null {
  if (place.station !== "simulated" || daily.length === 0) return null;
  return simulatedStation(daily, Math.round(Math.abs(place.latitude) * 1000 + Math.abs(place.longitude) * 10));
}

/** What the station expects of the next days: the first night of frost, and the first day of rain. */
export type WeatherAhead = { frostNight: { day: Day; min: number } | null; rain: RainAhead | null };

/** Rain from this chance on is reckoned with; a night is one of frost from this chance on. Working values. */
const RAIN_FROM = 0.6;
const FROST_FROM = 0.3;

/** The weather of the next days, by the station; nothing without one. */
export function weatherAhead(db: Db, today: Day): WeatherAhead {
  const known = normals(db);
  const device = stationOf(garden(db), known ? dailyNormals(known) : []);
  if (!device) return { frostNight: null, rain: null };
  const night = device
    .forecast(today, FORECAST_DAYS)
    .find(({ min, spread }) => below(0, min, Math.max(0.1, spread)) >= FROST_FROM);
  return {
    frostNight: night ? { day: night.day, min: night.min } : null,
    rain: device.rain(today, FORECAST_DAYS).find(({ chance }) => chance >= RAIN_FROM) ?? null,
  };
}

const kept = new WeakMap<Db, { key: string; climate: Climate }>();

/** What is known of the garden's climate: normals, the grower's readings, the station's readings and forecast, frosts. */
export function climateOf(db: Db, today: Day): Climate {
  const place = garden(db);
  const known = normals(db);
  const stamp = prepared(db, "SELECT count(*), max(id), max(version), total(min), total(max) FROM reading").raw().get();
  const { latitude, longitude, lastFrost, firstFrost, station } = place;
  const key = JSON.stringify([latitude, longitude, lastFrost, firstFrost, station, today, known, stamp]);
  const before = kept.get(db);
  if (before?.key === key) return before.climate;
  const daily = known ? dailyNormals(known) : [];
  const own = new Map(readingsKept(db).map(({ id, min, max }) => [dayNumber(id), { min, max }]));
  const measured = new Map<number, Temperature>();
  const device = stationOf(place, daily);
  if (device) {
    const told = [
      ...device.readings(addDays(today, -365 * LOOK_BACK_YEARS), today),
      ...device.forecast(today, FORECAST_DAYS),
    ];
    for (const { day, min, max } of told) measured.set(dayNumber(day), { min, max });
  }
  // A reading of the grower's own goes before the station's.
  for (const [id, temperature] of own) measured.set(id, temperature);
  const climate: Climate = {
    latitude,
    daily,
    measured,
    hours: hoursOfYear(latitude, longitude),
    frosts: frostsOf(place, daily, own),
  };
  kept.set(db, { key, climate });
  return climate;
}
