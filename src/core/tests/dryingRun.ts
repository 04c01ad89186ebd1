import { normalFrom } from "../numbers/chance";
import type { Weighing } from "../seed/drying";

/** How much is still to go of what a share is lost of each hour, and of water that must come out of a sphere (Crank 1956). */
export const LEFT = {
  even: (t: number): number => Math.exp(-t),
  sphere: (t: number): number =>
    t < 0.1
      ? 1 - 6 * Math.sqrt(t / Math.PI) + 3 * t
      : (6 / Math.PI ** 2) *
        Array.from({ length: 12 }, (_, k) => Math.exp(-((k + 1) ** 2) * Math.PI ** 2 * t) / (k + 1) ** 2).reduce(
          (sum, x) => sum + x,
          0,
        ),
};

/** A made-up drying of known rate: weigh-ins at given hours, with a scale's error. Numbers in [0, 1) come in. */
export const dryingRun = (course: (hours: number) => number, hours: number[], luck: () => number): Weighing[] =>
  hours.map((at) => {
    return { at, mass: course(at) * (1 + 0.004 * normalFrom(luck(), luck())) };
  });
