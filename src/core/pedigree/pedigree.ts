export type Individual = {
  id: string;
  mother?: string | null;
  father?: string | null;
  /** Of a founder: 1 for a pure line. */
  inbreeding?: number;
  /** Unnamed selfed generations, one seed each, between the cross and this individual. */
  selfings?: number;
  /** It is not one but the mean of so many, alike in their parents: a stand whose pollen is mixed. */
  plants?: number;
  /** How much of it is of each parent: a half unless told otherwise, as of pollen that comes from one or the other. */
  shares?: readonly [ofMother: number, ofFather: number];
  /** So much of the seed of a stand was set by the very plant that bore it. */
  selfed?: number;
  /** It is no offspring of its “parents” but one of them, by their shares: seed of lots that were put together. */
  among?: boolean;
};

/** Parents as positions in the list, −1 for unknown. */
type Coded = {
  mother: number;
  father: number;
  ofMother: number;
  ofFather: number;
  founder: number;
  selfings: number;
  plants: number;
  selfed: number;
  among: boolean;
};

/** Of each parent a half, where nothing else is told. */
export const HALVES = [0.5, 0.5] as const;

function coded(individuals: Individual[]): Coded[] {
  const at = new Map<string, number>();
  return individuals.map((individual, i) => {
    const {
      id,
      mother,
      father,
      inbreeding = 0,
      selfings = 0,
      plants = 1,
      shares,
      selfed = 0,
      among = false,
    } = individual;
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
    const [ofMother, ofFather] = shares ?? HALVES;
    const parents = { mother: parent(mother), father: parent(father), ofMother, ofFather };
    const own = { ...parents, founder: inbreeding, selfings, plants, selfed, among };
    at.set(id, i);
    return own;
  });
}

/** Walks a pedigree from individuals to their forebears, the younger generations first. */
class Tracer {
  private readonly mother: Int32Array;
  private readonly father: Int32Array;
  private readonly ofMother: Float64Array;
  private readonly ofFather: Float64Array;
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
    this.ofMother = Float64Array.from(list, ({ ofMother }) => ofMother);
    this.ofFather = Float64Array.from(list, ({ ofFather }) => ofFather);
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
    const { mother, father, ofMother, ofFather, generation, first, next, ofOne, ofOther } = this;
    this.give(one, 1, 0);
    this.give(other, 0, 1);
    let sum = 0;
    for (let of = Math.max(generation[one]!, generation[other]!); of >= 0; of--) {
      for (let i = first[of]!; i >= 0; i = next[i]!) {
        const [a, b] = [ofOne[i]!, ofOther[i]!];
        sum += a * b * sampled[i]!;
        this.give(mother[i]!, a * ofMother[i]!, b * ofMother[i]!);
        this.give(father[i]!, a * ofFather[i]!, b * ofFather[i]!);
        ofOne[i] = 0;
        ofOther[i] = 0;
      }
      first[of] = -1;
    }
    return sum / 2;
  }
}

/**
 * Inbreeding of all, parents first, and the variance that each one's Mendelian sampling adds. Of several as their mean,
 * "inbreeding" is twice the kinship of two draws from them, less one: below that of any, as the draws are seldom the same.
 */
function inbreedingOf(list: Coded[], tracer: Tracer): { inbreeding: Float64Array; sampled: Float64Array } {
  const inbreeding = new Float64Array(list.length);
  const sampled = new Float64Array(list.length);
  /** Of any one of them, where several are one. */
  const ofAny = new Float64Array(list.length);
  // Full sibs share what is reckoned of their parents.
  const ofPair = new Map<number, number>();
  const kinshipOf = (mother: number, father: number): number => {
    if (mother === father) return (1 + inbreeding[mother]!) / 2;
    const pair = Math.min(mother, father) * list.length + Math.max(mother, father);
    const kinship = ofPair.get(pair) ?? tracer.kinship(sampled, mother, father);
    ofPair.set(pair, kinship);
    return kinship;
  };
  for (const [i, individual] of list.entries()) {
    const { mother, father, ofMother, ofFather, founder, selfings, plants, selfed, among } = individual;
    const kinship = mother >= 0 && father >= 0 ? kinshipOf(mother, father) : 0;
    let own = 4 * ofMother * ofFather * kinship;
    if (among) own = ofMother * ofAny[mother]! + ofFather * ofAny[father]!;
    else if (mother < 0 && father < 0) own = founder;
    else if (mother >= 0) own += (selfed * (ofAny[mother]! - inbreeding[mother]!)) / 2;
    // What two of the same parents have in common, on the diagonal's scale of 1 + F.
    const ofParent = (position: number, share: number) => (position < 0 ? 0 : share ** 2 * (1 + inbreeding[position]!));
    const common = ofParent(mother, ofMother) + ofParent(father, ofFather) + 4 * ofMother * ofFather * kinship;
    ofAny[i] = 1 - (1 - own) * 0.5 ** selfings;
    // Unnamed selfings leave the forebears' shares as they are and add their own sampling.
    sampled[i] = (1 + ofAny[i]! - common) / plants;
    inbreeding[i] = common + sampled[i]! - 1;
  }
  return { inbreeding, sampled };
}

/**
 * A pedigree as mixed-model equations want it: parents as positions in the list (−1 for unknown) with the share of each, inbreeding, and the
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
    ofMother: Float64Array.from(list, ({ ofMother }) => ofMother),
    ofFather: Float64Array.from(list, ({ ofFather }) => ofFather),
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
