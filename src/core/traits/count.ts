import { measured, readFigure } from "./kind";

/** Counted on a plant. */
export const count = measured({
  name: "Counted",
  step: 1,
  heritability: { low: 0.1, high: 0.5 },
  read: (typed, on) => readFigure(typed, on, { low: 0, high: 1_000_000, whole: true }),
});
