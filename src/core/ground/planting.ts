import { cornersOf, type Plot, type Point } from "./shape";

export type Planting = {
  rows: number;
  perRow: number;
  /** Ground that the block takes along and across its rows, metres. */
  along: number;
  across: number;
  fits: boolean;
  /** How many plants the bed holds at this spacing. */
  holds: number;
};

type Sides = { width: number; length: number };

const places = (metres: number, spacing: number) => Math.max(1, Math.floor(metres / spacing + 1e-9));

/** The most plants in a row, along the bed's long side, and the most rows. */
const mostIn = ({ width, length }: Sides, spacing: number) => ({
  perRow: places(Math.max(width, length), spacing),
  rows: places(Math.min(width, length), spacing),
});

/**
 * A block of plants as near to square as the bed allows: wind carries pollen in every direction, and one long row is
 * pollinated badly. Each plant takes `spacing` in both directions.
 * @param plants a count above 0
 * @param spacing metres between plants
 * @param bed its sides, metres
 * @example block(40, 0.4, { width: 8, length: 4 }) // { rows: 6, perRow: 7, along: 2.8000000000000003, across: 2.4000000000000004, fits: true, holds: 200 }
 */
export function block(plants: number, spacing: number, bed: Sides): Planting {
  const most = mostIn(bed, spacing);
  // As near to square as can be, in more rows where the bed is too short for so long ones.
  const rows = Math.min(most.rows, Math.max(Math.floor(Math.sqrt(plants)), Math.ceil(plants / most.perRow)));
  return inRows(plants, rows, spacing, bed);
}

/**
 * The block as planted in a number of rows the grower chose.
 * @example inRows(40, 5, 0.5, { width: 8, length: 4 }) // { rows: 5, perRow: 8, along: 4, across: 2.5, fits: true,
 *   holds: 128 }
 */
export function inRows(plants: number, rows: number, spacing: number, bed: Sides): Planting {
  const perRow = Math.ceil(plants / rows);
  const most = mostIn(bed, spacing);
  return {
    rows,
    perRow,
    along: perRow * spacing,
    across: rows * spacing,
    fits: perRow <= most.perRow && rows <= most.rows,
    holds: most.perRow * most.rows,
  };
}

/**
 * Where the plants of a bed stand when they are spread evenly over it, at most `limit` of them.
 * @example positions(2, { x: 0, y: 0, width: 4, length: 2, turn: 0 }) // [{ x: 1, y: 1 }, { x: 3, y: 1 }]
 */
export function positions(plants: number, bed: Plot, limit = 400): Point[] {
  const count = Math.max(1, Math.min(plants, limit));
  const across = Math.max(1, Math.round(Math.sqrt((count * bed.length) / bed.width)));
  const along = Math.ceil(count / across);
  const [origin, east, , north] = cornersOf(bed) as [Point, Point, Point, Point];
  return Array.from({ length: count }, (_, i) => {
    const [u, v] = [((i % along) + 0.5) / along, (Math.floor(i / along) + 0.5) / across];
    return {
      x: origin.x + u * (east.x - origin.x) + v * (north.x - origin.x),
      y: origin.y + u * (east.y - origin.y) + v * (north.y - origin.y),
    };
  });
}
