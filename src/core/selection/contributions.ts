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

const gainOf = (worth: number[], shares: number[]) => worth.reduce((sum, g, i) => sum + g * shares[i]!, 0);

/** Mean kinship of two parents, one drawn by either shares. */
const between = (kinship: number[][], a: number[], b: number[]): number =>
  a.reduce((sum, x, i) => (x === 0 ? sum : sum + x * kinship[i]!.reduce((s, k, j) => s + k * b[j]!, 0)), 0);

const outcomeOf = (worth: number[], kinship: number[][], shares: number[]): Contributions => ({
  gain: gainOf(worth, shares),
  kinship: between(kinship, shares, shares),
  shares,
});

/** So much is added to each one's kinship with itself, so that there is one answer. */
const RIDGE = 1e-7;
/** Candidates that are worth the same are parted by so much, of the whole range. */
const PARTED = 1e-9;
/** A difference in worth below this is none. */
const NO_GAIN = 1e-9;
/** A difference in kinship below this is none. */
const NO_KIN = 1e-9;
/** No kinship has so many corners for each candidate. */
const MOST_CORNERS = 12;
/** Changes along a line smaller than this are rounding. */
const STILL = 1e-13;

/**
 * Those who have a share, with the inverse of their conditions (kinship, bordered by the shares' sum), kept as one joins or
 * leaves. Row and column 0 are the sum's. In one flat array, as everything of a frontier is done here.
 */
class Sharing {
  readonly members: number[];
  private readonly stride: number;
  private readonly inverse: Float64Array;

  constructor(
    private readonly kinship: Float64Array[],
    first: number,
  ) {
    this.stride = kinship.length + 1;
    this.inverse = new Float64Array(this.stride ** 2);
    this.members = [first];
    this.inverse[0] = -this.own(first);
    this.inverse[1] = 1;
    this.inverse[this.stride] = 1;
  }

  private own = (i: number) => this.kinship[i]![i]! + RIDGE;

  /** What the conditions give where the right side is so much for the sum, and so much for each member. */
  solved(right: Float64Array): Float64Array {
    const { inverse, stride } = this;
    const size = right.length;
    const out = new Float64Array(size);
    for (let a = 0; a < size; a++) {
      let total = 0;
      for (let b = 0; b < size; b++) total += inverse[a * stride + b]! * right[b]!;
      out[a] = total;
    }
    return out;
  }

  /** The same where only the shares' sum is asked, and is 1. */
  whole(): Float64Array {
    return Float64Array.from({ length: this.members.length + 1 }, (_, a) => this.inverse[a * this.stride]!);
  }

  /** A right side of what each member has of its own. */
  side(sum: number, of: ArrayLike<number>): Float64Array {
    const right = new Float64Array(this.members.length + 1);
    right[0] = sum;
    for (const [k, i] of this.members.entries()) right[k + 1] = of[i]!;
    return right;
  }

  join(i: number): void {
    const { inverse, stride } = this;
    const row = this.side(1, this.kinship[i]!);
    const v = this.solved(row);
    const size = row.length;
    let left = this.own(i);
    for (let k = 0; k < size; k++) left -= v[k]! * row[k]!;
    for (let a = 0; a < size; a++) {
      const part = v[a]! / left;
      for (let b = 0; b < size; b++) inverse[a * stride + b]! += part * v[b]!;
      inverse[a * stride + size] = -part;
      inverse[size * stride + a] = -part;
    }
    inverse[size * stride + size] = 1 / left;
    this.members.push(i);
  }

  /** The last takes the place of the one that leaves. */
  leave(i: number): void {
    const { inverse, stride, members } = this;
    const at = members.indexOf(i) + 1;
    const last = members.length;
    const gone = inverse.slice(at * stride, at * stride + last + 1);
    for (let a = 0; a <= last; a++) {
      const part = gone[a]! / gone[at]!;
      for (let b = 0; b <= last; b++) inverse[a * stride + b]! -= part * gone[b]!;
    }
    for (let b = 0; b <= last; b++) inverse[at * stride + b] = inverse[last * stride + b]!;
    for (let a = 0; a <= last; a++) inverse[a * stride + at] = inverse[a * stride + last]!;
    members[at - 1] = members[last - 1]!;
    members.pop();
  }
}

/**
 * The corners of the frontier, from the best alone to the least kinship: between two of them nobody's share begins or ends,
 * and all shares lie on straight lines (the critical line of Markowitz 1956). Everyone's condition is followed as gain
 * counts for less: whoever's share comes to nothing leaves, whoever would lower the kinship joins.
 */
function cornersOf(worth: number[], kinship: number[][]): number[][] {
  const n = worth.length;
  const [least, most] = [Math.min(...worth), Math.max(...worth)];
  // From nothing to one, whatever it is counted in.
  const g = worth.map((w, i) => (most - least > NO_GAIN ? (w - least) / (most - least) : 0) + (PARTED * (n - i)) / n);
  const rows = kinship.map((row) => Float64Array.from(row));
  const sharing = new Sharing(rows, g.indexOf(Math.max(...g)));
  const corners: number[][] = [];
  let weight = Number.POSITIVE_INFINITY;
  for (;;) {
    const { members } = sharing;
    const [base, slope] = [sharing.whole(), sharing.solved(sharing.side(0, g))];
    const inside = new Set(members);
    let next: { weight: number; change?: () => void } = { weight: 0 };
    const meets = (zero: number, change: () => void): typeof next => {
      const at = Math.min(zero, weight);
      return at > next.weight ? { weight: at, change } : next;
    };
    for (const [k, i] of members.entries())
      if (members.length > 1 && slope[k + 1]! > STILL)
        next = meets(-base[k + 1]! / slope[k + 1]!, () => sharing.leave(i));
    for (let i = 0; i < n; i++) {
      if (inside.has(i)) continue;
      let constant = base[0]!;
      let rising = slope[0]! - g[i]!;
      const row = rows[i]!;
      for (let k = 0; k < members.length; k++) {
        const kin = row[members[k]!]!;
        constant += kin * base[k + 1]!;
        rising += kin * slope[k + 1]!;
      }
      if (rising > STILL) next = meets(-constant / rising, () => sharing.join(i));
    }
    const shares = new Array<number>(n).fill(0);
    for (const [k, i] of members.entries()) shares[i] = Math.max(0, base[k + 1]! + next.weight * slope[k + 1]!);
    const all = shares.reduce((sum, share) => sum + share, 0);
    corners.push(shares.map((share) => share / all));
    // What is no kinship (some mix of candidates less kin to itself than to nobody) has no end: what was found holds.
    if (!next.change || corners.length > MOST_CORNERS * n) return corners;
    weight = next.weight;
    next.change();
  }
}

/**
 * Optimum contributions: for each mean kinship that may be accepted, the most gain that can be had, from the widest choice
 * to the single best candidate.
 *
 * Source: Meuwissen 1997; the whole frontier by Markowitz' critical line, exact at its corners and between two of them.
 * @param worth expected worth of each candidate
 * @param kinship of every two candidates, with themselves on the diagonal
 * @param points how many corners are given at most, two at least; between those left out shares may be mixed
 * @returns from the least kinship upwards; one point where all are worth the same
 * @example frontierOf([1, 0], [[0.5, 0], [0, 0.5]], 3).map(({ gain }) => gain) // [0.5, 1]
 */
export function frontierOf(worth: number[], kinship: number[][], points: number): FrontierPoint[] {
  const some = notOutdone(worth, kinship);
  const own = some.map((i) => worth[i]!);
  const kin = some.map((i) => some.map((j) => kinship[i]![j]!));
  const found = spaced(own, cornersOf(own, kin).reverse(), points)
    .map((shares) => outcomeOf(own, kin, shares))
    // Where more gain costs no kinship nobody stays with less.
    .filter((one, i, all) => i === all.length - 1 || all[i + 1]!.kinship > one.kinship + NO_KIN);
  return found.map((one, i) => {
    const shares = new Array<number>(worth.length).fill(0);
    for (const [k, at] of some.entries()) shares[at] = one.shares[k]!;
    return { ...one, shares, toNext: between(kin, one.shares, (found[i + 1] ?? one).shares) };
  });
}

/** Candidates but for those that are as kin to everyone as another who is worth more, and to that one as to themselves. */
function notOutdone(worth: number[], kinship: number[][]): number[] {
  const same = (i: number, j: number) => kinship[i]!.every((kin, k) => Math.abs(kin - kinship[j]![k]!) < NO_KIN);
  const kept: number[] = [];
  for (const i of [...worth.keys()].sort((a, b) => worth[b]! - worth[a]! || a - b))
    if (!kept.some((j) => Math.abs(kinship[i]![j]! - kinship[j]![j]!) < NO_KIN && same(i, j))) kept.push(i);
  return kept.sort((a, b) => a - b);
}

/** So many corners at most, the first and the last among them, each more gain than the one before: closest near the best. */
function spaced(worth: number[], corners: number[][], points: number): number[][] {
  const gains = corners.map((shares) => gainOf(worth, shares));
  const range = gains.at(-1)! - gains[0]!;
  if (range < NO_GAIN) return corners.slice(0, 1);
  const kept: number[][] = [];
  let step = 0;
  for (const [i, gain] of gains.entries()) {
    const last = i === corners.length - 1;
    // Those that are worth as much as the best: only the least kin to each other.
    if (i > 0 && gain - gains[i - 1]! <= 1e-7 * range) continue;
    // The share of the way up, by the parabola along which a little more gain costs most.
    const part = (points - 1) * (1 - Math.sqrt(Math.max(0, (gains.at(-1)! - gain) / range)));
    if (i > 0 && !last && part < step) continue;
    kept.push(corners[i]!);
    step = Math.floor(part) + 1;
  }
  return kept;
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
