import type { Individual } from "../pedigree/pedigree";
import type { Bedded } from "../selection/bedModel";
import type { Aim } from "../selection/ranking";

/** More of a yardstick is better, and nothing puts a plant out. */
export const AIM: Aim = {
  id: "t",
  wanted: "high",
  target: null,
  targetWord: null,
  weight: 1,
  low: null,
  high: null,
  floor: null,
  ceiling: null,
  must: 0,
};

/** Two pure lines, their F1, and so many plants of its selfed seed, from the fourth on. */
export const F2 = (plants: number): Individual[] => [
  { id: "one", inbreeding: 1 },
  { id: "two", inbreeding: 1 },
  { id: "f1", mother: "one", father: "two" },
  ...Array.from({ length: plants }, (_, i) => ({ id: `p${i}`, mother: "f1", father: "f1" })),
];

/** A plant that was seen, in one environment and with no place, unless more is said of it. */
export const seenAt = (individual: number, more: Partial<Bedded> = {}): Bedded => ({
  individual,
  environment: 0,
  row: null,
  x: null,
  y: null,
  ...more,
});
