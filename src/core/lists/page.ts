/** A stretch of a long list: where it begins, how many it shows, how many there are. */
export type Cut = { from: number; shown: number; total: number };

/** Rows of a long list that a screen shows at once. */
export const LIST_PAGE = 40;

/**
 * The stretch of a list that begins at `from`, or at the start when the list has no such place.
 * @example page(["a", "b"], 1) // { items: ["b"], cut: { from: 1, shown: 1, total: 2 } }
 */
export function page<T>(items: T[], from: number | null): { items: T[]; cut: Cut } {
  const start = from !== null && from < items.length ? from : 0;
  const shown = items.slice(start, start + LIST_PAGE);
  return { items: shown, cut: { from: start, shown: shown.length, total: items.length } };
}
