import { type CauseKind, hypothesesOf, type SurpriseInput } from "./causes";
import { type Telling, testsOf } from "./telling";

export type Cause = { kind: CauseKind /** Of pollen: whose. */; key: string | null; chance: number };

export type Surprise = {
  /** The likeliest first; their chances sum to one. */
  causes: Cause[];
  /** The one that tells most for what it takes first. */
  tests: Telling[];
};

/**
 * What may have made a plant odd, each cause with its chance, and what would tell them apart for least.
 *
 * Bayes' rule over causes of which one is taken to be true: what was foreseen of strange pollen in the year in which the seed was
 * made (never the year in which the plant shows it), rates of mixed seed and slips, and what Mendel's ratios let a hidden recessive
 * do. Rates that nobody measures are working values, known to an order of magnitude; a test's worth is what it is expected to take
 * off the entropy of the causes.
 * @throws RangeError where more are odd than there are plants, or none
 * @example surprise({ plants: 12, odd: 1, sisters: [], inheritance: "dominant", suspects: [{ key: "s", name: "hot", share:
 *   { low: 0.002, likely: 0.01, high: 0.03 }, resembles: true }], made: "open", doubt: false, broken: false, hidden: { carrier: 0,
 *   share: 0.25 }, mixed: 0, stands: false, seedsLeft: 0, sisterSeeds: 0 }).causes[0].kind // "pollen"
 */
export function surprise(input: SurpriseInput): Surprise {
  if (input.odd < 1 || input.odd > input.plants)
    throw new RangeError("One of its plants at least is odd, and no more than there are.");
  const hypotheses = hypothesesOf(input);
  const all = hypotheses.reduce((sum, { weight }) => sum + weight, 0);
  const chances = hypotheses.map(({ weight }) => weight / all);
  return {
    causes: hypotheses
      .map(({ kind, key }, i) => ({ kind, key, chance: chances[i]! }))
      .sort((a, b) => b.chance - a.chance),
    tests: testsOf(input, hypotheses, chances),
  };
}
