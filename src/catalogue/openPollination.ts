import Joi from "joi";
import type { Span } from "@/core/calendar/day";
import { type Computation, plants, share, span } from "@/core/computations";
import { middle } from "@/core/flowering/facts";
import { plotAround } from "@/core/ground/shape";
import { airOver, fathersAt, type Place } from "@/core/isolation/arrival";
import { KERNELS } from "@/core/isolation/kernel";
import { newWays } from "@/core/isolation/share";
import { SPECIES, sceneSpecies, speciesById } from "./catalogue";
import { erring, metres, sideOf, standTold } from "./isolationShare";

export type OpenPollinationInput = {
  species: string;
  plantings: { id: string; plants: number; spacing: number; x: number; y: number; female: Span; male: Span }[];
  selfing?: number;
  background: number;
};

/** Of each planting's seed the share by the father's planting, its own selfed seed within its own; the rest from strangers. */
export type OpenPollination = {
  fathers: Record<string, Record<string, number>>;
  strangers: Record<string, number>;
};

/**
 * Who fathers the seed of plantings of one line that are left open, by the pollen that meets in their flowers.
 * @param input.plantings each a square of so many plants, metres, with the days its stigmas are open and its pollen flies
 * @param input.selfing the share of seed a plant sets by itself; the species' own where it isn't told
 * @param input.background the share of foreign pollen that nobody saw coming
 */
function openPollination({ species, plantings, selfing, background }: OpenPollinationInput): OpenPollination {
  const crop = speciesById(species);
  const selfed = selfing ?? 1 - middle(crop.outcrossing);
  const stands = plantings.map(({ x, y, female, male, ...told }) => {
    const plot = plotAround({ x, y }, sideOf(told), sideOf(told));
    const days = { female: erring(female, 0), male: erring(male, 0) };
    return standTold({ ...told, ...days, species: sceneSpecies(crop), plot, limit: 1 });
  });
  const place: Place = { stands, sources: [], barriers: [], windFrom: null, kernels: KERNELS };
  const [air, ways] = [airOver(place), newWays()];
  const fathers: OpenPollination["fathers"] = {};
  const strangers: OpenPollination["strangers"] = {};
  for (const stand of stands) {
    const { own, kin } = fathersAt(place, stand, air, ways);
    const crossed = (1 - selfed) * (1 - background);
    const others = Object.entries(kin).map(([id, part]) => [id, crossed * part] as const);
    fathers[stand.id] = { ...Object.fromEntries(others), [stand.id]: selfed + crossed * own };
    strangers[stand.id] = (1 - selfed) * background;
  }
  return { fathers, strangers };
}

export const OPEN_POLLINATION: Computation = {
  name: "open-pollination",
  what: "Who fathers the open seed of plantings of one line: of each planting's seed the share by the father's planting, and from strangers.",
  source:
    "docs/models.md; 2Dt dispersal kernels with working values, set beside published cases: an order of magnitude",
  schema: Joi.object<OpenPollinationInput>({
    species: Joi.string()
      .valid(...SPECIES.map(({ id }) => id))
      .required(),
    plantings: Joi.array()
      .items(
        Joi.object({
          id: Joi.string().max(100).required(),
          plants: plants.required(),
          spacing: metres.greater(0).required(),
          x: Joi.number().min(-1e5).max(1e5).required(),
          y: Joi.number().min(-1e5).max(1e5).required(),
          female: span.required(),
          male: span.required(),
        }),
      )
      .min(1)
      .max(100)
      .unique("id")
      .required(),
    selfing: share,
    background: share.required(),
  }),
  long: true,
  run: openPollination,
};
