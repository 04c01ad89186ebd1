import { normalFrom } from "../numbers/chance";

/** A pedigree as `sampledPedigree` gives it: parents as positions (−1 for unknown) with shares, parents before children. */
export type SampledPedigree = {
  mother: Int32Array;
  father: Int32Array;
  ofMother: Float64Array;
  ofFather: Float64Array;
  sampled: Float64Array;
};

/** What was seen of one individual, in one environment (a season, a bed), with how many looks' certainty. */
export type SeenOf = { individual: number; environment: number; value: number; weight: number };

export type AnimalModel = {
  pedigree: SampledPedigree;
  seen: SeenOf[];
  environments: number;
  /** Additive variance of an unrelated, non-inbred base, and the variance of what is not inherited, of one look. */
  additive: number;
  residual: number;
};

export type BreedingValues = { values: Float64Array; environments: Float64Array };

/** Least change of the residual, against where it began, at which the equations count as solved; and most steps. */
const SOLVED = 1e-9;
const MOST_STEPS = 1_000;

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

/** How much is told of each one's own sampling, shared ways up counted apart: the diagonal that the solver divides by. */
function diagonal(pedigree: SampledPedigree, told: Float64Array): Float64Array {
  const { mother, father, ofMother, ofFather, sampled } = pedigree;
  const sum = Float64Array.from(told);
  for (let i = sum.length - 1; i >= 0; i--) {
    const [m, f] = [mother[i]!, father[i]!];
    if (m >= 0 && m === f) sum[m]! += sum[i]! * (ofMother[i]! + ofFather[i]!) ** 2;
    else {
      if (m >= 0) sum[m]! += sum[i]! * ofMother[i]! ** 2;
      if (f >= 0) sum[f]! += sum[i]! * ofFather[i]! ** 2;
    }
  }
  return sum.map((of, i) => of * sampled[i]!);
}

/**
 * Solves the mixed-model equations of one trait again and again with different figures.
 *
 * Unknown are the environments' means and each individual's own Mendelian sampling in deviations, so that no inverse of the
 * relationship matrix is needed and what samples nothing (the F1 of two pure lines) does no harm; two sweeps through the
 * pedigree a step, by conjugate gradients.
 */
class Equations {
  private readonly n: number;
  private readonly ratio: number;
  private readonly divide: Float64Array;
  private readonly own: Float64Array;
  private readonly told: Float64Array;
  private readonly values: Float64Array;

  constructor(private readonly model: AnimalModel) {
    const { pedigree, seen, environments, additive, residual } = model;
    this.n = pedigree.mother.length;
    this.ratio = residual / additive;
    this.own = new Float64Array(this.n);
    this.told = new Float64Array(this.n);
    this.values = new Float64Array(this.n);
    this.divide = new Float64Array(environments + this.n);
    for (const { individual, environment, weight } of seen) {
      this.told[individual]! += weight;
      this.divide[environment]! += weight;
    }
    const of = diagonal(pedigree, this.told);
    for (let i = 0; i < this.n; i++) this.divide[environments + i] = of[i]! + this.ratio;
    for (let e = 0; e < environments; e++) if (this.divide[e] === 0) this.divide[e] = 1;
  }

  /** The right-hand side: figures seen, told to environments and handed up. */
  private side(figures: Float64Array): Float64Array {
    const { seen, environments, pedigree } = this.model;
    const out = new Float64Array(environments + this.n);
    this.told.fill(0);
    for (const [r, { individual, environment, weight }] of seen.entries()) {
      out[environment]! += weight * figures[r]!;
      this.told[individual]! += weight * figures[r]!;
    }
    handedUp(pedigree, this.told, out.subarray(environments));
    return out;
  }

  private times(x: Float64Array, out: Float64Array): void {
    const { seen, environments, pedigree } = this.model;
    this.own.set(x.subarray(environments));
    carried(pedigree, this.own, this.values);
    out.fill(0);
    this.told.fill(0);
    for (const { individual, environment, weight } of seen) {
      const fitted = weight * (x[environment]! + this.values[individual]!);
      out[environment]! += fitted;
      this.told[individual]! += fitted;
    }
    handedUp(pedigree, this.told, out.subarray(environments));
    for (let i = 0; i < this.n; i++) out[environments + i]! += this.ratio * x[environments + i]!;
  }

  /** @param figures one for each that was seen */
  solve(figures: Float64Array): BreedingValues {
    const { environments, pedigree } = this.model;
    const size = environments + this.n;
    const x = new Float64Array(size);
    const r = this.side(figures);
    const z = r.map((v, i) => v / this.divide[i]!);
    const p = Float64Array.from(z);
    const q = new Float64Array(size);
    const dot = (a: Float64Array, b: Float64Array) => {
      let sum = 0;
      for (let i = 0; i < size; i++) sum += a[i]! * b[i]!;
      return sum;
    };
    let rz = dot(r, z);
    const enough = rz * SOLVED ** 2;
    for (let step = 0; step < MOST_STEPS && rz > enough && rz > 0; step++) {
      this.times(p, q);
      const along = rz / dot(p, q);
      for (let i = 0; i < size; i++) {
        x[i]! += along * p[i]!;
        r[i]! -= along * q[i]!;
        z[i] = r[i]! / this.divide[i]!;
      }
      const next = dot(r, z);
      const turn = next / rz;
      rz = next;
      for (let i = 0; i < size; i++) p[i] = z[i]! + turn * p[i]!;
    }
    return {
      environments: x.slice(0, environments),
      values: carried(pedigree, x.subarray(environments), new Float64Array(this.n)),
    };
  }
}

/**
 * Predicted breeding values of every individual of a pedigree, and the means of the environments that they were seen in.
 *
 * Best linear unbiased prediction by mixed-model equations. Source: Henderson 1976 and 1984; here in terms of Mendelian
 * samplings (Quaas 1976) and solved by preconditioned conjugate gradients, in memory linear in the pedigree.
 * @returns values as deviations from their environment's mean, in the trait's unit
 * @throws RangeError where a variance is not above 0
 * @example breedingValues({ pedigree: { mother: Int32Array.of(-1, -1), father: Int32Array.of(-1, -1), sampled:
 *   Float64Array.of(1, 1) }, seen: [{ individual: 0, environment: 0, value: 4, weight: 1 }, { individual: 1, environment: 0,
 *   value: 8, weight: 1 }], environments: 1, additive: 1, residual: 3 }).values // { "0": -0.5, "1": 0.5 }
 */
export function breedingValues(model: AnimalModel): BreedingValues {
  checked(model);
  return new Equations(model).solve(Float64Array.from(model.seen, ({ value }) => value));
}

function checked({ additive, residual }: AnimalModel): void {
  if (!(additive > 0 && residual > 0)) throw new RangeError("both variances must be above 0");
}

/**
 * One draw of all breeding values from what is known of them: what the figures leave uncertain differs from draw to draw as
 * it may in truth. A whole pedigree by chance with figures by chance is made, and set right by what was really seen.
 *
 * Source: García-Cortés and others 1992; Papandreou and Yuille 2010 (perturb and optimise).
 * @param random numbers in [0, 1)
 * @throws RangeError where a variance is not above 0
 * @example drawnValues({ pedigree: { mother: Int32Array.of(-1), father: Int32Array.of(-1), sampled: Float64Array.of(1) },
 *   seen: [{ individual: 0, environment: 0, value: 4, weight: 1e12 }], environments: 1, additive: 1e-12, residual: 1 },
 *   () => 0.5).values // { "0": 0.000 }
 */
export function drawnValues(model: AnimalModel, random: () => number): BreedingValues {
  checked(model);
  const { pedigree, seen, additive, residual } = model;
  const chance = () => normalFrom(random(), random());
  const own = Float64Array.from(pedigree.mother, () => Math.sqrt(additive) * chance());
  const made = carried(pedigree, own, new Float64Array(own.length));
  const figures = Float64Array.from(
    seen,
    ({ individual, value, weight }) => value - made[individual]! - Math.sqrt(residual / weight) * chance(),
  );
  const { values, environments } = new Equations(model).solve(figures);
  return { environments, values: values.map((value, i) => value + made[i]!) };
}
