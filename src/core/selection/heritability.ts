import type { Range } from "../flowering/facts";
import { betaOfRange } from "../numbers/beta";
import { betaInterval } from "../numbers/betaRange";
import { shareBelow } from "../numbers/probit";
import { TRAIT_KINDS, type TraitKindId } from "../traits/kinds";
import type { Repeatability } from "./repeatability";

export type Heritability = {
  likely: number;
  low: number;
  high: number;
  /** Chances on a grid from just above 0 to just below 1. */
  grid: { share: number; chance: number }[];
};

/** Of an F2, and of full sibs whose parents are not inbred, half of the base's variance is among sibs. */
export const AMONG_SIBS = 0.5;

/**
 * How much is inherited of what plants differ by, where so much of an F2's sibs is: as much less as they are fixed.
 * @param share of what sibs of an F2 differ by, above 0 and below 1
 * @param among how much of the base's variance is among the plants, 0–2
 * @example inheritedAmong(0.3, 0.5) // 0.3
 * @example inheritedAmong(0.3, 0) // 0
 */
export const inheritedAmong = (share: number, among: number): number =>
  (share * among) / (share * among + AMONG_SIBS * (1 - share));

/** A grower's guess is good to so much either way. Working value. */
const EITHER_WAY = 0.2;

/**
 * What is taken to be inherited of a trait, of what an F2's sisters differ by, nine-tenths range: as the grower guesses, or as
 * is usual for its kind.
 * @param inherited the guess, 0–1
 * @example guessOf({ kind: "date", inherited: 0.9 }).high // 0.97
 */
export const guessOf = ({ kind, inherited }: { kind: TraitKindId; inherited: number | null }): Range =>
  inherited === null
    ? TRAIT_KINDS[kind].heritability
    : { low: Math.max(0.01, inherited - EITHER_WAY), high: Math.min(0.97, inherited + EITHER_WAY) };

const STEPS = 99;

/**
 * How much is believed to be inherited of what plants differ by, before they are held against each other: a guess, and repeated
 * looks, which it can't exceed.
 *
 * On a grid by Bayes' rule: the guess's Beta, times the chance that the repeatability is higher. Source: Falconer and Mackay
 * 1996 (repeatability as an upper bound).
 * @param guess nine-tenths range, 0–1
 * @example heritabilityFrom({ low: 0.1, high: 0.6 }, null).likely // 0.350
 */
export function heritabilityFrom(
  guess: { low: number; high: number },
  repeats: Pick<Repeatability, "share" | "low" | "high"> | null,
): Heritability {
  const beta = betaOfRange(guess);
  const doubt = repeats && Math.max(0.02, (repeats.high - repeats.low) / 3.29);
  const weights = Array.from({ length: STEPS }, (_, i) => {
    const share = (i + 1) / (STEPS + 1);
    const prior = share ** (beta.a - 1) * (1 - share) ** (beta.b - 1);
    const below = repeats && doubt ? 1 - shareBelow((share - repeats.share) / doubt) : 1;
    return { share, chance: prior * below };
  });
  const all = weights.reduce((sum, { chance }) => sum + chance, 0);
  // What the records say may be out of all reach of the guess: then the guess stands.
  const grid = all > 0 ? weights.map(({ share, chance }) => ({ share, chance: chance / all })) : gridOf(beta);
  return { likely: grid.reduce((sum, { share, chance }) => sum + share * chance, 0), ...rangeOf(grid), grid };
}

function gridOf(beta: { a: number; b: number }): Heritability["grid"] {
  const { low, high } = betaInterval(beta, 0.9);
  const shares = [low, (low + high) / 2, high];
  return shares.map((share) => ({ share, chance: 1 / shares.length }));
}

function rangeOf(grid: Heritability["grid"]): { low: number; high: number } {
  let sum = 0;
  let low: number | null = null;
  let high = grid.at(-1)!.share;
  for (const { share, chance } of grid) {
    sum += chance;
    if (low === null && sum >= 0.05) low = share;
    if (sum >= 0.95) {
      high = share;
      break;
    }
  }
  return { low: low ?? grid[0]!.share, high };
}
