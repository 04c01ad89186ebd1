import { dayInWords, daysBetween } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import type { Moment, TimedCall } from "@/views/seedTable";

/** A moment beside now: hours while it is near, then days. */
export function awayInWords(moment: Moment, now: Moment): string {
  const hours = Math.round(Math.abs(moment.hours - now.hours));
  if (hours < 36) return plural(hours, "hour");
  return plural(Math.round(hours / 24), "day");
}

/** When a moment is, said as today, tomorrow or a day. */
export function whenInWords(moment: Moment, now: Moment): string {
  const days = daysBetween(now.day, moment.day);
  if (days === 0) return `today ${moment.clock}`;
  if (days === 1) return `tomorrow ${moment.clock}`;
  return dayInWords(moment.day);
}

/** How long a call has time yet. */
export function callInWords({ standing, from, best, last, otherwise }: TimedCall, now: Moment): string {
  const lost = otherwise ? `: ${otherwise}` : "";
  if (standing === "late") return `Since ${whenInWords(last!, now)} it may be too late${lost}.`;
  if (standing === "ahead") return `From ${whenInWords(from, now)}.`;
  if (last === null) return standing === "due" ? "Now is a good time." : `Best ${whenInWords(best, now)}.`;
  return `${standing === "due" ? "Now" : `Best ${whenInWords(best, now)}`}; until ${whenInWords(last, now)}${lost}.`;
}
