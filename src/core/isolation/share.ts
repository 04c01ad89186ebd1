import type { Id } from "../custody/id";
import type { Degree } from "./crossing";
import type { Harm } from "./scene";

/** A share with the range that uncertain windows, distances, kernel and presence give it, 0–1. */
export type Share = { low: number; likely: number; high: number };

/**
 * A share whose ends may have come out the wrong way round.
 * @example ordered(0.3, 0.2, 0.1) // { low: 0.1, likely: 0.2, high: 0.3 }
 */
export const ordered = (low: number, likely: number, high: number): Share => ({
  low: Math.min(low, likely, high),
  likely,
  high: Math.max(low, likely, high),
});

/** What lies between a stand and a source. */
export type Way = { near: number; middle: number; far: number; wind: number; barrier: number; between: string[] };

/** Ways that were reckoned once, by the places at both ends; kept by the caller while nothing on the ground moves. */
export type Ways = Map<string, Way>;

export type SourceShare = Share & {
  /** `stand 3` or `source 2`. */
  key: string;
  kind: "stand" | "source";
  id: Id;
  name: string;
  harm: Harm;
  way: Way;
  /** Days that its pollen and the stand's open stigmas share, by the likely windows. */
  days: number;
  degree: Degree;
  /** Plants that shed, what keeps pollen in and the odds of their being there counted. */
  sheds: number;
  male: { start: string; end: string };
};

export type Arrival = Share & { bySource: SourceShare[]; pollinatedShare: number };
