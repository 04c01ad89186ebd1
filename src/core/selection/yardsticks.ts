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

/** What may be wanted of a yardstick. */
export const WANTED = ["high", "low", "target", "range", "category", "yes", "no", "none"] as const;
export type Wanted = (typeof WANTED)[number];

const MEASURED: readonly Wanted[] = ["high", "low", "target", "range", "none"];

/** Kinds of yardstick, and what may be wanted of each. */
export const WANTED_OF = {
  number: MEASURED,
  count: MEASURED,
  scale: MEASURED,
  date: MEASURED,
  ratio: MEASURED,
  category: ["category", "none"],
  "yes-no": ["yes", "no", "none"],
} as const satisfies Record<string, readonly Wanted[]>;
export type YardstickKind = keyof typeof WANTED_OF;

/** Whether plants are told apart on it by a number. @example isMeasured("yes-no") // false */
export const isMeasured = (kind: YardstickKind): boolean => WANTED_OF[kind] === MEASURED;

/**
 * What differences on a yardstick are said in: between days, days; between steps of a scale, steps.
 * @example unitOfDifference({ kind: "date", unit: "" }) // "days"
 */
export const unitOfDifference = ({ kind, unit }: { kind: string; unit: string }): string =>
  kind === "date" ? "days" : kind === "scale" ? "steps" : unit;

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

/** A yardstick that is reckoned of two others. */
export type RatioOf = { id: Id; kind: string; ofId: Id | null; byId: Id | null };

/**
 * A plant's values with the ratios that can be reckoned of them; none where one is missing or the lower one is nothing.
 * @example withRatios({ m: { number: 6, word: null }, n: { number: 4, word: null } }, [{ id: "r", kind: "ratio", ofId: "m",
 *   byId: "n" }]).r // { number: 1.5, word: null }
 */
export function withRatios(values: Record<Id, ScoreValue>, yardsticks: RatioOf[]): Record<Id, ScoreValue> {
  const all = { ...values };
  for (const { id, kind, ofId, byId } of yardsticks) {
    if (kind !== "ratio") continue;
    const [of, by] = [ofId && values[ofId]?.number, byId && values[byId]?.number];
    if (typeof of === "number" && typeof by === "number" && by !== 0) all[id] = { number: of / by, word: null };
  }
  return all;
}
