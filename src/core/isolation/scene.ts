import type { Climate } from "../climate/climate";
import type { Id } from "../custody/id";
import type { Correction } from "../flowering/correction";
import type { Flowering, FloweringFacts, Range, Sowing, Window } from "../flowering/facts";
import { flowering } from "../flowering/forecast";
import type { Plot, Point } from "../ground/shape";
import type { CrossingFacts } from "./crossing";
import type { Kernels, Vector } from "./kernel";

export type School = "keep-pure" | "cross-and-fix" | "let-it-mix";
export type FlowerCare = "open" | "covered" | "hand" | "removed";
/** How covered flowers are covered; cages may be opened on alternate days so that insects serve each in turn. */
export type Cover = "bags" | "cage" | "alternate-cages";
/** What a cage is hung with: net that holds insects, or cloth that holds the pollen that wind carries. */
export type Mesh = "net" | "cloth";
/** What its pollen does that even a mix does not want. */
export type Harm = "none" | "bitter" | "hot" | "male-sterile" | "wild";

/** What the isolation engine knows of a species. */
export type SceneSpecies = FloweringFacts &
  CrossingFacts & {
    outcrossing: Range;
    vector: Vector;
    /** It sets seed by itself under a bag. */
    selfs: boolean;
    /** A plant's own pollen is no use to it: it refuses it, or bears flowers of one sex. */
    refuses: boolean;
    byHand: boolean;
  };

export type Bed = Plot & { id: Id; name: string; outside: boolean };

export type SceneStand = {
  id: Id;
  lineId: Id;
  name: string;
  species: SceneSpecies;
  school: School;
  harm: Harm;
  bed: Bed;
  plants: number;
  /** Metres between plants. */
  spacing: number;
  sowing: Sowing;
  correction: Correction | null;
  window: Flowering;
  flowers: FlowerCare;
  cover: Cover | null;
  mesh: Mesh | null;
  /** Days between walks that take its flowers off. */
  removeEvery: number | null;
  /** Seed is saved only from so many plants, those farthest from the strongest source. */
  saveFrom: number | null;
  seedWanted: boolean;
  /** The share of strange fathers that the grower takes, 0–1. */
  limit: number;
  /** Rule-of-thumb metres at the chosen level of care. */
  isolation: number;
  /** Years that kept seed of this line stays alive yet; null where none is kept. */
  seedLasts: number | null;
};

/** Pollen from beyond the garden: a neighbour's crop, a field, a wild stand. */
export type SceneSource = {
  id: Id;
  name: string;
  kind: "neighbour" | "field" | "wild" | "ornamental";
  species: SceneSpecies;
  outline: Point[];
  plants: number;
  male: Window;
  /** How sure the grower is that it is there and flowering, 0–1. */
  presence: number;
  harm: Harm;
  /** The neighbour has agreed for this season. */
  agreed: boolean;
  /** He is to be asked already, and has not answered. */
  asked: boolean;
};

export type Barrier = { id: Id; name: string; path: Point[]; factor: number };

export type Scene = {
  stands: SceneStand[];
  sources: SceneSource[];
  barriers: Barrier[];
  beds: Bed[];
  /** The bearing from which the wind mostly blows, degrees. */
  windFrom: number | null;
  /** How far pollen reaches here, by what carries it. */
  kernels: Kernels;
  climate: Climate;
  /** The chance of ripening before frost that a proposed sowing must have, 0–1. */
  ripeWanted: number;
  today: string;
};

/**
 * The stand with its sowing (and what follows from it) changed.
 * @example sownAnew(stand(1), "2027-06-01", climate({ daily: [] })).window.start // "2027-07-26"
 */
export function sownAnew(stand: SceneStand, sown: string, climate: Climate): SceneStand {
  const sowing = { ...stand.sowing, sown, plantedOut: null, firstFlower: null };
  return { ...stand, sowing, window: flowering(sowing, stand.species, climate, stand.correction) };
}
