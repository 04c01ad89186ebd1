import { mean, sampleStandardDeviation } from "simple-statistics";
import type { Id } from "../custody/id";
import type { ScoreValue, Wanted } from "../traits/trait";

/** What is wanted of a yardstick. */
export type Aim = {
  id: Id;
  wanted: Wanted;
  target: number | null;
  targetWord: string | null;
  weight: number;
  /** The range that is wanted. */
  low: number | null;
  high: number | null;
  /** What is below or above is out, whatever else is good; of words and of yes or no any other where `must`. */
  floor: number | null;
  ceiling: number | null;
  must: 0 | 1;
};

/** What a plant showed on each yardstick; what was not looked at is left out. */
export type ScoredPlant = { id: Id; scores: Record<Id, ScoreValue | undefined> };

/**
 * How near a value is to what is wanted, before scaling: larger is nearer.
 * @example goodness({ wanted: "range", low: 0.8, high: 1.2 }, { number: 1.5, word: null }) // -0.3
 */
export function goodness(
  { wanted, target, targetWord, low, high }: Pick<Aim, "wanted"> & Partial<Aim>,
  { number, word }: ScoreValue,
): number {
  const value = number ?? 0;
  switch (wanted) {
    case "category":
      return word === targetWord ? 1 : 0;
    case "low":
    case "no":
      return -value;
    case "target":
      return -Math.abs(value - (target ?? 0));
    case "range":
      return -Math.max(0, (low ?? value) - value, value - (high ?? value));
    case "none":
      return 0;
    default:
      return value;
  }
}

/**
 * Whether a yardstick counts in a choice, and is not only looked at.
 * @example counts({ wanted: "none", weight: 2 }) // false
 */
export const counts = ({ wanted, weight }: Pick<Aim, "wanted" | "weight">): boolean => weight > 0 && wanted !== "none";

/**
 * Whether a value alone puts a plant out.
 * @example failsAim({ wanted: "high", floor: 5 }, { number: 4, word: null }) // true
 */
export function failsAim(
  { wanted, targetWord, floor = null, ceiling = null, must = 0 }: Pick<Aim, "wanted"> & Partial<Aim>,
  { number, word }: ScoreValue,
): boolean {
  if (must && wanted === "category") return word !== targetWord;
  if (must && (wanted === "yes" || wanted === "no")) return number !== (wanted === "yes" ? 1 : 0);
  return number !== null && ((floor !== null && number < floor) || (ceiling !== null && number > ceiling));
}

export type Ranked = {
  id: Id;
  index: number;
  scored: number;
  rank: number;
  /** Yardsticks that put it out. */
  out: Id[];
};

/**
 * Plants ranked by weighted score.
 *
 * Each yardstick's goodness is standardised over the plants that have it (mean 0, standard deviation 1), multiplied by
 * its weight, and the weights of the yardsticks a plant has are brought to 1, so that a missing score neither helps nor
 * harms. A yardstick on which all plants are alike adds nothing. This is a base index, not a breeding value: it takes
 * looks as they are.
 * @returns best first, those that one yardstick alone puts out behind the others; equal indexes share a rank; plants
 *   without any score are last with index NaN
 * @example rankPlants([{ id: "a", scores: { s: { number: 3 } } }, { id: "b", scores: { s: { number: 5 } } }], [{ id:
 *   "s", wanted: "high", weight: 2 }])[0] // { id: "b", index: 0.7071, scored: 1, rank: 1, out: [] }
 */
export function rankPlants(plants: ScoredPlant[], yardsticks: Aim[]): Ranked[] {
  const used = yardsticks.filter(counts);
  const scales = used.map((yardstick) => {
    const values = plants.flatMap((p) => {
      const score = p.scores[yardstick.id];
      return score ? [goodness(yardstick, score)] : [];
    });
    return {
      yardstick,
      centre: values.length ? mean(values) : 0,
      spread: values.length > 1 ? sampleStandardDeviation(values) : 0,
    };
  });
  const ranked = plants.map((plant) => {
    let sum = 0;
    let weights = 0;
    let scored = 0;
    for (const { yardstick, centre, spread } of scales) {
      const score = plant.scores[yardstick.id];
      if (!score) continue;
      scored++;
      weights += yardstick.weight;
      if (spread > 0) sum += (yardstick.weight * (goodness(yardstick, score) - centre)) / spread;
    }
    const out = yardsticks.filter(({ id }) => plant.scores[id]).filter((y) => failsAim(y, plant.scores[y.id]!));
    const index = weights > 0 ? sum / weights : Number.NaN;
    return { id: plant.id, index, scored, rank: 0, out: out.map(({ id }) => id) };
  });
  const place = ({ index, out }: Ranked) => (Number.isNaN(index) ? 2 : out.length > 0 ? 1 : 0);
  ranked.sort((a, b) => place(a) - place(b) || (place(a) === 2 ? 0 : b.index - a.index));
  ranked.forEach((entry, i) => {
    const before = ranked[i - 1];
    const same = before && before.index === entry.index && place(before) === place(entry);
    entry.rank = same ? before.rank : i + 1;
  });
  return ranked;
}

export type Summary = { count: number; mean: number; spread: number | null; low: number; high: number };

/**
 * Count, mean, sample standard deviation (null for one value), lowest and highest. Null for no values.
 * @example summarise([4, 6]) // { count: 2, mean: 5, spread: 1.414, low: 4, high: 6 }
 */
export function summarise(values: number[]): Summary | null {
  if (values.length === 0) return null;
  return {
    count: values.length,
    mean: mean(values),
    spread: values.length > 1 ? sampleStandardDeviation(values) : null,
    low: Math.min(...values),
    high: Math.max(...values),
  };
}
