import { addDays, dayNumber } from "@/core/calendar/day";
import { temperatureOn } from "@/core/climate/climate";
import { growingDegreeDays } from "@/core/climate/degreeDays";
import { type Frosts, frostFreeUntil, frostOverBy } from "@/core/climate/frost";
import { inSeason, seasonOf, seasonSpan } from "@/core/climate/season";
import type { Normals } from "@/core/climate/temperature";
import type { Db } from "@/db/open";
import { FORECAST_DAYS, normals, type ReadingStretch, readingStretch, stationOf } from "@/records/climate/queries";
import type { Garden } from "@/records/garden/queries";
import { type JournalEntry, journal } from "@/records/history/queries";
import { type Band, band } from "./band";
import { outlook } from "./outlook";

const base = (db: Db) => {
  const sky = outlook(db);
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

function climateView(db: Db): Shed["climate"] {
  const { garden, today, climate } = outlook(db);
  const { frosts } = climate;
  const season = seasonOf(today, garden.latitude);
  const known = normals(db);
  const station = stationOf(garden, climate.daily);
  const start = dayNumber(seasonSpan(season, garden.latitude).start);
  const since = Array.from({ length: dayNumber(today) - start + 1 }, (_, i) => temperatureOn(climate, start + i));
  return {
    normals: known,
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

export function shedView(db: Db): Shed {
  const counts = db
    .prepare(
      `SELECT 'lines' name, count(*) count FROM line UNION ALL SELECT 'stands', count(*) FROM stand
       UNION ALL SELECT 'plants', count(*) FROM plant UNION ALL SELECT 'scores', count(*) FROM score
       UNION ALL SELECT 'crosses', count(*) FROM cross UNION ALL SELECT 'seed lots', count(*) FROM lot
       UNION ALL SELECT 'history entries', count(*) FROM journal`,
    )
    .all() as Shed["counts"];
  return { ...base(db), path: db.name, counts, climate: climateView(db) };
}

const PAGE = 60;

export type History = { garden: Garden; band: Band; entries: JournalEntry[]; older: number | null };

export function historyView(db: Db, before: number | null): History {
  const entries = journal(db, before, PAGE);
  return { ...base(db), entries, older: entries.length === PAGE ? entries.at(-1)!.id : null };
}
