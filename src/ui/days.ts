/** The moment at which a day of the calendar begins, as the band reckons it. */
export const at = (iso: string): number => Date.parse(`${iso}T00:00:00Z`);

export const DAY = 86_400_000;
export const iso = (time: number) => new Date(time).toISOString().slice(0, 10);
