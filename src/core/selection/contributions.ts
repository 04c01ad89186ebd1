import { solveQP } from "quadprog";

/** A point of the frontier, with its mean kinship to the next one. */
export type FrontierPoint = Contributions & { toNext: number };

/** One way to share the next generation out among candidates. */
export type Contributions = {
  /** Mean of the candidates' worth, each counted by its share. */
  gain: number;
  /** Mean kinship of two parents drawn by their shares: the inbreeding of their offspring at random. */
  kinship: number;
  /** A share for each candidate, together 1. */
  shares: number[];
};

/** So much is added to each one's kinship with itself, so that the solver's matrix has one answer. */
const RIDGE = 1e-8;
/** Shares below this are rounding. */
const NOTHING = 1e-7;

/** The library counts from 1. */
const fromOne = <T>(list: T[]): T[] => [undefined as T, ...list];

const outcomeOf = (worth: number[], kinship: number[][], shares: number[]): Contributions => ({
  gain: worth.reduce((sum, g, i) => sum + g * shares[i]!, 0),
  kinship: shares.reduce(
    (sum, a, i) => (a === 0 ? sum : sum + a * kinship[i]!.reduce((s, k, j) => s + k * shares[j]!, 0)),
    0,
  ),
  shares,
});

/** The shares of least mean kinship among some whose gain is at least so much; by quadprog (Goldfarb and Idnani 1983). */
function solvedAmong(worth: number[], kinship: number[][], some: number[], gain: number): number[] | null {
  const n = some.length;
  const matrix = some.map((i, a) => fromOne(some.map((j, b) => 2 * kinship[i]![j]! + (a === b ? RIDGE : 0))));
  // Each candidate is a row: shares come to 1, the gain is reached, and no share is below nothing.
  const constraints = some.map((i, a) =>
    fromOne([1, worth[i]!, ...Array.from({ length: n }, (_, b) => (a === b ? 1 : 0))]),
  );
  const { solution, message } = solveQP(
    fromOne(matrix),
    fromOne(new Array<number>(n).fill(0)),
    fromOne(constraints),
    fromOne([1, gain, ...new Array<number>(n).fill(0)]),
    1,
  );
  if (message) return null;
  const shares = new Array<number>(worth.length).fill(0);
  for (const [a, i] of some.entries()) if (solution[a + 1]! > NOTHING) shares[i] = solution[a + 1]!;
  const all = shares.reduce((sum, s) => sum + s, 0);
  return shares.map((s) => s / all);
}

/**
 * Who of those left out would still lower the kinship: at the best shares twice the kinship with the whole is one straight
 * line over the worth of all who have a share, and below it for nobody.
 */
function leftOut(worth: number[], kinship: number[][], shares: number[], bound: boolean): number[] {
  const withAll = kinship.map((row) => row.reduce((sum, k, j) => sum + k * shares[j]!, 0));
  const sharing = shares.flatMap((s, i) => (s > 0 ? [i] : []));
  const mean = (of: (i: number) => number) => sharing.reduce((sum, i) => sum + of(i), 0) / sharing.length;
  const [mg, mk] = [mean((i) => worth[i]!), mean((i) => withAll[i]!)];
  const spread = sharing.reduce((sum, i) => sum + (worth[i]! - mg) ** 2, 0);
  const slope =
    bound && spread > 1e-12 ? sharing.reduce((sum, i) => sum + (worth[i]! - mg) * (withAll[i]! - mk), 0) / spread : 0;
  return worth.flatMap((g, i) => (shares[i] === 0 && withAll[i]! < mk + slope * (g - mg) - 1e-7 ? [i] : []));
}

/** So many are begun with, and at most so many of those left out are taken in at once. */
const BEGIN = 24;
const TAKEN_IN = 24;

/** The shares of least mean kinship whose gain is at least some, of all candidates: those that matter are found step by step. */
function leastKin(worth: number[], kinship: number[][], gain: number, begin: number[]): Contributions | null {
  const best = worth.reduce((at, g, i) => (g > worth[at]! ? i : at), 0);
  let some = [...new Set([best, ...begin])];
  for (;;) {
    const shares = solvedAmong(worth, kinship, some, gain);
    if (!shares) return null;
    const reached = outcomeOf(worth, kinship, shares);
    const more = leftOut(worth, kinship, shares, reached.gain < gain + 1e-6).filter((i) => !some.includes(i));
    if (more.length === 0) return reached;
    more.sort((a, b) => worth[b]! - worth[a]!);
    some = [...some.filter((i) => shares[i]! > 0 || i === best), ...more.slice(0, TAKEN_IN)];
  }
}

/**
 * Optimum contributions: for each mean kinship that may be accepted, the most gain that can be had, from the widest choice
 * to the single best candidate.
 *
 * Source: Meuwissen 1997, as a quadratic program along its frontier; between two points shares may be mixed.
 * @param worth expected worth of each candidate
 * @param kinship of every two candidates, with themselves on the diagonal
 * @param points how many are worked out, two at least
 * @returns from the least kinship upwards; one point where all are worth the same
 * @example frontierOf([1, 0], [[0.5, 0], [0, 0.5]], 3).map(({ gain }) => gain) // [0.5, 0.875, 1]
 */
export function frontierOf(worth: number[], kinship: number[][], points: number): FrontierPoint[] {
  const found = pointsOf(worth, kinship, points);
  return found.map((one, i) => ({ ...one, toNext: between(kinship, one, found[i + 1] ?? one) }));
}

const between = (kinship: number[][], { shares: a }: Contributions, { shares: b }: Contributions): number =>
  a.reduce((sum, x, i) => (x === 0 ? sum : sum + x * kinship[i]!.reduce((s, k, j) => s + k * b[j]!, 0)), 0);

function pointsOf(worth: number[], kinship: number[][], points: number): Contributions[] {
  const order = [...worth.keys()].sort((a, b) => worth[b]! - worth[a]!);
  const most = worth[order[0]!]!;
  const widest = leastKin(worth, kinship, worth[order.at(-1)!]!, order.slice(0, BEGIN));
  if (!widest) return [];
  if (most - widest.gain < 1e-9) return [widest];
  const found = [widest];
  for (let p = 1; p < points - 1; p++) {
    const before = found.at(-1)!.shares.flatMap((s, i) => (s > 0 ? [i] : []));
    // Nearest the best a little more gain costs most: there the points stand closest.
    const part = 1 - (1 - p / (points - 1)) ** 2;
    const one = leastKin(worth, kinship, widest.gain + (most - widest.gain) * part, before);
    if (one) found.push(one);
  }
  return [...found, bestAlone(worth, kinship)];
}

/** The end of the frontier: of those that are worth most the one least kin to itself, or several in equal shares. */
function bestAlone(worth: number[], kinship: number[][]): Contributions {
  const most = Math.max(...worth);
  return equalShares(
    worth,
    kinship,
    worth.flatMap((g, i) => (g === most ? [i] : [])),
  );
}

/**
 * The most gain at a mean kinship: a mix of the two frontier points around it, whose kinship is a square of its parts. Without
 * solving anew, so that a slider is followed at once.
 * @param frontier as `frontierOf` gives it, one point at least
 * @example atKinship(frontierOf([1, 0], [[0.5, 0], [0, 0.5]], 9), 0.3125).gain // 0.75
 */
export function atKinship(frontier: FrontierPoint[], limit: number): Contributions {
  const [first] = frontier;
  const last = frontier.at(-1)!;
  if (limit <= first!.kinship) return first!;
  if (limit >= last.kinship) return last;
  const above = frontier.findIndex(({ kinship }) => kinship > limit);
  const [a, b] = [frontier[above - 1]!, frontier[above]!];
  // (1 − t)² a + 2t(1 − t) ab + t² b = limit, the root that rises from a to b.
  const square = a.kinship - 2 * a.toNext + b.kinship;
  const slope = a.toNext - a.kinship;
  const root = Math.sqrt(Math.max(0, slope ** 2 + square * (limit - a.kinship)));
  const part = square > 1e-12 ? (root - slope) / square : (limit - a.kinship) / (b.kinship - a.kinship);
  return {
    gain: a.gain + part * (b.gain - a.gain),
    kinship: limit,
    shares: a.shares.map((share, i) => share + part * (b.shares[i]! - share)),
  };
}

/**
 * Candidates chosen in equal shares, on the same scale.
 * @param chosen positions, one at least
 * @example equalShares([1, 0], [[0.5, 0], [0, 0.5]], [0, 1]) // { gain: 0.5, kinship: 0.25, shares: [0.5, 0.5] }
 */
export function equalShares(worth: number[], kinship: number[][], chosen: number[]): Contributions {
  const shares = new Array<number>(worth.length).fill(0);
  for (const i of chosen) shares[i] = 1 / chosen.length;
  return outcomeOf(worth, kinship, shares);
}
