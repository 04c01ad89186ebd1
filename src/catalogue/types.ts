import type { Range } from "@/core/flowering/forecast";

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
export type FlowerType =
  | "large separate-sex flowers"
  | "perfect flowers"
  | "many small flowers in a head"
  | "wind-pollinated separate flowers";

export type Species = {
  id: string;
  name: string;
  binomial: string;
  family: string;
  crossingGroup: string;
  crossesWith: string;
  lifeCycle: "annual" | "biennial" | "perennial grown as annual";
  breeding: "selfing" | "mixed" | "outcrossing";
  outcrossing: Figure;
  flowerType: FlowerType;
  vector: "insects" | "wind" | "own pollen, sometimes insects";
  isolation: Record<Care, Figure>;
  plants: { "keep going": Figure; "keep well": Figure; "rare variety": Figure };
  daysToFlower: Figure;
  flowerDays: Figure;
  daysToRipe: Figure;
  seedsPerGram: Figure;
  seedsPerFruit: Figure | null;
  /** Share of hand-pollinated flowers that set. */
  handSet: Figure;
  shelfYears: Figure;
  ripeSign: string;
  extraction: "dry" | "wet, rinse" | "wet, ferment";
  hazards: string[];
  protocol: string | null;
};
