import type { Made } from "../custody/generation";
import type { Share } from "../isolation/share";
import { binomialMass } from "../numbers/binomial";

/** What may have made a plant odd. */
export const CAUSES = ["pollen", "stranger", "mixed-seed", "hidden", "unfixed", "slip", "mutation"] as const;
export type CauseKind = (typeof CAUSES)[number];

/** A source of pollen that the mother's flowers met in the year in which the seed was made. */
export type Suspect = {
  key: string;
  name: string;
  /** Share of the seed that it fathers, foreseen. */
  share: Share;
  /** Whether the odd plant looks like it; null where nobody compared. */
  resembles: boolean | null;
};

/** Plants that were looked at, and how many of them were as odd. */
export type Counted = { plants: number; odd: number };

export type SurpriseInput = Counted & {
  /** Families of other mothers that stood with its mother. */
  sisters: Counted[];
  /** How the odd look is inherited, as far as anyone knows. */
  inheritance: "dominant" | "recessive" | "unknown";
  suspects: Suspect[];
  /** How its seed was made. */
  made: Made;
  /** Something is doubtful about a flower that was pollinated by hand. */
  doubt: boolean;
  /** Nobody can say that its lot is one lot. */
  broken: boolean;
  /** Chance that the mother carried unseen what now shows, and what share of her offspring it then shows in. */
  hidden: { carrier: number; share: number };
  /** Share of what its parents differed in that is still mixed in a plant. */
  mixed: number;
  /** Whether the odd plant stands, so that it can be selfed; seeds left of its lot, and of its sisters. */
  stands: boolean;
  seedsLeft: number;
  sisterSeeds: number;
};

/** Rates and chances that nobody measures in a garden. Working values. */
const SLIP = 0.004;
const MIXED_SEED = {
  whole: { low: 0.00005, likely: 0.0005, high: 0.005 },
  broken: { low: 0.002, likely: 0.02, high: 0.1 },
};
const MUTATION = { low: 1e-6, likely: 1e-5, high: 1e-4 };
/** Pollen of plants that stand on no record. */
const STRANGER = {
  open: { low: 0.0002, likely: 0.002, high: 0.02 },
  tied: { low: 0.00002, likely: 0.0002, high: 0.002 },
};
/** A tied flower takes so much of what an open one would, a doubtful one more. */
const TIED = { sound: 0.02, doubtful: 0.5 };
/** How a cause's plants show as odd, by how the odd look is inherited. */
const SHOWS: Record<CauseKind, Record<SurpriseInput["inheritance"], number>> = {
  pollen: { dominant: 0.9, recessive: 0.02, unknown: 0.5 },
  stranger: { dominant: 0.9, recessive: 0.02, unknown: 0.5 },
  "mixed-seed": { dominant: 0.7, recessive: 0.7, unknown: 0.7 },
  hidden: { dominant: 0, recessive: 0.9, unknown: 0.5 },
  unfixed: { dominant: 0.1, recessive: 0.1, unknown: 0.3 },
  slip: { dominant: 0.7, recessive: 0.7, unknown: 0.7 },
  mutation: { dominant: 0.5, recessive: 0.05, unknown: 0.2 },
};
/** A plant that was fathered by a source looks like it so often; another one so often by chance. */
export const LIKE = { father: 0.9, chance: 0.05 };
/** Of what is still mixed so much is seen as odd. */
const FAR_END = 0.02;
/** A slip is a whole packet's, or one stray seedling. */
const WHOLE_PACKET = 1 / 3;

/** A rate known to an order of magnitude: at its ends, its middle and between, in their weights. */
const spreadOver = ({ low, likely, high }: Share): [number, number][] => {
  const least = Math.max(low, likely / 20, 1e-9);
  const most = Math.max(high, likely, least);
  const middle = Math.max(likely, least);
  return [
    [least, 0.1],
    [Math.sqrt(least * middle), 0.2],
    [middle, 0.4],
    [Math.sqrt(middle * most), 0.2],
    [most, 0.1],
  ];
};

const scaledBy = ({ low, likely, high }: Share, by: number): Share => ({
  low: low * by,
  likely: likely * by,
  high: high * by,
});

/** One way it may have come about: how likely what was counted is by it, and how many of so many are then odd. */
export type Hypothesis = {
  kind: CauseKind;
  key: string | null;
  /** How likely what was counted is, with the chance of the cause. */
  weight: number;
  /** Chance that some of so many more plants of the same mother are odd, and of another mother's. */
  again: (plants: number) => number;
  sister: (plants: number) => number;
};

/** Each plant by itself, at a rate; sisters too. */
function byRate(
  kind: CauseKind,
  key: string | null,
  rate: Share,
  { plants, odd, sisters }: SurpriseInput,
  like = 1,
): Hypothesis {
  const rates = spreadOver(rate);
  const seen = (r: number) =>
    sisters.reduce((product, one) => product * binomialMass(one.plants, r, one.odd), binomialMass(plants, r, odd));
  const some = (count: number) =>
    rates.reduce((sum, [r, weight]) => sum + weight * -Math.expm1(count * Math.log1p(-r)), 0);
  return {
    kind,
    key,
    weight: like * rates.reduce((sum, [r, weight]) => sum + weight * seen(Math.min(0.999, r)), 0),
    again: some,
    sister: some,
  };
}

/**
 * Every way in which a plant may have come to be odd.
 * @example hypothesesOf({ plants: 12, odd: 1, sisters: [], inheritance: "dominant", suspects: [], made: "open", doubt: false,
 *   broken: false, hidden: { carrier: 0.5, share: 0.25 }, mixed: 0, stands: false, seedsLeft: 0, sisterSeeds: 0 })
 *   .find(({ kind }) => kind === "hidden").weight // 0
 */
export function hypothesesOf(input: SurpriseInput): Hypothesis[] {
  const { plants, odd, sisters, inheritance, suspects, made, doubt, broken, hidden, mixed } = input;
  const shown = (kind: CauseKind, rate: Share) => scaledBy(rate, SHOWS[kind][inheritance]);
  const tied = made === "by-hand" ? (doubt ? TIED.doubtful : TIED.sound) : 1;
  // What it looks like speaks for whom it looks like, and against the others.
  const likeFather = (resembles: boolean | null) =>
    resembles === null ? 1 : resembles ? LIKE.father / LIKE.chance : (1 - LIKE.father) / (1 - LIKE.chance);
  const pollen = suspects.map(({ key, share, resembles }) =>
    byRate("pollen", key, shown("pollen", scaledBy(share, tied)), input, likeFather(resembles)),
  );
  const stranger = made === "by-hand" && !doubt ? STRANGER.tied : STRANGER.open;
  const { carrier, share } = hidden;
  // Other mothers may carry it too, or not.
  const ofSister = ({ plants: n, odd: k }: Counted) =>
    carrier * binomialMass(n, share, k) + (1 - carrier) * Number(k === 0);
  const hiddenOne: Hypothesis = {
    kind: "hidden",
    key: null,
    weight:
      SHOWS.hidden[inheritance] *
      carrier *
      binomialMass(plants, share, odd) *
      sisters.reduce((product, one) => product * ofSister(one), 1),
    again: (n) => 1 - (1 - share) ** n,
    sister: (n) => carrier * (1 - (1 - share) ** n),
  };
  const none = sisters.every((one) => one.odd === 0);
  const slipped = odd === plants && plants > 1 ? WHOLE_PACKET : odd === 1 ? 1 - WHOLE_PACKET : 0.01;
  const slip: Hypothesis = {
    kind: "slip",
    key: null,
    weight: SHOWS.slip[inheritance] * SLIP * slipped * (none ? 1 : 0.05),
    again: () => (odd === plants && plants > 1 ? 1 : 0),
    sister: () => 0,
  };
  return [
    ...pollen,
    byRate("stranger", null, shown("stranger", stranger), input),
    byRate("mixed-seed", null, shown("mixed-seed", broken ? MIXED_SEED.broken : MIXED_SEED.whole), input),
    hiddenOne,
    byRate(
      "unfixed",
      null,
      shown("unfixed", { low: (mixed * FAR_END) / 4, likely: mixed * FAR_END, high: mixed * FAR_END * 4 }),
      input,
    ),
    slip,
    byRate("mutation", null, shown("mutation", MUTATION), input),
  ];
}
