import { seeded } from "../numbers/chance";
import { probit } from "../numbers/probit";

/** So many gardens are drawn for every range and every chance. */
export const DRAWS = 200;

const kept = new Map<number, { even: Float64Array; normal: Float64Array }>();

/**
 * One uncertain thing's values over all draws: each of so many equal slices of its distribution once, in an order of its
 * own. The same number gives the same column always, so that plans are compared under the same luck.
 * @param number what is uncertain, as a whole number
 * @example [...columnOf(3).even].sort((a, b) => a - b)[0] // 0.0025
 */
export function columnOf(number: number): { even: Float64Array; normal: Float64Array } {
  const known = kept.get(number);
  if (known) return known;
  const luck = seeded(number * 7919 + 17);
  const even = Float64Array.from({ length: DRAWS }, (_, i) => (i + 0.5) / DRAWS);
  for (let i = DRAWS - 1; i > 0; i--) {
    const j = Math.floor(luck() * (i + 1));
    [even[i], even[j]] = [even[j]!, even[i]!];
  }
  const made = { even, normal: even.map(probit) };
  kept.set(number, made);
  return made;
}
