import type { Temperature } from "./temperature";

/**
 * The heat of one day that counts for growth, °C·days: lowest and highest each held within [base, ceiling], their mean
 * less the base.
 * @example heatOf({ min: 8, max: 24 }, 10, 30) // 7
 */
export function heatOf({ min, max }: Temperature, base: number, ceiling: number): number {
  return (held(min, base, ceiling) + held(max, base, ceiling)) / 2 - base;
}

const held = (degrees: number, base: number, ceiling: number) => Math.min(ceiling, Math.max(base, degrees));

export type DegreeDaysInput = { base: number; ceiling: number; days: Temperature[] };

/**
 * Growing degree days of a run of days.
 *
 * Source: the usual averaging method with both ends held to the thresholds.
 * @param input.base temperature below which nothing grows, °C
 * @param input.ceiling temperature above which more heat adds nothing, °C
 * @returns {{total: number}} °C·days
 * @example growingDegreeDays({ base: 10, ceiling: 30, days: [{ min: 8, max: 24 }, { min: 14, max: 33 }] }) // { total: 19 }
 */
export function growingDegreeDays({ base, ceiling, days }: DegreeDaysInput): { total: number } {
  return { total: days.reduce((sum, day) => sum + heatOf(day, base, ceiling), 0) };
}
