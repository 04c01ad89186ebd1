/**
 * A hybrid logical clock (Kulkarni et al. 2014): the wall clock's milliseconds, a count for what falls into one of them,
 * and the device, as text that sorts. It never goes back: where the wall clock was set back, or another device's is
 * ahead, the count carries on from the latest that was seen.
 */
const MS_DIGITS = 15;
const COUNT_DIGITS = 6;
const COUNTS = 10 ** COUNT_DIGITS;
/** A clock that is further ahead was set wrong: half a year or more. */
const AHEAD_MS = 183 * 86_400_000;

/** The clock of the next op of a device, after the latest known (null for none), at a moment of the wall clock in ms. */
export function tick(latest: string | null, now: number, device: string): string {
  const [ms = 0, count = 0] = latest?.split("-", 2).map(Number) ?? [];
  const ahead = latest !== null && ms >= now;
  const [at, n] = !ahead ? [now, 0] : count + 1 < COUNTS ? [ms, count + 1] : [ms + 1, 0];
  return `${String(at).padStart(MS_DIGITS, "0")}-${String(n).padStart(COUNT_DIGITS, "0")}-${device}`;
}

/** The wall clock's part of an op's clock, ms. */
export const msOf = (clock: string): number => Number(clock.slice(0, MS_DIGITS));

/** Whether an op's clock can be believed: it is written as this program writes it, and not far ahead of the wall clock. */
export function readClock(clock: string, now: number): "good" | "ahead" | "unreadable" {
  if (!/^\d{15}-\d{6}-[\da-f-]{36}$/.test(clock)) return "unreadable";
  return msOf(clock) - now > AHEAD_MS ? "ahead" : "good";
}
