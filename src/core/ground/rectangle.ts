import type { Plot, Point } from "./shape";

/** Within a degree of a right angle. */
function isSquare(p: Point, corner: Point, q: Point): boolean {
  const [u, v] = [
    { x: p.x - corner.x, y: p.y - corner.y },
    { x: q.x - corner.x, y: q.y - corner.y },
  ];
  return Math.abs(u.x * v.x + u.y * v.y) < 0.0175 * Math.hypot(u.x, u.y) * Math.hypot(v.x, v.y);
}

const to = (n: number, places: number): number => Number(n.toFixed(places));

/**
 * The bed that four corners draw, whichever way round and from whichever corner they are told.
 * @param shape corners in order, metres
 * @param turn degrees clockwise that the bed is thought to be turned: of the four ways to read a rectangle the nearest
 * @returns sides to a centimetre, the turn to a tenth of a degree; null for what is no rectangle
 * @example rectangleOf([{ x: 0, y: 0 }, { x: 8, y: 0 }, { x: 8, y: 4 }, { x: 0, y: 4 }], 0) // { x: 0, y: 0, width: 8, length: 4, turn: 0 }
 */
export function rectangleOf(shape: Point[], turn: number): Plot | null {
  const [a, b, c, d] = shape;
  if (!a || !b || !c || !d || shape.length > 4) return null;
  if (!isSquare(a, b, c) || !isSquare(b, c, d) || !isSquare(c, d, a)) return null;
  const clockwise = (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x) < 0;
  const ring = clockwise ? [a, d, c, b] : [a, b, c, d];
  const at = (i: number) => ring[i % 4]!;
  // A bed's first side runs east before it is turned clockwise.
  const turnOf = (i: number) => (-Math.atan2(at(i + 1).y - at(i).y, at(i + 1).x - at(i).x) * 180) / Math.PI;
  const off = (i: number) => Math.abs(((((turnOf(i) - turn) % 360) + 540) % 360) - 180);
  const first = [0, 1, 2, 3].reduce((best, i) => (off(i) < off(best) - 0.01 ? i : best));
  const width = Math.hypot(at(first + 1).x - at(first).x, at(first + 1).y - at(first).y);
  const length = Math.hypot(at(first + 2).x - at(first + 1).x, at(first + 2).y - at(first + 1).y);
  const middle = { x: (a.x + c.x) / 2, y: (a.y + c.y) / 2 };
  return {
    x: to(middle.x - width / 2, 2),
    y: to(middle.y - length / 2, 2),
    width: to(width, 2),
    length: to(length, 2),
    turn: to((turnOf(first) + 360) % 360, 1) % 360,
  };
}
