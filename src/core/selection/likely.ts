import { cholesky, forward, logDeterminant } from "../numbers/cholesky";
import type { BedModel, ColumnKind } from "./bedModel";
import { classesOf, type PlantClass, type Seen } from "./classes";
import { AMONG_SIBS } from "./heritability";

/**
 * Variances of one trait: what the base's genes add, what stays with a plant, what a look errs by, and what rows and places do;
 * in the trait's unit squared.
 */
export type Variances = { genes: number; plant: number; look: number; row: number; place: number };

/** A guess at the variances, how likely it is, and how the whole of them scatters: scale · freedom / χ². */
export type Likely = { variances: Variances; chance: number; freedom: number };

type Guess = { share: number; chance: number };

/**
 * Shares of what single looks at plants of one family differ by that rows and places make up, and how likely before. No row is
 * quite like the next: its ground, and its family's own answer to the season, differ. Working values.
 */
const ROWS: Guess[] = [
  { share: 0.04, chance: 0.25 },
  { share: 0.13, chance: 0.37 },
  { share: 0.3, chance: 0.25 },
  { share: 0.8, chance: 0.1 },
  { share: 5, chance: 0.03 },
];
const PLACES: Guess[] = [
  { share: 0, chance: 0.4 },
  { share: 0.08, chance: 0.3 },
  { share: 0.25, chance: 0.2 },
  { share: 0.7, chance: 0.08 },
  { share: 4, chance: 0.02 },
];
/** With more unknowns the guesses are fewer. */
const ROWS_OF_MANY: Guess[] = [
  { share: 0.08, chance: 0.5 },
  { share: 0.25, chance: 0.5 },
];
const PLACES_OF_MANY: Guess[] = [
  { share: 0.02, chance: 0.5 },
  { share: 0.2, chance: 0.5 },
];
const MANY = 120;
const VERY_MANY = 400;

/**
 * Variances where single looks at sibs of an F2, in one place, differ by one.
 * @param inherited share of that which is inherited, 0–1
 * @param repeated share of it that stays with a plant from look to look, not below what is inherited
 * @example variancesOf(0.3, 0.5, 0, 0) // { genes: 0.6, plant: 0.2, look: 0.5, row: 0, place: 0 }
 */
export function variancesOf(inherited: number, repeated: number, row: number, place: number): Variances {
  const plant = Math.max(0, repeated - inherited);
  return {
    genes: inherited / AMONG_SIBS,
    plant,
    look: Math.max(0, 1 - Math.max(repeated, inherited)),
    row,
    place,
  };
}

/** What single looks at sibs differ by. @example withinSibs({ genes: 0.6, plant: 0.2, look: 0.5, row: 9, place: 9 }) // 1 */
export const withinSibs = ({ genes, plant, look }: Variances): number => AMONG_SIBS * genes + plant + look;

/** How much of that is inherited. @example inheritedIn({ genes: 0.6, plant: 0.2, look: 0.5, row: 0, place: 0 }) // 0.3 */
export const inheritedIn = (variances: Variances): number => (AMONG_SIBS * variances.genes) / withinSibs(variances);

const spreadOf = (variances: Variances, kind: ColumnKind): number =>
  kind === "genes" ? variances.genes : kind === "row" ? variances.row : kind === "place" ? variances.place : 1;

/** What plants' own parts say of all that they share: its conditions before anything is believed of rows and places. */
type Conditions = { left: Float64Array; right: Float64Array; squares: number; log: number; seen: number };

function conditionsOf({ columns }: BedModel, classes: PlantClass[], variances: Variances): Conditions {
  const size = columns.length;
  const left = new Float64Array(size * size);
  const right = new Float64Array(size);
  let [squares, log, seen] = [0, 0, 0];
  for (const { own, looks, plants, together, told, squares: of } of classes) {
    const variance = own * variances.genes + variances.plant + variances.look / looks[0]!;
    const weight = 1 / variance;
    seen += plants.length;
    log += plants.length * Math.log(variance);
    squares += weight * of[0]!;
    for (let k = 0; k < left.length; k++) left[k]! += weight * together[k]!;
    for (let j = 0; j < size; j++) right[j]! += weight * told[j]!;
  }
  return { left, right, squares, log, seen };
}

/** The restricted likelihood of what was seen under variances up to one scale, which is integrated over. */
function likelihood(
  { columns }: BedModel,
  told: Conditions,
  variances: Variances,
): { log: number; scale: number; freedom: number } {
  const size = columns.length;
  const left = Float64Array.from(told.left);
  let log = told.log;
  let fixed = 0;
  for (const [j, { kind, variance }] of columns.entries()) {
    const prior = variance * spreadOf(variances, kind);
    if (kind === "environment") fixed++;
    else log += Math.log(Math.max(prior, 1e-12));
    left[j * size + j]! += kind === "environment" ? 1e-9 : 1 / Math.max(prior, 1e-12);
  }
  const lower = cholesky(left, size);
  log += logDeterminant(lower, size);
  const fit = forward(lower, size, Float64Array.from(told.right));
  const rest = Math.max(1e-12, told.squares - fit.reduce((sum, x) => sum + x * x, 0));
  const freedom = Math.max(1, told.seen - fixed);
  return { log: -0.5 * log - (freedom / 2) * Math.log(rest), scale: rest / freedom, freedom };
}

/**
 * The variances that what was seen makes likely: how much is inherited, from what is believed of it, and how much rows and
 * places do, each set held by the restricted likelihood (Patterson and Thompson 1971) of all plants together, kin, parents and
 * pure lines among them.
 * @param inherited how much of what single looks at an F2's sibs differ by is inherited, with chances
 * @param repeated how much of it stays with a plant from look to look
 * @example likelyVariances({ plants: 0, columns: [], at: [], much: [], own: new Float64Array(0) }, { values: new Float64Array(0), looks: new Float64Array(0) }, [{ share: 0.3, chance: 1 }], 1).length // 1
 */
export function likelyVariances(model: BedModel, seen: Seen, inherited: Guess[], repeated: number): Likely[] {
  const size = model.columns.length;
  const has = (kind: ColumnKind) => model.columns.some((one) => one.kind === kind);
  const few = size > VERY_MANY ? 3 : size > MANY ? 5 : 7;
  const guesses = (kind: ColumnKind, before: Guess[], ofMany: Guess[]) =>
    !has(kind) ? [{ share: 0, chance: 1 }] : size > MANY ? ofMany : before;
  const classes = classesOf(model, [seen]).filter(({ traits }) => traits.length > 0);
  const told = thinned(inherited, few).flatMap(({ share, chance }) => {
    const repeats = Math.max(repeated, share);
    const conditions = conditionsOf(model, classes, variancesOf(share, repeats, 0, 0));
    return guesses("row", ROWS, ROWS_OF_MANY).flatMap((row) =>
      guesses("place", PLACES, PLACES_OF_MANY).map((place) => {
        const variances = variancesOf(share, repeats, row.share, place.share);
        const { log, scale, freedom } = likelihood(model, conditions, variances);
        const prior = Math.log(chance * row.chance * place.chance);
        return { variances: scaled(variances, scale), log: log + prior, freedom };
      }),
    );
  });
  const most = Math.max(...told.map(({ log }) => log));
  const weights = told.map(({ log }) => Math.exp(log - most));
  const all = weights.reduce((a, b) => a + b, 0);
  return told
    .map(({ variances, freedom }, i) => ({ variances, freedom, chance: weights[i]! / all }))
    .filter(({ chance }) => chance > 1e-4);
}

/** Variances times a scale. @example scaled({ genes: 1, plant: 0, look: 1, row: 0, place: 0 }, 2).look // 2 */
export const scaled = ({ genes, plant, look, row, place }: Variances, by: number): Variances => ({
  genes: genes * by,
  plant: plant * by,
  look: look * by,
  row: row * by,
  place: place * by,
});

/** A grid of shares as so many, each with the chance of those around it. */
function thinned(grid: Guess[], most: number): Guess[] {
  if (grid.length <= most) return grid.filter(({ chance }) => chance > 0);
  const bins = Array.from({ length: most }, () => ({ share: 0, chance: 0 }));
  const all = grid.reduce((sum, { chance }) => sum + chance, 0);
  let passed = 0;
  for (const { share, chance } of grid) {
    const bin = bins[Math.min(most - 1, Math.floor(((passed + chance / 2) / all) * most))]!;
    bin.share += share * chance;
    bin.chance += chance;
    passed += chance;
  }
  return bins.filter(({ chance }) => chance > 1e-6).map(({ share, chance }) => ({ share: share / chance, chance }));
}
