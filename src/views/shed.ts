import { addDays, type Day, dayNumber } from "@/core/calendar/day";
import { temperatureOn } from "@/core/climate/climate";
import { growingDegreeDays } from "@/core/climate/degreeDays";
import { type Frosts, frostFreeUntil, frostOverBy } from "@/core/climate/frost";
import { inSeason, seasonSpan } from "@/core/climate/season";
import type { Normals } from "@/core/climate/temperature";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { readDay } from "@/core/writing/days";
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

const base = (sky: Outlook) => ({
  garden: sky.garden,
  band: sky.once("bare band", () => band(sky, sky.season, [])),
});

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

const PAGE = 100;

/** Entries that go together: a day's scores of one family are one row. */
export type Told = { code: string | null; entries: Entry[] };

export type History = {
  garden: Garden;
  band: Band;
  days: { day: Day; rows: Told[] }[];
  older: Id | null;
  words: string;
  day: Day | null;
};

/** The family that a score's entry speaks of; null for any other entry. */
const scoredIn = ({ command, summary }: Entry): string | null =>
  command === "score.set" ? (/^\S+/.exec(summary)?.[0] ?? null) : null;

function rowsOfDay(list: Entry[]): Told[] {
  const rows: Told[] = [];
  for (const entry of list) {
    const code = scoredIn(entry);
    const known = code !== null && rows.find((row) => row.code === code);
    if (known) known.entries.push(entry);
    else rows.push({ code, entries: [entry] });
  }
  return rows;
}

/** What was recorded, newest first, of a day or with words in it. A day that can't be read asks for none. */
export function historyView(sky: Outlook, asked: { before: Id | null; words: string; day: string }): History {
  const read = readDay(asked.day, sky.today);
  const day = read.kind === "read" ? read.value : null;
  const { words } = asked;
  const list = entries(sky.db, { before: asked.before, day, words }, PAGE);
  return {
    ...base(sky),
    days: [...groupBy(list, (entry) => entry.day)].map(([on, its]) => ({ day: on, rows: rowsOfDay(its) })),
    older: list.length === PAGE ? list.at(-1)!.id : null,
    words,
    day,
  };
}

export type Copies = { band: Band; merges: Entry[] };

export const copiesView = (sky: Outlook): Copies => ({ ...base(sky), merges: entriesOf(sky.db, "garden.merge") });
