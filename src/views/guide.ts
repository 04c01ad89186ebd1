import { methodsOf, SPECIES } from "@/catalogue/catalogue";
import { cautionsAt } from "@/catalogue/hazards";
import { SOURCE_KINDS, type Species } from "@/catalogue/types";
import { type Degree, degreeOf } from "@/core/isolation/crossing";
import type { Protocol } from "@/core/pollination/protocol";
import type { Garden } from "@/records/garden/garden";
import { speciesGrown } from "@/records/line/queries";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";

export type Base = { garden: Garden; band: Band };

/** The band above a page of the guide, with what grows of a species or of all. */
export const base = (sky: Outlook, species: string | null): Base => {
  const { garden: place, season } = sky;
  const stands = sky.standsOf(season).filter((s) => !species || s.species === species);
  return {
    garden: place,
    band: band(sky, season, stands),
  };
};

/** What the list shows of each species: the whole of it would be sent to the browser for nothing. */
const LISTED = SPECIES.map(
  ({ id, name, binomial, names, family, lifeCycle, breeding, vector, outcrossing, flowerType, crossesWith }) => ({
    id,
    name,
    binomial,
    names,
    family,
    lifeCycle,
    breeding,
    vector,
    outcrossing,
    flowerType,
    crossesWith,
  }),
);

export type Guide = { garden: Garden; band: Band; species: typeof LISTED; grown: string[] };

export function guideView(sky: Outlook): Guide {
  return { ...base(sky, null), species: LISTED, grown: speciesGrown(sky.db) };
}

export type SpeciesView = {
  garden: Garden;
  band: Band;
  species: Species;
  /** Ways to pollinate it by hand, the usual one first: for another's pollen, then those for its own alone. */
  protocols: Protocol[];
  hazards: { title: string; caution: string }[];
  sources: Record<string, string>;
  /** Other species of the catalogue in the same crossing group. */
  kin: string[];
  /** What else crosses with it, to a degree: other groups of the catalogue, and wild kin. */
  relatives: { name: string; degree: Degree; note: string }[];
};

export function speciesView(sky: Outlook, id: string): SpeciesView | null {
  const species = SPECIES.find((s) => s.id === id);
  if (!species) return null;
  return {
    ...base(sky, id),
    species,
    protocols: [...new Set([...methodsOf(species, false), ...methodsOf(species, true)])],
    hazards: cautionsAt(species.hazards),
    sources: SOURCE_KINDS,
    relatives: [
      ...SPECIES.flatMap((other) => {
        const degree = other.crossingGroup === species.crossingGroup ? null : degreeOf(species, other);
        return degree ? [{ name: other.name, degree, note: "" }] : [];
      }),
      ...species.wild,
    ],
    kin: SPECIES.filter((s) => s.crossingGroup === species.crossingGroup && s.id !== id).map((s) => s.name),
  };
}
