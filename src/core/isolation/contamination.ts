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

export type Mixing = { foreign: number; bySource: Float64Array; pollinatedShare: number };

/**
 * The foreign share of the pollen that reaches a stand's open flowers, mean over its female window.
 * Days without any pollen set nothing and drop out.
 */
export function mix(female: Days, own: Cloud[], sources: Cloud[]): Mixing {
  const length = female.end - female.start + 1;
  const weights = dailyWeights(length);
  const foreign = new Float64Array(length);
  const add = (into: Float64Array, cloud: Cloud) => {
    const shed = dailyWeights(cloud.end - cloud.start + 1);
    const last = Math.min(female.end, cloud.end);
    for (let day = Math.max(female.start, cloud.start); day <= last; day++)
      into[day - female.start]! += cloud.strength * shed[day - cloud.start]!;
  };
  for (const source of sources) add(foreign, source);
  const all = foreign.slice();
  for (const cloud of own) add(all, cloud);
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
    share += all[i]! * foreign[i]!;
  }
  const bySource = new Float64Array(sources.length);
  if (pollinatedShare === 0) return { foreign: 0, bySource, pollinatedShare };
  for (let s = 0; s < sources.length; s++) {
    const source = sources[s]!;
    const shed = dailyWeights(source.end - source.start + 1);
    const last = Math.min(female.end, source.end);
    let sum = 0;
    for (let day = Math.max(female.start, source.start); day <= last; day++)
      sum += all[day - female.start]! * shed[day - source.start]!;
    bySource[s] = (sum * source.strength) / pollinatedShare;
  }
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
 * @example contamination(…) // { contamination: 0.0059, bySource: [0.0059], pollinatedShare: 1 }
 */
export function contamination({ receptor, sources, kernel }: ContaminationInput): Contamination {
  const own = {
    ...numbered(receptor.male),
    strength: receptor.plants * reach(receptor.spacing, kernel.scale, kernel.shape),
  };
  const clouds = sources.map((source) => ({
    ...numbered(source.male),
    strength: (source.barriers ?? []).reduce(
      (strength, factor) => strength * factor,
      source.plants * reach(source.distance, kernel.scale, kernel.shape),
    ),
  }));
  const { foreign, bySource, pollinatedShare } = mix(numbered(receptor.female), [own], clouds);
  return {
    contamination: receptor.outcrossing * foreign,
    bySource: [...bySource].map((share) => receptor.outcrossing * share),
    pollinatedShare,
  };
}
