import { measured, readFigure } from "./kind";

/** Measured, in a unit of one's own. */
export const number = measured({
  name: "Number with a unit",
  heritability: { low: 0.15, high: 0.6 },
  describedBy: ["unit"],
  read: (typed, on) => readFigure(typed, on, { low: -1_000_000, high: 1_000_000, whole: false }),
});
