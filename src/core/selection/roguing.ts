import { type Day, daysBetween } from "../calendar/day";

export type Removal = { late: boolean; daysAfter: number };

/**
 * Whether a plant was taken out after its stand began to flower, when its pollen may already be in its neighbours' seed.
 * @param firstFlower the stand's first flower, observed or forecast
 */
export function removal(removedOn: Day, firstFlower: Day): Removal {
  const daysAfter = daysBetween(firstFlower, removedOn);
  return { late: daysAfter > 0, daysAfter: Math.max(0, daysAfter) };
}
