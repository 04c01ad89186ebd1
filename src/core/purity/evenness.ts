import { fQuantile } from "../numbers/intraclass";
import { varianceWithin, withinGroups } from "../numbers/within";
import { type Standing, SURE } from "./standing";

/** Values of plants that grew side by side: of one season, and of one line. */
export type Group = number[];

export type Evenness = {
  standing: Standing;
  /** Standard deviation of the line's plants over that of plants of known stable lines, with its nine-tenths range; null where too few were seen. */
  ratio: { low: number; likely: number; high: number } | null;
  /** Standard deviations, and of how many plants. */
  own: { spread: number; plants: number };
  known: { spread: number; plants: number };
  /** Generations of selfing until it may be shown, as each halves what is still mixed; null where that is not the way. */
  generations: number | null;
};

/** A line is even as long as its plants spread no more than so much wider than those of known lines. Working value. */
export const EVEN = 1.5;
/** Of fewer plants beyond their group's mean nothing is said. */
const FEWEST = 4;
/** More generations are not foretold. */
const MOST_GENERATIONS = 12;

/**
 * Whether plants of a line are as even as those of lines that are known to come true: shown where their spread is no more than
 * `EVEN` times as wide, nineteen times in twenty.
 *
 * By the F distribution of the ratio of variances, each pooled within groups. What a mark is read to adds step²/12 to both.
 * @param own the line's groups: all its plants of a season together, so that what its families differ by counts
 * @param known groups of stable lines, each line and season by itself
 * @param step the smallest difference a mark is read to, in its unit; 0 where it is finer than what plants differ by
 * @example evenness([[1, 2, 3, 4, 5, 6, 7, 8]], [[2, 4]], 1).standing // "open"
 */
export function evenness(own: Group[], known: Group[], step: number): Evenness {
  const [line, other] = [own, known].map((groups) => withinGroups(groups.filter((group) => group.length > 0)));
  const [ours, theirs] = [varianceWithin(line!, step), varianceWithin(other!, step)];
  const told = {
    own: { spread: Math.sqrt(ours), plants: own.flat().length },
    known: { spread: Math.sqrt(theirs), plants: known.flat().length },
  };
  if (line!.freedom < FEWEST || other!.freedom < FEWEST || theirs === 0)
    return { standing: "open", ratio: null, ...told, generations: null };
  const f = ours / theirs;
  const ratio = {
    low: Math.sqrt(f / fQuantile(SURE, line!.freedom, other!.freedom)),
    likely: Math.sqrt(f),
    high: Math.sqrt(f * fQuantile(SURE, other!.freedom, line!.freedom)),
  };
  const standing = ratio.high <= EVEN ? "holds" : ratio.low > 1 ? "fails" : "open";
  return { standing, ratio, ...told, generations: standing === "fails" ? generationsTo(f) : null };
}

/** Generations until a ratio of variances is as wide as is taken, if all above 1 is what is still mixed. */
function generationsTo(ratio: number): number | null {
  const wanted = Math.ceil(Math.log2((ratio - 1) / (EVEN ** 2 - 1)) - 1e-9);
  return wanted > MOST_GENERATIONS ? null : Math.max(1, wanted);
}
