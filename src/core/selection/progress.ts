import { mean, sampleVariance } from "simple-statistics";
import { chanceAbove } from "../numbers/betaRange";
import { ONE_IN_TWENTY } from "../numbers/normal";
import { shareBelow } from "../numbers/probit";
import type { Aim } from "./ranking";

/** What plants of one generation showed; of words 1 for the wanted one and 0 for any other. */
export type Generation = {
  generation: number;
  values: number[];
  /** Of those that seed was taken from. */
  chosen: number[];
  /** What plants of known lines showed beside them, by line. */
  beside: Record<string, number[]>;
};

export type Progress = {
  from: { generation: number; mean: number; plants: number };
  to: { generation: number; mean: number; plants: number };
  /** The newer less the older, with its nine-tenths range; the weather out of it where known lines grew beside both. */
  change: { low: number; likely: number; high: number };
  against: string[];
  /** Each generation's mean with the weather out of it, by those lines, as the change is said; null where it is in it. */
  levels: { generation: number; mean: number }[] | null;
  /** Chance that it is nearer to what is wanted, 0–1; null where nothing is wanted of it. */
  nearer: number | null;
  /** How wide plants spread now beside then; null of words, and of too few. */
  spread: number | null;
  /** How much of what was chosen came again, as a share with its range; null where nothing was chosen. */
  realised: { low: number; likely: number; high: number } | null;
};

/**
 * What a season does to all lines, and to each by itself, as a standard deviation, in what plants of a line differ by. Working
 * values: without lines beside it the first is all in the change.
 */
const WEATHER = 1;
const ANSWER = 0.25;
/** Fewer plants tell nothing of a generation. */
const FEWEST = 5;
/** Chosen plants that stand off the rest by less than this much of what plants differ by were chosen for something else. */
const CHOSEN = 0.3;

const apart = (values: number[]) => (values.length > 1 ? sampleVariance(values) : 0);

/** Chance that a mean came nearer to what is wanted, as its change is normal with an error. */
function chanceNearer(
  { wanted, target, low, high }: Pick<Aim, "wanted"> & Partial<Aim>,
  from: number,
  change: number,
  error: number,
): number | null {
  const below = (x: number) => (error > 0 ? shareBelow((x - change) / error) : Number(change < x));
  if (wanted === "none") return null;
  if (wanted === "low" || wanted === "no") return below(0);
  if (wanted === "target" || wanted === "range") {
    const [least, most] = wanted === "target" ? [target ?? from, target ?? from] : [low ?? from, high ?? from];
    if (from >= least && from <= most) return null;
    // Nearer is anywhere between where it was and as far on the other side of what is wanted.
    const other = from < least ? most + (least - from) : least - (from - most);
    return from < least ? below(other - from) - below(0) : below(0) - below(other - from);
  }
  return 1 - below(0);
}

/**
 * Whether a line gets anywhere on one yardstick: from its first generation that was looked at well to its last.
 *
 * The mean's change is held against known lines that grew beside both, where there are any; else the weather is in its range. Of words the chance is that of two
 * shares (Beta, flat before). What came again of what was chosen is the change over the summed differences between chosen plants
 * and all (realised heritability, Falconer and Mackay 1996).
 * @param generations oldest first
 * @param words values are 1 for what is wanted and 0 for anything else
 * @returns null where fewer than two generations were looked at
 * @example progressOf([{ generation: 2, values: [1, 2, 3, 4, 5], chosen: [], beside: {} }], { wanted: "high" }, false) // null
 */
export function progressOf(
  generations: Generation[],
  aim: Pick<Aim, "wanted"> & Partial<Aim>,
  words: boolean,
): Progress | null {
  const seen = generations.filter(({ values }) => values.length >= FEWEST);
  // An F1 of two lines is all alike: it is no generation to begin from.
  const from = seen.find(({ generation }) => generation > 1) ?? seen[0];
  const to = seen.at(-1);
  if (!from || !to || from === to) return null;
  const against = words
    ? []
    : Object.keys(from.beside).filter((line) => from.beside[line]!.length > 1 && (to.beside[line]?.length ?? 0) > 1);
  const besideMean = ({ beside }: Generation) =>
    against.length > 0 ? mean(against.map((line) => mean(beside[line]!))) : 0;
  const besideError = ({ beside }: Generation) =>
    against.reduce((sum, line) => sum + apart(beside[line]!) / beside[line]!.length, 0) /
    Math.max(1, against.length) ** 2;
  const level = (one: Generation) => mean(one.values) - besideMean(one);
  const likely = level(to) - level(from);
  const seasons = words ? 0 : 2 * seasonVariance(against.length) * mean([from, to].map(({ values }) => apart(values)));
  const error = Math.sqrt(
    [from, to].reduce((sum, one) => sum + apart(one.values) / one.values.length + besideError(one), seasons),
  );
  const wide = ONE_IN_TWENTY * error;
  const told = ({ generation, values }: Generation) => ({ generation, mean: mean(values), plants: values.length });
  const change = { low: likely - wide, likely, high: likely + wide };
  const [before, after] = [apart(from.values), apart(to.values)];
  return {
    from: told(from),
    to: told(to),
    change,
    against,
    levels: against.length === 0 ? null : levelsOf(generations, against),
    nearer: words ? sharesNearer(from, to, aim) : chanceNearer(aim, mean(from.values), likely, error),
    spread: words || before === 0 ? null : Math.sqrt(after / before),
    realised: words ? null : realisedOf(seen.slice(seen.indexOf(from)), likely, error),
  };
}

function sharesNearer(from: Generation, to: Generation, { wanted }: Pick<Aim, "wanted">): number | null {
  if (wanted === "none") return null;
  const beta = ({ values }: Generation) => {
    const yes = values.reduce((a, b) => a + b, 0);
    return { a: yes + 1, b: values.length - yes + 1 };
  };
  const above = chanceAbove(beta(to), beta(from));
  return wanted === "no" ? 1 - above : above;
}

/** What the seasons of two generations put between them, as a share of what plants differ by, for one season. */
const seasonVariance = (against: number): number =>
  against === 0 ? WEATHER ** 2 + ANSWER ** 2 : ANSWER ** 2 * (1 + 1 / against);

/** Means less what the weather did to the lines beside them, about what those show on the mean. */
function levelsOf(generations: Generation[], against: string[]): Progress["levels"] {
  const both = generations.filter(
    ({ beside, values }) => values.length > 0 && against.every((line) => (beside[line]?.length ?? 0) > 0),
  );
  const weather = both.map(({ beside }) => mean(against.map((line) => mean(beside[line]!))));
  const usual = mean(weather);
  return both.map(({ generation, values }, i) => ({ generation, mean: mean(values) - (weather[i]! - usual) }));
}

/** So much of what plants differ by is taken as inherited for the drift of chosen plants, at least and at most. */
const INHERITED = { least: 0.1, most: 0.9 };

/**
 * The change over all that was chosen for on the way. Few chosen plants are by chance better or worse than they look: that
 * drift is in the range, h²(1 − h²)σ²/k of each choice of k.
 */
function realisedOf(seen: Generation[], likely: number, error: number): Progress["realised"] {
  const parents = seen.slice(0, -1).filter(({ chosen }) => chosen.length > 0);
  const chosenFor = parents.reduce((sum, { chosen, values }) => sum + mean(chosen) - mean(values), 0);
  const spread = Math.sqrt(mean(seen.map(({ values }) => apart(values))));
  if (parents.length === 0 || Math.abs(chosenFor) < CHOSEN * spread) return null;
  const share = Math.min(INHERITED.most, Math.max(INHERITED.least, likely / chosenFor));
  const drift = parents.reduce(
    (sum, { chosen, values }) => sum + (share * (1 - share) * apart(values)) / chosen.length,
    0,
  );
  const wide = ONE_IN_TWENTY * Math.sqrt(error ** 2 + drift);
  const ends = [(likely - wide) / chosenFor, (likely + wide) / chosenFor];
  return { low: Math.min(...ends), likely: likely / chosenFor, high: Math.max(...ends) };
}
