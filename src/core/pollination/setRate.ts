import { type Beta, betaMean, betaWeight, lighter, observe } from "../numbers/beta";
import { betaInterval } from "../numbers/betaRange";
import { nextLine, type Outcomes } from "./pooling";

/** A share of flowers that set: a Beta distribution with its mean and the range that holds nine tenths of it. */
export type SetRate = Beta & { low: number; likely: number; high: number };

/**
 * A set rate from its distribution, with the range that holds nine tenths of it.
 * @example setRate({ a: 1, b: 1 }) // { a: 1, b: 1, low: 0.05, high: 0.95, likely: 0.5 }
 */
export const setRate = (beta: Beta): SetRate => ({ ...beta, ...betaInterval(beta, 0.9), likely: betaMean(beta) });

/** What other lines, and other hours, may weigh at the most, in flowers. */
const CARRIED = 12;

/** One step of learning: whose flowers they were, and how they did. */
export type Lesson = { what: string; outcomes: Outcomes };

/** What other lines of the species did, a line each. */
export type Others = { what: string; lines: Outcomes[]; pooled?: typeof nextLine };

const flowersIn = ({ set, failed }: Outcomes) => set + failed;

/**
 * The set rate after what the grower's own flowers did, from the farthest to the nearest: other lines of the species by
 * this method, pooled so that this line may differ from them as far as they do from each other; then this line at other
 * hours, then this line at this hour. Each lesson of its own is the Beta update a + set, b + failed; before the next,
 * nearer one, what is known so far is lightened to the weight of at most `CARRIED` flowers, so that the nearest flowers
 * decide once there are enough of them. No flower counts twice: each belongs to one lesson.
 * @param prior the catalogue's range as a Beta distribution
 * @returns the rate, and the weight of each lesson in it, in flowers
 * @example learn({ a: 4, b: 6 }, [{ what: "this line", outcomes: { set: 3, failed: 1 } }]).rate.likely // 0.5
 */
export function learn(
  prior: Beta,
  lessons: Lesson[],
  { what: theirs, lines, pooled = nextLine }: Others = { what: "others", lines: [] },
): { rate: SetRate; from: { what: string; flowers: number }[] } {
  let known = prior;
  const from = [{ what: "the catalogue", flowers: betaWeight(prior) }];
  const others = lines.reduce((sum, line) => sum + flowersIn(line), 0);
  let own = lessons.filter(({ outcomes }) => flowersIn(outcomes) > 0);
  if (others > 0) {
    const [first, ...rest] = own;
    const mine = first ? flowersIn(first.outcomes) : 0;
    known = pooled(prior, lines, first?.outcomes);
    // What it weighs now, shared out: its own flowers count in full, as far as there are so many.
    const weight = betaWeight(known);
    const lent = Math.max(0, weight - mine);
    const catalogue = (lent * betaWeight(prior)) / (betaWeight(prior) + others);
    from[0]!.flowers = catalogue;
    from.push({ what: theirs, flowers: lent - catalogue });
    if (first) from.push({ what: first.what, flowers: Math.min(mine, weight) });
    own = rest;
  }
  for (const { what, outcomes } of own) {
    const flowers = flowersIn(outcomes);
    const carried = lighter(known, CARRIED);
    const share = betaWeight(carried) / betaWeight(known);
    for (const source of from) source.flowers *= share;
    known = observe(carried, outcomes.set, outcomes.failed);
    from.push({ what, flowers });
  }
  return { rate: setRate(known), from };
}
