import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { groupBy } from "@/core/lists/groupBy";
import { type Air, type Clock, clockOf, ROOM, type SeedFacts, type Stay } from "@/core/seed/ageing";
import { airMeasured, allStores, stays } from "@/records/store/queries";
import type { Store } from "@/records/store/store";
import type { Outlook } from "./outlook";

export const seedFactsOf = (species: string): SeedFacts => {
  const { seed, shelfYears } = speciesById(species);
  return { oil: middle(seed.oil), shelfYears, viability: seed.viability };
};

/** The air of a place, or of a day in it, as a clock takes it. */
export const airOf = ({ temperature, humidity }: Pick<Store, "temperature" | "humidity">): Air => ({
  temperature,
  humidity: humidity / 100,
});

/** How a lot lay, as its species' clocks tell it. */
export type Lain = { stays: Stay[]; room: Clock };

/** How lots lay up to the as-of day: one clock for each species in each place. */
export const lainOf = (sky: Outlook): ((lotId: Id, species: string) => Lain) =>
  sky.once("lain", () => {
    const { db, today } = sky;
    const places = allStores(db);
    const measured = groupBy(airMeasured(db, today), ({ storeId }) => storeId);
    const lay = groupBy(
      stays(db).filter(({ since }) => since <= today),
      ({ lotId }) => lotId,
    );
    const clocks = new Map<string, Clock>();
    const clock = (species: string, storeId: Id | null): Clock => {
      const key = `${species} ${storeId}`;
      const place = storeId && places.get(storeId);
      const days = place ? (measured.get(place.id) ?? []) : [];
      const made =
        clocks.get(key) ??
        clockOf(
          seedFactsOf(species),
          place ? airOf(place) : ROOM,
          days.map((day) => ({ on: day.on, ...airOf(day) })),
        );
      clocks.set(key, made);
      return made;
    };
    return (lotId, species) => ({
      stays: (lay.get(lotId) ?? []).map(({ since, storeId }) => ({ from: since, clock: clock(species, storeId) })),
      room: clock(species, null),
    });
  });
