/** A pedigree as `sampledPedigree` gives it: parents as positions (−1 for unknown) with shares, parents before children. */
export type SampledPedigree = {
  mother: Int32Array;
  father: Int32Array;
  ofMother: Float64Array;
  ofFather: Float64Array;
  sampled: Float64Array;
};

/** From what each individual's own sampling added to what each one carries: its share of both parents, and its own. */
function carried(pedigree: SampledPedigree, own: Float64Array, into: Float64Array): Float64Array {
  const { mother, father, ofMother, ofFather, sampled } = pedigree;
  for (let i = 0; i < own.length; i++) {
    const [m, f] = [mother[i]!, father[i]!];
    const ofParents = (m < 0 ? 0 : ofMother[i]! * into[m]!) + (f < 0 ? 0 : ofFather[i]! * into[f]!);
    into[i] = Math.sqrt(sampled[i]!) * own[i]! + ofParents;
  }
  return into;
}

/** The other way: what is told of each individual, handed up to all that it has its genes from. `told` is used up. */
function handedUp(pedigree: SampledPedigree, told: Float64Array, into: Float64Array): Float64Array {
  const { mother, father, ofMother, ofFather, sampled } = pedigree;
  for (let i = told.length - 1; i >= 0; i--) {
    const [m, f] = [mother[i]!, father[i]!];
    if (m >= 0) told[m]! += told[i]! * ofMother[i]!;
    if (f >= 0) told[f]! += told[i]! * ofFather[i]!;
    into[i] = Math.sqrt(sampled[i]!) * told[i]!;
  }
  return into;
}

/**
 * Kinship of chosen individuals with each other, themselves on the diagonal: one sweep up and one down for each.
 * @param positions in the pedigree
 * @example kinshipAmong({ mother: Int32Array.of(-1, 0), father: Int32Array.of(-1, 0), ofMother: Float64Array.of(0.5, 0.5), ofFather: Float64Array.of(0.5, 0.5), sampled: Float64Array.of(1, 0.5) }, [0, 1])
 *   // [[0.5, 0.5], [0.5, 0.75]]
 */
export function kinshipAmong(pedigree: SampledPedigree, positions: number[]): number[][] {
  const size = pedigree.mother.length;
  const [told, own, into] = [new Float64Array(size), new Float64Array(size), new Float64Array(size)];
  return positions.map((position) => {
    told.fill(0);
    told[position] = 1;
    carried(pedigree, handedUp(pedigree, told, own), into);
    return positions.map((other) => into[other]! / 2);
  });
}

/**
 * Kinship in the population that plants were bred from: of two gametes of the least inbred forebear that all of them have in
 * common, as the F1 of a cross; 0 where they have none.
 * @param positions in the pedigree
 * @example baseKinship({ mother: Int32Array.of(-1, 0, 0), father: Int32Array.of(-1, 0, 0), ofMother: Float64Array.of(0.5, 0.5, 0.5), ofFather: Float64Array.of(0.5, 0.5, 0.5), sampled: Float64Array.of(1, 0.5, 0.5) }, [1, 2])
 *   // 0.5
 */
export function baseKinship(pedigree: SampledPedigree, positions: number[]): number {
  const { mother, father } = pedigree;
  const common = new Map<number, number>();
  for (const position of new Set(positions)) {
    const seen = new Set<number>();
    const open = [position];
    while (open.length > 0) {
      const i = open.pop()!;
      for (const parent of [mother[i]!, father[i]!])
        if (parent >= 0 && !seen.has(parent)) {
          seen.add(parent);
          open.push(parent);
        }
    }
    for (const forebear of seen) common.set(forebear, (common.get(forebear) ?? 0) + 1);
  }
  const plants = new Set(positions).size;
  const all = [...common].flatMap(([forebear, of]) => (of === plants ? [forebear] : []));
  if (all.length === 0) return 0;
  return Math.min(...all.map((i) => kinshipAmong(pedigree, [i])[0]![0]!));
}
