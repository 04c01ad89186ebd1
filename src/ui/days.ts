/** The moment at which a day of the calendar begins, as the band reckons it. */
export const at = (iso: string): number => Date.parse(`${iso}T00:00:00Z`);

/** A day in words: in full, or the day and month alone. */
export const words = (day: string, long = true): string =>
  new Intl.DateTimeFormat(
    "en-GB",
    long
      ? { weekday: "short", day: "numeric", month: "long", year: "numeric", timeZone: "UTC" }
      : { day: "numeric", month: "short", timeZone: "UTC" },
  ).format(at(day));

export const DAY = 86_400_000;
export const iso = (time: number) => new Date(time).toISOString().slice(0, 10);
