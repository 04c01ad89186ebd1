import type { Point } from "@/core/ground/shape";

/** Points as the tables keep them: JSON [[x, y], …], metres. */
export const pointsToText = (points: Point[]): string => JSON.stringify(points.map(({ x, y }) => [x, y]));

/** Points as the tables keep them, read back. */
export const pointsOf = (text: string): Point[] => (JSON.parse(text) as [number, number][]).map(([x, y]) => ({ x, y }));
