import { gammaln } from "simple-statistics";
import { shareBelow } from "../numbers/probit";

export type SelectionIntensityInput = { selected: number; candidates: number };

const LN_ROOT_2PI = 0.5 * Math.log(2 * Math.PI);
/** Beyond so many deviations from the peak, in logarithm, nothing is left of the integrand. */
const FAINT = 40;
const POINTS = 800;

/** A power's logarithm; nothing to the power of nothing is one. */
const lnPower = (base: number, power: number): number => (power === 0 ? 0 : power * Math.log(base));

/** Where a function that rises to one peak and falls is highest, between two ends (golden section). */
function peakOf(f: (x: number) => number, from: number, to: number): number {
  const GOLD = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [from, to];
  for (let i = 0; i < 60; i++) {
    const [left, right] = [b - GOLD * (b - a), a + GOLD * (b - a)];
    if (f(left) >= f(right)) b = right;
    else a = left;
  }
  return (a + b) / 2;
}

/**
 * Selection intensity of a finite number of candidates: how many standard deviations the best k of n stand above the mean of
 * all, to be expected.
 *
 * The mean of the k largest of n standard normal order statistics is n/k times the mean density φ(Φ⁻¹(U)) at the share
 * U ~ Beta(n−k, k) that parts the chosen from the rest; integrated over the normal scale, where it has one peak.
 * Source: Burrows 1972 for finite populations; here without his approximation.
 * @param input.selected k, a whole number from 1 to n
 * @param input.candidates n, a whole number
 * @returns {{intensity: number}} standard deviations; 0 where all are taken
 * @throws RangeError where more are taken than there are
 * @example selectionIntensity({ selected: 5, candidates: 50 }) // { intensity: 1.705 }
 */
export function selectionIntensity({ selected: k, candidates: n }: SelectionIntensityInput): { intensity: number } {
  if (!(k >= 1 && k <= n)) throw new RangeError("between one and all of the candidates can be selected");
  if (k === n) return { intensity: 0 };
  const lnBeta = gammaln(n - k) + gammaln(k) - gammaln(n);
  const lnDensity = (x: number) =>
    lnPower(shareBelow(x), n - k - 1) + lnPower(shareBelow(-x), k - 1) - lnBeta - x * x - 2 * LN_ROOT_2PI;
  const peak = peakOf(lnDensity, -8, 8);
  const top = lnDensity(peak);
  const edge = (side: 1 | -1) => {
    let step = 1e-6;
    while (step < 20 && lnDensity(peak + side * step) > top - FAINT) step *= 1.5;
    return peak + side * step;
  };
  const [low, high] = [edge(-1), edge(1)];
  const width = (high - low) / POINTS;
  let sum = 0;
  for (let i = 0; i <= POINTS; i++) sum += Math.exp(lnDensity(low + i * width));
  return { intensity: (n / k) * sum * width };
}
