/** Days, codes and other marks in the order of their signs. @example inOrder("2026-01-02", "2026-01-10") // -1 */
export const inOrder = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

const collator = new Intl.Collator("en", { numeric: true });

/** Names as people look for them: marks and capitals hardly count, numbers by their size. @example byWords("bed 9", "bed 10") // -1 */
export const byWords = (a: string, b: string): number => collator.compare(a, b);
