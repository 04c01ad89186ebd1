import type { Range } from "../flowering/facts";

export const STORAGES = ["room", "fridge", "freezer"] as const;
export type Storage = (typeof STORAGES)[number];

/** Days after which half of the pollen still works, by how it is kept dry. */
export type PollenLife = Record<Storage, Range>;

/**
 * The share of stored pollen that still works after some days: halved each half-life, a rule of thumb with the range of
 * the catalogue's half-life.
 * @param days days in store
 * @example pollenLeft(7, { low: 5, high: 10 }) // { low: 0.38, likely: 0.52, high: 0.62 }
 */
export function pollenLeft(days: number, halfLife: Range): { low: number; likely: number; high: number } {
  const left = (life: number) => 0.5 ** (Math.max(0, days) / life);
  return { low: left(halfLife.low), likely: left((halfLife.low + halfLife.high) / 2), high: left(halfLife.high) };
}
