import type { Id } from "../custody/id";
import type { Degree } from "./crossing";
import type { Harm } from "./scene";
import type { Spread } from "./spread";

/** A share, 0–1: as everything is likeliest, and the range in which nine tenths of what may be so leave it. */
export type Share = { low: number; likely: number; high: number };

/** What lies between a stand and a source: metres from edge to edge and between middles, and how pollen comes over. */
export type Way = { near: number; middle: number; wind: number; barrier: number; between: string[]; spread: Spread };

type Kept<What> = { get: (key: string) => What | undefined; set: (key: string, what: What) => unknown };

/** Ways that were reckoned once, by the places at both ends; kept by the caller while barriers and wind stay as they are. */
export type Ways = { between: Kept<Way>; within: Kept<Spread> };

/** No ways yet. @example newWays().between.get("bed 1") // undefined */
export const newWays = (): Ways => ({ between: new Map(), within: new Map() });

export type SourceShare = {
  likely: number;
  /** `stand 3` or `source 2`. */
  key: string;
  kind: "stand" | "source";
  id: Id;
  name: string;
  harm: Harm;
  way: Omit<Way, "spread"> & {
    /** The one distance that lets as much pollen over as all ways between both beds do, m. */
    as: number;
  };
  /** Days that its pollen and the stand's open stigmas share, by the likely windows. */
  days: number;
  degree: Degree;
  /** Plants that shed, what keeps pollen in and the odds of their being there counted. */
  sheds: number;
  male: { start: string; end: string };
};

export type Arrival = Share & {
  /** The chance that the share exceeds what the line takes, 0–1. */
  chanceOver: number;
  bySource: SourceShare[];
  pollinatedShare: number;
  /** The one spacing at which its own plants would answer as they do where they stand, m. */
  ownAs: number;
};
