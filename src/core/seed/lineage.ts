import type { Id } from "../custody/id";

/** That a lot has a share from another: it was taken out of it, or the two were put together. */
export type Part = { lotId: Id; fromId: Id; share: number };

/**
 * The shares of lots that are put together: by their mass where all were weighed, by their seeds where all were counted,
 * else in equal parts.
 * @returns shares in the order of the lots, which add up to 1, and by what they were reckoned
 * @example mergedShares([{ mass: 3, seeds: null }, { mass: 1, seeds: 50 }]) // { shares: [0.75, 0.25], by: "mass" }
 */
export function mergedShares(lots: { mass: number | null; seeds: number | null }[]): {
  shares: number[];
  by: "mass" | "seeds" | "equal parts";
} {
  for (const by of ["mass", "seeds"] as const) {
    const amounts = lots.map((lot) => lot[by]);
    if (!amounts.every((amount) => amount !== null)) continue;
    const whole = amounts.reduce((a, b) => a + b, 0);
    return { shares: amounts.map((amount) => amount / whole), by };
  }
  return { shares: lots.map(() => 1 / lots.length), by: "equal parts" };
}

/** Deeper than this no table goes; a ring of parts would never end. */
const DEEPEST = 40;

/**
 * Where a lot's seed came from: the lots that were not made of others, with their shares.
 * @param parts of all lots
 * @example originsOf("c", [{ lotId: "c", fromId: "a", share: 0.75 }, { lotId: "c", fromId: "b", share: 0.25 }])
 *   // [{ id: "a", share: 0.75 }, { id: "b", share: 0.25 }]
 */
export function originsOf(lotId: Id, parts: Part[]): { id: Id; share: number }[] {
  const shares = new Map<Id, number>();
  const visit = (id: Id, share: number, depth: number): void => {
    const from = parts.filter((part) => part.lotId === id);
    // A part that was taken out of a lot is all of that lot's seed.
    const whole = from.reduce((sum, part) => sum + part.share, 0);
    if (from.length === 0 || depth > DEEPEST) {
      shares.set(id, (shares.get(id) ?? 0) + share);
      return;
    }
    for (const part of from) visit(part.fromId, (share * part.share) / whole, depth + 1);
  };
  visit(lotId, 1, 0);
  return [...shares].map(([id, share]) => ({ id, share })).sort((a, b) => b.share - a.share);
}
