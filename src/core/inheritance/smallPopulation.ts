export type EffectiveSizeInput =
  | { kind: "dioecious"; males: number; females: number }
  | { kind: "family-variance"; plants: number; variance: number }
  | { kind: "selfing"; plants: number; selfingRate: number };

/**
 * The effective number of parents: how many, mating evenly at random, would lose variety as fast as these do.
 *
 * Source: Wright 1931 for separate sexes, 4mf/(m+f); Crow & Kimura 1970 for unequal families, (4N−2)/(V+2); partial
 * selfing at equilibrium, N/(1+F) with F = s/(2−s).
 * @returns {{effectiveSize: number}} plants
 * @example effectiveSize({ kind: "dioecious", males: 6, females: 24 }) // { effectiveSize: 19.2 }
 */
export function effectiveSize(input: EffectiveSizeInput): { effectiveSize: number } {
  switch (input.kind) {
    case "dioecious":
      return { effectiveSize: (4 * input.males * input.females) / (input.males + input.females) };
    case "family-variance":
      return { effectiveSize: (4 * input.plants - 2) / (input.variance + 2) };
    case "selfing":
      return { effectiveSize: input.plants / (1 + input.selfingRate / (2 - input.selfingRate)) };
  }
}

export type AlleleRetentionInput = { plants: number; frequency: number; inbreeding?: number };

/**
 * The chance that a gene of a given frequency is in at least one of the plants: 1 − [(1−p)² + F p(1−p)]ⁿ.
 * @param input.frequency p, 0–1
 * @param input.inbreeding F of the plants, 0–1
 * @returns {{probability: number}}
 * @example alleleRetention({ plants: 20, frequency: 0.05 }) // { probability: 0.8715 }
 */
export function alleleRetention({ plants, frequency: p, inbreeding = 0 }: AlleleRetentionInput): {
  probability: number;
} {
  return { probability: 1 - ((1 - p) ** 2 + inbreeding * p * (1 - p)) ** plants };
}

export type InbreedingGrowthInput = { effectiveSize: number; generations: number; initial?: number };

/**
 * Inbreeding after generations at an effective size: 1 − (1−F₀)(1−1/2Nₑ)ᵗ. Source: Wright 1931.
 * @param input.effectiveSize Nₑ, at least ½
 * @returns {{inbreeding: number}} 0–1
 * @example inbreedingGrowth({ effectiveSize: 10, generations: 5 }) // { inbreeding: 0.2262 }
 */
export function inbreedingGrowth({ effectiveSize: size, generations, initial = 0 }: InbreedingGrowthInput): {
  inbreeding: number;
} {
  return { inbreeding: 1 - (1 - initial) * (1 - 1 / (2 * size)) ** generations };
}
