import { gammaln } from "simple-statistics";
import { NINE_IN_TEN } from "../numbers/normal";
import { type SegregationTest, segregationTest } from "./segregation";
import { WAYS, type Way, type WayKey, wayOf } from "./ways";

/** How a family's seed was made, as far as its ratios go. */
export type Making =
  /** Selfed so often since the cross: an F2 once. */
  | { kind: "selfed"; times: number }
  /** Crossed back to a parent, or to any line that shows what is recessive; or to the parent that shows what is dominant. */
  | { kind: "backcross" };

/** Shares of AA, Aa and aa. */
type Locus = [number, number, number];

/**
 * Shares of AA, Aa and aa at a locus that the cross was mixed for.
 * @example locusAfter({ kind: "selfed", times: 1 }, "dominant") // [0.25, 0.5, 0.25]
 */
export function locusAfter(making: Making, towards: "dominant" | "recessive"): Locus {
  if (making.kind === "backcross") return towards === "dominant" ? [0.5, 0.5, 0] : [0, 0.5, 0.5];
  const mixed = 0.5 ** making.times;
  return [(1 - mixed) / 2, mixed, (1 - mixed) / 2];
}

/**
 * Shares of an F2 that show each class of a way, and whether its F1 shows it.
 * @example classesOfF2("dominant") // [{ share: 0.75, inF1: true }, { share: 0.25, inF1: false }]
 */
export function classesOfF2(key: WayKey): { share: number; inF1: boolean }[] {
  const way = wayOf(key);
  const f2 = locusAfter({ kind: "selfed", times: 1 }, "dominant");
  return sharesOf(way, f2, f2).map((share, at) => ({ share, inF1: way.classOf(1, 1) === at }));
}

/** Shares of the classes that a way gives, those of nothing left out. */
function sharesOf({ loci, classOf }: Way, a: Locus, b: Locus): number[] {
  const shares: number[] = [];
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < (loci === 1 ? 1 : 3); j++) {
      const at = classOf(i, j);
      shares[at] = (shares[at] ?? 0) + a[i]! * (loci === 1 ? 1 : b[j]!);
    }
  return shares.filter((share) => share > 0);
}

export type RatioFit = {
  /** Ways that give it, the first one named first. */
  ways: WayKey[];
  name: string;
  /** The ratio in small whole numbers, in the order of the counts. */
  ratio: number[];
  /** Chance that it is this one, among the usual ones and any other, 0–1. */
  chance: number;
  test: SegregationTest;
};
export type Ratios = {
  /** The likeliest first. */
  fits: RatioFit[];
  /** Chance that it is none of the usual ones. */
  other: number;
  /** More plants until the leading two are told apart, nine times in ten; null where no number would do. */
  more: number | null;
};

/** Two loci are asked for less often than one: their weight before anything was counted. Working value. */
const TWO_LOCI = 1 / 3;
/** Told apart is nineteen to one. */
const TOLD = Math.log(19);
/** Less likely ones are not told of. */
const LEAST = 0.005;
/** Nobody grows more than this to know. */
const TOO_MANY = 1_000_000;

const permutations = <T>(list: T[]): T[][] =>
  list.length < 2
    ? [list]
    : list.flatMap((one, i) => permutations([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [one, ...rest]));

const lnMultinomial = (counts: number[], shares: number[]): number =>
  counts.reduce(
    (sum, n, i) => sum - gammaln(n + 1) + (n === 0 ? 0 : n * Math.log(shares[i]!)),
    gammaln(counts.reduce((a, b) => a + b, 0) + 1),
  );

/** Shares as a name: what differs by rounding is the same. */
const named = (shares: number[]): string => shares.map((share) => share.toFixed(9)).join(" ");

type Candidate = { way: Way; shares: number[]; weight: number };

/** Every way with every order of its classes; one that gives the same shares in another order counts once. */
function candidates(making: Making, classes: number): Candidate[] {
  const towards = making.kind === "selfed" ? (["dominant"] as const) : (["recessive", "dominant"] as const);
  return WAYS.flatMap((way) => {
    const orders = towards.flatMap((first) =>
      (way.loci === 1 ? [first] : towards).flatMap((second) => {
        const shares = sharesOf(way, locusAfter(making, first), locusAfter(making, second));
        return shares.length === classes ? permutations(shares) : [];
      }),
    );
    const different = [...new Map(orders.map((shares) => [named(shares), shares])).values()];
    const weight = (way.loci === 1 ? 1 : TWO_LOCI) / Math.max(1, different.length);
    return different.map((shares) => ({ way, shares, weight }));
  });
}

/** Shares as small whole numbers. @example inParts([0.75, 0.25]) // [3, 1] */
export function inParts(shares: number[]): number[] {
  for (let whole = 2; whole <= 4096; whole *= 2) {
    const parts = shares.map((share) => share * whole);
    if (parts.every((part) => Math.abs(part - Math.round(part)) < 1e-6 && part > 0.5)) {
      const rounded = parts.map(Math.round);
      const least = rounded.reduce(commonFactor);
      return rounded.map((part) => part / least);
    }
  }
  const least = Math.min(...shares);
  return shares.map((share) => Math.round((10 * share) / least) / 10);
}

const commonFactor = (a: number, b: number): number => (b === 0 ? a : commonFactor(b, a % b));

/**
 * By which of the usual ratios a trait may be inherited, from counts in a family: the likeliest first, each with its chance
 * among them and any other division, and how many more plants would part the leading two.
 *
 * Bayes' rule on multinomial counts; "any other" is every division of the plants alike (a flat Dirichlet).
 * @param counts plants of each class that was seen, two classes at least, each a whole number
 * @throws RangeError for fewer than two classes, or nothing counted
 * @example ratiosOf([44, 10], { kind: "selfed", times: 1 }).fits[0].ratio // [3, 1]
 */
export function ratiosOf(counts: number[], making: Making): Ratios {
  const total = counts.reduce((a, b) => a + b, 0);
  if (counts.length < 2) throw new RangeError("Two classes at least are divided.");
  if (total === 0) throw new RangeError("Nothing was counted.");
  const all = candidates(making, counts.length).map((one) => ({
    ...one,
    ln: Math.log(one.weight) + lnMultinomial(counts, one.shares),
  }));
  // Of so many classes every division is as likely as another.
  const lnOther = gammaln(total + 1) + gammaln(counts.length) - gammaln(total + counts.length);
  const most = Math.max(lnOther, ...all.map(({ ln }) => ln));
  const sum = Math.exp(lnOther - most) + all.reduce((acc, { ln }) => acc + Math.exp(ln - most), 0);
  const byRatio = new Map<string, (typeof all)[number] & { ways: Way[]; chance: number }>();
  for (const one of all) {
    const key = named(one.shares);
    const known = byRatio.get(key) ?? { ...one, ways: [], chance: 0 };
    known.chance += Math.exp(one.ln - most) / sum;
    if (!known.ways.includes(one.way)) known.ways.push(one.way);
    byRatio.set(key, known);
  }
  const ranked = [...byRatio.values()].sort((a, b) => b.chance - a.chance);
  return {
    fits: ranked
      .filter(({ chance }) => chance >= LEAST)
      .map(({ ways, shares, chance }) => ({
        ways: ways.map(({ key }) => key),
        name: ways.map(({ name }) => name).join("; or "),
        ratio: inParts(shares),
        chance,
        test: segregationTest({ observed: counts, ratio: shares }),
      })),
    other: Math.exp(lnOther - most) / sum,
    more: ranked.length > 1 ? moreToPart(ranked[0]!, ranked[1]!) : null,
  };
}

/** So many more plants that the one is told from the other, nine times in ten, if it is true. */
function moreToPart(
  one: { shares: number[]; chance: number },
  other: { shares: number[]; chance: number },
): number | null {
  const each = one.shares.map((share, i) => ({ share, ln: Math.log(share / other.shares[i]!) }));
  const gain = each.reduce((sum, { share, ln }) => sum + share * ln, 0);
  if (gain < 1e-9) return null;
  const spread = Math.sqrt(
    Math.max(
      0,
      each.reduce((sum, { share, ln }) => sum + share * (ln - gain) ** 2, 0),
    ),
  );
  const missing = TOLD - Math.log(one.chance / Math.max(other.chance, 1e-300));
  if (missing <= 0) return 0;
  // n · gain − z · √n · spread = missing, for √n.
  const root = (NINE_IN_TEN * spread + Math.sqrt((NINE_IN_TEN * spread) ** 2 + 4 * gain * missing)) / (2 * gain);
  const n = Math.ceil(root ** 2 - 1e-9);
  return n > TOO_MANY ? null : n;
}
