import { betaOfRange } from "../numbers/beta";
import { betaInterval } from "../numbers/betaRange";
import { shareBelow } from "../numbers/probit";
import type { Repeatability } from "./repeatability";

/** A family beside what its parents showed. */
export type FamilyPair = {
  /** The parents' mean, or the one parent's value, less the mean of their own environment. */
  parents: number;
  /** The offspring's mean less that of their environment, and how many were seen. */
  offspring: number;
  seen: number;
  /** How much of the parents' worth the offspring have: 1 of a selfed plant or of both parents' mean, ½ of a mother alone. */
  passed: 1 | 0.5;
};

export type Heritability = {
  likely: number;
  low: number;
  high: number;
  /** What it rests on, beside a guess. */
  from: ("parents" | "repeats")[];
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

const STEPS = 99;

/** Slope of offspring on what their parents passed on, weighed by how many were seen, and its error; null of too few families. */
function slopeOf(pairs: FamilyPair[]): { slope: number; error: number } | null {
  if (pairs.length < 4) return null;
  const weights = pairs.map(({ seen }) => seen);
  const all = weights.reduce((a, b) => a + b, 0);
  const middle = (of: (pair: FamilyPair) => number) => pairs.reduce((sum, p, i) => sum + weights[i]! * of(p), 0) / all;
  const x = ({ parents, passed }: FamilyPair) => parents * passed;
  const y = ({ offspring }: FamilyPair) => offspring;
  const [mx, my] = [middle(x), middle(y)];
  const sum = (of: (p: FamilyPair) => number) => pairs.reduce((s, p, i) => s + weights[i]! * of(p), 0);
  const xx = sum((p) => (x(p) - mx) ** 2);
  if (xx < 1e-12) return null;
  const slope = sum((p) => (x(p) - mx) * (y(p) - my)) / xx;
  const left = sum((p) => (y(p) - my - slope * (x(p) - mx)) ** 2) / (pairs.length - 2);
  // Four families say little of their own scatter: never less than a tenth.
  return { slope, error: Math.max(0.1, Math.sqrt(left / xx)) };
}

/** The normal density, but for its constant. */
const near = (x: number, mean: number, error: number) => Math.exp(-((x - mean) ** 2) / (2 * error * error));

/**
 * How much of what plants differ by is inherited, as a grower's own records tell: a guess to begin with; the regression of
 * families on their parents; and repeated looks, which it can't exceed.
 *
 * On a grid by Bayes' rule: the guess's Beta, times the normal chance of the regression's slope, times the chance that the
 * repeatability is higher. Sources: Falconer and Mackay 1996 (offspring on parents; repeatability as an upper bound).
 * @param guess nine-tenths range, 0–1
 * @example heritabilityFrom({ low: 0.1, high: 0.6 }, [], null).likely // 0.350
 */
export function heritabilityFrom(
  guess: { low: number; high: number },
  pairs: FamilyPair[],
  repeats: Repeatability | null,
): Heritability {
  const beta = betaOfRange(guess);
  const parents = slopeOf(pairs);
  const doubt = repeats && Math.max(0.02, (repeats.high - repeats.low) / 3.29);
  const weights = Array.from({ length: STEPS }, (_, i) => {
    const share = (i + 1) / (STEPS + 1);
    const prior = share ** (beta.a - 1) * (1 - share) ** (beta.b - 1);
    const seen = parents ? near(parents.slope, share, parents.error) : 1;
    const below = repeats && doubt ? 1 - shareBelow((share - repeats.share) / doubt) : 1;
    return { share, chance: prior * seen * below };
  });
  const all = weights.reduce((sum, { chance }) => sum + chance, 0);
  // What the records say may be out of all reach of the guess: then the guess stands.
  const grid = all > 0 ? weights.map(({ share, chance }) => ({ share, chance: chance / all })) : gridOf(beta);
  return {
    likely: grid.reduce((sum, { share, chance }) => sum + share * chance, 0),
    ...rangeOf(grid),
    from: [...(parents ? (["parents"] as const) : []), ...(repeats ? (["repeats"] as const) : [])],
    grid,
  };
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

/**
 * A heritability by chance, as likely as it is.
 * @param random in [0, 1)
 * @example drawnHeritability(heritabilityFrom({ low: 0.2, high: 0.4 }, [], null), 0.5) // 0.30
 */
export function drawnHeritability({ grid }: Heritability, random: number): number {
  let sum = 0;
  for (const { share, chance } of grid) {
    sum += chance;
    if (random < sum) return share;
  }
  return grid.at(-1)!.share;
}
