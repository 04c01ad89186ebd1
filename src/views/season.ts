import { speciesById } from "@/catalogue/catalogue";
import { seasonOf } from "@/core/climate/season";
import { groupBy } from "@/core/lists/groupBy";
import type { Db } from "@/db/open";
import { asOfDay, type Garden, garden } from "@/records/garden/queries";
import { seasonsWithStands, standsOfSeason } from "@/records/stand/queries";
import { type Band, band, type ForecastStand, forecast } from "./band";

export type Season = {
  garden: Garden;
  band: Band;
  season: number;
  seasons: number[];
  groups: { name: string; stands: (ForecastStand & { daysToRipe: { low: number; high: number } })[] }[];
};

export function seasonView(db: Db, wantedSeason: number | null): Season {
  const place = garden(db);
  const current = seasonOf(asOfDay(place), place.latitude);
  const season = wantedSeason ?? current;
  const stands = standsOfSeason(db, season).map((s) => ({
    ...forecast(s, place),
    daysToRipe: speciesById(s.species).daysToRipe,
  }));
  stands.sort((a, b) => (a.window.start < b.window.start ? -1 : 1));
  const groups = groupBy(stands, (s) => speciesById(s.species).crossingGroup);
  return {
    garden: place,
    band: band(place, season, stands, (s) => s.seedWanted === 1, 14),
    season,
    seasons: [...new Set([season, current, ...seasonsWithStands(db)])].sort((a, b) => b - a),
    groups: [...groups].map(([name, list]) => ({ name, stands: list })),
  };
}
