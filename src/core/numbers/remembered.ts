import { LRUCache } from "lru-cache";

/**
 * A reckoning that takes milliseconds and is asked for the same again after every press: its last answers are kept by what
 * they were reckoned from, which is plain data.
 * @param reckon gives the same for the same
 * @param most so many answers are kept
 * @example remembered(({ a }) => ({ twice: 2 * a }), 10)({ a: 3 }) // { twice: 6 }
 */
export function remembered<In, Out extends NonNullable<unknown>>(
  reckon: (input: In) => Out,
  most: number,
): (input: In) => Out {
  const kept = new LRUCache<string, Out>({ max: most });
  return (input) => {
    const key = JSON.stringify(input);
    const out = kept.get(key) ?? reckon(input);
    kept.set(key, out);
    return out;
  };
}
