import type { Handling } from "../handlings";
import type { VesselKind } from "../vessels";

/** One step of a way: what is done, into what, and how long after the step before, hours. */
export type WayStep = {
  act: Handling;
  title: string;
  how: string;
  into: VesselKind | null;
  after: { from: number; best: number; last: number | null };
  /** What comes of it when it is done too late. */
  otherwise: string | null;
  /** Cautions that belong to it, by their names in the catalogue. */
  hazards: string[];
};

/** What a lot's cleaning goes by, besides its way. */
export type CleaningFacts = {
  /** Warmth of the room, °C. */
  warmth: number;
  /** A little of a finished ferment was put in. */
  starter: boolean;
  goodSeed: "sinks" | "floats" | "either";
  chaff: "winnow" | "sieve";
  /** Hot fruit: gloves. */
  hot: boolean;
};

/** A way of getting seed clean. */
export type CleaningWay = {
  name: string;
  /** Whether seed gets wet on its way. */
  wet: boolean;
  /** From fruit or heads to the plate it dries on. */
  steps: (facts: CleaningFacts) => WayStep[];
};

/** When a step is done after the one before it, hours. @example hoursAfter(2) // { from: 2, best: 2, last: null } */
export const hoursAfter = (from: number, best = from, last: number | null = null): WayStep["after"] => ({
  from,
  best,
  last,
});
