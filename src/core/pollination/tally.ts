/** How far a flower has come. */
export const FLOWER_STATES = [
  "covered",
  "gathered",
  "pollinated",
  "uncovered",
  "set",
  "harvested",
  "failed",
  "lost",
  "unusable",
] as const;
export type FlowerState = (typeof FLOWER_STATES)[number];

/** What went wrong with a flower and stays written on it. */
export const FAULTS = ["found-open", "limp", "torn-bag", "wrong-father", "unsure"] as const;
export type Fault = (typeof FAULTS)[number];
/** Whether a result is a fault that stays written on the flower. @example isFault("limp") // true */
export const isFault = (result: string): result is Fault => (FAULTS as readonly string[]).includes(result);

export type Tally = {
  /** Covered, or its pollen gathered. */
  covered: number;
  /** Pollinated, not yet known whether set. */
  waiting: number;
  /** Set fruit that is the cross without doubt. */
  set: number;
  /** Of those, fruit that was brought in. */
  harvested: number;
  lost: number;
  /** Set or waiting with a fault: never counted as the cross. */
  doubtful: number;
};

/** States in which a flower still has steps to come. */
export const UNDER_WAY: ReadonlySet<FlowerState> = new Set(["covered", "gathered", "pollinated", "uncovered", "set"]);

/** States of a flower that waits for its pollen. */
export const BEFORE_POLLEN: ReadonlySet<FlowerState> = new Set(["covered", "gathered"]);

/** States of a flower that came to nothing. */
export const DEAD: ReadonlySet<FlowerState> = new Set(["failed", "lost", "unusable"]);

/**
 * Counts flowers by what they stand for; a harvested fruit is a set one, one with a fault never is.
 * @param flowers one by one, or `count` of a kind at once
 * @example tally([{ state: "set", fault: null, count: 3 }, { state: "set", fault: "limp" }]) // { covered: 0, waiting:
 *   0, set: 3, harvested: 0, lost: 0, doubtful: 1 }
 */
export function tally(flowers: { state: FlowerState; fault: Fault | boolean | null; count?: number }[]): Tally {
  const done = { covered: 0, waiting: 0, set: 0, harvested: 0, lost: 0, doubtful: 0 };
  for (const { state, fault, count = 1 } of flowers) {
    if (DEAD.has(state)) done.lost += count;
    else if (fault) done.doubtful += count;
    else if (BEFORE_POLLEN.has(state)) done.covered += count;
    else if (state === "pollinated" || state === "uncovered") done.waiting += count;
    else {
      done.set += count;
      if (state === "harvested") done.harvested += count;
    }
  }
  return done;
}
