import { normalFrom, seeded } from "@/core/numbers/chance";

/** A seeded source of chance, so that the demo is the same on every machine. */
export type Chance = {
  next: () => number;
  yes: (probability: number) => boolean;
  normal: (mean: number, deviation: number) => number;
};

export function chance(seed: number): Chance {
  const next = seeded(seed);
  return {
    next,
    yes: (probability) => next() < probability,
    normal: (mean, deviation) => mean + deviation * normalFrom(next(), next()),
  };
}
