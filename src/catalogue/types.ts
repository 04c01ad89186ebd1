import type { Range } from "@/core/flowering/facts";
import type { Degree } from "@/core/isolation/crossing";
import type { Vector } from "@/core/isolation/kernel";
import type { Petals } from "@/core/pollination/protocol";
import type { Storage } from "@/core/pollination/storedPollen";
import type { Way } from "@/core/seed/cleaning/ways";
import type { ViabilityConstants } from "@/core/seed/viability";

/** What a figure rests on; every figure of the catalogue names one. */
export type SourceKind = "standard" | "guidance" | "practice" | "working";

export const SOURCE_KINDS: Record<SourceKind, string> = {
  standard: "seed-production standards as commonly published",
  guidance: "general growing and seed-saving guidance",
  practice: "growers' practice; differs between gardens",
  working: "our working value, to be corrected by your own records",
};

export type Figure = Range & { source: SourceKind };

export type Care = "relaxed" | "usual" | "strict";
export const FLOWER_TYPES = [
  "large separate-sex flowers",
  "perfect flowers",
  "many small flowers in a head",
  "wind-pollinated separate flowers",
  "separate-sex plants",
] as const;

export type Species = {
  id: string;
  name: string;
  binomial: string;
  /** Other names that a grower may type. */
  names: string[];
  family: string;
  crossingGroup: string;
  crossesWith: string;
  /** Species of other crossing groups, told from one side only. */
  crosses: { with: string; degree: Degree; other?: Degree }[];
  wild: { name: string; degree: Degree; note: string }[];
  /** How it is told from look-alikes of its genus. */
  tellApart: string | null;
  lifeCycle: "annual" | "biennial" | "perennial grown as annual";
  breeding: "selfing" | "mixed" | "outcrossing";
  outcrossing: Figure;
  /** Sets of chromosomes: with more than two, selfing narrows more slowly. */
  ploidy: number;
  flowerType: (typeof FLOWER_TYPES)[number];
  vector: Vector;
  isolation: Record<Care, Figure>;
  plants: { "keep going": Figure; "keep well": Figure; "rare variety": Figure };
  plantSpacing: Figure;
  /** How it is raised; days count from sowing. */
  raise: { how: "tray" | "ground"; up: Figure; prickOut: Figure | null; plantOut: Figure | null; emergence: Figure };
  /** It needs a stake, a string or a net to stand upright. */
  stake: boolean;
  /** Seasons until its family should stand in the same bed again. */
  rotation: Figure;
  daysToFlower: Figure;
  flowerDays: Figure;
  femaleLag: Figure;
  daysToRipe: Figure;
  heat: {
    base: number;
    ceiling: number;
    degreeDays: Figure;
    /** Of seed in flesh: the warmth from which it ripens, and that at which it takes its days, °C; working values but tomato's. */
    ripens: { from: number; known: number } | null;
  };
  light: { kind: "any" | "long" | "short"; hours: Figure | null };
  /** Days of winter cold it needs: whole ones at a mean of `below` °C or less, none at `none`, part of one between. */
  cold: { below: number; none: number; days: Figure } | null;
  /** For crops that must stand a winter: the frost they stand, °C. */
  hardyTo: Figure | null;
  /** What lives through the winter lies in the ground, where thick mulch covers it. */
  inGround: boolean;
  tender: boolean;
  /** The night's temperature that kills it while it grows in the open, °C; null for what must stand a winter to flower. */
  kills: Figure | null;
  /** Days in which full-grown fruit that was picked unripe ripens on indoors, seed and all; null where it does not. */
  ripensIndoors: Figure | null;
  seedsPerGram: Figure;
  seedsPerFruit: Figure | null;
  seedsPerPlant: Figure;
  /** Share of hand-pollinated flowers that set. */
  handSet: Figure;
  shelfYears: Figure;
  ripeSign: string;
  /** The colour of its flowers as it is most often grown; drawings have it. */
  petals: Petals;
  /** F1 hybrids of it are often male-sterile: their offspring may bear no pollen at all. */
  maleSterile: boolean;
  /** Multiplied by runners, tubers, cuttings or division, so that one chosen seedling can be kept as it is. */
  multiplied: boolean;
  /** What pollen shows on this year's seed. */
  xenia: string | null;
  /** Whether a seed shows at once, before it is sown, whose pollen it is of. */
  seedShows: boolean;
  /** What differs between its kinds. */
  kinds: string | null;
  /** What seed carries on, and what to look for in plants that seed is saved from. */
  diseases: { name: string; look: string }[];
  /** What is often said of it, and what is so. */
  said: { said: string; so: string }[];
  seed: {
    /** Share of oil. */
    oil: Figure;
    /** A germination test's warmth, °C, and the days of its first and last count. */
    warmth: Figure;
    counts: Figure;
    /** What wakes seed that sleeps. */
    wake: string | null;
    /** Ways of cleaning it, the usual one first. */
    ways: Way[];
    /** What good seed does in water. */
    goodSeed: "sinks" | "floats" | "either";
    /** Whether chaff is blown off, or only sieved, as seed is as light. */
    chaff: "winnow" | "sieve";
    /** Days its fruit ripens on indoors. */
    afterRipening: Figure | null;
    /** Published constants of the viability equation. */
    viability: ViabilityConstants | null;
  };
  extraction: "dry" | "wet, rinse" | "wet, ferment";
  hazards: string[];
  /** Protocols it can be pollinated by, the usual one first. */
  methods: string[];
  /** Whether its stigmas take the plant's own pollen. */
  ownPollen: "taken" | "refused";
  pollenLife: Record<Storage, Figure>;
  /** Days by which cutting a plant back puts its flowers off; null where it does not flower again. */
  cutBack: Figure | null;
};
