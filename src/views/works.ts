import { protocolKept, SPECIES } from "@/catalogue/catalogue";
import { dayNumber } from "@/core/calendar/day";
import { temperatureOn } from "@/core/climate/climate";
import { temperatureAt } from "@/core/climate/dayTemperature";
import { seasonOf } from "@/core/climate/season";
import { marksOf, momentOf } from "@/core/climate/sun";
import type { Stage } from "@/core/pollination/protocol";
import { type Factor, type FlowerFacts, whatWorks } from "@/core/pollination/whatWorks";
import type { Db } from "@/db/open";
import type { Garden } from "@/records/garden/queries";
import { standsOfSeason } from "@/records/stand/queries";
import { type Band, band } from "./band";
import { outlook } from "./outlook";

export type Works = {
  garden: Garden;
  band: Band;
  species: { id: string; name: string; flowers: number }[];
  chosen: string | null;
  flowers: number;
  set: number;
  factors: Factor[];
};

type Row = {
  set: 0 | 1;
  method: string | null;
  species: string;
  on: string;
  at: string | null;
  males: number | null;
  bud: Stage | null;
};

/** How the flowers of a species did in this garden, over all years, by what was kept of each. */
export function worksView(db: Db, wanted: string | null): Works {
  const sky = outlook(db);
  const { garden: place, climate } = sky;
  const rows = db
    .prepare(
      `SELECT f.state <> 'failed' "set", x.method, l.species, f.pollinatedOn "on", f.pollinatedAt "at", f.males, f.bud
       FROM flower f JOIN cross x ON x.id = f.crossId JOIN line l ON l.id = x.lineId
       WHERE f.fault IS NULL AND f.pollinatedOn IS NOT NULL
         AND (f.state IN ('set', 'harvested', 'failed') OR (f.state = 'lost' AND f.checkedOn IS NOT NULL))`,
    )
    .all() as Row[];
  const counts = new Map<string, number>();
  for (const { species } of rows) counts.set(species, (counts.get(species) ?? 0) + 1);
  const species = SPECIES.filter((s) => counts.has(s.id))
    .map((s) => ({ id: s.id, name: s.name, flowers: counts.get(s.id)! }))
    .sort((a, b) => b.flowers - a.flowers);
  const chosen = species.some((s) => s.id === wanted) ? wanted : (species[0]?.id ?? null);
  const marks = marksOf(place.latitude, place.longitude);
  const facts = rows
    .filter((row) => row.species === chosen)
    .map((row): FlowerFacts => {
      const temperature = temperatureOn(climate, dayNumber(row.on));
      const moment = row.at ? momentOf(row.on, row.at, place.timezone) : null;
      return {
        set: row.set === 1,
        method: protocolKept(row.species, row.method).name,
        hoursAfterSunrise: moment && (moment.getTime() - marks(row.on).sunrise.getTime()) / 3_600_000,
        temperature: moment && temperature && temperatureAt(temperature, marks(row.on), moment),
        noonHeat: temperature?.max ?? null,
        bud: row.bud,
        males: row.males,
      };
    });
  const season = seasonOf(sky.today, place.latitude);
  const stands = standsOfSeason(db, season).map((s) => sky.forecast(s));
  return {
    garden: place,
    band: band(sky, season, stands, (s) => s.species === chosen),
    species,
    chosen,
    flowers: facts.length,
    set: facts.filter((f) => f.set).length,
    factors: whatWorks(facts),
  };
}
