import { type Climate, hoursOn } from "../climate/climate";
import type { FloweringFacts } from "./facts";

/**
 * The first day from `day` on which the light lets it flower; null when that does not come within a year.
 * @example whenLightAllows(2, { kind: "long" }, 12, { hours: [10, 11, 11.5, 11.9, 12.1] }) // 4
 */
export function whenLightAllows(
  day: number,
  light: FloweringFacts["light"],
  hours: number,
  climate: Climate,
): number | null {
  if (light.kind === "any") return day;
  for (let later = day; later < day + 366; later++) {
    const now = hoursOn(climate, later);
    if (light.kind === "long" ? now >= hours : now <= hours) return later;
  }
  return null;
}
