import type { Id } from "../custody/id";

/** A lot that may be sown. */
export type SowableLot = {
  id: Id;
  generation: number | null;
  /** The season in which it was gathered. */
  season: number;
  /** The plant whose seed it is; null where nobody says. */
  mother: Id | null;
  /** Seeds left beside its reserve; null where nobody counted. */
  left: number | null;
};

const seeds = ({ left }: SowableLot) => left ?? Number.POSITIVE_INFINITY;

/**
 * The lots of which a line's next generation is sown, where nobody chooses: the newest generation, of its newest gathering; a row of every
 * mother where the plan wants mothers apart, of each mother the lot with most seed; else the one lot with most.
 * @param mothers how many mothers the plan wants beside each other
 * @example lotsToSow([{ id: "a", generation: 3, season: 2028, mother: "p1", left: 40 }, { id: "b", generation: 3, season: 2028, mother: "p2", left: 30 }, { id: "c", generation: 2, season: 2027, mother: "p9", left: 200 }], 6).map(({ id }) => id) // ["a", "b"]
 */
export function lotsToSow<Lot extends SowableLot>(lots: Lot[], mothers: number): Lot[] {
  const most = (pick: (lot: Lot) => number, of: Lot[]) => Math.max(...of.map(pick));
  const able = lots.filter(({ left }) => left === null || left > 0);
  if (able.length === 0) return [];
  const newest = most(({ generation }) => generation ?? 0, able);
  const ofIt = able.filter(({ generation }) => (generation ?? 0) === newest);
  const season = most((lot) => lot.season, ofIt);
  const last = ofIt.filter((lot) => lot.season === season).sort((a, b) => seeds(b) - seeds(a));
  if (mothers <= 1 || last.every(({ mother }) => mother === null)) return last.slice(0, 1);
  const known = new Set<Id>();
  return last.filter(({ mother }) => mother !== null && !known.has(mother) && known.add(mother));
}
