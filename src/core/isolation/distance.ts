/** A bed on the ground: its south-west corner, metres east and north of the garden's origin, and its sides. */
export type Plot = { x: number; y: number; width: number; length: number };

/**
 * Metres between the nearest edges of two beds; 0 when they touch or overlap. Sides lie east–west and north–south.
 * @example gap({ x: 0, y: 0, width: 1, length: 1 }, { x: 4, y: 5, width: 1, length: 1 }) // 5
 */
export function gap(a: Plot, b: Plot): number {
  const east = Math.max(0, a.x - (b.x + b.width), b.x - (a.x + a.width));
  const north = Math.max(0, a.y - (b.y + b.length), b.y - (a.y + a.length));
  return Math.hypot(east, north);
}
