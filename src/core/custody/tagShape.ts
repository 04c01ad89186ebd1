import type { Kind } from "./code";

/** Sizes that tags are bought in, mm; others can be asked for. */
export const TAG_SIZES = [
  { width: 90, height: 32 },
  { width: 75, height: 38 },
  { width: 62, height: 29 },
  { width: 50, height: 25 },
  { width: 50, height: 19 },
  { width: 40, height: 15 },
  { width: 30, height: 12 },
] as const;

/** A corner: a share of the width plus a share of the height, from the left; a share of the height, from the top. */
type Corner = { wide: number; high: number; down: number };
const at = (wide: number, high: number, down: number): Corner => ({ wide, high, down });

/**
 * The outline of each kind of label, the same on the screen and on paper. Crosses are notched on the right and nosed on
 * the left, stands are stakes lying down, lots are packets with a folded corner, plants hang by a neck, vessels
 * stand narrower on their foot, lines are cards
 * with both left corners cut, families are stakes with a double shoulder.
 */
const SHAPES: Record<Kind, Corner[]> = {
  cross: [at(0, 0.35, 0), at(1, 0, 0), at(1, -0.22, 0.5), at(1, 0, 1), at(0, 0.35, 1), at(0, 0, 0.5)],
  stand: [at(0, 0, 0), at(1, -0.45, 0), at(1, 0, 0.5), at(1, -0.45, 1), at(0, 0, 1)],
  family: [
    at(0, 0, 0),
    at(1, -0.6, 0),
    at(1, -0.4, 0.22),
    at(1, -0.2, 0.22),
    at(1, 0, 0.5),
    at(1, -0.2, 0.78),
    at(1, -0.4, 0.78),
    at(1, -0.6, 1),
    at(0, 0, 1),
  ],
  lot: [at(0, 0, 0), at(1, -0.4, 0), at(1, 0, 0.4), at(1, 0, 1), at(0, 0, 1)],
  plant: [
    at(0, 0, 0.3),
    at(0, 0.25, 0.3),
    at(0, 0.25, 0),
    at(1, 0, 0),
    at(1, 0, 1),
    at(0, 0.25, 1),
    at(0, 0.25, 0.7),
    at(0, 0, 0.7),
  ],
  flower: [
    at(0, 0, 0.5),
    at(0, 0.28, 0.1),
    at(0, 0.55, 0),
    at(1, -0.55, 0),
    at(1, -0.28, 0.1),
    at(1, 0, 0.5),
    at(1, -0.28, 0.9),
    at(1, -0.55, 1),
    at(0, 0.55, 1),
    at(0, 0.28, 0.9),
  ],
  vessel: [at(0, 0, 0), at(1, 0, 0), at(1, -0.2, 1), at(0, 0.2, 1)],
  line: [at(0, 0.3, 0), at(1, 0, 0), at(1, 0, 1), at(0, 0.3, 1), at(0, 0, 0.7), at(0, 0, 0.3)],
};

/**
 * A label's outline as points.
 * @param width and height in any unit (pixels, points, mm)
 * @returns corners in that unit, clockwise from the top left, y downwards
 * @example tagOutline("stand", 20, 10)[1] // { x: 15.5, y: 0 }
 */
export function tagOutline(kind: Kind, width: number, height: number): { x: number; y: number }[] {
  return SHAPES[kind].map(({ wide, high, down }) => ({ x: wide * width + high * height, y: down * height }));
}

/**
 * The same outline for a box of a known height and an unknown width, as a CSS polygon.
 * @example tagPolygon("stand", 10) // "polygon(calc(0% + 0.0px) 0%, calc(100% + -4.5px) 0%, calc(100% + 0.0px) 50%, …"
 */
export function tagPolygon(kind: Kind, height: number): string {
  const corners = SHAPES[kind].map(
    ({ wide, high, down }) => `calc(${wide * 100}% + ${(high * height).toFixed(1)}px) ${down * 100}%`,
  );
  return `polygon(${corners.join(", ")})`;
}
