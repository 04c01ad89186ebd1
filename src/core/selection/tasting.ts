import jstat from "jstat";
import { shuffle } from "simple-statistics";
import { intraclass } from "../numbers/intraclass";
import { NINE_IN_TEN } from "../numbers/normal";
import { remembered } from "../numbers/remembered";

/** What one taster said of one sample. */
export type Bite = { sample: number; taster: number; value: number };

export type Tasted = {
  /** By sample, in their order; null for one that nobody tasted. */
  samples: (TastedSample | null)[];
  /**
   * By taster: how far they go with the mean of the others, −1 to 1, and whether they go against them, nine times in ten; null
   * where too little was tasted to say.
   */
  withOthers: (Going | null)[];
  /** How much two tasters agree on samples, 0–1, with its nine-tenths range; null where it can't be said. */
  agreement: { likely: number; low: number; high: number } | null;
  /** Two samples that all tasted are told apart, nine times in ten, by a difference of so much; null where it can't be said. */
  apart: number | null;
};

export type Going = { r: number; against: boolean };

export type TastedSample = {
  bites: number;
  /** Set right for tasters who give more or less than others. */
  value: number;
  low: number;
  high: number;
  /** Told apart from the best one. */
  belowBest: boolean;
};

const CODES = 900;

/**
 * Numbers of three digits that say nothing of the samples, all different.
 * @param count up to 900
 * @throws RangeError for more
 * @example blindCodes(2, () => 0.5).length // 2
 */
export function blindCodes(count: number, random: () => number): string[] {
  if (count > CODES) throw new RangeError(`There are ${CODES} such numbers.`);
  return shuffle(
    Array.from({ length: CODES }, (_, i) => String(100 + i)),
    random,
  ).slice(0, count);
}

/**
 * In which order each taster gets the samples: each sample comes at each place as often as another, and over
 * as many tasters as there are samples (twice as many, where those are odd) after each other one as often, so that neither the first bite nor the one before weighs for anyone.
 *
 * Source: Williams 1949, a square balanced for what comes before; for an odd number of samples a square and its mirror.
 * @param samples how many
 * @param taster from 0
 * @returns positions of the samples
 * @example servingOrder(4, 0) // [0, 1, 3, 2]
 * @example servingOrder(4, 1) // [1, 2, 0, 3]
 */
export function servingOrder(samples: number, taster: number): number[] {
  const zigzag = Array.from({ length: samples }, (_, i) => (i % 2 ? (i + 1) / 2 : (samples - i / 2) % samples));
  const mirrored = samples % 2 === 1 && Math.floor(taster / samples) % 2 === 1;
  const row = zigzag.map((place) => (place + taster) % samples);
  return mirrored ? row.reverse() : row;
}

/** How likely a difference is to be told: nine times in ten. */
const TOLD = 0.9;
/** Bites are whole steps: the variance of what is rounded so, below which nothing is known. */
const STEP = 1 / 12;
/** Rounds until levels of tasters and samples are settled; where all tasted all, two are enough. */
const ROUNDS = 200;
const SETTLED = 1e-10;

/** How far the lowest and the highest of so many means that are alike lie apart at most, in errors. */
const rangeOf = remembered(
  ({ means, freedom }: { means: number; freedom: number }) => jstat.tukey.inv(TOLD, means, freedom),
  200,
);

const meanOf = (values: number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Levels of tasters and samples that fit best in the sense of least squares, each in turn. */
function levels(bites: Bite[], samples: number, tasters: number): { sample: number[]; taster: number[] } {
  const sample = new Array<number>(samples).fill(0);
  const taster = new Array<number>(tasters).fill(0);
  const of = (by: "sample" | "taster", i: number) => bites.filter((bite) => bite[by] === i);
  const [bySample, byTaster] = [sample.map((_, i) => of("sample", i)), taster.map((_, i) => of("taster", i))];
  for (let round = 0, moved = 1; round < ROUNDS && moved > SETTLED; round++) {
    const before = [...sample];
    for (const [i, own] of bySample.entries())
      if (own.length > 0) sample[i] = meanOf(own.map((bite) => bite.value - taster[bite.taster]!));
    for (const [i, own] of byTaster.entries())
      if (own.length > 0) taster[i] = meanOf(own.map((bite) => bite.value - sample[bite.sample]!));
    // Tasters' levels are told from their own mean, so that a sample's stays on the scale.
    const here = byTaster.flatMap((own, i) => (own.length > 0 ? [taster[i]!] : []));
    const middle = meanOf(here);
    for (const [i, own] of byTaster.entries()) if (own.length > 0) taster[i]! -= middle;
    moved = Math.max(...sample.map((value, i) => Math.abs(value - before[i]!)));
  }
  return { sample, taster };
}

/**
 * What a tasting says, and how little: samples set right for tasters who are hard or mild, each with its range; the
 * difference that tells two apart; how much the tasters agree; and who goes against the others.
 *
 * An additive model of samples and tasters. Samples are told apart by the studentized range (Tukey 1949); agreement is the
 * intraclass correlation of single bites, tasters' levels set aside, with its range by the F distribution (Shrout and Fleiss
 * 1979, ICC(3,1)).
 * @example tasted([{ sample: 0, taster: 0, value: 7 }], 1, 1).samples[0].value // 7
 */
export function tasted(bites: Bite[], samples: number, tasters: number): Tasted {
  if (bites.length === 0)
    return {
      samples: new Array(samples).fill(null),
      withOthers: new Array(tasters).fill(null),
      agreement: null,
      apart: null,
    };
  const { sample, taster } = levels(bites, samples, tasters);
  const counts = sample.map((_, i) => bites.filter((bite) => bite.sample === i).length);
  const [there, tasting] = [counts.filter((n) => n > 0).length, new Set(bites.map((bite) => bite.taster)).size];
  const freedom = bites.length - there - tasting + 1;
  const left = bites.reduce((sum, bite) => sum + (bite.value - sample[bite.sample]! - taster[bite.taster]!) ** 2, 0);
  const error = freedom > 0 ? Math.sqrt(Math.max(STEP, left / freedom)) : null;
  const best = sample.reduce((at, value, i) => (counts[i]! > 0 && (at < 0 || value > sample[at]!) ? i : at), -1);
  const range = error !== null && there > 1 ? rangeOf({ means: there, freedom }) : null;
  const half = (n: number) => (error === null ? null : (jstat.studentt.inv(0.95, freedom) * error) / Math.sqrt(n));
  return {
    samples: sample.map((value, i): TastedSample | null => {
      const n = counts[i]!;
      if (n === 0) return null;
      const wide = half(n);
      const told = range === null ? null : range * error! * Math.sqrt((1 / n + 1 / counts[best]!) / 2);
      return {
        bites: n,
        value,
        low: wide === null ? 1 : Math.max(1, value - wide),
        high: wide === null ? 9 : Math.min(9, value + wide),
        belowBest: told !== null && sample[best]! - value > told,
      };
    }),
    withOthers: taster.map((_, i) => withOthers(bites, i)),
    agreement: error === null ? null : agreementOf(sample, counts, error ** 2, freedom, tasting),
    apart: range === null ? null : (range * error!) / Math.sqrt(tasting),
  };
}

function agreementOf(
  sample: number[],
  counts: number[],
  error: number,
  freedom: number,
  tasters: number,
): Tasted["agreement"] {
  const there = sample.filter((_, i) => counts[i]! > 0);
  if (there.length < 2 || tasters < 2) return null;
  const middle = meanOf(there);
  // Samples that few tasted count by fewer: the harmonic mean of how many did.
  const each = there.length / counts.filter((n) => n > 0).reduce((sum, n) => sum + 1 / n, 0);
  const between = (each * there.reduce((sum, value) => sum + (value - middle) ** 2, 0)) / (there.length - 1);
  // Where no sample differs there is nothing to agree on.
  if (between < 1e-9) return null;
  const { share, low, high } = intraclass(between / error, each, there.length - 1, freedom);
  return { likely: share, low, high };
}

/** Fewer samples than this say nothing of a taster. */
const FEWEST = 4;

/** How far one taster goes with the mean of the others on the samples that both tasted; against them by Fisher's z. */
function withOthers(bites: Bite[], taster: number): Going | null {
  const pairs = bites.flatMap((bite) => {
    if (bite.taster !== taster) return [];
    const others = bites.filter((other) => other.sample === bite.sample && other.taster !== taster);
    return others.length > 0 ? [[bite.value, meanOf(others.map(({ value }) => value))] as const] : [];
  });
  if (pairs.length < FEWEST) return null;
  const [x, y] = [meanOf(pairs.map(([own]) => own)), meanOf(pairs.map(([, other]) => other))];
  const sum = (of: (own: number, other: number) => number) => pairs.reduce((all, [a, b]) => all + of(a - x, b - y), 0);
  const [xx, yy] = [sum((a) => a * a), sum((_, b) => b * b)];
  if (xx === 0 || yy === 0) return null;
  const r = sum((a, b) => a * b) / Math.sqrt(xx * yy);
  // A correlation of one would lie infinitely far.
  const z = Math.atanh(Math.max(-0.999, Math.min(0.999, r)));
  return { r, against: z + NINE_IN_TEN / Math.sqrt(pairs.length - 3) < 0 };
}
