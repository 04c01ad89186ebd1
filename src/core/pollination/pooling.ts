import type { Beta } from "../numbers/beta";
import { betaQuantile } from "../numbers/betaRange";

/** Flowers of which it is known whether they set. */
export type Outcomes = { set: number; failed: number };

/** Means of a species that are held against what its lines did: so many equally likely by the catalogue. */
const MEANS = 17;
/** Spreads between lines, on the logit, that are held against it, and how likely each is before. Working values. */
const SPREADS = [0, 0.15, 0.3, 0.45, 0.6, 0.8, 1, 1.25, 1.6];
/** As likely as any other spread: that lines are all alike. */
const ALIKE = 1 / SPREADS.length;
/** Steps through a spread's bell, and how far out. */
const STEPS = { count: 19, reach: 3 };

const logit = (share: number) => Math.log(share / (1 - share));
const bell = (z: number) => Math.exp(-(z * z) / 2);
const zs = Array.from({ length: STEPS.count }, (_, i) => STEPS.reach * ((2 * i) / (STEPS.count - 1) - 1));
const bells = zs.map(bell);
const ofAll = bells.reduce((a, b) => a + b, 0);

/**
 * What other lines teach of the next one: their mean and how far lines lie apart are learned together, so that a line not
 * seen yet may differ from the mean as far as the others do (partial pooling of log-normal odds, on a grid).
 * @param prior what the catalogue believes of the species
 * @param lines flowers that set and failed, a line each
 * @param own flowers of the line itself
 * @returns the Beta distribution with the mean and variance of the next line's rate; the prior where no line was seen
 * @example nextLine({ a: 4, b: 6 }, []) // { a: 4, b: 6 }
 */
export function nextLine(prior: Beta, lines: Outcomes[], own: Outcomes = { set: 0, failed: 0 }): Beta {
  const seen = lines.filter(({ set, failed }) => set + failed > 0);
  if (seen.length === 0) return prior;
  let [all, sum, squares] = [0, 0, 0];
  // Against the likeliest, so that many flowers do not vanish.
  const logs: { log: number; mean: number; square: number }[] = [];
  for (let i = 0; i < MEANS; i++) {
    const middle = logit(betaQuantile(prior, (i + 0.5) / MEANS));
    for (const spread of SPREADS) {
      const rates = zs.map((z) => 1 / (1 + Math.exp(-(middle + spread * z))));
      const [yes, no] = [rates.map(Math.log), rates.map((rate) => Math.log1p(-rate))];
      let log = Math.log(spread === 0 ? ALIKE : (1 - ALIKE) / (SPREADS.length - 1));
      for (const { set, failed } of seen) {
        const each = zs.map((_, k) => set * yes[k]! + failed * no[k]!);
        const most = Math.max(...each);
        log += most + Math.log(each.reduce((total, one, k) => total + bells[k]! * Math.exp(one - most), 0) / ofAll);
      }
      // Its own flowers, in the same way, weigh every rate it may have.
      const mine = zs.map((_, k) => own.set * yes[k]! + own.failed * no[k]!);
      const best = Math.max(...mine);
      const weights = mine.map((one, k) => (bells[k]! * Math.exp(one - best)) / ofAll);
      const total = weights.reduce((a, b) => a + b, 0);
      const mean = rates.reduce((sum, rate, k) => sum + rate * weights[k]!, 0) / total;
      const square = rates.reduce((sum, rate, k) => sum + rate * rate * weights[k]!, 0) / total;
      logs.push({ log: log + best + Math.log(total), mean, square });
    }
  }
  const most = Math.max(...logs.map(({ log }) => log));
  for (const { log, mean, square } of logs) {
    const weight = Math.exp(log - most);
    all += weight;
    sum += weight * mean;
    squares += weight * square;
  }
  const mean = sum / all;
  const variance = Math.max(1e-6, squares / all - mean * mean);
  const weight = Math.max(2, (mean * (1 - mean)) / variance - 1);
  return { a: mean * weight, b: (1 - mean) * weight };
}
