import { placeOf } from "@/core/selection/bench";
import { kindOf } from "@/core/traits/kinds";
import type { BenchPart, BenchPlant, YardstickView } from "@/views/family";

/** A row as it was planted, and what it is called: a family's first row names it, where several stand in the bed. */
export type BenchRow = { name: string; heading: string | null; plants: BenchPlant[] };

/** Rows as they were planted; a plant that has no number any more leaves its place. */
export function rowsOf(bench: BenchPart[]): BenchRow[] {
  return bench.flatMap(({ code, mother, perRow, plants }) => {
    const rows: BenchPlant[][] = [];
    for (const plant of plants) {
      const { row } = placeOf(plant.number, perRow);
      rows[row] ??= [];
      rows[row].push(plant);
    }
    const several = bench.length > 1;
    return rows.filter(Boolean).map((row, i) => ({
      name: several ? `${code}, row ${i + 1}` : `Row ${i + 1}`,
      heading: several && i === 0 ? `${code}${mother === null ? "" : `, seed of plant ${mother}`}` : null,
      plants: row,
    }));
  });
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

/** How far along each value lies between the lowest and the highest there can be, or that the family has. */
export function reachOf(mark: YardstickView): ((value: number) => number) | null {
  const ends = kindOf(mark).within ?? mark.family;
  if (!ends || ends.high === ends.low) return null;
  return (value) => Math.min(1, Math.max(0, (value - ends.low) / (ends.high - ends.low)));
}

/** What is to be scored now comes first; else what somebody began with, and what nobody was scored on. */
export const firstOf = (due: string[], yardsticks: YardstickView[]): string =>
  (
    yardsticks.find(({ name }) => due.includes(name)) ??
    yardsticks.find(({ unscored }) => unscored > 0) ??
    yardsticks[0]
  )?.id ?? "";
