import { type Beta, betaMean } from "../numbers/beta";
import { betaInterval, chanceAbove } from "../numbers/betaRange";
import { STAGES, type Stage } from "./protocol";

/** One flower of which it is known whether it set, and what it was like; null where that was not kept. */
export type FlowerFacts = {
  set: boolean;
  method: string;
  /** Hours from sunrise to pollination. */
  hoursAfterSunrise: number | null;
  /** Air when it was pollinated, °C. */
  temperature: number | null;
  /** The day's highest temperature, °C. */
  noonHeat: number | null;
  bud: Stage | null;
  /** Male flowers used on it. */
  males: number | null;
};

export type Group = { label: string; flowers: number; set: number; rate: number; low: number; high: number };
export type Factor = { key: string; title: string; groups: Group[]; finding: string | null };

type Sort = { key: string; title: string; labels: string[]; of: (flower: FlowerFacts) => string | null };

/** Labels of bands between cuts, and the band of a value. */
function bands(cuts: number[], unit: string): { labels: string[]; of: (value: number | null) => string | null } {
  const labels = [
    `under ${cuts[0]} ${unit}`,
    ...cuts.slice(1).map((cut, i) => `${cuts[i]} to ${cut} ${unit}`),
    `from ${cuts.at(-1)} ${unit}`,
  ];
  return {
    labels,
    of: (value) => (value === null ? null : labels[cuts.filter((cut) => value >= cut).length]!),
  };
}

const HOURS = bands([1, 2, 4, 7], "h");
const AIR = bands([12, 16, 20, 25], "°C");
const HEAT = bands([22, 26, 30, 34], "°C");
const MALES = ["1", "2", "3", "4 or more"];
const BUDS = [...STAGES];

const sorts = (methods: string[]): Sort[] => [
  { key: "hour", title: "Hours after sunrise", labels: HOURS.labels, of: (f) => HOURS.of(f.hoursAfterSunrise) },
  { key: "air", title: "Air at that moment", labels: AIR.labels, of: (f) => AIR.of(f.temperature) },
  { key: "heat", title: "Heat of the day", labels: HEAT.labels, of: (f) => HEAT.of(f.noonHeat) },
  { key: "bud", title: "Bud or flower", labels: BUDS, of: (f) => f.bud },
  {
    key: "males",
    title: "Male flowers on each",
    labels: MALES,
    of: (f) => (f.males === null ? null : MALES[Math.min(f.males, 4) - 1]!),
  },
  { key: "method", title: "Method", labels: methods, of: (f) => f.method },
];

/** A group smaller than this says nothing in words. */
const ENOUGH = 10;
/** How sure a difference must be before it is put into words, shared among all comparisons made. */
const SURE = 0.95;

const posterior = ({ set, flowers }: Pick<Group, "set" | "flowers">): Beta => ({
  a: set + 0.5,
  b: flowers - set + 0.5,
});

function groupsOf(flowers: FlowerFacts[], { labels, of }: Sort): Group[] {
  return labels.flatMap((label) => {
    const own = flowers.filter((f) => of(f) === label);
    if (own.length === 0) return [];
    const set = own.filter((f) => f.set).length;
    const beta = posterior({ set, flowers: own.length });
    const { low, high } = betaInterval(beta, 0.9);
    return [{ label, flowers: own.length, set, rate: betaMean(beta), low, high }];
  });
}

/**
 * How the share of flowers that set goes with hour, warmth, bud, males and method.
 *
 * Each group's rate has a Beta posterior under Jeffreys' prior (½, ½), shown with the range that holds nine tenths of
 * it. Words are put to a factor only where its best group of at least ten flowers is above its worst with a chance of
 * 95 %, made stricter for the number of pairs compared (Bonferroni). It is what goes together in one garden, not a proof
 * of cause.
 * @example whatWorks([]).length // 6
 */
export function whatWorks(flowers: FlowerFacts[]): Factor[] {
  const methods = [...new Set(flowers.map((f) => f.method))].sort();
  const factors = sorts(methods).map((sort) => ({ sort, groups: groupsOf(flowers, sort) }));
  const told = (groups: Group[]) => groups.filter((g) => g.flowers >= ENOUGH);
  const pairs = factors.reduce((sum, { groups }) => {
    const n = told(groups).length;
    return sum + (n * (n - 1)) / 2;
  }, 0);
  return factors.map(({ sort: { key, title }, groups }) => {
    const ranked = told(groups).sort((a, b) => b.rate - a.rate);
    const [best, worst] = [ranked[0], ranked.at(-1)];
    const sure =
      best && worst && best !== worst && chanceAbove(posterior(best), posterior(worst)) >= 1 - (1 - SURE) / pairs;
    return { key, title, groups, finding: sure ? inWords(best, worst) : null };
  });
}

const inWords = (best: Group, worst: Group): string =>
  `${best.label[0]!.toUpperCase()}${best.label.slice(1)}: ${best.set} of ${best.flowers} set; ${worst.label}: ${worst.set} of ${worst.flowers}. That is more than chance.`;
