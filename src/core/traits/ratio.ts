import { measured, NOT_TYPED } from "./kind";

/** One measured trait of a plant divided by another of it. */
export const ratio = measured({
  name: "Ratio of two others",
  heritability: { low: 0.1, high: 0.5 },
  computed: true,
  describedBy: ["unit", "parts"],
  often: ["once"],
  entry: () => ({ by: "nothing" }),
  keys: () => "reckoned of two others",
  ...NOT_TYPED,
  read: () => ({ why: "It is reckoned of two others; score those." }),
});
