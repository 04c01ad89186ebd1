/**
 * A seeded source of numbers in [0, 1): the same seed gives the same run on every machine. Mulberry32.
 * @example seeded(1)() // 0.62707
 */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/**
 * A normal number of mean 0 and deviation 1 from two even ones (Box and Muller); 1 − a keeps the logarithm finite.
 * @example normalFrom(1 - Math.exp(-0.5), 0) // 1.000
 */
export const normalFrom = (a: number, b: number): number => Math.sqrt(-2 * Math.log(1 - a)) * Math.cos(2 * Math.PI * b);
