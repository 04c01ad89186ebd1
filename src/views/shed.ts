import { addDays, dayNumber } from "@/core/calendar/day";
import { temperatureOn } from "@/core/climate/climate";
import { growingDegreeDays } from "@/core/climate/degreeDays";
import { type Frosts, frostFreeUntil, frostOverBy } from "@/core/climate/frost";
import { inSeason, seasonOf, seasonSpan } from "@/core/climate/season";
import type { Normals } from "@/core/climate/temperature";
import type { Id } from "@/core/custody/id";
import {
  FORECAST_DAYS,
  normals,
  normalsVersion,
  type ReadingStretch,
  readingStretch,
  stationOf,
} from "@/records/climate/queries";
import type { Garden } from "@/records/garden/garden";
import { counts, type Entry, entries, entriesOf } from "@/records/history/queries";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";

const base = (sky: Outlook) => {
  const { garden: place } = sky;
  return { garden: place, band: band(sky, seasonOf(sky.today, place.latitude), []) };
};

export type Shed = {
  garden: Garden;
  band: Band;
  path: string;
  counts: { name: string; count: number }[];
  climate: {
    normals: Normals | null;
    normalsVersion: Id | null;
    readings: ReadingStretch;
    frosts: Frosts | null;
    /** Chance that frost is over, or has not come, by some days around its usual one. */
    odds: { day: string; words: string; chance: number }[];
    /** The station's last days and its forecast, with the error to expect. */
    days: { day: string; min: number; max: number; spread: number | null }[];
    /** Degree days above 5 °C since the season began. */
    heat: number | null;
  };
};

const SHOWN_DAYS = 7;

function climateView(sky: Outlook): Shed["climate"] {
  const { db, garden, today, climate, season } = sky;
  const { frosts } = climate;
  const known = normals(db);
  const station = stationOf(garden, climate.daily);
  const start = dayNumber(seasonSpan(season, garden.latitude).start);
  const since = Array.from({ length: dayNumber(today) - start + 1 }, (_, i) => temperatureOn(climate, start + i));
  return {
    normals: known,
    normalsVersion: normalsVersion(db),
    readings: readingStretch(db),
    frosts,
    odds: frosts
      ? [-14, 0, 14]
          .flatMap((by) => {
            const last = addDays(inSeason(frosts.last.day, season, garden.latitude), by);
            const first = addDays(inSeason(frosts.first.day, season, garden.latitude), by);
            return [
              { day: last, words: "frost is over", chance: frostOverBy(last, frosts.last) },
              { day: first, words: "no autumn frost yet", chance: frostFreeUntil(first, frosts.first) },
            ];
          })
          .sort((a, b) => (a.day < b.day ? -1 : 1))
      : [],
    days: station
      ? [
          ...station.readings(addDays(today, 1 - SHOWN_DAYS), today).map((r) => ({ ...r, spread: null })),
          ...station.forecast(today, FORECAST_DAYS),
        ].map(({ day, min, max, spread }) => ({ day, min, max, spread }))
      : [],
    heat: since.every((t) => t !== null)
      ? growingDegreeDays({ base: 5, ceiling: 30, days: since.filter((t) => t !== null) }).total
      : null,
  };
}

export function shedView(sky: Outlook): Shed {
  const { db } = sky;
  return { ...base(sky), path: db.name, counts: counts(db), climate: climateView(sky) };
}

const PAGE = 60;

export type History = { garden: Garden; band: Band; entries: Entry[]; older: Id | null };

/** @param before the entry that the page before ended with */
export function historyView(sky: Outlook, before: Id | null): History {
  const list = entries(sky.db, before, PAGE);
  return { ...base(sky), entries: list, older: list.length === PAGE ? list.at(-1)!.id : null };
}

export type Copies = { band: Band; merges: Entry[] };

export const copiesView = (sky: Outlook): Copies => ({ ...base(sky), merges: entriesOf(sky.db, "garden.merge") });
