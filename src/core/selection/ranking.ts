import { mean, sampleStandardDeviation } from "simple-statistics";
import type { Id } from "../custody/id";

export type Wanted = "high" | "low" | "target" | "category" | "yes" | "no";

export type Yardstick = {
  id: Id;
  wanted: Wanted;
  target: number | null;
  targetWord: string | null;
  weight: number;
};

export type ScoreValue = { number: number | null; word: string | null };
export type ScoredPlant = { id: Id; scores: Record<Id, ScoreValue | undefined> };

/** Goodness of one value before scaling: larger is nearer to what is wanted. */
function goodness(yardstick: Yardstick, { number, word }: ScoreValue): number {
  switch (yardstick.wanted) {
    case "category":
      return word === yardstick.targetWord ? 1 : 0;
    case "low":
    case "no":
      return -(number ?? 0);
    case "target":
      return -Math.abs((number ?? 0) - (yardstick.target ?? 0));
    default:
      return number ?? 0;
  }
}

export type Ranked = { id: Id; index: number; scored: number; rank: number };

/**
 * Plants ranked by weighted score.
 *
 * Each yardstick's goodness is standardised over the plants that have it (mean 0, standard deviation 1), multiplied by
 * its weight, and the weights of the yardsticks a plant has are brought to 1, so that a missing score neither helps nor
 * harms. A yardstick on which all plants are alike adds nothing. This is a base index, not a breeding value: it takes
 * looks as they are.
 * @returns best first; equal indexes share a rank; plants without any score are last with index NaN
 * @example rankPlants([{ id: "a", scores: { s: { number: 3 } } }, { id: "b", scores: { s: { number: 5 } } }], [{ id:
 *   "s", wanted: "high", weight: 2 }])[0] // { id: "b", index: 0.7071, scored: 1, rank: 1 }
 */
export function rankPlants(plants: ScoredPlant[], yardsticks: Yardstick[]): Ranked[] {
  const used = yardsticks.filter((y) => y.weight > 0);
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
    return { id: plant.id, index: weights > 0 ? sum / weights : Number.NaN, scored, rank: 0 };
  });
  ranked.sort((a, b) => (Number.isNaN(a.index) ? 1 : Number.isNaN(b.index) ? -1 : b.index - a.index));
  ranked.forEach((entry, i) => {
    const before = ranked[i - 1];
    entry.rank = before && before.index === entry.index ? before.rank : i + 1;
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
