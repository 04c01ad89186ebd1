import { betaOfRange } from "../numbers/beta";
import { betaInterval, betaQuantile } from "../numbers/betaRange";
import { normalFrom, seeded } from "../numbers/chance";
import { nextLine } from "../pollination/pooling";

const PRIOR = betaOfRange({ low: 0.25, high: 0.55 });
const FLOWERS = 40;

/**
 * How often the range of nine tenths holds a line's true set rate, of so many made-up species.
 * @param spread how far their lines lie apart, on the logit
 * @param own flowers of the line itself
 * @param lines other lines with forty flowers each
 */
export function linesLived(spread: number, own: number, species: number, seed: number, lines = 12): number {
  const luck = seeded(seed);
  const logit = (share: number) => Math.log(share / (1 - share));
  let held = 0;
  for (let i = 0; i < species; i++) {
    const middle = logit(betaQuantile(PRIOR, luck()));
    const rate = () => 1 / (1 + Math.exp(-(middle + spread * normalFrom(luck(), luck()))));
    const flowers = (n: number, at: number) => {
      const set = Array.from({ length: n }, () => luck() < at).filter(Boolean).length;
      return { set, failed: n - set };
    };
    const others = Array.from({ length: lines }, () => flowers(FLOWERS, rate()));
    const at = rate();
    const { low, high } = betaInterval(nextLine(PRIOR, others, flowers(own, at)), 0.9);
    if (low <= at && at <= high) held++;
  }
  return held / species;
}
