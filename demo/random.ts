/** A seeded source of chance (mulberry32), so that the demo is the same on every machine. */
export type Chance = {
  next: () => number;
  yes: (probability: number) => boolean;
  normal: (mean: number, deviation: number) => number;
};

export function chance(seed: number): Chance {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
  return {
    next,
    yes: (probability) => next() < probability,
    // Box and Muller; 1 − next() keeps the logarithm finite.
    normal: (mean, deviation) =>
      mean + deviation * Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
  };
}
