import { alleleRetention, effectiveSize, inbreedingGrowth } from "./smallPopulation";

export type EnoughInput = {
  /** Plants that stand, or that are planned. */
  plants: number;
  /** Share of flowers selfed, 0–1. */
  selfingRate: number;
  /** Shares lost to roguing and to mishap before seed, 0–1. */
  rogued: number;
  mishap: number;
  /** For separate-sex plants: the share that are males, 0–1; null where every plant is both. */
  males: number | null;
  /** Frequency of the rare gene that is to be kept, and the chance wanted of keeping it. */
  frequency: number;
  confidence: number;
  generations: number;
};

export type EnoughAnswer = {
  /** Parents left after roguing and mishap. */
  parents: number;
  effective: number;
  /** Chance that the rare gene is among them. */
  saved: number;
  /** Inbreeding after the generations, 0–1. */
  inbreeding: number;
  /** Plants to begin with, so that the gene is kept with the wanted chance. */
  need: number;
};

/**
 * Whether a stand is enough parents: what is left of it, how many that is worth, the chance that a rare gene is still
 * among them, and the inbreeding that so few bring over the generations.
 *
 * By `effective-size` (separate sexes or partial selfing), `allele-retention` and `inbreeding-growth`.
 * @example enoughPlants({ plants: 40, selfingRate: 0.5, rogued: 0.1, mishap: 0.1, males: null, frequency: 0.05, confidence: 0.9, generations: 10 }).parents // 32
 */
export function enoughPlants(input: EnoughInput): EnoughAnswer {
  const { selfingRate, rogued, mishap, males, frequency, confidence, generations } = input;
  const left = (1 - rogued) * (1 - mishap);
  const inbreeding = selfingRate / (2 - selfingRate);
  const parentsOf = (plants: number) => Math.floor(plants * left + 1e-9);
  const savedAt = (plants: number) =>
    alleleRetention({ plants: parentsOf(plants), frequency, inbreeding: males === null ? inbreeding : 0 }).probability;
  const parents = parentsOf(input.plants);
  const effective = effectiveOf(parents, males, selfingRate);
  let need = 1;
  while (savedAt(need) < confidence && need < 100_000) need = need < 200 ? need + 1 : Math.ceil(need * 1.02);
  return {
    parents,
    effective,
    saved: savedAt(input.plants),
    inbreeding: effective < 0.5 ? 1 : inbreedingGrowth({ effectiveSize: effective, generations }).inbreeding,
    need,
  };
}

function effectiveOf(parents: number, males: number | null, selfingRate: number): number {
  if (parents === 0) return 0;
  if (males === null) return effectiveSize({ kind: "selfing", plants: parents, selfingRate }).effectiveSize;
  const fathers = parents * males;
  if (fathers <= 0 || fathers >= parents) return 0;
  return effectiveSize({ kind: "dioecious", males: fathers, females: parents - fathers }).effectiveSize;
}
