import { type Locale, writtenAs } from "./locale";

const formats = new Map<Locale, Intl.DateTimeFormat>();

/**
 * An hour of the clock as it is said: by twelve hours where those are used, else by twenty-four.
 * @param clock `HH:MM`
 * @example ["07:10", "19:05"].map((clock) => hourInWords(clock, "en-US")) // ["7:10 AM", "7:05 PM"]
 * @example hourInWords("07:10", "de") // "07:10"
 */
export function hourInWords(clock: string, locale: Locale = writtenAs()): string {
  const format =
    formats.get(locale) ??
    new Intl.DateTimeFormat(locale, {
      hour: locale === "en-US" ? "numeric" : "2-digit",
      minute: "2-digit",
      timeZone: "UTC",
    });
  formats.set(locale, format);
  const [hours, minutes] = clock.split(":").map(Number) as [number, number];
  // Some write a narrow space that not every font has.
  return format.format(Date.UTC(2000, 0, 1, hours, minutes)).replaceAll("\u202F", " ");
}
