import type { NextStep } from "./nextStep";

/** What a line lives by today. */
export type LivesBy = {
  step: NextStep;
  /** Living seed of it lies in the drawer or on the table. */
  seed: boolean;
  /** Plantings that stand and may give seed of it. */
  forSeed: number;
};

/** What endangers a line: no seed of it is to come, or all of it stands in one season's plants. */
export type Risk = "no-seed-coming" | "one-season";

/**
 * Whether a line that lives is one season from lost, and whether anything is done about it.
 * @returns null where there is seed besides what grows, or nothing grows
 * @example riskOf({ step: "growing", seed: false, forSeed: 0 }) // "no-seed-coming"
 * @example riskOf({ step: "growing", seed: false, forSeed: 2 }) // "one-season"
 */
export function riskOf({ step, seed, forSeed }: LivesBy): Risk | null {
  if (step !== "growing" || seed) return null;
  return forSeed > 0 ? "one-season" : "no-seed-coming";
}
