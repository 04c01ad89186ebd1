import { measured, NOT_TYPED, readFigure } from "./kind";

const STEPS = Array.from({ length: 9 }, (_, i) => String(i + 1));

/** Nine steps between two ends that are described. */
export const scale = measured({
  name: "Scale 1 to 9",
  step: 1,
  heritability: { low: 0.1, high: 0.6 },
  describedBy: ["ends"],
  often: ["once", "again"],
  within: { low: 1, high: 9 },
  units: (unit) => ({ value: unit, difference: "steps", axis: "1–9" }),
  entry: () => ({ by: "press", inOneRow: true, choices: STEPS.map((step) => ({ typed: step, label: step })) }),
  keys: () => "1 to 9 scores and goes on",
  byKey: (key) => (STEPS.includes(key) ? key : null),
  ...NOT_TYPED,
  read: (typed, on) => readFigure(typed, on, { low: 1, high: 9, whole: true }),
});
