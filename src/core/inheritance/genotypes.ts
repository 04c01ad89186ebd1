import { groupBy } from "../lists/groupBy";
import type { Individual } from "../pedigree/pedigree";
import { type Factor, marginals } from "./elimination";
import type { Way } from "./ways";

/** How a trait is inherited: by one locus or two, what each pair of genotypes shows, and how often a plant is taken for another. */
export type Trait = {
  way: Pick<Way, "loci" | "classOf">;
  /** How many classes there are to be seen. */
  classes: number;
  /** Between two loci: ½ where they are not linked. */
  recombination: number;
  /** Share of plants that are put into a wrong class. */
  error: number;
  /** How common the second gene of each locus is among founders. */
  frequency: number;
};

/** What was seen of an individual. */
export type SeenClass = { id: string; shows: number };

/** Offspring of one mother that were only counted, by class: of a father that is known, or each of any. */
export type SeenOffspring = { id: string; mother: string; father: string | null; counts: number[] };

export type Genotypes = {
  /** Chances of AA, Aa and aa, locus by locus. */
  loci: [number, number, number][];
  /** Chances of each class, as it would be seen without error. */
  classes: number[];
  /** Chances that it is of a class, and all that ever comes of it by selfing too. */
  trueFor: number[];
};

/** What a plant got from one parent: of each locus 0 for its first gene and 1 for its second, in bits. */
type Pair = { one: number; other: number };

/** All genotypes: pairs of what came from two parents, in no order, so that coupling and repulsion differ. */
function pairsOf(loci: 1 | 2): Pair[] {
  const sorts = 2 ** loci;
  return Array.from({ length: sorts }, (_, one) =>
    Array.from({ length: sorts - one }, (_, i) => ({ one, other: one + i })),
  ).flat();
}

const seconds = ({ one, other }: Pair, locus: number) => ((one >> locus) & 1) + ((other >> locus) & 1);

/** Chances of what each genotype passes on, by its sort. */
function gametesOf({ one, other }: Pair, loci: 1 | 2, recombination: number): number[] {
  const gametes = new Array<number>(2 ** loci).fill(0);
  if (loci === 1) {
    gametes[one]! += 0.5;
    gametes[other]! += 0.5;
    return gametes;
  }
  const crossed = [(one & 1) | (other & 2), (other & 1) | (one & 2)];
  for (const sort of [one, other]) gametes[sort]! += (1 - recombination) / 2;
  for (const sort of crossed) gametes[sort]! += recombination / 2;
  return gametes;
}

/** Everything about a trait that does not hang on the pedigree. */
function modelOf({ way, recombination, frequency }: Trait) {
  const { loci } = way;
  const pairs = pairsOf(loci);
  const gametes = pairs.map((pair) => gametesOf(pair, loci, recombination));
  const at = new Map(pairs.map(({ one, other }, i) => [`${one} ${other}`, i]));
  const placeOf = (a: number, b: number) => at.get(a < b ? `${a} ${b}` : `${b} ${a}`)!;
  const states = pairs.length;
  /** Copies of each locus's second gene, and the class that they show. */
  const copies = pairs.map((pair) => Array.from({ length: loci }, (_, locus) => seconds(pair, locus)));
  const shows = copies.map(([a, b = 0]) => way.classOf(a!, b));
  const together = (mother: number[], father: number[]): Float64Array => {
    const child = new Float64Array(states);
    for (const [a, chanceA] of mother.entries())
      for (const [b, chanceB] of father.entries()) child[placeOf(a, b)]! += chanceA * chanceB;
    return child;
  };
  const anyone = Array.from({ length: 2 ** loci }, (_, sort) =>
    Array.from({ length: loci }, (_, locus) => ((sort >> locus) & 1 ? frequency : 1 - frequency)).reduce(
      (a, b) => a * b,
    ),
  );
  /** Chances after generations of selfing, one seed each. */
  const selfed = (chances: Float64Array, times: number): Float64Array => {
    let now = chances;
    for (let t = 0; t < times; t++) {
      const next = new Float64Array(states);
      for (let i = 0; i < states; i++) {
        if (now[i] === 0) continue;
        const child = together(gametes[i]!, gametes[i]!);
        for (let j = 0; j < states; j++) next[j]! += now[i]! * child[j]!;
      }
      now = next;
    }
    return now;
  };
  const founder = (inbreeding: number): Float64Array => {
    const crossed = together(anyone, anyone).map((chance) => chance * (1 - inbreeding));
    for (const [sort, chance] of anyone.entries()) crossed[placeOf(sort, sort)]! += inbreeding * chance;
    return crossed;
  };
  const child = (mother: number[], father: number[], selfings: number) => selfed(together(mother, father), selfings);
  /** A child's chances by the genotypes of what it comes from; many individuals share one table. */
  const tables = new Map<string, Float64Array>();
  const shared = (name: string, make: () => Float64Array): Float64Array => {
    const known = tables.get(name) ?? make();
    tables.set(name, known);
    return known;
  };
  const byOne = (other: (i: number) => number[], selfings: number): Float64Array => {
    const table = new Float64Array(states ** 2);
    for (let i = 0; i < states; i++) table.set(child(gametes[i]!, other(i), selfings), i * states);
    return table;
  };
  return {
    loci,
    states,
    copies,
    shows,
    selfsTo: gametes.map((own) => together(own, own)),
    ofFounder: (inbreeding: number, selfings: number) =>
      shared(`founder ${inbreeding} ${selfings}`, () => selfed(founder(inbreeding), selfings)),
    ofSelfed: (selfings: number) => shared(`selfed ${selfings}`, () => byOne((i) => gametes[i]!, selfings)),
    ofOpen: (selfings: number) => shared(`open ${selfings}`, () => byOne(() => anyone, selfings)),
    ofTwo: (selfings: number) =>
      shared(`two ${selfings}`, () => {
        const table = new Float64Array(states ** 3);
        for (let i = 0; i < states; i++)
          for (let j = 0; j < states; j++)
            table.set(child(gametes[i]!, gametes[j]!, selfings), (i * states + j) * states);
        return table;
      }),
  };
}

type Model = ReturnType<typeof modelOf>;

/** The chance of an individual's genotypes by those of its parents, as a table over them and itself. */
function descent(model: Model, at: Map<string, number>, individual: Individual): Factor {
  const { id, mother, father, inbreeding = 0, selfings = 0 } = individual;
  const own = at.get(id)!;
  const [one, other] = [mother, father].flatMap((name) => {
    if (name == null) return [];
    const place = at.get(name);
    if (place === undefined) throw new RangeError(`The parent “${name}” of “${id}” is not in the pedigree.`);
    return [place];
  });
  if (one === undefined) return { over: [own], table: model.ofFounder(inbreeding, selfings) };
  if (other === undefined) return { over: [one, own], table: model.ofOpen(selfings) };
  if (one === other) return { over: [one, own], table: model.ofSelfed(selfings) };
  return { over: [one, other, own], table: model.ofTwo(selfings) };
}

/** How likely what was seen is, by genotype. */
const seenAs = ({ shows: is }: Model, { classes, error }: Trait, shows: number): Float64Array =>
  Float64Array.from(is, (one) => (one === shows ? 1 - error : error / Math.max(1, classes - 1)));

/** How likely counted offspring are, over the genotypes of those of their parents that are known. */
function countedAs(model: Model, trait: Trait, at: Map<string, number>, offspring: SeenOffspring): Factor {
  const { mother, father, counts } = offspring;
  const { over, table } = descent(model, at, { id: offspring.id, mother, father });
  const likely = counts.map((_, shows) => seenAs(model, trait, shows));
  const logs = Float64Array.from({ length: table.length / model.states }, (_, row) => {
    const child = table.subarray(row * model.states, (row + 1) * model.states);
    return counts.reduce((sum, count, shows) => {
      if (count === 0) return sum;
      return sum + count * Math.log(child.reduce((all, chance, i) => all + chance * likely[shows]![i]!, 0));
    }, 0);
  });
  const most = Math.max(...logs);
  const parents = over.slice(0, -1);
  return { over: parents, table: logs.map((log) => (most === Number.NEGATIVE_INFINITY ? 0 : Math.exp(log - most))) };
}

/** What was seen contradicts itself: by these, of which none could be left out. */
export type Contradiction = { contradicts: string[] };

/**
 * The chance of each genotype of every individual, given all that was seen of it and of its kin: exact, by variable elimination.
 *
 * Founders are of any genotype as common as their genes, or pure as far as they are inbred; an unknown parent is one of them.
 * @param individuals parents before their children
 * @param seen classes from 0, of any of them; several of one individual are several looks
 * @param offspring counted by class, not individuals themselves: kernels of an ear
 * @returns by id; or, where what was seen can't all be so, individuals that contradict each other
 * @throws RangeError for a parent that is missing, or kin too interwoven to be reckoned
 * @example genotypesOf([{ id: "P" }, { id: "S", mother: "P", father: "P" }], { way: { loci: 1, classOf: (a) => Number(a === 2) },
 *   classes: 2, recombination: 0.5, error: 0, frequency: 0.5 }, [{ id: "P", shows: 0 }, { id: "S", shows: 1 }]).get("P").loci[0] // [0, 1, 0]
 */
export function genotypesOf(
  individuals: Individual[],
  trait: Trait,
  seen: SeenClass[],
  offspring: SeenOffspring[] = [],
): Map<string, Genotypes> | Contradiction {
  const model = modelOf(trait);
  const at = new Map(individuals.map(({ id }, i) => [id, i]));
  const descents = individuals.map((individual) => descent(model, at, individual));
  const looks = [...groupBy(seen, ({ id }) => id)].flatMap(([id, of]): Told[] => {
    const own = at.get(id);
    if (own === undefined) return [];
    const table = new Float64Array(model.states).fill(1);
    for (const { shows } of of) {
      const likely = seenAs(model, trait, shows);
      for (let i = 0; i < model.states; i++) table[i]! *= likely[i]!;
    }
    return [{ id, factor: { over: [own], table } }];
  });
  const told = [...looks, ...offspring.map((one) => ({ id: one.id, factor: countedAs(model, trait, at, one) }))];
  const chances = (of: Told[]) =>
    marginals(individuals.length, model.states, [...descents, ...of.map(({ factor }) => factor)]);
  const found = chances(told);
  if (!found) return { contradicts: contradiction(told, (of) => chances(of) === null) };
  const bred = bredTrue(model);
  return new Map(individuals.map(({ id }, i) => [id, toldOf(model, trait.classes, bred, found[i]!)]));
}

/** Of each genotype the class that it and everything selfed from it shows; −1 where they differ. */
function bredTrue({ shows, selfsTo }: Model): number[] {
  const children = selfsTo.map((chances) => [...chances.keys()].filter((i) => chances[i]! > 0));
  return shows.map((shown, i) => {
    const reached = new Set([i]);
    for (const one of reached) for (const child of children[one]!) reached.add(child);
    return [...reached].every((one) => shows[one] === shown) ? shown : -1;
  });
}

function toldOf({ copies, shows, loci }: Model, classes: number, bred: number[], chances: Float64Array): Genotypes {
  const told: Genotypes = {
    trueFor: new Array<number>(classes).fill(0),
    loci: Array.from({ length: loci }, () => [0, 0, 0]),
    classes: new Array<number>(classes).fill(0),
  };
  for (const [i, chance] of chances.entries()) {
    for (const [locus, seconds] of copies[i]!.entries()) told.loci[locus]![seconds]! += chance;
    told.classes[shows[i]!]! += chance;
    if (bred[i]! >= 0) told.trueFor[bred[i]!]! += chance;
  }
  return told;
}

/** What was seen of one, by how likely it makes genotypes. */
type Told = { id: string; factor: Factor };

/** Leaves out, half by half and then one by one, what is not needed to contradict. */
function contradiction(seen: Told[], impossible: (seen: Told[]) => boolean): string[] {
  let left = seen;
  for (let size = Math.ceil(left.length / 2); size >= 1; size = size > 1 ? Math.ceil(size / 2) : 0)
    for (let from = 0; from < left.length && left.length > 1; ) {
      const without = [...left.slice(0, from), ...left.slice(from + size)];
      if (without.length > 0 && impossible(without)) left = without;
      else from += size;
    }
  return left.map(({ id }) => id);
}
