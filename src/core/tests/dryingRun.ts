import { normalFrom } from "../numbers/chance";
import type { Weighing } from "../seed/drying";

/** A made-up drying of known rate: weigh-ins at given hours, with a scale's error. Numbers in [0, 1) come in. */
export const dryingRun = (course: (hours: number) => number, hours: number[], luck: () => number): Weighing[] =>
  hours.map((at) => {
    return { at, mass: course(at) * (1 + 0.004 * normalFrom(luck(), luck())) };
  });
