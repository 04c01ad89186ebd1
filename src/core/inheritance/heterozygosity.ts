export type HeterozygosityInput = { generations: number; selfingRate: number; initial: number };

/**
 * One generation of inbreeding: F′ = s(1+F)/2. A share s of the seed is selfed, the rest outcrossed at random. With k sets of
 * chromosomes that pair at random F′ = s(1 + (2k−3)F)/(2k−2), which is the same for two.
 */
const nextInbreeding = (inbreeding: number, selfingRate: number, sets = 2): number =>
  (selfingRate * (1 + (2 * sets - 3) * inbreeding)) / (2 * sets - 2);

/**
 * Inbreeding and expected heterozygosity after generations of partial selfing, without selection.
 *
 * Source: F′ = s(1+F)/2 from F = 0, H = H₀(1−F); the standard mixed-mating recursion.
 * @param input.generations whole number from 0
 * @param input.selfingRate share of seed that is selfed, 0–1
 * @param input.initial heterozygosity at the start, 0–1
 * @returns inbreeding and heterozygosity, 0–1
 * @example heterozygosity({ generations: 5, selfingRate: 1, initial: 0.5 }) // { inbreeding: 0.96875, heterozygosity: 0.015625 }
 */
export function heterozygosity({ generations, selfingRate, initial }: HeterozygosityInput): {
  inbreeding: number;
  heterozygosity: number;
} {
  let inbreeding = 0;
  for (let t = 0; t < generations; t++) inbreeding = nextInbreeding(inbreeding, selfingRate);
  return { inbreeding, heterozygosity: initial * (1 - inbreeding) };
}

/**
 * Expected share of a cross's differing genes that are still mixed in one plant, generation by generation from the F1.
 *
 * The same recursion, begun at the F1: against seed crossed at random among many plants an F1 of two pure lines has
 * F = −1/(k−1), with k sets of chromosomes, and all of it is mixed. Kinship among few parents is not counted, so with few
 * parents the true figure is lower. With more than two sets selfing narrows more slowly: by 1/(2k−2) a generation.
 * @param selfedShares for each step F1→F2, F2→F3 … the share of that seed that came from selfing, 0–1
 * @param sets of chromosomes, 2 or more, which pair at random
 * @returns one figure a generation, the F1's first
 * @example mixedByGeneration([1, 1]) // [1, 0.5, 0.25]
 */
export function mixedByGeneration(selfedShares: number[], sets = 2): number[] {
  const first = -1 / (sets - 1);
  let inbreeding = first;
  const mixed = [1];
  for (const share of selfedShares) {
    inbreeding = nextInbreeding(inbreeding, share, sets);
    mixed.push((1 - inbreeding) / (1 - first));
  }
  return mixed;
}
