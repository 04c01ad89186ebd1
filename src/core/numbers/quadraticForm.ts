import { EigenvalueDecomposition, Matrix } from "ml-matrix";
import { normalDensity, shareBelow } from "./probit";

/** A sum of squares of normal variables: weights of independent ones, and how far each is off nothing, as weight × shift². */
export type QuadraticForm = { weights: number[]; shifts: number[] };

/**
 * The sum of squares of normal variables that go together, as one of independent ones.
 * @param covariance of every two, symmetric
 * @param middle where each lies on the mean
 * @example quadraticForm([[2, 0], [0, 1]], [0, 0]).weights // [1, 2]
 */
export function quadraticForm(covariance: number[][], middle: number[]): QuadraticForm {
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(new Matrix(covariance), {
    assumeSymmetric: true,
  });
  const turned = eigenvectorMatrix.transpose().mmul(Matrix.columnVector(middle)).to1DArray();
  return { weights: realEigenvalues.map((weight) => Math.max(0, weight)), shifts: turned.map((x) => x * x) };
}

const STEPS = 60;

/**
 * The chance that a sum of squares of normal variables lies below a value, by the saddlepoint of its cumulants.
 *
 * Source: Kuonen 1999, by Lugannani and Rice 1980; some parts in a hundred of a small chance.
 * @param alike the sum scatters as that of so many times fewer variables
 * @example belowForm({ weights: [1], shifts: [0] }, 3.841, 1) // 0.95
 * @example belowForm({ weights: [1, 1, 1], shifts: [1, 0, 0] }, 3, 1) // 0.47
 */
export function belowForm({ weights, shifts }: QuadraticForm, value: number, alike: number): number {
  if (value <= 0) return 0;
  const mean = weights.reduce((sum, w, i) => sum + w + shifts[i]!, 0);
  const most = Math.max(...weights);
  if (most <= 0) return Number(mean <= value);
  // Cumulants of the sum at s, in its own scale: their value, slope and bend.
  const log = (s: number) => {
    let sum = 0;
    for (let i = 0; i < weights.length; i++) {
      const left = 1 - 2 * s * weights[i]!;
      sum += -0.5 * Math.log(left) + (s * shifts[i]!) / left;
    }
    return sum;
  };
  const slopeAndBend = (s: number) => {
    let [slope, bend] = [0, 0];
    for (let i = 0; i < weights.length; i++) {
      const w = weights[i]!;
      const left = 1 / (1 - 2 * s * w);
      const shifted = shifts[i]! * left;
      slope += (w + shifted) * left;
      bend += (2 * w * w + 4 * w * shifted) * left * left;
    }
    return { slope, bend };
  };
  let [low, high] = [-1 / most, (1 - 1e-12) / (2 * most)];
  while (slopeAndBend(low).slope > value) low *= 2;
  let s = 0;
  for (let i = 0; i < STEPS; i++) {
    const { slope, bend } = slopeAndBend(s);
    if (Math.abs(slope - value) < 1e-10 * value) break;
    if (slope < value) low = s;
    else high = s;
    // Newton's step, or half the stretch where it leaves it.
    const next = s - (slope - value) / bend;
    s = next > low && next < high ? next : (low + high) / 2;
  }
  // As of so many fewer variables: every cumulant is divided by how alike they are.
  const w = Math.sign(s) * Math.sqrt(Math.max(0, (2 * (s * value - log(s))) / alike));
  const v = s * Math.sqrt(slopeAndBend(s).bend / alike);
  // Beside the mean itself the formula has no value: from a little to each side.
  if (Math.abs(w) < 1e-4) {
    const beside = (share: number) => belowForm({ weights, shifts }, value * share, alike);
    return (beside(0.99) + beside(1.01)) / 2;
  }
  return Math.min(1, Math.max(0, shareBelow(w) + normalDensity(w) * (1 / w - 1 / v)));
}
