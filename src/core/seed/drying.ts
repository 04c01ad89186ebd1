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
  /** The likely course; null before there is a curve. */
  course: DryingCourse | null;
};

/** How seed dries: what it comes to, what it has to lose, a rate per hour, and its shape: 1 where it loses an even share, less where its middle holds on. */
export type DryingCourse = { rate: number; shape: number; loss: number; end: number };

/**
 * What seed weighs so many hours after it was spread: end + loss·e^(−(rate·hours)^shape).
 *
 * Source: Page 1949, of maize; thin solids, whose water must first come out to the skin, dry with shapes of 0.5 to 1.
 * @example massAt({ rate: 0.02, shape: 1, loss: 10, end: 20 }, 50) // 23.68
 * @example massAt({ rate: 0.02, shape: 0.5, loss: 10, end: 20 }, 100) // 22.43
 */
export const massAt = ({ rate, shape, loss, end }: DryingCourse, hours: number): number =>
  end + loss * Math.exp(-((rate * Math.max(0, hours)) ** shape));

/**
 * Hours until no more than a share of what it comes to is still to go.
 * @example hoursUntilDry({ rate: 0.02, shape: 1, loss: 10, end: 20 }, 0.01) // 195.6
 */
export const hoursUntilDry = ({ rate, shape, loss, end }: DryingCourse, share: number = STILL_TO_GO): number =>
  Math.max(0, Math.log(loss / (share * end))) ** (1 / shape) / rate;

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
const NOISE = 0.006;
/** What seed loses, as a share of its first mass: wet from its fruit, or threshed dry. Working values. */
const LOSS = { wet: { mean: 0.38, deviation: 0.12 }, dry: { mean: 0.08, deviation: 0.05 } };
/** The logarithm of the ratio of what there was to lose and what may be left. */
const RATIO = (wet: boolean) =>
  Math.log(LOSS[wet ? "wet" : "dry"].mean / (1 - LOSS[wet ? "wet" : "dry"].mean) / STILL_TO_GO);

const RATES = 121;
/** Shapes, and how likely before: seed loses an even share an hour, or dries as solids do (Page's exponent for grain and seed is 0.5 to 1). */
const SHAPES = [
  { shape: 0.5, chance: 0.03 },
  { shape: 0.6, chance: 0.09 },
  { shape: 0.7, chance: 0.18 },
  { shape: 0.8, chance: 0.22 },
  { shape: 0.9, chance: 0.22 },
  { shape: 1, chance: 0.26 },
];
const LOSSES = 9;
const NINE_TENTHS = 1.645;

/** One way it may dry, and how likely. */
type Course = DryingCourse & { weight: number };

/** A normal variable's middle values of nine parts of equal weight. */
const PARTS = [-1.593, -0.967, -0.589, -0.282, 0, 0.282, 0.589, 0.967, 1.593];

/**
 * Courses: shapes, and rates around what is usual of its size, on a grid; given both, end and loss follow from the weigh-ins as a
 * straight line does, with what such seed usually loses as one weigh-in more.
 */
function courses(weighings: Weighing[], begun: number, days: Range, wet: boolean): Course[] {
  const first = weighings[0]!.mass;
  const usual = LOSS[wet ? "wet" : "dry"];
  const middle = Math.log(24 * Math.sqrt(days.low * days.high));
  const deviation = Math.log(days.high / days.low) / (2 * NINE_TENTHS);
  const found: Course[] = [];
  let most = Number.NEGATIVE_INFINITY;
  const logs: number[] = [];
  for (const { shape, chance } of SHAPES)
    for (let i = 0; i < RATES; i++) {
      const z = -3 + (6 * i) / (RATES - 1);
      // The usual of its kind, which loses what is usual, is dry in so many hours.
      const rate = RATIO(wet) ** (1 / shape) / Math.exp(middle + z * deviation);
      const rows = weighings.map(({ at, mass }) => ({
        x: massAt({ rate, shape, loss: 1, end: 0 }, at - begun),
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
      for (const part of PARTS) {
        const loss = Math.max(1e-6 * first, mean + part / Math.sqrt(a));
        found.push({ rate, shape, loss, end: Math.max(0.05 * first, my - loss * mx), weight: logs.length });
      }
      const misses = z * z + residual + prior.precision * (mean - prior.mean) ** 2 + Math.log(a);
      logs.push(Math.log(chance) - 0.5 * misses);
      most = Math.max(most, logs.at(-1)!);
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
 * Source: Page 1949 for the curve's form; what seed usually loses, and in what time, are working values.
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
  const done = quantiles(found.map((course) => ({ value: begun + hoursUntilDry(course), weight: course.weight })));
  const mass = quantiles(found.map(({ end, weight }) => ({ value: end, weight })));
  const mean = (of: (course: Course) => number) => found.reduce((sum, course) => sum + course.weight * of(course), 0);
  const [loss, end, shape] = [mean((one) => one.loss), mean((one) => one.end), mean((one) => one.shape)];
  // Through the likely end at the likely day.
  const rate = hoursUntilDry({ rate: 1, shape, loss, end }) / Math.max(1, done.likely - begun);
  const course = { rate, shape, loss, end };
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
