/** How seed came about. */
export type SeedKind = "cross" | "self" | "intercross" | "open" | "received";

/** How seed was made, as far as strange pollen could have come to it. */
export type Made = "by-hand" | "open" | "received";

/** @example madeOf("self") // "by-hand" */
export const madeOf = (kind: SeedKind): Made => (kind === "received" || kind === "open" ? kind : "by-hand");

/**
 * Whether seed is taken as its mother's own: selfed by hand, or open seed of a kind that mostly selfs.
 * @example isSelfed("open", "selfing") // true
 */
export const isSelfed = (kind: SeedKind | null, breeding: "selfing" | "mixed" | "outcrossing"): boolean =>
  kind === "self" || (kind === "open" && breeding === "selfing");

/**
 * Whether a line goes on by plants that are selfed, each by itself, and not by crossing among themselves.
 * @example goesOnSelfed("outcrossing", "cross-and-fix") // true
 */
export const goesOnSelfed = (breeding: "selfing" | "mixed" | "outcrossing", school: string): boolean =>
  breeding === "selfing" || school === "cross-and-fix";

/**
 * The generation of new seed: a cross of two lines gives an F1; seed of plants of one line, selfed or crossed among
 * themselves, is one on from the younger parent. A line that was never crossed is not counted.
 * @param mother and father generations, null for lines that are not segregating
 * @example nextGeneration("self", 2, 2) // 3
 */
export function nextGeneration(kind: SeedKind, mother: number | null, father: number | null): number | null {
  if (kind === "cross") return 1;
  return mother === null && father === null ? null : Math.max(mother ?? 0, father ?? 0) + 1;
}

/**
 * Whether plants of a generation differ from each other by the cross that they come of, so that each is looked at by itself: those of a
 * cross on its way to a variety.
 * @param line.releasedOn since when it goes by its name as a kept variety
 * @example divides({ school: "cross-and-fix", releasedOn: null, generation: 2 }) // true
 */
export const divides = (line: { school: string; releasedOn: string | null; generation: number | null }): boolean =>
  line.school === "cross-and-fix" && line.generation !== null && line.releasedOn === null;

/** What of its line and generation names a stand's plants or a lot's seed. */
export type Bred = { generation: number | null; backcrosses: number };

/**
 * `F3`; after backcrosses `BC2` and then `BC2F2`; nothing for a line that is not counted in generations.
 * @param backcrosses how often the cross went back to one parent
 * @example generationName(3, 0) // "F3"
 * @example [1, 2].map((generation) => generationName(generation, 2)) // ["BC2", "BC2F2"]
 */
export function generationName(generation: number | null, backcrosses: number): string {
  if (generation === null) return "";
  if (backcrosses === 0) return `F${generation}`;
  return generation === 1 ? `BC${backcrosses}` : `BC${backcrosses}F${generation}`;
}

/**
 * Which generation a name says: counted from the cross or the last backcross; null for what is not counted.
 * @example ["F3", "BC2", "BC2F3", "cycle 1"].map(generationNamed) // [3, 1, 3, null]
 */
export function generationNamed(name: string): number | null {
  const [, back, generation] = /^(BC\d+)?(?:F(\d+))?$/.exec(name) ?? [];
  return generation ? Number(generation) : back ? 1 : null;
}

/**
 * A line's name with the generation, if it has one and is not called so.
 * @example nameWithGeneration({ lineName: "Lantern melon", generation: 5, backcrosses: 0 }) // "Lantern melon F5"
 * @example nameWithGeneration({ lineName: "Redstar F1", generation: 1, backcrosses: 0 }) // "Redstar F1"
 */
export function nameWithGeneration({ lineName, generation, backcrosses }: Bred & { lineName: string }): string {
  const said = generationName(generation, backcrosses);
  return said === "" || lineName.endsWith(` ${said}`) ? lineName : `${lineName} ${said}`;
}

export type SeedCount = { likely: number; low: number; high: number; counted: boolean };

/**
 * Seeds in a lot: as counted, or from its mass and the species' seeds per gram, with that range; null for fruit whose
 * seed was neither counted nor weighed yet.
 * @param mass grams
 * @example seedsInLot(null, 10, { low: 20, high: 30 }) // { likely: 250, low: 200, high: 300, counted: false }
 */
export function seedsInLot(
  seeds: number | null,
  mass: number | null,
  perGram: { low: number; high: number },
): SeedCount | null {
  if (seeds !== null) return { likely: seeds, low: seeds, high: seeds, counted: true };
  if (mass === null) return null;
  const low = Math.floor(mass * perGram.low);
  const high = Math.floor(mass * perGram.high);
  return { likely: Math.round((low + high) / 2), low, high, counted: false };
}
