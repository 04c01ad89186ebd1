import { probit, shareBelow } from "../numbers/probit";

/** The species' constants of the viability equation: of its seed, of moisture, of warmth and of warmth squared. */
export type ViabilityConstants = { KE: number; CW: number; CH: number; CQ: number };

/**
 * Days in which seed ages by one probit of germination, at a moisture and a temperature:
 * log₁₀σ = KE − CW log₁₀(100·moisture) − CH·t − CQ·t².
 *
 * Source: Ellis & Roberts 1980.
 * @param moisture wet basis, 0–1, not 0
 * @param temperature °C
 * @example probitDays({ KE: 6.975, CW: 3.47, CH: 0.04, CQ: 0.000428 }, 0.08, 12) // 1993.64
 */
export const probitDays = ({ KE, CW, CH, CQ }: ViabilityConstants, moisture: number, temperature: number): number =>
  10 ** (KE - CW * Math.log10(100 * moisture) - CH * temperature - CQ * temperature ** 2);

export type SeedViabilityInput = {
  initialGermination: number;
  moisture: number;
  temperature: number;
  days: number;
  constants: ViabilityConstants;
};

/**
 * The share of seed that still germinates after days in a steady store: Φ(Φ⁻¹(g₀) − days/σ).
 *
 * Source: Ellis & Roberts 1980; probit-linear ageing.
 * @param input.initialGermination share that germinated at the start, above 0 and below 1
 * @param input.moisture wet basis, 0–1, not 0
 * @param input.temperature °C
 * @example seedViability({ initialGermination: 0.95, moisture: 0.08, temperature: 12, days: 1460,
 *   constants: { KE: 6.975, CW: 3.47, CH: 0.04, CQ: 0.000428 } }) // { germination: 0.8193 }
 */
export function seedViability({ initialGermination, moisture, temperature, days, constants }: SeedViabilityInput): {
  germination: number;
} {
  return { germination: shareBelow(probit(initialGermination) - days / probitDays(constants, moisture, temperature)) };
}
