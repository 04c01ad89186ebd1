import { dayInWords, daysBetween } from "@/core/calendar/day";
import { hourInWords } from "@/core/writing/hours";
import type { Moment, TimedCall } from "@/views/seedTable";

/** When a moment is, said as today, tomorrow or a day. */
export function whenInWords(moment: Moment, now: Moment): string {
  const days = daysBetween(now.day, moment.day);
  if (days === 0) return `today ${hourInWords(moment.clock)}`;
  if (days === 1) return `tomorrow ${hourInWords(moment.clock)}`;
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
