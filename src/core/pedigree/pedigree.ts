export type Individual = {
  id: string;
  mother?: string | null;
  father?: string | null;
  /** Of a founder: 1 for a pure line. */
  inbreeding?: number;
  /** Unnamed selfed generations, one seed each, between the cross and this individual. */
  selfings?: number;
};

/** Parents as positions in the list, −1 for unknown. */
type Coded = { mother: number; father: number; founder: number; selfings: number };

function coded(individuals: Individual[]): Coded[] {
  const at = new Map<string, number>();
  return individuals.map(({ id, mother, father, inbreeding = 0, selfings = 0 }, i) => {
    if (at.has(id)) throw new RangeError(`“${id}” stands twice in the pedigree.`);
    const parent = (name: string | null | undefined) => {
      if (name == null) return -1;
      const found = at.get(name);
      if (found !== undefined) return found;
      throw new RangeError(
        individuals.some((other) => other.id === name)
          ? `“${id}” stands before its parent “${name}”: parents come first, and none is its own forebear.`
          : `The parent “${name}” of “${id}” is not in the pedigree.`,
      );
    };
    const own = { mother: parent(mother), father: parent(father), founder: inbreeding, selfings };
    at.set(id, i);
    return own;
  });
}

/** Walks a pedigree from individuals to their forebears, the younger generations first. */
class Tracer {
  private readonly mother: Int32Array;
  private readonly father: Int32Array;
  /** One more than the later of the parents' generations. */
  private readonly generation: Int32Array;
  /** Those that wait their turn, a chain for each generation; −1 ends it. */
  private readonly first: Int32Array;
  private readonly next: Int32Array;
  /** How much of each of the two that are traced comes from an individual. */
  private readonly ofOne: Float64Array;
  private readonly ofOther: Float64Array;

  constructor(list: Coded[]) {
    this.mother = Int32Array.from(list, ({ mother }) => mother);
    this.father = Int32Array.from(list, ({ father }) => father);
    this.generation = new Int32Array(list.length);
    let oldest = 0;
    for (const [i, { mother, father }] of list.entries()) {
      const of = (position: number) => (position < 0 ? -1 : this.generation[position]!);
      this.generation[i] = 1 + Math.max(of(mother), of(father));
      oldest = Math.max(oldest, this.generation[i]!);
    }
    this.first = new Int32Array(oldest + 1).fill(-1);
    this.next = new Int32Array(list.length);
    this.ofOne = new Float64Array(list.length);
    this.ofOther = new Float64Array(list.length);
  }

  private give(position: number, a: number, b: number): void {
    // Nothing is passed on of what became too small to be written.
    if (position < 0 || (a === 0 && b === 0)) return;
    const { ofOne, ofOther, first, next, generation } = this;
    if (ofOne[position] === 0 && ofOther[position] === 0) {
      const of = generation[position]!;
      next[position] = first[of]!;
      first[of] = position;
    }
    ofOne[position]! += a;
    ofOther[position]! += b;
  }

  /**
   * Kinship of two different individuals: their shared forebears, each weighed by how much of both comes from it and by the
   * variance its own Mendelian sampling added; half of A = T D T′.
   * @param sampled the diagonal of D for all individuals up to these
   */
  kinship(sampled: Float64Array, one: number, other: number): number {
    const { mother, father, generation, first, next, ofOne, ofOther } = this;
    this.give(one, 1, 0);
    this.give(other, 0, 1);
    let sum = 0;
    for (let of = Math.max(generation[one]!, generation[other]!); of >= 0; of--) {
      for (let i = first[of]!; i >= 0; i = next[i]!) {
        const [a, b] = [ofOne[i]!, ofOther[i]!];
        sum += a * b * sampled[i]!;
        this.give(mother[i]!, a / 2, b / 2);
        this.give(father[i]!, a / 2, b / 2);
        ofOne[i] = 0;
        ofOther[i] = 0;
      }
      first[of] = -1;
    }
    return sum / 2;
  }
}

/** Inbreeding of all, parents first, and the variance that each one's Mendelian sampling adds. */
function inbreedingOf(list: Coded[], tracer: Tracer): { inbreeding: Float64Array; sampled: Float64Array } {
  const inbreeding = new Float64Array(list.length);
  const sampled = new Float64Array(list.length);
  // Full sibs share what is reckoned of their parents.
  const ofPair = new Map<number, number>();
  for (const [i, { mother, father, founder, selfings }] of list.entries()) {
    const known = mother >= 0 && father >= 0;
    let own = mother < 0 && father < 0 ? founder : 0;
    if (known && mother === father) own = (1 + inbreeding[mother]!) / 2;
    else if (known) {
      const pair = Math.min(mother, father) * list.length + Math.max(mother, father);
      own = ofPair.get(pair) ?? tracer.kinship(sampled, mother, father);
      ofPair.set(pair, own);
    }
    const parent = (position: number) => (position < 0 ? -1 : inbreeding[position]!);
    const ofCross = mother < 0 && father < 0 ? 1 + founder : 0.5 - 0.25 * (parent(mother) + parent(father));
    inbreeding[i] = 1 - (1 - own) * 0.5 ** selfings;
    // Unnamed selfings leave the forebears' shares as they are and add their own sampling.
    sampled[i] = ofCross + inbreeding[i]! - own;
  }
  return { inbreeding, sampled };
}

/**
 * A pedigree as mixed-model equations want it: parents as positions in the list (−1 for unknown), inbreeding, and the
 * variance that each one's Mendelian sampling adds, in units of the additive variance.
 * @param individuals parents before their children
 * @throws RangeError for an id that stands twice, is missing, or comes before its parent
 * @example sampledPedigree([{ id: "A" }, { id: "S", mother: "A", father: "A" }]).sampled // { "0": 1, "1": 0.5 }
 */
export function sampledPedigree(individuals: Individual[]) {
  const list = coded(individuals);
  return {
    mother: Int32Array.from(list, ({ mother }) => mother),
    father: Int32Array.from(list, ({ father }) => father),
    ...inbreedingOf(list, new Tracer(list)),
  };
}

/**
 * Kinships of a pedigree that is read once: of an individual with itself (1 + F)/2, its inbreeding F thus being
 * 2k − 1; of two others the mean of the younger's parents' kinships with the older; an unknown parent is unrelated to all.
 *
 * Each one is traced through the forebears only, without the full matrix: memory is linear in the number of individuals.
 * Source: Meuwissen and Luo 1992; Quaas 1976 for the decomposition.
 * @param individuals parents before their children
 * @returns the kinship of two ids, 0–1: the inbreeding of their offspring
 * @throws RangeError for an id that stands twice, is missing, or comes before its parent
 * @example kinshipsOf([{ id: "A" }, { id: "S", mother: "A", father: "A" }])("S", "S") // 0.75
 */
export function kinshipsOf(individuals: Individual[]): (one: string, other: string) => number {
  const list = coded(individuals);
  const tracer = new Tracer(list);
  const { inbreeding, sampled } = inbreedingOf(list, tracer);
  const at = new Map(individuals.map(({ id }, i) => [id, i]));
  const place = (id: string): number => {
    const found = at.get(id);
    if (found === undefined) throw new RangeError(`“${id}” is not in the pedigree.`);
    return found;
  };
  return (one, other) => {
    const [x, y] = [place(one), place(other)];
    return x === y ? (1 + inbreeding[x]!) / 2 : tracer.kinship(sampled, x, y);
  };
}
