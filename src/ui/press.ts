import { v7 } from "uuid";

/** One press as it was made: its name, the moment, and the day on which this device stands. */
export type Press = { id: string; at: string; day: string };

const two = (n: number) => String(n).padStart(2, "0");

/** The day of the calendar on this device. */
function calendarDay(now: Date): string {
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/**
 * The as-of day of a press made now. The page says on which day a device stands that is not at today; otherwise it is the
 * calendar's, also on a page that was drawn yesterday and kept.
 */
export const dayNow = (now = new Date()): string => document.documentElement.dataset.standsOn ?? calendarDay(now);

/** A new press, under a name of its own: sent twice, it is carried out once. */
export function newPress(): Press {
  const now = new Date();
  return { id: v7(), at: now.toISOString(), day: dayNow(now) };
}

let named: string | null = null;

/** The name of this device, made once; where the browser keeps nothing, one for as long as the page is open. */
function device(): string {
  if (named) return named;
  try {
    named = localStorage.getItem("device") ?? v7();
    localStorage.setItem("device", named);
  } catch {
    named ??= v7();
  }
  return named;
}

/** What a request says of itself: which device sends it, and the press that it carries, where it carries one. */
export const headersOf = (press?: Press): Record<string, string> => ({
  "x-device": device(),
  ...(press ? { "x-request": press.id, "x-day": press.day, "x-at": press.at } : {}),
});

/** Puts this device on a day; "now" for the calendar's, whatever the garden stands on. */
export function standOn(day: string): void {
  // biome-ignore lint/suspicious/noDocumentCookie: the server reads it to draw the page of that day
  document.cookie = `day=${day}; path=/; max-age=31536000; samesite=strict`;
}
