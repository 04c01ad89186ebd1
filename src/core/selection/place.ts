import { mean } from "simple-statistics";
import { BETTER, FEWEST, type Fit, flat, foretold, lineOn } from "./fit";

/** A plant where it stands: its row, and its place in the row, both in plants. */
export type Placed = {
  row: number;
  at: number;
  value: number;
  /** What it is a check of: such plants are alike but for their place. */
  check?: string | null;
};
export const PLACE_MODELS = ["none", "slope", "grid", "neighbours", "checks"] as const;
export type PlaceModel = (typeof PLACE_MODELS)[number];

export type Adjusted = {
  model: PlaceModel;
  /** Share of what differs that the place explains, by what was left out and foretold; 0–1. */
  explained: number;
  /** Values as they would be in the middle of the bed, in the order given. */
  values: number[];
};

/** Plants of a block, about; neighbours count the less the farther off, e-folding, in plants. Working values. */
const BLOCK = 12;
const REACH = 1.5;
const FARTHEST = 4;

/** Solves a small symmetric system by elimination; null where it has no one answer. */
function solved(matrix: number[][], side: number[]): number[] | null {
  const rows = matrix.map((row, i) => [...row, side[i]!]);
  for (const [i, row] of rows.entries()) {
    if (Math.abs(row[i]!) < 1e-9) return null;
    for (const [j, other] of rows.entries()) {
      if (i === j) continue;
      const times = other[i]! / row[i]!;
      for (let k = i; k < other.length; k++) other[k]! -= times * row[k]!;
    }
  }
  return rows.map((row, i) => row.at(-1)! / row[i]!);
}

/** A plane through the bed: from end to end and from side to side. */
function slope(plants: Placed[]): Fit | null {
  const [row, at] = [mean(plants.map((p) => p.row)), mean(plants.map((p) => p.at))];
  const varies = (key: "row" | "at") => plants.some((p) => p[key] !== plants[0]![key]);
  const terms = plants.map((p) => [1, ...(varies("row") ? [p.row - row] : []), ...(varies("at") ? [p.at - at] : [])]);
  const size = terms[0]!.length;
  if (size === 1) return null;
  const cross = Array.from({ length: size }, (_, a) =>
    Array.from({ length: size }, (_, b) => terms.reduce((sum, t) => sum + t[a]! * t[b]!, 0)),
  );
  const fit = solved(
    cross,
    Array.from({ length: size }, (_, a) => terms.reduce((s, t, i) => s + t[a]! * plants[i]!.value, 0)),
  );
  if (!fit) return null;
  const trend = terms.map((t) => t.reduce((sum, x, a) => sum + x * fit[a]!, 0));
  const on = terms.map((t) => {
    const inverse = solved(cross, t)!;
    return t.reduce((sum, x, a) => sum + x * inverse[a]!, 0);
  });
  const values = plants.map((p) => p.value);
  return { trend, error: foretold(values, trend, on) };
}

/** Blocks of about a dozen plants, each compared within itself. */
function grid(plants: Placed[]): Fit | null {
  const rows = new Set(plants.map((p) => p.row)).size;
  const tall = Math.min(rows, Math.max(1, Math.round(Math.sqrt(BLOCK))));
  const wide = Math.max(2, Math.round(BLOCK / tall));
  const blockOf = (p: Placed) => `${Math.floor(p.row / tall)} ${Math.floor(p.at / wide)}`;
  const blocks = new Map<string, number[]>();
  for (const p of plants) blocks.set(blockOf(p), [...(blocks.get(blockOf(p)) ?? []), p.value]);
  if (blocks.size < 2 || [...blocks.values()].some((values) => values.length < 3)) return null;
  const trend = plants.map((p) => mean(blocks.get(blockOf(p))!));
  return {
    trend,
    error: foretold(
      plants.map((p) => p.value),
      trend,
      plants.map((p) => 1 / blocks.get(blockOf(p))!.length),
    ),
  };
}

/** The mean of those around each plant, itself left out, near ones counting most; null where one stands alone. */
function around(plants: Placed[]): number[] | null {
  const at = new Map(plants.map((p, i) => [`${p.row} ${p.at}`, i]));
  const means: number[] = [];
  for (const { row, at: place } of plants) {
    let [sum, weights] = [0, 0];
    for (let r = -FARTHEST; r <= FARTHEST; r++)
      for (let a = -FARTHEST; a <= FARTHEST; a++) {
        const found = r === 0 && a === 0 ? undefined : at.get(`${row + r} ${place + a}`);
        if (found === undefined) continue;
        const weight = Math.exp(-Math.hypot(r, a) / REACH);
        sum += weight * plants[found]!.value;
        weights += weight;
      }
    if (weights === 0) return null;
    means.push(sum / weights);
  }
  return means;
}

/** So much of what the neighbours are above or below the mean is the place's; the rest is their own. */
function neighbours(plants: Placed[]): Fit | null {
  const means = around(plants);
  if (!means) return null;
  const line = lineOn(
    means,
    plants.map((p) => p.value),
    0,
  );
  return line && { trend: means.map(line.at), error: line.error };
}

/** Checks this many at the least; what one says reaches so far, e-folding, in plants. Working values. */
const FEWEST_CHECKS = 4;
const CHECK_REACH = 4;

/** How much better or worse checks stand around each plant than checks of their kind do on the whole, near ones counting most. */
function aroundChecks(plants: Placed[]): number[] | null {
  const checks = plants.filter(({ check }) => check);
  if (checks.length < FEWEST_CHECKS) return null;
  const middles = new Map<string, number>();
  for (const { check } of checks)
    middles.set(check!, mean(checks.filter((one) => one.check === check).map(({ value }) => value)));
  return plants.map((plant) => {
    let [sum, weights] = [0, 0];
    for (const one of checks) {
      if (one === plant) continue;
      const weight = Math.exp(-Math.hypot(one.row - plant.row, one.at - plant.at) / CHECK_REACH);
      sum += weight * (one.value - middles.get(one.check!)!);
      weights += weight;
    }
    return weights > 0 ? sum / weights : 0;
  });
}

/** So much of what checks nearby are above or below their mean is the place's. */
function byChecks(plants: Placed[]): Fit | null {
  const near = aroundChecks(plants);
  if (!near) return null;
  const own = plants.flatMap((plant, i) => (plant.check ? [] : [{ near: near[i]!, value: plant.value }]));
  const line = lineOn(
    own.map((one) => one.near),
    own.map(({ value }) => value),
    0,
  );
  return line && { trend: near.map(line.at), error: line.error };
}

/**
 * Values set right for where in the bed their plants stand. Of five models (nothing; a plane; blocks of about a dozen; the
 * neighbours; checks that stand among them) the one is taken that foretells plants left out best, and something other than nothing only where it does so
 * clearly; on few plants nothing is set right.
 *
 * Sources: Gardner 1961 for blocks (grid selection); Papadakis 1937 for neighbours; checks among the plants as in Federer's augmented
 * designs (1956).
 * @param plants every place once
 * @example adjustedForPlace([{ row: 0, at: 0, value: 5 }, { row: 0, at: 1, value: 7 }]) // { model: "none", explained: 0, values: [5, 7] }
 */
export function adjustedForPlace(plants: Placed[]): Adjusted {
  const values = plants.map((p) => p.value);
  const asTheyAre: Adjusted = { model: "none", explained: 0, values };
  const own = plants.filter(({ check }) => !check);
  if (own.length < FEWEST) return asTheyAre;
  const nothing = flat(own.map((p) => p.value));
  if (nothing.error < 1e-12) return asTheyAre;
  // What checks are is not what the others are: only their own model looks at them.
  const fits = { slope: slope(own), grid: grid(own), neighbours: neighbours(own), checks: byChecks(plants) };
  const [model, best] = Object.entries(fits).reduce<[PlaceModel, Fit]>(
    (kept, [name, fit]) => (fit && fit.error < kept[1].error ? [name as PlaceModel, fit] : kept),
    ["none", nothing],
  );
  const explained = 1 - best.error / nothing.error;
  if (explained < BETTER) return asTheyAre;
  const trend = new Map((model === "checks" ? plants : own).map((plant, i) => [plant, best.trend[i]!]));
  const middle = mean(own.map((plant) => trend.get(plant)!));
  return { model, explained, values: plants.map((plant) => plant.value - (trend.get(plant) ?? middle) + middle) };
}
