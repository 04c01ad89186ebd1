import { normalFrom } from "../numbers/chance";
import { backward, cholesky, forward } from "../numbers/cholesky";
import type { BedModel } from "./bedModel";
import { classesOf, type PlantClass, type Seen } from "./classes";
import { AMONG_SIBS } from "./heritability";
import { inheritedIn, type Likely, scaled, type Variances } from "./likely";

/** One trait as it is drawn: what was seen, and which variances that makes likely. */
export type DrawnOf = { seen: Seen; likely: Likely[] };

/** Draws of each trait: of each plant, one after the other, all its draws; and of the base's additive variance. */
export type Draws = { values: Float64Array[]; genes: Float64Array[] };

/** Draws that share a set of variances: an even number, each second one the mirror of the one before, so that their mean is what is expected. */
const EACH = 20;
/**
 * What is not inherited of two traits goes together half as much as their genes, give or take so much on Fisher's scale; of few
 * plants less is believed. Working values.
 */
const REST_OF_GENES = 0.5;
const GENES_DIFFER = 0.35;
const FEW = 12;
/** No two traits are one. */
const MOST = 0.95;

type Chance = () => number;

/** Places of so many sets among all that is likely: one in each of as many even parts, in any order. */
function evenly(sets: number, random: Chance): number[] {
  const places = Array.from({ length: sets }, (_, k) => (k + random()) / sets);
  for (let i = sets - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [places[i], places[j]] = [places[j]!, places[i]!];
  }
  return places;
}

/** The set of variances at a place among all that is likely, with the scale of them all drawn. */
function drawnVariances(likely: Likely[], from: number, normal: Chance): Variances {
  let at = from;
  const one =
    likely.find(({ chance }) => {
      at -= chance;
      return at < 0;
    }) ?? likely.at(-1)!;
  // χ² of that freedom over its freedom (Wilson and Hilferty 1931).
  const third = 2 / (9 * one.freedom);
  const by = 1 / Math.max(0.05, 1 - third + normal() * Math.sqrt(third)) ** 3;
  return scaled(one.variances, by);
}

/**
 * How far every two traits go together over plants, within their environments; of few plants less than it looks.
 * @example goTogether({ plants: 0, columns: [], at: [], much: [], own: new Float64Array(0) }, [{ seen: { values: new Float64Array(0), looks: new Float64Array(0) } }]) // [[1]]
 */
export function goTogether(model: BedModel, traits: { seen: Seen }[]): number[][] {
  const environment = model.at.map((columns) => columns[0]!);
  const apart = traits.map(({ seen }) => {
    const sums = new Map<number, [number, number]>();
    for (const [i, value] of seen.values.entries()) {
      if (seen.looks[i] === 0) continue;
      const [sum, count] = sums.get(environment[i]!) ?? [0, 0];
      sums.set(environment[i]!, [sum + value, count + 1]);
    }
    return seen.values.map((value, i) => {
      if (seen.looks[i] === 0) return Number.NaN;
      const [sum, count] = sums.get(environment[i]!)!;
      return value - sum / count;
    });
  });
  return traits.map((_, a) =>
    traits.map((__, b) => {
      if (a === b) return 1;
      let [xy, xx, yy, both] = [0, 0, 0, 0];
      for (let i = 0; i < model.plants; i++) {
        const [x, y] = [apart[a]![i]!, apart[b]![i]!];
        if (Number.isNaN(x) || Number.isNaN(y)) continue;
        xy += x * y;
        xx += x * x;
        yy += y * y;
        both++;
      }
      const r = xx > 0 && yy > 0 ? xy / Math.sqrt(xx * yy) : 0;
      return (Math.max(-MOST, Math.min(MOST, r)) * both) / (both + FEW);
    }),
  );
}

/** How genes of traits may go together, where their plants show so much: a matrix that can be. */
function drawnCorrelations(shown: number[][], variances: Variances[], normal: Chance): number[][] {
  const made = shown.map((row) => [...row]);
  const inherited = variances.map(inheritedIn);
  for (let a = 0; a < shown.length; a++)
    for (let b = 0; b < a; b++) {
      const [x, y] = [inherited[a]!, inherited[b]!];
      const whole = Math.sqrt(x * y) + REST_OF_GENES * Math.sqrt((1 - x) * (1 - y));
      const likely = Math.max(-MOST, Math.min(MOST, shown[a]![b]! / whole));
      const r = Math.tanh(Math.atanh(likely) + GENES_DIFFER * normal());
      made[a]![b] = r;
      made[b]![a] = r;
    }
  return possible(made);
}

/** Less together, until no combination of traits has less than no variance. */
function possible(matrix: number[][]): number[][] {
  const size = matrix.length;
  for (let by = 1; by > 0.01; by *= 0.85) {
    const tried = matrix.map((row, a) => row.map((r, b) => (a === b ? 1 : Math.max(-MOST, Math.min(MOST, r)) * by)));
    try {
      cholesky(Float64Array.from(tried.flat()), size);
      return tried;
    } catch {
      // Not yet.
    }
  }
  return matrix.map((_, a) => matrix.map((__, b) => Number(a === b)));
}

/** What is not inherited of two traits, so that with the genes they go together as plants show. */
function restTogether(shown: number[][], genes: number[][], variances: Variances[]): number[][] {
  const rest = variances.map(({ plant, look }) => Math.max(1e-9, plant + look));
  const whole = variances.map(({ genes: g }, t) => AMONG_SIBS * g + rest[t]!);
  return possible(
    shown.map((row, a) =>
      row.map((r, b) =>
        a === b
          ? 1
          : (r * Math.sqrt(whole[a]! * whole[b]!) -
              AMONG_SIBS * genes[a]![b]! * Math.sqrt(variances[a]!.genes * variances[b]!.genes)) /
            Math.sqrt(rest[a]! * rest[b]!),
      ),
    ),
  );
}

/** What the residual of a class's plants is under one set of variances, its inverse over the traits that were seen. */
function residualOf(
  { own, looks, traits }: PlantClass,
  genes: Float64Array,
  variances: Variances[],
  rest: number[][],
): Float64Array {
  const count = variances.length;
  const n = traits.length;
  const matrix = new Float64Array(n * n);
  const error = (t: number) => variances[t]!.plant + variances[t]!.look / looks[t]! + 1e-9;
  for (const [p, a] of traits.entries())
    for (const [q, b] of traits.entries())
      matrix[p * n + q] = own * genes[a * count + b]! + rest[a]![b]! * Math.sqrt(error(a) * error(b));
  return inverted(matrix, n);
}

/** The inverse of a small symmetric matrix. */
function inverted(matrix: Float64Array, n: number): Float64Array {
  const lower = cholesky(matrix, n);
  const inverse = new Float64Array(n * n);
  for (let p = 0; p < n; p++) {
    const unit = new Float64Array(n);
    unit[p] = 1;
    backward(lower, n, forward(lower, n, unit));
    for (let q = 0; q < n; q++) inverse[p * n + q] = unit[q]!;
  }
  return inverse;
}

/**
 * Draws of all plants' breeding values on all traits, each as they may be in truth: variances and how traits go together drawn
 * from what is likely, then everything that plants share, then what is each one's own, all exactly as normal variables
 * given what was seen.
 * @param reference environments (columns of the model) whose mean is the level that values are told at
 * @example drawnValues({ plants: 1, columns: [{ kind: "environment", variance: 1e6 }], at: [Int32Array.of(0)], much: [Float64Array.of(1)], own: Float64Array.of(0) },
 *   [], [0], 4, () => 0.5).next().value.values // []
 */
export function* drawnValues(
  model: BedModel,
  traits: DrawnOf[],
  reference: number[],
  draws: number,
  random: Chance,
): Generator<{ done: number; of: number }, Draws> {
  const normal = () => normalFrom(random(), random());
  const count = traits.length;
  const out: Draws = {
    values: traits.map(() => new Float64Array(model.plants * draws)),
    genes: traits.map(() => new Float64Array(draws)),
  };
  if (count === 0) return out;
  const seen = traits.map((one) => one.seen);
  const shown = goTogether(model, traits);
  const { columns, at, much } = model;
  const size = columns.length * count;
  const classes = classesOf(model, seen);
  const isGenes = columns.map(({ kind }) => kind === "genes");
  const [fitted, inherited, chance] = [0, 1, 2].map(() => new Float64Array(count)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  // From little to much that is inherited, so that even parts of it are even.
  const sets = Math.ceil(draws / EACH);
  const sorted = traits.map(({ likely }) =>
    [...likely].sort((a, b) => inheritedIn(a.variances) - inheritedIn(b.variances)),
  );
  const places = traits.map(() => evenly(sets, random));
  const noise = new Float64Array(size);
  const chances = new Float64Array(model.plants * count);
  for (let from = 0; from < draws; from += EACH) {
    const variances = sorted.map((likely, t) => drawnVariances(likely, places[t]![from / EACH]!, normal));
    const together = drawnCorrelations(shown, variances, normal);
    const rest = restTogether(shown, together, variances);
    const genes = new Float64Array(count * count);
    for (let a = 0; a < count; a++)
      for (let b = 0; b < count; b++)
        genes[a * count + b] = together[a]![b]! * Math.sqrt(variances[a]!.genes * variances[b]!.genes);
    const inverses = classes.map((one) => residualOf(one, genes, variances, rest));
    const { lower, right } = equations(model, classes, inverses, genes, variances);
    const owns = classes.map((one, k) => ownGenes(one, inverses[k]!, genes, count));
    const to = Math.min(draws, from + EACH);
    for (let d = from; d < to; d++) {
      const mirrored = (d - from) % 2 === 1;
      const shared = Float64Array.from(right);
      for (let j = 0; j < size; j++) {
        noise[j] = mirrored ? -noise[j]! : normal();
        shared[j]! += noise[j]!;
      }
      backward(lower, size, shared);
      const level = traits.map(
        (_, t) =>
          reference.reduce((sum, column) => sum + shared[column * count + t]!, 0) / Math.max(1, reference.length),
      );
      for (const [k, { plants, own, traits: had }] of classes.entries()) {
        const { pull, scatter } = owns[k]!;
        for (const i of plants) {
          const [cols, shares] = [at[i]!, much[i]!];
          fitted.fill(0);
          inherited.fill(0);
          for (let c = 0; c < cols.length; c++) {
            const share = shares[c]!;
            const first = cols[c]! * count;
            const into = isGenes[cols[c]!] ? inherited : fitted;
            for (let t = 0; t < count; t++) into[t]! += share * shared[first + t]!;
          }
          if (own > 0)
            for (let t = 0; t < count; t++) {
              chance[t] = mirrored ? -chances[i * count + t]! : normal();
              chances[i * count + t] = chance[t]!;
            }
          for (let t = 0; t < count; t++) {
            let value = inherited[t]! + level[t]!;
            for (let q = 0; q < had.length; q++) {
              const b = had[q]!;
              value += pull[t * had.length + q]! * (seen[b]!.values[i]! - fitted[b]! - inherited[b]!);
            }
            if (own > 0) for (let c = 0; c <= t; c++) value += scatter[t * count + c]! * chance[c]!;
            out.values[t]![i * draws + d] = value;
          }
        }
      }
      for (let t = 0; t < count; t++) out.genes[t]![d] = variances[t]!.genes;
    }
    yield { done: to, of: draws };
  }
  return out;
}

/** The conditions of what plants share: their triangle, and the right side solved half way. */
function equations(
  { columns }: BedModel,
  classes: PlantClass[],
  inverses: Float64Array[],
  genes: Float64Array,
  variances: Variances[],
) {
  const shared = columns.length;
  const count = variances.length;
  const size = shared * count;
  const left = new Float64Array(size * size);
  const right = new Float64Array(size);
  for (const [k, { traits, together, told }] of classes.entries()) {
    const inverse = inverses[k]!;
    const n = traits.length;
    for (let a = 0; a < shared; a++)
      for (let p = 0; p < n; p++) {
        const row = a * count + traits[p]!;
        for (let q = 0; q < n; q++) right[row]! += inverse[p * n + q]! * told[a * count + traits[q]!]!;
        for (let b = 0; b <= a; b++) {
          const both = together[a * shared + b]!;
          if (both === 0) continue;
          for (let q = 0; q < n; q++) left[row * size + b * count + traits[q]!]! += both * inverse[p * n + q]!;
        }
      }
  }
  const inverse = inverted(
    genes.map((value, k) => value + (k % (count + 1) === 0 ? 1e-12 + value * 1e-9 : 0)),
    count,
  );
  for (const [j, { kind, variance }] of columns.entries())
    for (let p = 0; p < count; p++) {
      const row = j * count + p;
      if (kind === "genes")
        for (let q = 0; q <= p; q++) left[row * size + j * count + q]! += inverse[p * count + q]! / variance;
      else {
        const prior =
          kind === "environment" ? 1e9 : variance * (kind === "row" ? variances[p]!.row : variances[p]!.place);
        left[row * size + row]! += 1 / Math.max(prior, 1e-9);
      }
    }
  const triangle = cholesky(left, size);
  return { lower: triangle, right: forward(triangle, size, right) };
}

/** How a plant's own genes follow from its residual, and their scatter about that, as a triangle. */
function ownGenes({ own, traits }: PlantClass, inverse: Float64Array, genes: Float64Array, count: number) {
  const n = traits.length;
  const pull = new Float64Array(count * n);
  for (let t = 0; t < count; t++)
    for (let q = 0; q < n; q++) {
      let sum = 0;
      for (let p = 0; p < n; p++) sum += own * genes[t * count + traits[p]!]! * inverse[p * n + q]!;
      pull[t * n + q] = sum;
    }
  if (own === 0) return { pull, scatter: new Float64Array(0) };
  const left = new Float64Array(count * count);
  for (let a = 0; a < count; a++)
    for (let b = 0; b < count; b++) {
      let value = own * genes[a * count + b]!;
      for (let q = 0; q < n; q++) value -= pull[a * n + q]! * own * genes[traits[q]! * count + b]!;
      left[a * count + b] = value + (a === b ? 1e-12 + 1e-9 * own * genes[a * count + a]! : 0);
    }
  return { pull, scatter: cholesky(left, count) };
}
