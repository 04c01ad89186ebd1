/**
 * A set with one more, or, where it was in it, one less; the set itself stays.
 * @example [...toggled(new Set([1, 2]), 2)] // [1]
 * @example [...toggled(new Set([1]), 2)] // [1, 2]
 */
export function toggled<T>(set: ReadonlySet<T>, one: T): Set<T> {
  const next = new Set(set);
  if (!next.delete(one)) next.add(one);
  return next;
}
