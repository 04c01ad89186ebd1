import type { Climate } from "../climate/climate";
import { below } from "../numbers/normal";
import type { Overwintering, Range } from "./facts";

/** Deviation of the coldest night of a winter from year to year, °C; a working value. */
const WINTER_DEVIATION = 3.5;
/** How far the coldest night lies below the coldest month's mean minimum, °C; a working value. */
const COLDEST_BELOW_MEAN = 11;
/** Degrees of frost that mulch and snow take off what stands above the ground; small late-sown plants stand a little more. Working values. */
const SHELTER: Record<Exclude<Overwintering, "lifted">, number> = { left: 3, "late-sown": 4 };
/** Degrees that thick mulch takes off roots and bulbs in the ground. Working value. */
const THICK_MULCH = 8;
/** Share of stored roots that come through a good store. Working value. */
const STORED: Range = { low: 0.7, high: 0.95 };

export type Survival = Range & { likely: number };

/**
 * The share of a second-year crop that comes through the winter, by how it is kept: in the store a working share; in
 * the
 * ground the chance that the coldest night stays above what the crop stands, shelter counted.
 * @param hardyTo the frost the crop stands, °C, from and to
 * @param inGround what lives on lies in the ground, under the mulch
 * @returns shares 0–1
 * @example winterSurvival("lifted", { low: -15, high: -10 }, climate()) // { low: 0.7, high: 0.95, likely: 0.825 }
 */
export function winterSurvival(way: Overwintering, hardyTo: Range, climate: Climate, inGround = false): Survival {
  if (way === "lifted") return { ...STORED, likely: (STORED.low + STORED.high) / 2 };
  if (climate.daily.length === 0) return { low: 0, likely: 0.5, high: 1 };
  const coldest =
    Math.min(...climate.daily.map((day) => day.min)) -
    COLDEST_BELOW_MEAN +
    (way === "left" && inGround ? THICK_MULCH : SHELTER[way]);
  const survives = (hardy: number) => 1 - below(hardy, coldest, WINTER_DEVIATION);
  const { low, high } = hardyTo;
  return { low: survives(high), likely: survives((low + high) / 2), high: survives(low) };
}
