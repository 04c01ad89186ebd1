import { normalFrom } from "../numbers/chance";

/** A plant: of each locus two genes, 1 where it is the wanted one. The wanted words' loci come first, then those of the aim. */
export type Genome = Uint8Array;

/** What a programme works on. */
export type WorldAsked = {
  random: () => number;
  /** Loci of wanted words, how many of them show only with two copies, and loci that add up to the aim. */
  genes: number;
  hidden: number;
  many: number;
  /** Standard deviation of what is not inherited, in units of one gene of the aim. */
  noise: number;
  /** Share of open seed that another plant fathers. */
  outcrossing: number;
};

export type World = ReturnType<typeof worldOf>;

/** A wanted word weighs as much as so many standard deviations of the aim. Working value. */
const WORD = 2;

/** Nine plants of ten show it: then it is recovered. */
const RECOVERED = 0.9;

/** So many of a thing. @example several(2, () => 7) // [7, 7] */
export const several = <T>(count: number, make: () => T): T[] => Array.from({ length: count }, make);

/** Share of a plant's loci that are mixed, 0–1. @example mixed(Uint8Array.of(0, 1, 1, 1)) // 0.5 */
export function mixed(plant: Genome): number {
  let count = 0;
  for (let i = 0; i < plant.length; i += 2) if (plant[i] !== plant[i + 1]) count++;
  return (2 * count) / plant.length;
}

/**
 * Simulated plants of two pure parents that differ in every locus, none of them linked, and how a grower sees them.
 * @example worldOf({ random: () => 0.4, genes: 1, hidden: 0, many: 1, noise: 0, outcrossing: 0 }).parent(false) // { "0": 1, "1": 1, "2": 0, "3": 0 }
 */
export function worldOf({ random, genes, hidden, many, noise, outcrossing }: WorldAsked) {
  const anyOf = <T>(list: T[]): T => list[Math.floor(random() * list.length)]!;
  /** A pure parent: one has the even loci's wanted genes, the other the odd ones'. */
  const parent = (second: boolean): Genome =>
    Uint8Array.from({ length: 2 * (genes + many) }, (_, i) => Number((i >> 1) % 2 === Number(second)));
  /** Half of each parent's genes, each locus by itself. */
  const child = (mother: Genome, father: Genome): Genome => {
    const made = new Uint8Array(mother.length);
    for (let i = 0; i < mother.length; i += 2) {
      made[i] = mother[i + (random() < 0.5 ? 0 : 1)]!;
      made[i + 1] = father[i + (random() < 0.5 ? 0 : 1)]!;
    }
    return made;
  };
  const selfed = (plant: Genome): Genome => child(plant, plant);
  /** Seed of a mother that anyone's pollen reaches: her own where it was not another's. */
  const openSeed = (mother: Genome, all: Genome[]): Genome =>
    child(mother, random() < outcrossing ? anyOf(all) : mother);
  /** How many wanted words a plant shows. */
  const shown = (plant: Genome): number => {
    let count = 0;
    for (let g = 0; g < genes; g++) {
      const copies = plant[2 * g]! + plant[2 * g + 1]!;
      if (g < hidden ? copies === 2 : copies > 0) count++;
    }
    return count;
  };
  /** Genes of the aim that it has. */
  const worth = (plant: Genome): number => {
    let sum = 0;
    for (let i = 2 * genes; i < plant.length; i++) sum += plant[i]!;
    return sum;
  };
  /** What a grower sees of a plant: its words, and the aim with what is not inherited. */
  const seen = (plant: Genome): number =>
    WORD * Math.sqrt(many / 2) * shown(plant) + worth(plant) + noise * normalFrom(random(), random());
  /** The first by a value that is asked once of each. */
  const top = <T>(list: T[], of: (one: T) => number, count: number): T[] =>
    list
      .map((one) => ({ one, value: of(one) }))
      .sort((a, b) => b.value - a.value)
      .slice(0, Math.max(1, count))
      .map(({ one }) => one);
  const meanSeen = (family: Genome[]): number => family.reduce((sum, plant) => sum + seen(plant), 0) / family.length;
  /** Whether nine of ten plants show every wanted word. */
  const showAll = (plants: Genome[]): boolean =>
    plants.filter((plant) => shown(plant) === genes).length >= RECOVERED * plants.length;
  return {
    random,
    genes,
    hidden,
    many,
    parent,
    child,
    selfed,
    openSeed,
    anyOf,
    shown,
    worth,
    /** The best of some as they are seen. */
    best: (plants: Genome[], count: number): Genome[] => top(plants, seen, count),
    /** Those that show most words, whatever else they are. */
    bestByWords: (plants: Genome[], count: number): Genome[] =>
      top(plants, (plant) => shown(plant) + random() / 2, count),
    /** The best families by the mean of what is seen of their plants. */
    bestFamilies: (families: Genome[][], count: number): Genome[][] => top(families, meanSeen, count),
    /** The one that is kept of rows beside each other: of those that nearly all show every word, the best as they are seen. */
    bestRow: (families: Genome[][]): Genome[] => {
      const right = families.filter((family) => showAll(family));
      return top(right.length > 0 ? right : families, meanSeen, 1)[0]!;
    },
    showAll,
  };
}
