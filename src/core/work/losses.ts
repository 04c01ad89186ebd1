import type { Range } from "../flowering/facts";
import { type Beta, betaOfRange, lighter, observe } from "../numbers/beta";
import type { Stage } from "../seed/sowing";

/** So many got through a stage, of so many that came to it. */
export type Through = { through: number; of: number };

/** What is published, and what other lines of the species did here, weigh at most so many seeds. Working values. */
const PUBLISHED = 20;
const OTHERS = 30;

/** Nothing seen yet. */
export const NONE: Through = { through: 0, of: 0 };

/**
 * What gets through a stage of raising, as the grower's own losses teach it: what is usual weighs least, then the species'
 * other lines, and the line's own counts most.
 * @param usual the catalogue's range, 0–1
 * @param others counts of other lines of the species
 * @param own counts of the line
 * @example stageFrom({ low: 0.8, high: 0.9 }, NONE, NONE) // { successes: 16.5, trials: 19 }
 */
export function stageFrom(usual: Range, others: Through, own: Through): Stage & { successes: number; trials: number } {
  const seen = (beta: Beta, { through, of }: Through) => observe(beta, through, of - through);
  const species = lighter(seen(lighter(betaOfRange(usual), PUBLISHED), others), OTHERS);
  const { a, b } = seen(others.of > 0 ? species : lighter(betaOfRange(usual), PUBLISHED), own);
  // The stage adds Jeffreys' halves again.
  return { successes: a - 0.5, trials: a + b - 1 };
}

/**
 * The share that gets through a counted stage, in the mean.
 * @example meanOf({ successes: 16.5, trials: 19 }) // 0.85
 */
export const meanOf = ({ successes, trials }: { successes: number; trials: number }): number =>
  (successes + 0.5) / (trials + 1);
