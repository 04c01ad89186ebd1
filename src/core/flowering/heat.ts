import { addDays, type Day, dayNumber } from "../calendar/day";
import { type Climate, hoursOn, temperatureOn } from "../climate/climate";
import { heatOf } from "../climate/degreeDays";
import { plantingOut } from "../climate/plantingOut";
import type { Temperature } from "../climate/temperature";
import { startOfHeat } from "./cold";
import { type FloweringFacts, LONGEST, type Sowing } from "./facts";

/** Warmth under cover until planting out, °C: a working value for a windowsill or a heated frame. */
const UNDER_COVER = { min: 15, max: 22 };
/** By a window plants stand still while days are as short as `none`, and grow as the warmth lets them from `full` on, hours. Working values. */
const BY_A_WINDOW = { none: 8, full: 12 };

/**
 * How much of what the warmth would do plants by a window do on a day of so many hours, 0–1.
 * @example [8, 10, 12, 16].map(lightInside) // [0, 0.5, 1, 1]
 */
export const lightInside = (hours: number): number =>
  Math.min(1, Math.max(0, (hours - BY_A_WINDOW.none) / (BY_A_WINDOW.full - BY_A_WINDOW.none)));

/** The temperature it stands in: under cover until it goes out. */
const temperatureAt = (day: number, out: number, climate: Climate): Temperature | null =>
  day < out ? UNDER_COVER : temperatureOn(climate, day);

/** The heat of a day that brings flowers on; null where no temperature is known. */
function heatAt(day: number, out: number, { base, ceiling }: FloweringFacts["heat"], climate: Climate, lamp: boolean) {
  const temperature = temperatureAt(day, out, climate);
  const light = lamp || day >= out ? 1 : lightInside(hoursOn(climate, day));
  return temperature && heatOf(temperature, base, ceiling) * light;
}

/**
 * When a crop goes out into the open: as recorded; what is tender and sown while frosts may come, once it has grown and
 * they are over. Source: `plantingOut`.
 * @returns a numbered day
 * @example outFrom({ sown: "2027-04-01" }, { tender: true }, { frosts: { last: { day: "05-14", spread: 10 }, first: { day: "10-06" } } }) // 20962
 */
export function outFrom(sowing: Sowing, facts: FloweringFacts, climate: Climate): number {
  const sown = dayNumber(sowing.sown);
  if (sowing.plantedOut) return dayNumber(sowing.plantedOut);
  if (!facts.tender || !climate.frosts) return sown;
  // Sown between the frosts of spring and autumn it stands where it was sown.
  if (plantingOut(sowing.sown, true, climate.frosts).from === sowing.sown) return sown;
  return dayNumber(plantingOut(addDays(sowing.sown, facts.raised?.low ?? 0), true, climate.frosts).best);
}

/**
 * The days on which the heat gathered from `from` reaches each of the totals, rising; null for those out of reach.
 * @param out the day from which it stands in the open; until then it is by a window
 * @param lamp whether light is given there, so that short days do not hold it back
 * @example daysOfHeat(0, 10, { base: 8, ceiling: 30 }, { daily: [], measured: new Map(), hours: Array(366).fill(13) }, [21, 63, 1000]) // [1, 5,
 *   null]
 */
export function daysOfHeat(
  from: number,
  out: number,
  heat: FloweringFacts["heat"],
  climate: Climate,
  totals: number[],
  lamp = false,
): (number | null)[] {
  const reached: (number | null)[] = totals.map(() => null);
  let sum = 0;
  let next = 0;
  for (let day = from; day < from + LONGEST && next < totals.length; day++) {
    const warmth = heatAt(day, out, heat, climate, lamp);
    if (warmth === null) break;
    sum += warmth;
    while (next < totals.length && sum >= totals[next]!) reached[next++] = day;
  }
  return reached;
}

/**
 * Heat gathered from sowing (or from the end of the cold) to a day, °C·days; null where no temperature is known.
 * @example heatUntil({ sown: "2027-04-01", plantedOut: "2027-05-14" }, { cold: null, heat: { base: 8, ceiling: 30 } },
 *   { hours: Array(366).fill(13) }, "2027-04-04") // 42
 */
export function heatUntil(sowing: Sowing, facts: FloweringFacts, climate: Climate, until: Day): number | null {
  const start = startOfHeat(sowing, facts, climate);
  if (!start) return null;
  const out = outFrom(sowing, facts, climate);
  let sum = 0;
  for (let day = start.from; day <= dayNumber(until); day++) {
    const warmth = heatAt(day, out, facts.heat, climate, false);
    if (warmth === null) return null;
    sum += warmth;
  }
  return sum;
}

/** Heat until what was sown in the open is up, °C·days. Working value. */
const UP = 60;

/**
 * The day from which cold can harm a stand: planted out, or up where it was sown; seed in the ground stands any cold.
 * @param out when it goes out, see `outFrom`
 * @returns a numbered day
 * @example inTheOpen({ sown: "2027-06-01" }, { heat: { base: 8, ceiling: 30 } }, { daily: [], measured: new Map() }, 20970) // 20970
 */
export function inTheOpen(sowing: Sowing, facts: FloweringFacts, climate: Climate, out: number): number {
  const sown = dayNumber(sowing.sown);
  if (sowing.plantedOut || out > sown) return out;
  return daysOfHeat(sown, sown, facts.heat, climate, [UP])[0] ?? sown;
}

/**
 * Seed ripens the faster the warmer it is, evenly from a temperature up to `best`; the catalogue's days are those at `known`. In flesh,
 * as the catalogue says by kind; dry seed from some degrees below what its plant grows at. Source: tomatoes take 95, 65, 46 and 42
 * days at 14, 18, 22 and 26 °C (Adams, Cockshull and Cave 2001), held to within 8 in 100; for others working values.
 */
const BEST = 23.5;
const DRY = { below: 5, known: 17 };
/** Seed that takes so many times its days never ripens. */
const LONGEST_RIPENING = 3;

type Ripens = Pick<FloweringFacts["heat"], "base" | "ripens">;

/**
 * How fast seed ripens on a day, as a share of the catalogue's pace.
 * @param heat what the plant grows at, °C, and how its seed ripens where that is known
 * @example [14, 18, 21, 26].map((mean) => ripeningPace({ min: mean, max: mean }, { base: 8, ripens: { from: 7.5, known: 21 } })) // [0.481, 0.778, 1, 1.185]
 */
export function ripeningPace(temperature: Temperature, { base, ripens }: Ripens): number {
  const { from, known } = ripens ?? { from: Math.max(0, base - DRY.below), known: DRY.known };
  return heatOf(temperature, from, BEST) / (known - from);
}

/**
 * The day on which seed is ripe that takes so many days at the catalogue's warmth. What takes three times its days never ripens.
 * @param from a numbered day
 * @param out the day from which it stands in the open
 * @example ripeBy(100, 40, 0, { base: 8 }, { daily: [], measured: new Map() }) // { day: 140, ripens: true }
 */
export function ripeBy(
  from: number,
  days: number,
  out: number,
  heat: Ripens,
  climate: Climate,
): { day: number; ripens: boolean } {
  const last = from + LONGEST_RIPENING * days;
  let left = days;
  for (let day = from; day < last; day++) {
    if (left <= 0) return { day, ripens: true };
    const temperature = temperatureAt(day, out, climate);
    if (!temperature) return { day: from + days, ripens: true };
    left -= ripeningPace(temperature, heat);
  }
  return { day: last, ripens: false };
}
