import { mean, quantileSorted } from "simple-statistics";
import { seeded } from "../numbers/chance";
import { type PlanStep, RUNS, type SchemeKey, type Size } from "./schemes";
import { type Genome, mixed, several, worldOf } from "./world";

export type PlanAsked = Size & {
  /** Wanted words, and how many of them show only with two copies. */
  genes: number;
  hidden: number;
  /** How much of what F2 plants differ by is inherited, 0–1: each run takes one of the range. */
  heritability: { low: number; high: number };
  /** Share of open seed that another plant fathers. */
  outcrossing: number;
};

export type Plan = {
  scheme: SchemeKey;
  /** Season by season. */
  steps: PlanStep[];
  /** Plants in all, and in the fullest season; crosses and selfings by hand; hours of work. */
  plants: number;
  most: number;
  hands: number;
  hours: number;
  /** Share of loci still mixed in a plant at the end. */
  mixed: number;
  /** How often all wanted words show in at least nine of ten plants at the end. */
  recovers: number;
  /** What the aim gains over the F2, in standard deviations of what F2 plants show, with its nine-tenths range. */
  gain: { low: number; likely: number; high: number };
  /** Share of the parent that comes back, of a backcross, with its nine-tenths range. */
  recurrent: { low: number; likely: number; high: number } | null;
};

/** Loci of the aim, and minutes of work: a plant raised and looked at, a cross or selfing by hand. Working values. */
const MANY = 16;
const MINUTES = { plant: 6, hand: 25 };

/**
 * Hours of work: plants raised and looked at, and crosses and selfings by hand.
 * @example hoursOf(100, 12) // 15
 */
export const hoursOf = (plants: number, hands: number): number => (plants * MINUTES.plant + hands * MINUTES.hand) / 60;

const ranged = (values: number[]) => {
  const sorted = [...values].sort((a, b) => a - b);
  return { low: quantileSorted(sorted, 0.05), likely: mean(values), high: quantileSorted(sorted, 0.95) };
};

/** Share of the aim's genes that a plant has of the one parent, where the parents differ in all; the words were chosen. */
function shareOf(back: Genome, plant: Genome, words: number): number {
  const from = 2 * words;
  let same = 0;
  for (let i = from; i < plant.length; i++) if (plant[i] === back[i]) same++;
  return same / (plant.length - from);
}

/**
 * What a way of breeding comes to: carried out again and again on simulated plants of two parents that differ in every locus, the
 * wanted words and the aim shared out between them; loci are not linked.
 *
 * What is chosen is what a grower sees: words, and the aim with as much that is not inherited as the heritability leaves. Nothing of
 * this is certain of any one cross: it compares ways with each other.
 * @param runs how often each is carried out
 * @throws RangeError where what is inherited is no range above 0 and up to 1
 * @example planOf("pedigree", { plants: 40, seasons: 7, genes: 1, hidden: 1, heritability: { low: 0.3, high: 0.5 }, outcrossing: 0 }, 5, 1).steps.length // 7
 */
export function planOf(scheme: SchemeKey, asked: PlanAsked, runs: number, seed: number): Plan {
  const { heritability, genes, hidden, outcrossing } = asked;
  const { low, high } = heritability;
  if (!(low > 0 && low <= high && high <= 1)) throw new RangeError("What is inherited is a range above 0 and up to 1.");
  const random = seeded(seed);
  // Of an F2 each locus adds a variance of ½.
  const inherited = MANY / 2;
  const done = several(runs, () => {
    const share = low + (high - low) * random();
    const noise = Math.sqrt((inherited * (1 - share)) / share);
    const world = worldOf({ random, genes, hidden: Math.min(genes, hidden), many: MANY, noise, outcrossing });
    const { final, steps } = RUNS[scheme](world, asked);
    return {
      steps,
      mixed: mean(final.map(mixed)),
      shows: world.showAll(final),
      gain: (mean(final.map(world.worth)) - MANY) / Math.sqrt(inherited + noise ** 2),
      recurrent: mean(final.map((plant) => shareOf(world.parent(true), plant, genes))),
    };
  });
  const steps = done[0]!.steps;
  const plants = steps.reduce((sum, one) => sum + one.plants, 0);
  const hands = steps.reduce((sum, one) => sum + one.hands, 0);
  const isBackcross = scheme === "backcross" || scheme === "near-isogenic";
  return {
    scheme,
    steps,
    plants,
    most: Math.max(...steps.map((one) => one.plants)),
    hands,
    hours: hoursOf(plants, hands),
    mixed: mean(done.map((run) => run.mixed)),
    recovers: done.filter(({ shows }) => shows).length / runs,
    gain: ranged(done.map((run) => run.gain)),
    recurrent: isBackcross ? ranged(done.map((run) => run.recurrent)) : null,
  };
}
