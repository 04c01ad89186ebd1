import type { Id } from "../custody/id";
import { shareRange } from "../numbers/betaRange";
import type { ScoreValue } from "../traits/trait";
import { type Aim, failsAim } from "./ranking";

/**
 * The share that came through, with its nine-tenths range (Jeffreys).
 * @param stood plants before it, at least one
 * @param lost of them
 * @example cameThrough(20, 5).likely // 0.75
 */
export function cameThrough(stood: number, lost: number): { likely: number; low: number; high: number } {
  const alive = Math.max(0, stood - lost);
  return { likely: alive / stood, ...shareRange(alive, lost) };
}

export type Threshold = Aim & { name: string };
export type Passing = {
  /** Within every floor and ceiling, and of every word that must be. */
  pass: Id[];
  /** Put out by a yardstick, by its name. */
  fail: { name: string; ids: Id[] }[];
  /** Put out by nothing so far, but not looked at on all. */
  open: Id[];
};

/** Whether a yardstick alone can put a plant out. */
const bounds = ({ floor, ceiling, must }: Partial<Aim>): boolean =>
  (floor ?? null) !== null || (ceiling ?? null) !== null || must === 1;

/**
 * Survivors held against thresholds alone: no weights, no ranking.
 * @param plants those that live, with what they show
 * @example passing([{ id: "a", scores: { t: { number: 6, word: null } } }], [{ id: "t", name: "Taste", wanted: "high",
 *   weight: 1, floor: 5 }]).pass // ["a"]
 */
export function passing(
  plants: { id: Id; scores: Record<Id, ScoreValue | undefined> }[],
  yardsticks: Threshold[],
): Passing {
  const limits = yardsticks.filter(bounds);
  const failing = (one: (typeof plants)[number]) =>
    limits.filter((limit) => one.scores[limit.id] && failsAim(limit, one.scores[limit.id]!));
  const fine = plants.filter((one) => failing(one).length === 0);
  const seen = (one: (typeof plants)[number]) => limits.every(({ id }) => one.scores[id]);
  return {
    pass: fine.filter(seen).map(({ id }) => id),
    fail: limits
      .map((limit) => ({
        name: limit.name,
        ids: plants.filter((one) => failing(one).includes(limit)).map(({ id }) => id),
      }))
      .filter(({ ids }) => ids.length > 0),
    open: fine.filter((one) => !seen(one)).map(({ id }) => id),
  };
}
