import type { Range } from "../flowering/facts";
import { plural } from "../units/plural";
import { alleleRetention, effectiveSize, inbreedingGrowth } from "./smallPopulation";

/** Rules of thumb of a species: plants that keep it going, keep it well, and keep a rare variety. */
export type Thumbs = { "keep going": Range; "keep well": Range; "rare variety": Range };
export type Aim = keyof Thumbs;

export type EnoughInput = {
  /** Plants that stand, or that are planned. */
  plants: number;
  thumbs: Thumbs;
  /** What the line's school wants of them. */
  aim: Aim;
  /** It sets nearly all seed with its own pollen: no strength is lost by few plants. */
  selfer: boolean;
  /** Share of flowers selfed, 0–1. */
  selfingRate: number;
  /** Shares lost to roguing and to mishap before seed, 0–1. */
  rogued: number;
  mishap: number;
  /** For separate-sex plants: the share that are males, 0–1; null where every plant is both. */
  males: number | null;
  /** How many plants in all carry what is rare and to be kept, 0–1. */
  rare: number;
  generations: number;
};

export type EnoughAnswer = {
  /** What so many plants do: less than keep it going, or the most of the aims that they reach. */
  reaches: Aim | "too few";
  /** Plants that the aim wants, and how many are missing. */
  need: number;
  missing: number;
  /** Parents left after roguing and mishap, and how many that is worth. */
  parents: number;
  effective: number;
  /** Chance that what is rare is still among them. */
  saved: number;
  /** Inbreeding after the generations, 0–1; null for a selfer, which has none to lose. */
  inbreeding: number | null;
};

const AIMS: Aim[] = ["rare variety", "keep well", "keep going"];

/**
 * Whether a stand is enough parents: one answer, by the rule of thumb for its species and its line's school; beside it
 * what is left after roguing and mishap, the chance that what is rare is still among them, and for what outcrosses the
 * inbreeding that so few bring over the generations.
 *
 * By `effective-size` (separate sexes or partial selfing), `allele-retention` and `inbreeding-growth`.
 * @example enoughPlants({ plants: 8, thumbs: { "keep going": { low: 3, high: 6 }, "keep well": { low: 6, high: 12 }, "rare
 *   variety": { low: 20, high: 50 } }, aim: "keep well", selfer: true, selfingRate: 0.97, rogued: 0.1, mishap: 0.1, males:
 *   null, rare: 0.1, generations: 10 }).reaches // "keep well"
 */
export function enoughPlants(input: EnoughInput): EnoughAnswer {
  const { plants, thumbs, aim, selfer, selfingRate, rogued, mishap, males, rare, generations } = input;
  const parents = Math.floor(plants * (1 - rogued) * (1 - mishap) + 1e-9);
  const effective = effectiveOf(parents, males, selfingRate);
  const need = thumbs[aim].low;
  // Of a selfer a plant is rare or not; of the others a gene is, in one of a plant's two copies or in both.
  const saved = selfer
    ? 1 - (1 - rare) ** parents
    : alleleRetention({
        plants: parents,
        frequency: rare,
        inbreeding: males === null ? selfingRate / (2 - selfingRate) : 0,
      }).probability;
  return {
    reaches: AIMS.find((one) => plants >= thumbs[one].low) ?? "too few",
    need,
    missing: Math.max(0, need - plants),
    parents,
    effective,
    saved,
    inbreeding: selfer
      ? null
      : effective < 0.5
        ? 1
        : inbreedingGrowth({ effectiveSize: effective, generations }).inbreeding,
  };
}

const DOES: Record<Aim, string> = {
  "keep going": "keep it going",
  "keep well": "keep it well",
  "rare variety": "keep a rare variety",
};

/**
 * What a species' rules of thumb ask for, before any number is typed.
 * @example thumbsInWords({ "keep going": { low: 3, high: 6 }, "keep well": { low: 6, high: 12 }, "rare variety": { low: 20,
 *   high: 50 } }) // "3 to 6 keep it going, 6 to 12 keep it well, 20 to 50 keep a rare variety"
 */
export const thumbsInWords = (thumbs: Thumbs): string =>
  [...AIMS]
    .reverse()
    .map((aim) => `${thumbs[aim].low} to ${thumbs[aim].high} ${DOES[aim]}`)
    .join(", ");

/**
 * The answer in a sentence or two.
 * @example enoughInWords({ reaches: "keep going", need: 12, missing: 4 }, "keep well") // "Enough to keep it going; 4 more
 *   plants keep it well."
 */
export function enoughInWords({ reaches, missing }: EnoughAnswer, aim: Aim): string {
  if (missing === 0 && reaches !== "too few") return `Enough to ${DOES[reaches]}.`;
  const more = `${plural(missing, "more plant")} ${missing === 1 ? DOES[aim].replace("keep", "keeps") : DOES[aim]}`;
  return reaches === "too few" ? `Too few: ${more}.` : `Enough to ${DOES[reaches]}; ${more}.`;
}

function effectiveOf(parents: number, males: number | null, selfingRate: number): number {
  if (parents === 0) return 0;
  if (males === null) return effectiveSize({ kind: "selfing", plants: parents, selfingRate }).effectiveSize;
  const fathers = parents * males;
  if (fathers <= 0 || fathers >= parents) return 0;
  return effectiveSize({ kind: "dioecious", males: fathers, females: parents - fathers }).effectiveSize;
}
