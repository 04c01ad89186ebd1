/** So many of a long list are told from its beginning, and from its end. */
const [FIRST, LAST] = [3, 1];

/** A value with its long lists cut short: their first, how many are left out, and their last. */
export function brief(value: unknown): unknown {
  if (typeof value !== "object" || value === null || value instanceof Date) return value;
  if (value instanceof Map) return brief(Object.fromEntries(value));
  if (!Array.isArray(value)) return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, brief(part)]));
  const left = value.length - FIRST - LAST;
  const all = value.map(brief);
  return left < 2 ? all : [...all.slice(0, FIRST), `… ${left} more …`, ...all.slice(-LAST)];
}
