import { figure } from "../writing/numbers";

type Said = {
  /** Below this share it is only said that it is less. */
  below?: number;
  few?: string;
  /** What is counted, in the singular. */
  what?: string;
};

/** From one in so many on, and so near to a whole number, nobody minds what is left out. */
const ROUGH = 3.5;
const NEARLY = 0.15;

/**
 * A share as so many of so many: one in some, as far as that is a round number; else so many in ten. A model is never sure
 * of all.
 * @example oddsInWords(0.0222, { what: "seed" }) // "1 seed in 45"
 * @example [0.48, 0.4, 0.15].map((share) => oddsInWords(share)) // ["1 in 2", "4 in 10", "1 in 7"]
 */
export function oddsInWords(share: number, { below = 0.00005, few, what }: Said = {}): string {
  const one = what ? `1 ${what}` : "1";
  const some = (n: number) => `${one} in ${figure(Number(Math.round(n).toPrecision(2)))}`;
  if (share < below) return few ?? `fewer than ${some(1 / below)}`;
  const of = 1 / share;
  const round = of >= ROUGH || Math.abs(of - Math.round(of)) < NEARLY || Math.round(share * 10) === 5;
  if (share <= 0.5 && round) return some(of);
  const tenths = Math.round(share * 10);
  return `${tenths > 9 ? "more than 9" : tenths}${what ? ` ${what}s` : ""} in 10`;
}

/**
 * A chance as so many times in ten, finer towards its ends; a model is never certain, and never without doubt.
 * @param chance 0–1
 * @example [0.004, 0.03, 0.71, 0.97, 1].map((chance) => timesInTen(chance)) // ["less than 1 time in 100",
 *   "1 time in 33", "7 times in 10", "19 times in 20", "more than 99 times in 100"]
 */
export function timesInTen(chance: number): string {
  if (chance > 0.99) return "more than 99 times in 100";
  if (chance < 0.01) return "less than 1 time in 100";
  if (chance > 0.95) return "19 times in 20";
  if (chance < 0.05) return `1 time in ${Math.round(1 / chance)}`;
  const tenths = Math.min(9, Math.max(1, Math.round(chance * 10)));
  return tenths === 1 ? "1 time in 10" : `${tenths} times in 10`;
}

/** The same where there is little room. @example [0.004, 0.71, 1].map(inTenShort) // ["< 1 in 100", "7 in 10", "> 99 in 100"] */
export const inTenShort = (chance: number): string =>
  timesInTen(chance)
    .replace(/ times?/, "")
    .replace("more than", ">")
    .replace("less than", "<");
