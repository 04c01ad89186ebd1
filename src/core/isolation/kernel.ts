export type Vector = "insects" | "wind" | "own pollen, sometimes insects";

/** How pollen thins with distance: K(d) = (1 + (d/a)²)^(−b). */
export type Kernel = { scale: number; shape: number };

/** A kernel with the range of its scale, metres. */
export type KernelRange = { shape: number; scale: number; low: number; high: number };

/**
 * Working values by what carries the pollen; no measurement stands behind a garden's own figure, which is why every
 * share is shown with the range that `low` and `high` give. Source kind: working.
 */
export const KERNELS: Record<Vector, KernelRange> = {
  insects: { scale: 8, low: 4, high: 16, shape: 1 },
  wind: { scale: 15, low: 7, high: 30, shape: 0.9 },
  "own pollen, sometimes insects": { scale: 2, low: 1, high: 4, shape: 1.1 },
};

/** The share of pollen that comes as far as d metres, 1 at no distance. @example reach(8, 8, 1) // 0.5 */
export const reach = (metres: number, scale: number, shape: number): number => (1 + (metres / scale) ** 2) ** -shape;

/** How much more pollen comes straight down the prevailing wind, and how much less against it. Working value. */
const WIND_STRENGTH = 0.6;

/**
 * The wind's factor on a source's cloud: 1 across the wind, 1.6 straight down it, 0.4 straight against it.
 * @param from the bearing from which the wind mostly blows, degrees; null where it is not known
 * @param bearing from the source to the stand, degrees
 * @example windFactor(270, 90) // 1.6
 */
export function windFactor(from: number | null, bearing: number): number {
  return from === null ? 1 : 1 - WIND_STRENGTH * Math.cos(((bearing - from) * Math.PI) / 180);
}
