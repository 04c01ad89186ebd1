import { type Day, dayNumber, type Span } from "../calendar/day";
import { type Kernel, reach } from "./kernel";

export type ContaminationInput = {
  receptor: { plants: number; outcrossing: number; spacing: number; female: Span; male: Span };
  sources: { plants: number; male: Span; distance: number; barriers?: number[] }[];
  kernel: Kernel;
};

export type Contamination = { contamination: number; bySource: number[]; pollinatedShare: number };

const kept = new Map<number, Float64Array>();

/**
 * How a flowering of some days spreads over them: weight u(1−u) at u = (i+½)/L, summing to 1.
 * @param days L, at least 1
 * @example dailyWeights(3)[1] // 0.4737
 */
export function dailyWeights(days: number): Float64Array {
  const known = kept.get(days);
  if (known) return known;
  const weights = Float64Array.from({ length: days }, (_, i) => {
    const u = (i + 0.5) / days;
    return u * (1 - u);
  });
  const sum = weights.reduce((a, b) => a + b, 0);
  const made = weights.map((weight) => weight / sum);
  kept.set(days, made);
  return made;
}

/** A span as numbered days. */
export type Days = { start: number; end: number };

/** A cloud of pollen: its strength, and the days over which it is shed. */
export type Cloud = Days & { strength: number };

export type Mixing = { foreign: number; bySource: number[]; pollinatedShare: number };

/** Two rows of daily sums, used anew by every reckoning: making typed arrays would take most of its time. */
let strange = new Float64Array(366);
let all = new Float64Array(366);

function clear(days: number): void {
  if (days > strange.length) {
    strange = new Float64Array(days);
    all = new Float64Array(days);
  }
  strange.fill(0, 0, days);
}

function add(into: Float64Array, female: Days, { start, end, strength }: Cloud): void {
  const shed = dailyWeights(end - start + 1);
  const last = Math.min(female.end, end);
  for (let day = Math.max(female.start, start); day <= last; day++)
    into[day - female.start]! += strength * shed[day - start]!;
}

/**
 * The foreign share of the pollen that reaches a stand's open flowers, mean over its female window.
 * Days without any pollen set nothing and drop out.
 * @example mix({ start: 1, end: 3 }, [{ start: 1, end: 3, strength: 3 }], [{ start: 1, end: 3, strength: 1 }]).foreign
 *   // 0.25
 */
export function mix(female: Days, own: Cloud[], sources: Cloud[]): Mixing {
  const length = female.end - female.start + 1;
  const weights = dailyWeights(length);
  clear(length);
  for (const source of sources) add(strange, female, source);
  all.set(strange.subarray(0, length));
  for (const cloud of own) add(all, female, cloud);
  let pollinatedShare = 0;
  let share = 0;
  // From here on `all` holds what one unit of a source's pollen counts for on that day.
  for (let i = 0; i < length; i++) {
    if (all[i]! <= 0) {
      all[i] = 0;
      continue;
    }
    pollinatedShare += weights[i]!;
    all[i] = weights[i]! / all[i]!;
    share += all[i]! * strange[i]!;
  }
  if (pollinatedShare === 0) return { foreign: 0, bySource: sources.map(() => 0), pollinatedShare };
  const bySource = sources.map(({ start, end, strength }) => {
    const shed = dailyWeights(end - start + 1);
    const last = Math.min(female.end, end);
    let sum = 0;
    for (let day = Math.max(female.start, start); day <= last; day++)
      sum += all[day - female.start]! * shed[day - start]!;
    return (sum * strength) / pollinatedShare;
  });
  return { foreign: share / pollinatedShare, bySource, pollinatedShare };
}

const numbered = (span: { start: Day; end: Day }): Days => ({ start: dayNumber(span.start), end: dayNumber(span.end) });

/**
 * The share of a stand's seed fathered by strangers, whole and by source.
 *
 * On each day of the female window the foreign share is foreign / (foreign + own), where a source's cloud is plants ×
 * its daily weight × K(distance) × its barriers' factors, and the stand's own is plants × daily weight × K(spacing);
 * contamination is the outcrossing share times the weighted mean. A model with working values: an order of magnitude.
 * Source: the fat-tailed dispersal kernel (2Dt, Clark et al. 1999) and mixing in proportion.
 * @param input.receptor plants, outcrossing share 0–1, spacing in metres, female and male windows
 * @param input.sources plants, male window, distance in metres, factors 0–1 of what lies between
 * @example contamination({
 *   receptor: { plants: 20, outcrossing: 0.3, spacing: 0.5, female: { start: "2027-07-01", end: "2027-07-10" },
 *     male: { start: "2027-07-01", end: "2027-07-10" } },
 *   sources: [{ plants: 50, distance: 40, male: { start: "2027-07-05", end: "2027-07-14" } }],
 *   kernel: { scale: 10, shape: 1.5 },
 * }) // { contamination: 0.0065, bySource: [0.0065], pollinatedShare: 1 }
 */
export function contamination({ receptor, sources, kernel }: ContaminationInput): Contamination {
  const own = {
    ...numbered(receptor.male),
    strength: receptor.plants * reach(receptor.spacing, kernel),
  };
  const clouds = sources.map((source) => ({
    ...numbered(source.male),
    strength: (source.barriers ?? []).reduce(
      (strength, factor) => strength * factor,
      source.plants * reach(source.distance, kernel),
    ),
  }));
  const { foreign, bySource, pollinatedShare } = mix(numbered(receptor.female), [own], clouds);
  return {
    contamination: receptor.outcrossing * foreign,
    bySource: bySource.map((share) => receptor.outcrossing * share),
    pollinatedShare,
  };
}
