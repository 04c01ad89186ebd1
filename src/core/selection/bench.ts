/**
 * Where a family's plants stand, as they were planted: rows of equal length, numbered along each row from the same end.
 * @param plants how many carry numbers
 * @param rows as counted; without a count one row
 * @returns plants in a row
 * @example plantsInRow(40, 3) // 14
 */
export const plantsInRow = (plants: number, rows: number | null): number =>
  Math.max(1, Math.ceil(plants / Math.max(1, rows ?? 1)));

/**
 * The row of a plant and its place in it, both from 0.
 * @example placeOf(15, 14) // { row: 1, at: 0 }
 */
export const placeOf = (number: number, perRow: number): { row: number; at: number } => ({
  row: Math.floor((number - 1) / perRow),
  at: (number - 1) % perRow,
});
