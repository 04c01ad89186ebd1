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

/** Positions waiting their turn, the youngest (largest) first; a binary heap. */
class Youngest {
  private readonly heap: number[] = [];

  push(position: number): void {
    const { heap } = this;
    let at = heap.push(position) - 1;
    while (at > 0) {
      const above = (at - 1) >> 1;
      if (heap[above]! >= position) break;
      heap[at] = heap[above]!;
      at = above;
    }
    heap[at] = position;
  }

  pop(): number | undefined {
    const { heap } = this;
    const first = heap[0];
    const last = heap.pop();
    if (heap.length === 0 || last === undefined) return first;
    let at = 0;
    for (;;) {
      let below = 2 * at + 1;
      if (below >= heap.length) break;
      if (below + 1 < heap.length && heap[below + 1]! > heap[below]!) below++;
      if (heap[below]! <= last) break;
      heap[at] = heap[below]!;
      at = below;
    }
    heap[at] = last;
    return first;
  }
}

/**
 * Kinship of two different individuals: their shared forebears from the youngest up, each weighed by how much of both
 * comes from it and by the variance its own Mendelian sampling added; half of A = T D T′.
 * @param sampled the diagonal of D for all individuals up to these
 */
function kinshipOf(list: Coded[], sampled: Float64Array, one: number, other: number): number {
  const shares = new Map<number, { a: number; b: number }>();
  const waiting = new Youngest();
  const give = (position: number, a: number, b: number) => {
    if (position < 0) return;
    const known = shares.get(position);
    if (known) {
      known.a += a;
      known.b += b;
      return;
    }
    shares.set(position, { a, b });
    waiting.push(position);
  };
  give(one, 1, 0);
  give(other, 0, 1);
  let sum = 0;
  for (let i = waiting.pop(); i !== undefined; i = waiting.pop()) {
    const { a, b } = shares.get(i)!;
    sum += a * b * sampled[i]!;
    const { mother, father } = list[i]!;
    give(mother, a / 2, b / 2);
    give(father, a / 2, b / 2);
  }
  return sum / 2;
}

/** Inbreeding of all, parents first, and the variance that each one's Mendelian sampling adds. */
function inbreedingOf(list: Coded[]): { inbreeding: Float64Array; sampled: Float64Array } {
  const inbreeding = new Float64Array(list.length);
  const sampled = new Float64Array(list.length);
  // Full sibs stand together in most pedigrees: the last pair's kinship is kept.
  let lastPair = { mother: -1, father: -1, kinship: 0 };
  for (const [i, { mother, father, founder, selfings }] of list.entries()) {
    const known = mother >= 0 && father >= 0;
    let own = mother < 0 && father < 0 ? founder : 0;
    if (known && mother === father) own = (1 + inbreeding[mother]!) / 2;
    else if (known) {
      if (lastPair.mother !== mother || lastPair.father !== father)
        lastPair = { mother, father, kinship: kinshipOf(list, sampled, mother, father) };
      own = lastPair.kinship;
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
  const { inbreeding, sampled } = inbreedingOf(list);
  const at = new Map(individuals.map(({ id }, i) => [id, i]));
  const place = (id: string): number => {
    const found = at.get(id);
    if (found === undefined) throw new RangeError(`“${id}” is not in the pedigree.`);
    return found;
  };
  return (one, other) => {
    const [x, y] = [place(one), place(other)];
    return x === y ? (1 + inbreeding[x]!) / 2 : kinshipOf(list, sampled, x, y);
  };
}
