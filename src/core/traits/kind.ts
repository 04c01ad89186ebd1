import type { Day } from "../calendar/day";
import type { Range } from "../flowering/facts";
import { isUnit, readAmount } from "../writing/amounts";
import { numberTyped, readNumber } from "../writing/numbers";
import type { Often, ScoreValue, Wanted } from "./trait";

/** What a trait is described by, besides its name: a unit, two ends, its categories, or the two traits it is computed of. */
export type DescribedBy = "unit" | "ends" | "categories" | "parts";

/** How a score is given: by one press of several, by typing, or not at all. */
export type Entry =
  | { by: "press"; choices: { typed: string; label: string }[]; inOneRow: boolean }
  | { by: "typing"; keyboard: "decimal" | "text" }
  | { by: "nothing" };

/** What a typed score is read with. */
export type ReadWith = { unit: string; categories: string[]; sown: Day; today: Day };

/** A typed score as it is kept; else what the trait takes, or why this can't be, as a whole sentence. */
export type ReadScore = { value: ScoreValue } | { takes: string } | { why: string };

/**
 * A kind of trait: how it is described, what may be wanted of it, how it is scored, read, shown and said. A further kind is a
 * file beside this one and its name in `kinds.ts`.
 */
export type TraitKind = {
  /** What a grower chooses it by. */
  name: string;
  /** Whether plants are told apart on it by a figure, not by a category. */
  measured: boolean;
  /** Whole steps lie between its figures; 0 where it is measured finer. */
  step: 0 | 1;
  /** Computed of other traits, never scored. */
  computed: boolean;
  describedBy: DescribedBy[];
  wanted: readonly Wanted[];
  /** How often it can be looked at. */
  often: readonly Often[];
  /** Between which figures it lies, where that is the same for all. */
  within: Range | null;
  /** Heritability among an F2's sisters where nobody says. Working values. */
  heritability: Range;
  /** The categories that a plant can show; none of what is measured. */
  categories: (described: string[]) => string[];
  /** What a figure is said in, what a difference is, and what stands at an axis. */
  units: (unit: string) => { value: string; difference: string; axis: string };
  /** What a smaller and a larger figure is called. */
  sides: { less: string; more: string };
  entry: (categories: string[]) => Entry;
  /** What keys do, in words. */
  keys: (categories: string[]) => string;
  /** A score that one key gives by itself; null where more must be typed. */
  byKey: (key: string, categories: string[]) => string | null;
  /** Whether a key begins a score that Enter finishes, and whether it goes on with one. */
  begins: (key: string, categories: string[]) => boolean;
  goesOn: (key: string, categories: string[]) => boolean;
  /** T scores the day itself. */
  takesToday: boolean;
  read: (typed: string, on: ReadWith) => ReadScore;
  /** How a typed score looks before it was read. */
  meant: (typed: string) => ScoreValue;
  /** A kept score as it is typed, and as a mark shows it. */
  typed: (value: ScoreValue) => string;
  shown: (value: ScoreValue) => string;
};

const MEASURED: readonly Wanted[] = ["high", "low", "target", "range", "none"];
const NO_CATEGORIES: string[] = [];

/** Of what is pressed or computed no key begins a score that is typed. */
export const NOT_TYPED: Pick<TraitKind, "begins" | "goesOn"> = { begins: () => false, goesOn: () => false };

const figure = (value: number): ScoreValue => ({ number: value, word: null });
const typedOf = ({ number, word }: ScoreValue): string => word ?? numberTyped(number ?? 0);

/** A figure as a mark shows it: a mean of several looks rounded. */
function shownOf({ number }: ScoreValue): string {
  const size = Math.abs(number ?? 0);
  return numberTyped(Number((number ?? 0).toFixed(size >= 100 ? 0 : size >= 10 ? 1 : 2)));
}

type Limits = { low: number; high: number; whole: boolean };

/**
 * A typed figure, with or without its unit.
 * @example readFigure("7.5", { unit: "", categories: [], sown: "2027-05-01", today: "2027-07-09" }, { low: 1, high: 9, whole:
 *   true }) // { takes: "a whole number from 1 to 9" }
 */
export function readFigure(typed: string, { unit }: ReadWith, { low, high, whole }: Limits): ReadScore {
  const read = readAmount(typed, isUnit(unit) ? unit : null);
  if (read.kind === "asked")
    return { why: `${read.question} It may be ${read.choices.map(({ words }) => words).join(" or ")}.` };
  const number = read.kind === "read" ? read.value : Number.NaN;
  if (number >= low && number <= high && (!whole || Number.isInteger(number))) return { value: figure(number) };
  return { takes: `a ${whole ? "whole number" : "number"} from ${low} to ${high}` };
}

type Given = "name" | "heritability" | "read";

/**
 * A kind that is measured: a figure is typed, a mean of several makes sense, more or less of it may be wanted.
 * @example measured({ name: "Mass", heritability: { low: 0.1, high: 0.5 }, read: () => ({ takes: "a mass" }) }).keys([])
 *   // "type the figure, Enter goes on"
 */
export function measured(kind: Pick<TraitKind, Given> & Partial<TraitKind>): TraitKind {
  return {
    measured: true,
    step: 0,
    computed: false,
    describedBy: [],
    wanted: MEASURED,
    often: ["once", "again", "pass"],
    within: null,
    categories: () => NO_CATEGORIES,
    units: (unit) => ({ value: unit, difference: unit, axis: unit }),
    sides: { less: "less", more: "more" },
    entry: () => ({ by: "typing", keyboard: "decimal" }),
    keys: () => "type the figure, Enter goes on",
    byKey: () => null,
    begins: (key) => /^[0-9-]$/.test(key),
    goesOn: (key) => /^[0-9.,\-/]$/.test(key),
    takesToday: false,
    meant: (typed) => {
      const read = readNumber(typed);
      return read.kind === "read" ? figure(read.value) : { number: null, word: typed };
    },
    typed: typedOf,
    shown: (value) => (value.number === null ? typedOf(value) : shownOf(value)),
    ...kind,
  };
}

/**
 * A kind that tells plants apart by categories: what is wanted is one of them, and the last look stands.
 * @example sorted({ name: "Sex", heritability: { low: 0.3, high: 0.9 }, wanted: ["none"], categories: () => ["male",
 *   "female"], read: () => ({ takes: "m or f" }) }).often // ["once"]
 */
export const sorted = (kind: Pick<TraitKind, Given | "wanted" | "categories"> & Partial<TraitKind>): TraitKind =>
  measured({ measured: false, step: 1, often: ["once"], shown: typedOf, ...kind });
