import type { Beta } from "../numbers/beta";
import { betaQuantile } from "../numbers/betaRange";
import { remembered } from "../numbers/remembered";

/** Flowers of which it is known whether they set. */
export type Outcomes = { set: number; failed: number };

/** Means of a species that are held against what its lines did: so many equally likely by the catalogue. */
const MEANS = 17;
/** Spreads between lines, on the logit, that are held against it, each as likely before. Working values. */
const SPREADS = [0, 0.3, 0.45, 0.6, 0.8, 1, 1.3, 1.7, 2.2];
/** How many times likelier than the least spread it must be that lines are all alike for them to be taken so. Working. */
const ALIKE = 2.25;
/** Steps through a spread's bell, and how far out. */
const STEPS = { count: 19, reach: 3 };

const logit = (share: number) => Math.log(share / (1 - share));
const bell = (z: number) => Math.exp(-(z * z) / 2);
const zs = Array.from({ length: STEPS.count }, (_, i) => STEPS.reach * ((2 * i) / (STEPS.count - 1) - 1));
const bells = zs.map(bell);
const ofAll = bells.reduce((a, b) => a + b, 0);

/** How many halvings find a middle to nine digits. */
const HALVINGS = 40;

const ratesAbout = (middle: number, spread: number) => zs.map((z) => 1 / (1 + Math.exp(-(middle + spread * z))));
const meanBy = (weights: number[], total: number, values: number[]) =>
  values.reduce((sum, value, k) => sum + value * weights[k]!, 0) / total;

/** The middle of a bell on the logit whose rates have a mean: it lies farther from a half than the mean's own logit. */
function middleFor(mean: number, spread: number): number {
  const at = logit(mean);
  let [low, high] = [at - 2 * spread ** 2 - 1e-9, at + 2 * spread ** 2 + 1e-9];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (meanBy(bells, ofAll, ratesAbout(middle, spread)) < mean) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** A mean and a spread that are held against what was seen: rates from one side of the bell to the other, and their logs. */
type Held = { spread: number; rates: number[]; yes: number[]; no: number[] };

/** All that a prior holds likely; hundreds of lines have the same one. */
const gridOf = remembered(
  (prior: Beta): Held[] =>
    Array.from({ length: MEANS }, (_, i) => betaQuantile(prior, (i + 0.5) / MEANS)).flatMap((mean) =>
      SPREADS.map((spread) => {
        const rates = ratesAbout(middleFor(mean, spread), spread);
        return { spread, rates, yes: rates.map(Math.log), no: rates.map((rate) => Math.log1p(-rate)) };
      }),
    ),
  50,
);

/**
 * What other lines teach of the next one: their mean and how far lines lie apart are learned together, so that a line not
 * seen yet may differ from the mean as far as the others do (partial pooling of log-normal odds, on a grid). Only where
 * they are so alike that chance alone explains it better than the least spread, they are taken as one: a range over both
 * would be too wide for lines that are alike.
 * @param prior what the catalogue believes of the species
 * @param lines flowers that set and failed, a line each
 * @param own flowers of the line itself
 * @returns the Beta distribution with the mean and variance of the next line's rate; the prior where no line was seen
 * @example nextLine({ a: 4, b: 6 }, []) // { a: 4, b: 6 }
 */
export function nextLine(prior: Beta, lines: Outcomes[], own: Outcomes = { set: 0, failed: 0 }): Beta {
  const seen = lines.filter(({ set, failed }) => set + failed > 0);
  if (seen.length === 0) return prior;
  const held = gridOf(prior).map(({ spread, rates, yes, no }) => {
    // As likely as these flowers are, by every rate the line may have.
    const likely = ({ set, failed }: Outcomes) => {
      const each = zs.map((_, k) => set * yes[k]! + failed * no[k]!);
      const most = Math.max(...each);
      const weights = each.map((one, k) => (bells[k]! * Math.exp(one - most)) / ofAll);
      const total = weights.reduce((a, b) => a + b, 0);
      return { weights, total, log: most + Math.log(total) };
    };
    const log = seen.reduce((sum, line) => sum + likely(line).log, 0);
    // Its own flowers, in the same way, weigh every rate it may have.
    const mine = likely(own);
    const mean = meanBy(mine.weights, mine.total, rates);
    const square = meanBy(
      mine.weights,
      mine.total,
      rates.map((rate) => rate * rate),
    );
    return { spread, log: log + mine.log, mean, square };
  });
  // Against the likeliest, so that many flowers do not vanish.
  const most = Math.max(...held.map(({ log }) => log));
  const weighed = held.map((one) => ({ ...one, weight: Math.exp(one.log - most) }));
  const evidence = (some: typeof weighed) => some.reduce((sum, { weight }) => sum + weight, 0);
  const of = (apart: (spread: number) => boolean) => weighed.filter(({ spread }) => apart(spread));
  const same = of((spread) => spread === 0);
  const alike = evidence(same) >= ALIKE * evidence(of((spread) => spread === SPREADS[1]));
  const taken = alike ? same : of((spread) => spread > 0);
  const all = evidence(taken);
  const expected = (what: "mean" | "square") => taken.reduce((sum, one) => sum + one.weight * one[what], 0) / all;
  const mean = expected("mean");
  const variance = Math.max(1e-6, expected("square") - mean * mean);
  const weight = Math.max(2, (mean * (1 - mean)) / variance - 1);
  return { a: mean * weight, b: (1 - mean) * weight };
}
