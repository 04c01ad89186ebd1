/** A point on the ground: metres east and north of the garden's corner. */
export type Point = { x: number; y: number };

/** A bed: the south-west corner of its rectangle before turning, its sides, and degrees turned clockwise about its middle. */
export type Plot = Point & { width: number; length: number; turn: number };

/**
 * Metres between two points. Not Math.hypot, which takes ten times as long and is only needed near the limits of
 * numbers.
 * @example distance({ x: 0, y: 0 }, { x: 3, y: 4 }) // 5
 */
export const distance = (a: Point, b: Point): number => Math.sqrt((a.x - b.x) ** 2 + (a.y - b.y) ** 2);

/**
 * The middle of an outline: the mean of its corners.
 * @example middleOf([{ x: 0, y: 0 }, { x: 4, y: 0 }, { x: 2, y: 3 }]) // { x: 2, y: 1 }
 */
export function middleOf(outline: Point[]): Point {
  const sum = outline.reduce((s, p) => ({ x: s.x + p.x, y: s.y + p.y }), { x: 0, y: 0 });
  return { x: sum.x / outline.length, y: sum.y / outline.length };
}

/** The point at a bearing (degrees clockwise from north) and a distance. @example atBearing({ x: 0, y: 0 }, 90, 5) // { x: 5, y: 0 } */
export function atBearing(from: Point, bearing: number, metres: number): Point {
  const angle = (bearing * Math.PI) / 180;
  return { x: from.x + metres * Math.sin(angle), y: from.y + metres * Math.cos(angle) };
}

/**
 * The bearing from one point to another, degrees clockwise from north, 0 to 360.
 * @example bearingTo({ x: 0, y: 0 }, { x: -1, y: 0 }) // 270
 */
export const bearingTo = (from: Point, to: Point): number =>
  ((Math.atan2(to.x - from.x, to.y - from.y) * 180) / Math.PI + 360) % 360;

/**
 * The point so far from another in the directions of something turned: along its width, and along its length.
 * @param way metres along both
 * @param turn degrees clockwise
 * @example fromTurned({ x: 1, y: 1 }, { x: 2, y: 0 }, 90) // { x: 1, y: -1 }
 */
export function fromTurned(from: Point, way: Point, turn: number): Point {
  const angle = (turn * Math.PI) / 180;
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  return { x: from.x + way.x * cos + way.y * sin, y: from.y - way.x * sin + way.y * cos };
}

/**
 * The corners of a bed, turned about its middle, from the south-west one eastward.
 * @example cornersOf({ x: 0, y: 0, width: 4, length: 2, turn: 90 })[0] // { x: 1, y: 3 }
 */
export function cornersOf({ x, y, width, length, turn }: Plot): Point[] {
  const middle = { x: x + width / 2, y: y + length / 2 };
  return [
    { x: -width / 2, y: -length / 2 },
    { x: width / 2, y: -length / 2 },
    { x: width / 2, y: length / 2 },
    { x: -width / 2, y: length / 2 },
  ].map((corner) => fromTurned(middle, corner, turn));
}

const side = (a: Point, b: Point, p: Point) => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

/** Whether a point in line with a stretch lies on it. */
const between = (p: Point, q: Point, r: Point) =>
  Math.min(p.x, q.x) <= r.x && r.x <= Math.max(p.x, q.x) && Math.min(p.y, q.y) <= r.y && r.y <= Math.max(p.y, q.y);

/** A plot of some sides around its middle, not turned. @example plotAround({ x: 5, y: 5 }, 4, 2).y // 4 */
export const plotAround = (middle: Point, width: number, length: number): Plot => ({
  x: middle.x - width / 2,
  y: middle.y - length / 2,
  width,
  length,
  turn: 0,
});

/**
 * The plot between two corners that lie across from each other, not turned.
 * @example plotBetween({ x: 4, y: 1 }, { x: 1, y: 3 }) // { x: 1, y: 1, width: 3, length: 2, turn: 0 }
 */
export const plotBetween = (a: Point, b: Point): Plot => ({
  x: Math.min(a.x, b.x),
  y: Math.min(a.y, b.y),
  width: Math.abs(a.x - b.x),
  length: Math.abs(a.y - b.y),
  turn: 0,
});

/**
 * The corners of a rectangle around its middle; the middle alone where it has no breadth.
 * @example cornersAround({ x: 5, y: 5 }, 0, 0) // [{ x: 5, y: 5 }]
 */
export const cornersAround = (middle: Point, width: number, length: number): Point[] =>
  width > 0 && length > 0 ? cornersOf(plotAround(middle, width, length)) : [middle];

/** Whether two stretches cross or touch. */
function stretchesCross(a: Point, b: Point, c: Point, d: Point): boolean {
  const [c1, c2, a1, a2] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)];
  if (c1 * c2 < 0 && a1 * a2 < 0) return true;
  return (
    (c1 === 0 && between(a, b, c)) ||
    (c2 === 0 && between(a, b, d)) ||
    (a1 === 0 && between(c, d, a)) ||
    (a2 === 0 && between(c, d, b))
  );
}

/** The sides of an outline: one point has a single side of no length. */
function sidesOf(outline: Point[]): [Point, Point][] {
  return outline.map((p, i) => [p, outline[(i + 1) % outline.length]!]);
}

/**
 * Whether an outline crosses or touches itself other than at neighbouring corners.
 * @example crossesItself([{ x: 0, y: 0 }, { x: 2, y: 2 }, { x: 2, y: 0 }, { x: 0, y: 2 }]) // true
 */
export function crossesItself(outline: Point[]): boolean {
  const sides = sidesOf(outline);
  return sides.some(([a, b], i) =>
    sides.some(([c, d], j) => {
      const neighbours = j === i || j === (i + 1) % sides.length || i === (j + 1) % sides.length;
      return !neighbours && stretchesCross(a, b, c, d);
    }),
  );
}

/**
 * The area of an outline, square metres (the shoelace formula).
 * @example areaOf([{ x: 0, y: 0 }, { x: 4, y: 0 }, { x: 4, y: 2 }, { x: 0, y: 2 }]) // 8
 */
export function areaOf(outline: Point[]): number {
  return Math.abs(sidesOf(outline).reduce((sum, [a, b]) => sum + a.x * b.y - b.x * a.y, 0)) / 2;
}

/**
 * Whether a point lies within an outline.
 * @example within([{ x: 0, y: 0 }, { x: 4, y: 0 }, { x: 4, y: 2 }, { x: 0, y: 2 }], { x: 1, y: 1 }) // true
 */
export function within(outline: Point[], p: Point): boolean {
  let inside = false;
  for (const [a, b] of sidesOf(outline))
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  return inside;
}

function toStretch(p: Point, a: Point, b: Point): number {
  const along = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
  const share = along === 0 ? 0 : ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / along;
  const t = Math.min(1, Math.max(0, share));
  return distance(p, { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) });
}

/**
 * Metres between the nearest edges of two outlines; 0 when they touch, overlap, or one lies in the other. An outline of
 * one point is that point.
 * @example gap([{ x: 0, y: 0 }], [{ x: 3, y: 4 }]) // 5
 */
export function gap(one: Point[], two: Point[]): number {
  if (within(one, two[0]!) || within(two, one[0]!)) return 0;
  let nearest = Number.POSITIVE_INFINITY;
  const across = sidesOf(two);
  // Each corner begins one side of its outline.
  for (const [a, b] of sidesOf(one)) {
    for (const [c, d] of across) {
      if (stretchesCross(a, b, c, d)) return 0;
      nearest = Math.min(nearest, toStretch(a, c, d), toStretch(c, a, b));
    }
  }
  return nearest;
}

/**
 * Whether the straight way between two points meets a path (an open line of points).
 * @example meetsPath({ x: 0, y: 0 }, { x: 2, y: 0 }, [{ x: 1, y: -1 }, { x: 1, y: 1 }]) // true
 */
export function meetsPath(from: Point, to: Point, path: Point[]): boolean {
  return path.some((p, i) => i > 0 && stretchesCross(from, to, path[i - 1]!, p));
}

/** Moves to the nearest whole step of a grid, metres. @example snapped(3.37, 0.25) // 3.25 */
export const snapped = (metres: number, step: number): number =>
  Math.round(Math.round(metres / step) * step * 1000) / 1000;
