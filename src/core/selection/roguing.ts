import { type Day, daysBetween } from "../calendar/day";
import { dailyWeights } from "../isolation/contamination";
import { shareRange } from "../numbers/betaRange";

export type Removal = { late: boolean; daysAfter: number };

/**
 * Whether a plant was taken out after its stand began to flower, when its pollen may already be in its neighbours'
 * seed.
 * @param firstFlower the stand's first flower, observed or forecast
 * @example removal("2027-07-12", "2027-07-09") // { late: true, daysAfter: 3 }
 */
export function removal(removedOn: Day, firstFlower: Day): Removal {
  const daysAfter = daysBetween(firstFlower, removedOn);
  return { late: daysAfter > 0, daysAfter: Math.max(0, daysAfter) };
}

/**
 * The share of its pollen that a plant has shed before a day, if it flowers as its stand does: pollen comes in a hump over the
 * days of its flowering (the weights of `contamination`).
 * @param window first and last day of the stand's pollen
 * @param on the day on which it was taken out, before that day's pollen
 * @example shedBy({ start: "2027-07-01", end: "2027-07-10" }, "2027-07-06") // 0.5
 */
export function shedBy({ start, end }: { start: Day; end: Day }, on: Day): number {
  const weights = dailyWeights(daysBetween(start, end) + 1);
  const before = Math.min(weights.length, Math.max(0, daysBetween(start, on)));
  return weights.slice(0, before).reduce((sum, weight) => sum + weight, 0);
}

/** How an off-type is inherited, as far as anyone knows. */
export type Inheritance = "recessive" | "dominant" | "unknown";

/**
 * How frequent an off-type's gene is where so many of so many plants show it: with its nine-tenths range by Jeffreys'
 * interval. Plants with two of the gene are q² + F q(1 − q) of all.
 * @param inheritance recessive or dominant; unknown counts as recessive, which hides most
 * @param inbreeding F of the plants, 0–1
 * @example geneFrequency(9, 100, "recessive").likely // 0.3
 */
export function geneFrequency(
  offTypes: number,
  plants: number,
  inheritance: Inheritance,
  inbreeding = 0,
): { likely: number; low: number; high: number } {
  const F = inbreeding;
  /** The gene of which plants with two are such a share: q² (1 − F) + q F. */
  const doubled = (share: number) => (F > 0.999 ? share : (Math.sqrt(F * F + 4 * (1 - F) * share) - F) / (2 * (1 - F)));
  const gene = (share: number) => (inheritance === "dominant" ? 1 - doubled(1 - share) : doubled(share));
  const { low, high } = shareRange(offTypes, plants - offTypes);
  return {
    likely: gene(offTypes / plants),
    // None seen leaves nothing below; all seen nothing above.
    low: offTypes === 0 ? 0 : gene(low),
    high: offTypes === plants ? 1 : gene(high),
  };
}
