import { speciesById } from "@/catalogue/catalogue";
import { seasonOf } from "@/core/climate/season";
import { groupBy } from "@/core/lists/groupBy";
import type { Db } from "@/db/open";
import type { Garden } from "@/records/garden/queries";
import { seasonsWithStands, standsOfSeason } from "@/records/stand/queries";
import { type Band, band } from "./band";
import { type ForecastStand, outlook } from "./outlook";

export type Season = {
  garden: Garden;
  band: Band;
  season: number;
  seasons: number[];
  groups: { name: string; stands: (ForecastStand & { daysToRipe: { low: number; high: number } })[] }[];
};

export function seasonView(db: Db, wantedSeason: number | null): Season {
  const sky = outlook(db);
  const { garden: place } = sky;
  const current = seasonOf(sky.today, place.latitude);
  const season = wantedSeason ?? current;
  const stands = standsOfSeason(db, season).map((s) => ({
    ...sky.forecast(s),
    daysToRipe: speciesById(s.species).daysToRipe,
  }));
  stands.sort((a, b) => (a.window.start < b.window.start ? -1 : 1));
  const groups = groupBy(stands, (s) => speciesById(s.species).crossingGroup);
  return {
    garden: place,
    band: band(sky, season, stands, (s) => s.seedWanted === 1, 14),
    season,
    seasons: [...new Set([season, current, ...seasonsWithStands(db)])].sort((a, b) => b - a),
    groups: [...groups].map(([name, list]) => ({ name, stands: list })),
  };
}
