import { pure, type Trait } from "./genetics";

// Forty genes. The parents differ in most; each holds some good ones, so that offspring can pass both.
const range = (from: number, to: number) => Array.from({ length: to - from }, (_, i) => from + i);
export const RIPE: Trait = { loci: range(0, 12), atZero: 82, atOne: 130, noise: 3 };
export const MASS: Trait = { loci: range(12, 22), atZero: 0.2, atOne: 1.95, noise: 0.09 };
export const FLAVOUR: Trait = { loci: range(22, 31), atZero: 1.5, atOne: 9.2, noise: 0.7 };
export const VINE: Trait = { loci: range(31, 39), atZero: 9, atOne: 1.5, noise: 0.7 };
export const ORANGE = 39;
const GENES = 40;

const genome = (ones: number[]) => pure(range(0, GENES).map((i) => (ones.includes(i) ? 1 : 0)));
/** Late, large, fine, sprawling, orange. */
export const ASHLAR = genome([...range(0, 10), ...range(12, 20), ...range(22, 29), ...range(31, 37), ORANGE]);
/** Early, small, bland, compact, white. */
export const NETTLE = genome([10, 20, 29, 37]);
