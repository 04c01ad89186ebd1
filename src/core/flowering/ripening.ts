import { type Day, dayNumber } from "../calendar/day";
import type { Climate } from "../climate/climate";
import type { Frosts } from "../climate/frost";
import { frostBefore, nextFrost } from "../climate/season";
import { below } from "../numbers/normal";
import type { Flowering } from "./facts";

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
 * The first frost that a stand's seed must be ripe before. One that is tender ends with the first frost after it is out in
 * the open, flowers or not; one that stands frost races the next after its flowers, but seed that would have to ripen
 * within the cold of one winter has lost its race already.
 */
function frostToBeat(window: Flowering, { first, last }: Frosts): Day {
  if (window.outFrom) return nextFrost(window.outFrom, first.day);
  const passed = frostBefore(window.start, first.day);
  return window.ripe <= nextFrost(passed, last.day) ? passed : nextFrost(window.start, first.day);
}

/**
 * Whether seed ripens before the first frost: the ripening range read as two standard deviations to each side, each side
 * by itself, the years' first frosts as a normal distribution.
 * @example ripensBeforeFrost(stand(1).window, climate()).frost // "2027-10-06"
 */
export function ripensBeforeFrost(window: Flowering, climate: Climate): Ripening {
  if (!climate.frosts) return { chance: 1, verdict: "no-frost", frost: null };
  const { spread } = climate.frosts.first;
  const frost = frostToBeat(window, climate.frosts);
  const ripe = dayNumber(window.ripe);
  // The end of the range on the frost's side: the other may lie beyond a winter.
  const end = window.ripe <= frost ? window.ripeLatest : window.ripeEarliest;
  const doubt = Math.abs(dayNumber(end) - ripe) / 2;
  const chance = below(dayNumber(frost), ripe, Math.max(1, Math.hypot(spread, doubt)));
  return { chance, verdict: chance >= SAFE ? "safe" : chance <= TOO_LATE ? "too-late" : "doubtful", frost };
}
