import { protocolKept, SPECIES } from "@/catalogue/catalogue";
import { dayNumber } from "@/core/calendar/day";
import { temperatureOn } from "@/core/climate/climate";
import { temperatureAt } from "@/core/climate/dayTemperature";
import { marksOf, momentOf } from "@/core/climate/sun";
import { type Factor, type FlowerFacts, whatWorks } from "@/core/pollination/whatWorks";
import { flowerFates } from "@/records/flower/queries";
import type { Garden } from "@/records/garden/garden";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";

export type Works = {
  garden: Garden;
  band: Band;
  species: { id: string; name: string; flowers: number }[];
  chosen: string | null;
  flowers: number;
  set: number;
  factors: Factor[];
};

/** How the flowers of a species did in this garden, over all years, by what was kept of each. */
export const worksView = (sky: Outlook, wanted: string | null): Works =>
  sky.once(`works ${wanted}`, () => learned(sky, wanted));

function learned(sky: Outlook, wanted: string | null): Works {
  const { garden: place, climate } = sky;
  const rows = flowerFates(sky.db);
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
  const { season } = sky;
  const stands = sky.standsOf(season);
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
