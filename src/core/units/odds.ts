type Said = {
  /** Below this share it is only said that it is less. */
  below?: number;
  few?: string;
  /** What is counted, in the singular. */
  what?: string;
};

/**
 * A share as so many of so many: one in some, up to a half; over it, so many in ten. A model is never sure of all.
 * @example oddsInWords(0.0222, { what: "seed" }) // "1 seed in 45"
 */
export function oddsInWords(share: number, { below = 0.00005, few, what }: Said = {}): string {
  const one = what ? `1 ${what}` : "1";
  const some = (n: number) => `${one} in ${Number(n.toPrecision(2)).toLocaleString("en-GB")}`;
  if (share < below) return few ?? `fewer than ${some(1 / below)}`;
  if (share <= 0.5) return some(1 / share);
  const tenths = Math.round(share * 10);
  return `${tenths > 9 ? "more than 9" : tenths}${what ? ` ${what}s` : ""} in 10`;
}
