/**
 * The mass at which seed is as dry as it should be: only water leaves, m(1−M₀)/(1−Mₜ), moistures on wet basis.
 * @param input.massNow grams, or any unit: the answer is in the same
 * @param input.moistureNow and input.moistureTarget shares of the wet mass, 0–1, not 1
 * @example moistureTarget({ massNow: 200, moistureNow: 0.18, moistureTarget: 0.07 }) // { massTarget: 176.344 }
 */
export const moistureTarget = (input: { massNow: number; moistureNow: number; moistureTarget: number }) => ({
  massTarget: (input.massNow * (1 - input.moistureNow)) / (1 - input.moistureTarget),
});

/** Seed neither dries nor wets beyond these by itself, wet basis; outside them the isotherm is no guide. */
const DRIEST = 0.03;
const WETTEST = 0.3;

/**
 * The moisture that seed comes to in air, wet basis: (1 − oil) √(−440 ln(1 − humidity) / (1.1 + t/90)) % of the dry mass.
 *
 * Source: Cromarty, Ellis & Roberts 1985; a general isotherm, a percent or so off for any one crop.
 * @param air.humidity relative, 0–1
 * @param air.temperature °C
 * @param oil share of oil in the seed, 0–1
 * @example airDryMoisture({ humidity: 0.5, temperature: 20 }, 0.22) // 0.1059
 */
export function airDryMoisture(air: { humidity: number; temperature: number }, oil: number): number {
  const humidity = Math.min(0.95, Math.max(0.02, air.humidity));
  const dryBasis = ((1 - oil) * Math.sqrt((-440 * Math.log(1 - humidity)) / (1.1 + air.temperature / 90))) / 100;
  return Math.min(WETTEST, Math.max(DRIEST, dryBasis / (1 + dryBasis)));
}
