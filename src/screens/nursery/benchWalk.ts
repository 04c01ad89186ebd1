import { placeOf } from "@/core/selection/bench";
import type { Plant } from "@/records/plant/plant";
import type { YardstickView } from "@/views/family";

/** Rows as they were planted; a plant that has no number any more leaves its place. */
export function rowsOf(plants: Plant[], perRow: number): Plant[][] {
  const rows: Plant[][] = [];
  for (const plant of plants) {
    const { row } = placeOf(plant.number, perRow);
    rows[row] ??= [];
    rows[row].push(plant);
  }
  return rows.filter(Boolean);
}

/** The cell that lies nearest above or below another on the screen, however the rows are wrapped. */
export function beside(grid: HTMLElement, from: HTMLElement, down: boolean): HTMLElement | null {
  const own = from.getBoundingClientRect();
  const middle = own.left + own.width / 2;
  let best: { cell: HTMLElement; far: number } | null = null;
  for (const cell of grid.querySelectorAll<HTMLElement>("[data-plant]")) {
    const box = cell.getBoundingClientRect();
    const away = down ? box.top - own.bottom : own.top - box.bottom;
    if (away < -1) continue;
    const far = away * 4 + Math.abs(box.left + box.width / 2 - middle);
    if (!best || far < best.far) best = { cell, far };
  }
  return best?.cell ?? null;
}

/** A figure begins with a digit or its sign, a word with a letter; other keys have other uses. */
export const begins = ({ kind }: YardstickView, key: string): boolean =>
  (kind === "category" ? /\p{L}/u : /[0-9-]/).test(key);

/** How far along between the lowest and the highest value of the family each value lies. */
export function reachOf({ kind, family }: YardstickView): ((value: number) => number) | null {
  if (kind === "scale") return (value) => (value - 1) / 8;
  if (!family || family.high === family.low) return null;
  return (value) => Math.min(1, Math.max(0, (value - family.low) / (family.high - family.low)));
}

/** What is to be scored now comes first; else what somebody began with, and what nobody was scored on. */
export const firstOf = (due: string[], yardsticks: YardstickView[]): string =>
  (
    yardsticks.find(({ name }) => due.includes(name)) ??
    yardsticks.find(({ unscored }) => unscored > 0) ??
    yardsticks[0]
  )?.id ?? "";
