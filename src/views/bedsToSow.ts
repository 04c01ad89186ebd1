import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { tooSoon } from "@/core/ground/rotation";
import { beds } from "@/records/bed/queries";
import { standByCode } from "@/records/stand/queries";
import { stoodInBeds } from "@/records/stand/rotation";
import type { Stand } from "@/records/stand/stand";
import type { Outlook } from "./outlook";

/** A bed with how many plants of the line still fit in that season, and what stood there too lately. */
export type BedToSow = { id: Id; name: string; fits: number; tooSoon: { name: string; season: number } | null };

const takenBy = ({ plants, wanted }: Pick<Stand, "plants" | "wanted">) => plants ?? wanted ?? 0;

/**
 * The garden's beds in a season, with the room that is left for a species.
 * @param but a planting that takes no room, as it is the one that a bed is looked for
 */
export function bedsToSow(sky: Outlook, species: string, season: number, but: Id | null = null): BedToSow[] {
  const { plantSpacing, family, rotation } = speciesById(species);
  const each = middle(plantSpacing) ** 2;
  const stood = stoodInBeds(sky.db, but);
  const there = sky.standsOf(season).filter(({ id, endedOn }) => endedOn === null && id !== but);
  return beds(sky.db)
    .filter(({ outside }) => !outside)
    .map(({ id, name, width, length }) => {
      const taken = there
        .filter(({ bedId }) => bedId === id)
        .reduce(
          (sum, one) => sum + takenBy(one) * (one.spacing ?? middle(speciesById(one.species).plantSpacing)) ** 2,
          0,
        );
      const before = tooSoon(stood, { bedId: id, family, season }, rotation.low);
      return {
        id,
        name,
        fits: Math.max(0, Math.floor((width * length - taken) / each)),
        tooSoon: before && { name: before.name, season: before.season },
      };
    });
}

/** The bed that has room and rest: else the one with most room of those that had rest. */
export function proposedBed(list: BedToSow[], plants: number): Id | null {
  const rested = list.filter(({ tooSoon: before, fits }) => before === null && fits > 0);
  const roomy = rested.filter(({ fits }) => fits >= plants);
  // As little room is left over as there may be.
  if (roomy.length > 0) return roomy.reduce((best, one) => (one.fits < best.fits ? one : best)).id;
  return rested.length > 0 ? rested.reduce((best, one) => (one.fits > best.fits ? one : best)).id : null;
}

/** Where a planting may be planted out: the beds, and the one that is its own or is proposed. */
export function bedsForStand(sky: Outlook, code: string): { beds: BedToSow[]; bedId: Id | null } | null {
  const stand = standByCode(sky.db, code);
  if (!stand) return null;
  const all = bedsToSow(sky, stand.species, stand.season, stand.id);
  return { beds: all, bedId: stand.bedId ?? proposedBed(all, takenBy(stand)) };
}
