/**
 * Items by key, in the order of their first appearance.
 * @example [...groupBy([1, 2, 3], (n) => n % 2)] // [[1, [1, 3]], [0, [2]]]
 */
export function groupBy<T, K>(items: Iterable<T>, key: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const group = groups.get(key(item));
    if (group) group.push(item);
    else groups.set(key(item), [item]);
  }
  return groups;
}
