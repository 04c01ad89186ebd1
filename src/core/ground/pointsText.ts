import type { Point } from "./shape";

/**
 * Points as a person writes them: one a line, east and north with a comma or space between.
 * @example pointsToLines([{ x: 0, y: 3 }, { x: 12.5, y: 3 }]) // "0, 3\n12.5, 3"
 */
export const pointsToLines = (points: Point[]): string => points.map(({ x, y }) => `${x}, ${y}`).join("\n");

/**
 * Reads points written one a line.
 * @returns null where a line does not hold two numbers
 * @example pointsFromLines("0, 3\n12.5 3") // [{ x: 0, y: 3 }, { x: 12.5, y: 3 }]
 */
export function pointsFromLines(text: string): Point[] | null {
  const lines = text
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean);
  const points = lines.map((line) => line.split(/[,;\s]+/).map(Number));
  if (points.some((p) => p.length !== 2 || p.some((n) => !Number.isFinite(n)))) return null;
  return points.map(([x, y]) => ({ x: x!, y: y! }));
}
