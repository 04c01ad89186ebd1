import { type Day, daysBetween } from "../calendar/day";

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
