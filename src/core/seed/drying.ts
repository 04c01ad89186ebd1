import type { Range } from "../flowering/facts";
import { airDryMoisture } from "./moisture";

/** A weigh-in of seed without its plate: hours, on any clock, and grams. */
export type Weighing = { at: number; mass: number };

/** When seed is air-dry: at the earliest, likely and at the latest, hours on the same clock; and what it should weigh then. */
export type Dryness = {
  early: number;
  likely: number;
  late: number;
  /** Grams, as the curve tends to; null before there is a curve. */
  mass: { low: number; likely: number; high: number } | null;
  /** The likely course, m = end + loss·e^(−rate·hours since it was spread); null before there is a curve. */
  course: { rate: number; loss: number; end: number } | null;
};

/** Hours until seed of a size is dry, spread thin in a warm room; by seeds per gram. Guidance, ours in between. */
const USUAL: { upTo: number; days: Range }[] = [
  { upTo: 3, days: { low: 21, high: 42 } },
  { upTo: 10, days: { low: 10, high: 24 } },
  { upTo: 60, days: { low: 5, high: 14 } },
  { upTo: Number.POSITIVE_INFINITY, days: { low: 3, high: 8 } },
];

/**
 * Days in which seed of a size dries, spread thin in a warm airy room.
 * @param perGram seeds per gram
 * @example usualDays(300) // { low: 3, high: 8 }
 */
export const usualDays = (perGram: number): Range => USUAL.find(({ upTo }) => perGram < upTo)!.days;

/** Seed counts as air-dry once no more than this share of its last mass is still to go. Working value. */
const STILL_TO_GO = 0.01;
/** Scales and hands are off by so much of the mass. Working value. */
const NOISE = 0.004;
/** What seed loses, as a share of its first mass: wet from its fruit, or threshed dry. Working values. */
const LOSS = { wet: { mean: 0.38, deviation: 0.12 }, dry: { mean: 0.08, deviation: 0.05 } };
/** A steady loss: the logarithm of the ratio of what there was to lose and what may be left. */
const RATIO = (wet: boolean) =>
  Math.log(LOSS[wet ? "wet" : "dry"].mean / (1 - LOSS[wet ? "wet" : "dry"].mean) / STILL_TO_GO);

const RATES = 321;
const LOSSES = 9;
const NINE_TENTHS = 1.645;

/** One way it may dry: the share it loses in an hour, what it has to lose, what it comes to, and how likely. */
type Course = { rate: number; loss: number; end: number; weight: number };

/** A normal variable's middle values of nine parts of equal weight. */
const PARTS = [-1.593, -0.967, -0.589, -0.282, 0, 0.282, 0.589, 0.967, 1.593];

/**
 * Courses of m(t) = end + loss·e^(−rate·t): rates on a grid around what is usual of its size; given a rate, end and loss
 * follow from the weigh-ins as a straight line does, with what such seed usually loses as one weigh-in more.
 */
function courses(weighings: Weighing[], begun: number, days: Range, wet: boolean): Course[] {
  const first = weighings[0]!.mass;
  const usual = LOSS[wet ? "wet" : "dry"];
  const middle = Math.log(RATIO(wet) / (24 * Math.sqrt(days.low * days.high)));
  const deviation = Math.log(days.high / days.low) / (2 * NINE_TENTHS);
  const found: Course[] = [];
  let most = Number.NEGATIVE_INFINITY;
  const logs: number[] = [];
  for (let i = 0; i < RATES; i++) {
    const z = -3 + (6 * i) / (RATES - 1);
    const rate = Math.exp(middle + z * deviation);
    const rows = weighings.map(({ at, mass }) => ({
      x: Math.exp(-rate * (at - begun)),
      y: mass,
      p: 1 / Math.max(0.005, NOISE * mass) ** 2,
    }));
    // What it weighed when it was spread is not known; loss is told as a share of it, about the first weigh-in.
    const prior = { mean: usual.mean * first, precision: 1 / (usual.deviation * first) ** 2 };
    const sum = (of: (row: { x: number; y: number; p: number }) => number) =>
      rows.reduce((all, r) => all + r.p * of(r), 0);
    const n = sum(() => 1);
    const [mx, my] = [sum(({ x }) => x) / n, sum(({ y }) => y) / n];
    // The end is taken out with an even prior; the loss stays with a normal one.
    const a = sum(({ x }) => (x - mx) ** 2) + prior.precision;
    const mean = (sum(({ x, y }) => (x - mx) * (y - my)) + prior.precision * prior.mean) / a;
    const residual = sum(({ x, y }) => (y - my - mean * (x - mx)) ** 2);
    logs.push(-0.5 * z * z - 0.5 * residual - 0.5 * prior.precision * (mean - prior.mean) ** 2 - 0.5 * Math.log(a));
    most = Math.max(most, logs.at(-1)!);
    for (const part of PARTS) {
      const loss = Math.max(1e-6 * first, mean + part / Math.sqrt(a));
      found.push({ rate, loss, end: Math.max(0.05 * first, my - loss * mx), weight: i });
    }
  }
  const whole = logs.reduce((sum, log) => sum + Math.exp(log - most), 0) * LOSSES;
  return found.map((course) => ({ ...course, weight: Math.exp(logs[course.weight]! - most) / whole }));
}

function quantiles(values: { value: number; weight: number }[]): { low: number; likely: number; high: number } {
  const sorted = [...values].sort((a, b) => a.value - b.value);
  const at = (share: number) => {
    let sum = 0;
    for (const { value, weight } of sorted) {
      sum += weight;
      if (sum >= share) return value;
    }
    return sorted.at(-1)!.value;
  };
  return { low: at(0.05), likely: at(0.5), high: at(0.95) };
}

/**
 * When seed that was spread will be air-dry: by its size alone before it was weighed, then by the curve through its
 * weigh-ins. It is a guess for planning; a fingernail and a snap overrule it.
 *
 * Source: drying towards an equilibrium at a steady rate; what seed usually loses, and in what time, are working values.
 * @param begun when it was spread, hours
 * @param perGram seeds per gram
 * @param wet whether it came wet from its fruit
 * @example drying([], 0, 300, true).likely / 24 // 4.90
 */
export function drying(weighings: Weighing[], begun: number, perGram: number, wet: boolean): Dryness {
  const days = usualDays(perGram);
  if (weighings.length === 0)
    return {
      early: begun + 24 * days.low,
      likely: begun + 24 * Math.sqrt(days.low * days.high),
      late: begun + 24 * days.high,
      mass: null,
      course: null,
    };
  const found = courses(weighings, begun, days, wet);
  const done = quantiles(
    found.map(({ rate, loss, end, weight }) => ({
      value: begun + Math.max(0, Math.log(loss / (STILL_TO_GO * end)) / rate),
      weight,
    })),
  );
  const mass = quantiles(found.map(({ end, weight }) => ({ value: end, weight })));
  const mean = (of: (course: Course) => number) => found.reduce((sum, course) => sum + course.weight * of(course), 0);
  const course = {
    rate: Math.exp(mean(({ rate }) => Math.log(rate))),
    loss: mean(({ loss }) => loss),
    end: mean(({ end }) => end),
  };
  return { early: done.low, likely: done.likely, late: done.high, mass, course };
}

/** Air in which seed keeps for years, °C and relative humidity. Guidance. */
const STORED_IN = { temperature: 20, humidity: 0.3 };

/**
 * The moisture to dry seed to before it is closed in, wet basis: what it comes to at 30 % humidity, by its oil.
 *
 * Source: Cromarty, Ellis & Roberts 1985 for the isotherm; 30 % is guidance.
 * @example storageMoisture(0.2) // 0.0802
 */
export const storageMoisture = (oil: number): number => airDryMoisture(STORED_IN, oil);
