import { mean } from "simple-statistics";
import type { Day } from "../calendar/day";
import type { Id } from "../custody/id";

/** When in a plant's life something is looked at. */
export const STAGES_OF_LIFE = ["any", "seedling", "leaf", "flower", "fruit", "harvest", "store"] as const;
export type StageOfLife = (typeof STAGES_OF_LIFE)[number];

/** Once, where a second look checks the eye; again and again, the mean counting; at each picking, added up. */
export const OFTEN = ["once", "again", "pass"] as const;
export type Often = (typeof OFTEN)[number];

/** What the steps of a scale are drawn as. */
export const DRAWN = ["size", "length", "depth", "spread", "netting", "damage"] as const;
export type Drawn = (typeof DRAWN)[number];

/** What may be wanted of a trait. */
export const WANTED = ["high", "low", "target", "range", "category", "yes", "no", "none"] as const;
export type Wanted = (typeof WANTED)[number];

/**
 * The category, or yes or no, that is wanted; null where a figure is, or nothing.
 * @example categoryWanted({ wanted: "no", targetWord: null }) // "no"
 */
export function categoryWanted({ wanted, targetWord }: { wanted: Wanted; targetWord: string | null }): string | null {
  if (wanted === "category") return targetWord;
  return wanted === "yes" || wanted === "no" ? wanted : null;
}

export type ScoreValue = { number: number | null; word: string | null };
/** One look at a plant. */
export type Look = ScoreValue & { scoredOn: Day };

/**
 * What several looks at one plant come to: at each picking they are added up; numbers are their mean; of words, of yes or
 * no the last one stands.
 * @param looks in the order of days, one at least
 * @param counted numbers that are measured, of which a mean makes sense
 * @example valueOfLooks([{ number: 4, word: null, scoredOn: "2027-07-01" }, { number: 6, word: null, scoredOn:
 *   "2027-07-09" }], "once", true) // { number: 5, word: null }
 */
export function valueOfLooks(looks: Look[], often: Often, counted: boolean): ScoreValue {
  const { number, word } = looks.at(-1)!;
  if (!counted || number === null) return { number, word };
  const numbers = looks.flatMap((look) => look.number ?? []);
  return { number: often === "pass" ? numbers.reduce((a, b) => a + b, 0) : mean(numbers), word: null };
}

/** A trait, and the two it is computed of where it is. */
export type RatioOf = { id: Id; ofId: Id | null; byId: Id | null };

/**
 * A plant's values with the ratios that can be computed of them; none where one is missing or the lower one is nothing.
 * @example withRatios({ m: { number: 6, word: null }, n: { number: 4, word: null } }, [{ id: "r", ofId: "m", byId: "n"
 *   }]).r // { number: 1.5, word: null }
 */
export function withRatios(values: Record<Id, ScoreValue>, traits: RatioOf[]): Record<Id, ScoreValue> {
  const all = { ...values };
  for (const { id, ofId, byId } of traits) {
    const [of, by] = [ofId && values[ofId]?.number, byId && values[byId]?.number];
    if (typeof of === "number" && typeof by === "number" && by !== 0) all[id] = { number: of / by, word: null };
  }
  return all;
}
