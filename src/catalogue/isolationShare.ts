import Joi from "joi";
import { addDays, type Span } from "@/core/calendar/day";
import { type Computation, plants, share, span } from "@/core/computations";
import type { Window } from "@/core/flowering/facts";
import { atBearing, cornersAround, cornersOf, gap, type Plot, type Point, plotAround } from "@/core/ground/shape";
import { arrivalAt } from "@/core/isolation/arrival";
import { BARRIER_FACTORS, type BarrierKind } from "@/core/isolation/barrier";
import { KERNELS } from "@/core/isolation/kernel";
import type { Scene, SceneSource, SceneSpecies, SceneStand } from "@/core/isolation/scene";
import { SPECIES, sceneKin, sceneSpecies, speciesById } from "./catalogue";

type Placed = { plants: number; width?: number; length?: number; male: Span; doubt: number };

export type ShareInput = {
  species: string;
  limit: number;
  receptor: Placed & { spacing: number; female: Span };
  sources: (Placed & {
    species: string;
    distance: number;
    bearing?: number | null;
    presence: number;
    barriers: (number | BarrierKind)[];
  })[];
  windFrom?: number | null;
};

/** The share that strangers father: likely, the range of nine tenths, and the chance that it exceeds the limit. */
export type ToldShare = { likely: number; low: number; high: number; chanceOver: number };

const KIN = new Map(
  SPECIES.flatMap((s) => s.wild.map(({ name }) => [name.toLowerCase(), { crop: s.id, name }] as const)),
);

/** A source's species: of the catalogue, or what grows wild as kin of one. */
function sourceSpecies(told: string): SceneSpecies {
  const { crop, name } = KIN.get(told.toLowerCase()) ?? { crop: told.toLowerCase(), name: "" };
  return sceneKin(crop, name);
}

export const erring = (span: Span, doubt: number): Window => ({
  ...span,
  earliest: addDays(span.start, -doubt),
  latest: addDays(span.end, doubt),
});

/** A stand as it is told: open flowers, seed wanted, its days as given. */
export const standTold = ({
  id,
  species,
  plot,
  plants,
  spacing,
  limit,
  female,
  male,
}: Pick<SceneStand, "id" | "species" | "plants" | "spacing" | "limit"> & {
  plot: Plot;
  female: Window;
  male: Window;
}): SceneStand => ({
  id,
  lineId: "line",
  name: "the stand",
  species,
  school: "keep-pure",
  harm: "none",
  bed: { ...plot, id: "bed", name: "the bed", outside: false },
  plants,
  spacing,
  sowing: { sown: female.start },
  correction: null,
  window: {
    ...female,
    startLatest: female.start,
    fate: "flowers",
    female,
    male,
    observed: false,
    basis: "seen",
    notes: [],
    ripe: female.end,
    ripens: true,
    ripeEarliest: female.end,
    ripeLatest: female.end,
    kill: null,
    stands: true,
  },
  flowers: "open",
  cover: null,
  mesh: null,
  removeEvery: null,
  saveFrom: null,
  seedWanted: true,
  limit,
  isolation: 0,
  seedLasts: null,
});

/** The side of the square that so many plants fill, m. */
export const sideOf = ({ plants, spacing }: { plants: number; spacing: number }): number =>
  spacing * Math.ceil(Math.sqrt(plants));

/** Where the stand's middle lies. */
const HOME: Point = { x: 0, y: 0 };

/** A source's outline, its edge so far from the stand's in a direction: the middle is moved until it is. */
function outlineAt(stand: Plot, { width = 0, length = 0, distance, bearing }: ShareInput["sources"][number]): Point[] {
  // Nobody said where: it lies beside the longer side.
  const towards = bearing ?? (stand.length >= stand.width ? 90 : 0);
  const at = (far: number) => cornersAround(atBearing(HOME, towards, far), width, length);
  const home = cornersOf(stand);
  let [near, far] = [0, distance + stand.width + stand.length + width + length];
  for (let i = 0; i < 60; i++) {
    const middle = (near + far) / 2;
    if (gap(at(middle), home) < distance) near = middle;
    else far = middle;
  }
  return at(far);
}

/**
 * The share of a stand's seed that strangers may father, as the ground's screen says it, for a place that is told.
 * @param input.receptor plants, metres, female and male days, and by how many days the flowering may err (nine tenths)
 * @param input.sources the same of each source, metres from edge to edge, the odds that it is there, and what lies between
 */
function isolationShare({ species, limit, receptor, sources, windFrom }: ShareInput): ToldShare {
  const crop = sceneSpecies(speciesById(species));
  const side = sideOf(receptor);
  const plot = plotAround(HOME, receptor.width || side, receptor.length || side);
  const [female, male] = [erring(receptor.female, receptor.doubt), erring(receptor.male, receptor.doubt)];
  const stand = standTold({
    id: "stand",
    species: crop,
    plot,
    plants: receptor.plants,
    spacing: receptor.spacing,
    limit,
    female,
    male,
  });
  const scene: Pick<Scene, "stands" | "sources" | "barriers" | "windFrom" | "kernels"> = {
    stands: [stand],
    sources: sources.map(
      (source, i): SceneSource => ({
        id: String(i),
        name: source.species,
        kind: "field",
        species: sourceSpecies(source.species),
        outline: outlineAt(plot, source),
        // What lies between lets only so much of it through.
        plants: source.barriers.reduce(
          (plants: number, barrier) => plants * (typeof barrier === "number" ? barrier : BARRIER_FACTORS[barrier]),
          source.plants,
        ),
        male: erring(source.male, source.doubt),
        presence: source.presence,
        harm: "none",
        agreed: false,
        asked: false,
      }),
    ),
    barriers: [],
    // Without a bearing the wind's side is not known either.
    windFrom: sources.every((source) => typeof source.bearing === "number") ? (windFrom ?? null) : null,
    kernels: KERNELS,
  };
  const { likely, low, high, chanceOver } = arrivalAt(scene, stand);
  return { likely, low, high, chanceOver };
}

export const metres = Joi.number().min(0).max(1e6);
const doubt = Joi.number().integer().min(0).max(120).default(0);

export const ISOLATION_SHARE: Computation = {
  name: "isolation-share",
  what: "The share of a stand's seed that strangers father: likely, a range of nine tenths, and the chance that it exceeds a limit.",
  source:
    "docs/models.md; 2Dt dispersal kernels with working values, set beside published cases: an order of magnitude",
  schema: Joi.object<ShareInput>({
    species: Joi.string()
      .valid(...SPECIES.map(({ id }) => id))
      .required(),
    limit: share.required(),
    receptor: Joi.object({
      plants: plants.required(),
      width: metres,
      length: metres,
      spacing: metres.greater(0).required(),
      female: span.required(),
      male: span.required(),
      doubt,
    }).required(),
    sources: Joi.array()
      .items(
        Joi.object({
          species: Joi.string()
            .insensitive()
            .valid(...SPECIES.map(({ id }) => id), ...[...KIN.values()].map(({ name }) => name))
            .required(),
          plants: plants.required(),
          width: metres,
          length: metres,
          distance: metres.required(),
          bearing: Joi.number().min(0).max(360).allow(null),
          male: span.required(),
          doubt,
          presence: share.default(1),
          barriers: Joi.array()
            .items(share, Joi.string().valid(...Object.keys(BARRIER_FACTORS)))
            .max(100)
            .default([]),
        }),
      )
      .max(1000)
      .required(),
    windFrom: Joi.number().min(0).max(360).allow(null),
  }),
  run: isolationShare,
};
