const round = (n: number) => Number(n.toPrecision(2));

/**
 * A share as so many of so many: one in some, up to a half; over it, so many in ten. A model is never sure of all.
 * @param few what is said below this share
 * @example oddsInWords(0.0222) // "1 in 45"
 */
export function oddsInWords(share: number, few = { below: 0.00005, words: "fewer than 1 in 20,000" }): string {
  if (share < few.below) return few.words;
  if (share <= 0.5) return `1 in ${round(1 / share).toLocaleString("en-GB")}`;
  const tenths = Math.round(share * 10);
  return tenths > 9 ? "more than 9 in 10" : `${tenths} in 10`;
}
