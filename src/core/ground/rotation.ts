import type { Id } from "../custody/id";

/** What stood in a bed in a season: its botanical family, and what it is called. */
export type Stood = { bedId: Id; family: string; season: number; name: string };

/**
 * What of the same family stood in a bed too lately to stand there again; the latest of it, null where nothing did. What
 * stands beside it in the same season is no crop before.
 * @param years seasons until the family should come back, a rule of thumb
 * @example tooSoon([{ bedId: "A", family: "Fabaceae", season: 2026, name: "Pea" }], { bedId: "A", family: "Fabaceae",
 *   season: 2028 }, 3)?.name // "Pea"
 */
export function tooSoon(stood: Stood[], next: Omit<Stood, "name">, years: number): Stood | null {
  const { bedId, family, season } = next;
  return stood
    .filter((one) => one.bedId === bedId && one.family === family)
    .filter((one) => one.season < season && season - one.season < years)
    .reduce<Stood | null>((latest, one) => (latest && latest.season >= one.season ? latest : one), null);
}

/**
 * The first bed where a family may stand again, of those that are free; null where none is.
 * @param free ids of beds, in the order in which they are wished for
 * @example freeBed([{ bedId: "A", family: "Fabaceae", season: 2027, name: "Pea" }], { family: "Fabaceae", season: 2028 },
 *   3, ["A", "B"]) // "B"
 */
export const freeBed = (stood: Stood[], next: Pick<Stood, "family" | "season">, years: number, free: Id[]): Id | null =>
  free.find((bedId) => !tooSoon(stood, { ...next, bedId }, years)) ?? null;
