import { type Beta, betaBinomialTail, betaMean, betaOfRange, observe, trialsNeeded } from "../numbers/beta";

/** Of sound roots and bulbs that are stored well so many come out of the winter sound. Working range. */
const USUAL = { low: 0.6, high: 0.95 };
/** Winters differ: what was seen weighs no more than so many roots. Working value. */
const SEEN_MOST = 80;
/** How sure it is to be. */
const SURE = 0.9;

/**
 * The share of stored roots that come out sound, from what came out before.
 * @param seen roots stored, and those that came out sound
 * @example storeShare([]).a > 0 // true
 */
export function storeShare(seen: { stored: number; sound: number }[]): Beta {
  const stored = seen.reduce((sum, one) => sum + one.stored, 0);
  const sound = seen.reduce((sum, one) => sum + one.sound, 0);
  const weight = stored > 0 ? Math.min(1, SEEN_MOST / stored) : 0;
  return observe(betaOfRange(USUAL), sound * weight, (stored - sound) * weight);
}

/**
 * How many roots come out sound of those that are stored: the middle, and the range that holds nine tenths.
 * @param stored from 0
 * @example comeOut(100, { a: 8000, b: 2000 }) // { likely: 80, low: 73, high: 86 }
 */
export function comeOut(stored: number, share: Beta): { likely: number; low: number; high: number } {
  /** The most that at least so many come out with a chance. */
  const atLeast = (chance: number) => {
    let [sure, over] = [0, stored + 1];
    while (over - sure > 1) {
      const middle = (sure + over) >> 1;
      if (betaBinomialTail(stored, share, middle) >= chance) sure = middle;
      else over = middle;
    }
    return sure;
  };
  return { likely: Math.round(stored * betaMean(share)), low: atLeast(0.95), high: atLeast(0.05) };
}

/**
 * How many sound roots to store so that enough come out, nine times in ten.
 * @param wanted at replanting
 * @example toStore(1, { a: 9500, b: 500 }) // 1
 */
export const toStore = (wanted: number, share: Beta): number => trialsNeeded(share, wanted, SURE);

/** What is sorted out at lifting and at replanting, and why. */
export const SORTED_OUT = {
  small: "Too small",
  large: "Largest, eaten",
  split: "Split or forked",
  odd: "Wrong shape or colour",
  bolted: "Bolted",
  rotten: "Rotten or hurt",
} as const;
export type SortedOut = keyof typeof SORTED_OUT;
/** The reasons in their order. */
export const SORTED = Object.keys(SORTED_OUT) as SortedOut[];

/** Where a size lies: below the least, above the most, or between. @example bandOf(3, { low: 4, high: null }) // "small" */
export function bandOf(
  size: number,
  { low, high }: { low: number | null; high: number | null },
): "small" | "fit" | "large" {
  if (low !== null && size < low) return "small";
  return high !== null && size > high ? "large" : "fit";
}
