import { type Day, dayNumber } from "../calendar/day";
import type { Climate } from "../climate/climate";
import type { Frosts } from "../climate/frost";
import type { Kill } from "../climate/killing";
import { frostBefore, nextFrost } from "../climate/season";
import { below } from "../numbers/normal";
import { type Flowering, flowersAtAll, type Range } from "./facts";

export type Ripening = {
  /** The chance that the first seed is ripe before the first frost; 1 where there is none. */
  chance: number;
  verdict: "safe" | "doubtful" | "too-late" | "no-frost";
  /** The usual day of the first frost that it races. */
  frost: Day | null;
};

/** From this chance on ripening counts as safe, and below that one as too late. */
const SAFE = 0.9;

const TOO_LATE = 0.1;

/**
 * The cold that a stand's seed must be ripe before: what kills it. Where nobody says how much it stands it races the next
 * frost after its flowers, but seed that would have to ripen within the cold of one winter has lost its race already.
 */
function coldToBeat(window: Flowering, { first, last }: Frosts): Kill {
  if (window.kill) return window.kill;
  const passed = frostBefore(window.start, first.day);
  const day = window.ripe <= nextFrost(passed, last.day) ? passed : nextFrost(window.start, first.day);
  return { day, spread: first.spread };
}

/**
 * Whether seed ripens before the cold that ends it: the ripening range read as two standard deviations to each side, each
 * side by itself, the years' first cold as a normal distribution. What does not flower ripens nothing.
 * @example ripensBeforeFrost(stand(1).window, climate()).frost // "2027-10-06"
 */
export function ripensBeforeFrost(window: Flowering, climate: Climate): Ripening {
  if (!climate.frosts)
    return { chance: flowersAtAll(window) && window.ripens ? 1 : 0, verdict: "no-frost", frost: null };
  const { day: frost, spread } = coldToBeat(window, climate.frosts);
  if (!flowersAtAll(window) || !window.ripens) return { chance: 0, verdict: "too-late", frost };
  if (window.stands) return { chance: 1, verdict: "no-frost", frost: null };
  const ripe = dayNumber(window.ripe);
  // The end of the range on the frost's side: the other may lie beyond a winter.
  const end = window.ripe <= frost ? window.ripeLatest : window.ripeEarliest;
  const doubt = Math.abs(dayNumber(end) - ripe) / 2;
  const chance = below(dayNumber(frost), ripe, Math.max(1, Math.hypot(spread, doubt)));
  return { chance, verdict: chance >= SAFE ? "safe" : chance <= TOO_LATE ? "too-late" : "doubtful", frost };
}

/**
 * What is left to do where fruit may not ripen before the frost and its kind ripens on indoors; null where it does not, or need not.
 * @param indoors days in which full-grown fruit that was picked unripe ripens on in the house
 * @example indoorsInWords({ chance: 0.4, verdict: "doubtful", frost: "2027-09-28" }, { low: 10, high: 30 })
 *   // "Full-grown fruit that is picked before the frost ripens on indoors in 10 to 30 days, and its seed with it."
 */
export function indoorsInWords({ verdict }: Ripening, indoors: Range | null): string | null {
  if (!indoors || (verdict !== "doubtful" && verdict !== "too-late")) return null;
  return `Full-grown fruit that is picked before the frost ripens on indoors in ${indoors.low} to ${indoors.high} days, and its seed with it.`;
}
