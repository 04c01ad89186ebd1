import type { Share } from "./share";

/** Share of foreign pollen of plants that are on no record, where nobody looked around: likely so much. Working value. */
export const UNSEEN = 0.002;
/** It is known to a factor of so much; once somebody looked around, to less. Working values. */
const DOUBT = { unlooked: 10, looked: 3 };
/** What somebody looked around for and did not find leaves so much of it. Working value. */
export const LOOKED = 0.1;

/**
 * Share of seed with foreign pollen that nobody saw coming, with its range.
 * @param pollen share of foreign pollen, 0–1
 * @param outcrossing share of the seed that is not selfed, 0–1
 * @param lookedAround whether somebody looked for what crosses with it, as far as its pollen goes
 * @example backgroundShare(0.002, 0.5, false) // { low: 0.0001, likely: 0.001, high: 0.01 }
 */
export function backgroundShare(pollen: number, outcrossing: number, lookedAround: boolean): Share {
  const doubt = lookedAround ? DOUBT.looked : DOUBT.unlooked;
  const at = (share: number) => Math.min(1, share) * outcrossing;
  return { low: at(pollen / doubt), likely: at(pollen), high: at(pollen * doubt) };
}

/**
 * Foreign pollen that was foreseen together with what nobody saw.
 * @example together({ low: 0, likely: 0.5, high: 1 }, { low: 0, likely: 0.5, high: 0 }) // { low: 0, likely: 0.75, high: 1 }
 */
export const together = (one: Share, other: Share): Share => {
  const both = (a: number, b: number) => 1 - (1 - a) * (1 - b);
  return { low: both(one.low, other.low), likely: both(one.likely, other.likely), high: both(one.high, other.high) };
};
