import { type Day, dayNumber } from "../calendar/day";
import { type Climate, temperatureOn } from "../climate/climate";
import { heatOf } from "../climate/degreeDays";
import { nextFrost } from "../climate/season";
import { startOfHeat } from "./cold";
import { type FloweringFacts, LONGEST, type Sowing } from "./facts";

/** Warmth under cover until planting out, °C: a working value for a windowsill or a heated frame. */
const UNDER_COVER = { min: 15, max: 22 };

/**
 * When a tender crop goes out: as recorded, else when the last frost after sowing is usually over.
 * @example outFrom({ sown: "2027-04-01" }, { tender: true }, { frosts: { last: { day: "05-14" } } }) // 20952
 */
export function outFrom(sowing: Sowing, facts: FloweringFacts, climate: Climate): number {
  const sown = dayNumber(sowing.sown);
  if (sowing.plantedOut) return dayNumber(sowing.plantedOut);
  if (!facts.tender || !climate.frosts) return sown;
  const frost = dayNumber(nextFrost(sowing.sown, climate.frosts.last.day));
  return frost - sown < 120 ? frost : sown;
}

/**
 * The days on which the heat gathered from `from` reaches each of the totals, rising; null for those out of reach.
 * @example daysOfHeat(0, 10, { base: 8, ceiling: 30 }, { daily: [], measured: new Map() }, [21, 63, 1000]) // [1, 5,
 *   null]
 */
export function daysOfHeat(
  from: number,
  out: number,
  heat: FloweringFacts["heat"],
  climate: Climate,
  totals: number[],
): (number | null)[] {
  const reached: (number | null)[] = totals.map(() => null);
  let sum = 0;
  let next = 0;
  for (let day = from; day < from + LONGEST && next < totals.length; day++) {
    const temperature = day < out ? UNDER_COVER : temperatureOn(climate, day);
    if (!temperature) break;
    sum += heatOf(temperature, heat.base, heat.ceiling);
    while (next < totals.length && sum >= totals[next]!) reached[next++] = day;
  }
  return reached;
}

/**
 * Heat gathered from sowing (or from the end of the cold) to a day, °C·days; null where no temperature is known.
 * @example heatUntil({ sown: "2027-04-01", plantedOut: "2027-05-14" }, { cold: null, heat: { base: 8, ceiling: 30 } },
 *   {}, "2027-04-04") // 42
 */
export function heatUntil(sowing: Sowing, facts: FloweringFacts, climate: Climate, until: Day): number | null {
  const start = startOfHeat(sowing, facts, climate);
  if (!start) return null;
  const out = outFrom(sowing, facts, climate);
  let sum = 0;
  for (let day = start.from; day <= dayNumber(until); day++) {
    const temperature = day < out ? UNDER_COVER : temperatureOn(climate, day);
    if (!temperature) return null;
    sum += heatOf(temperature, facts.heat.base, facts.heat.ceiling);
  }
  return sum;
}
