import { category } from "./category";
import { count } from "./count";
import { date } from "./date";
import type { TraitKind } from "./kind";
import { number } from "./number";
import { ratio } from "./ratio";
import { scale } from "./scale";
import { yesNo } from "./yesNo";

/** Kinds of trait, in the order in which they are offered. */
const KINDS = { number, count, scale, category, "yes-no": yesNo, date, ratio } satisfies Record<string, TraitKind>;
export type TraitKindId = keyof typeof KINDS;
export const TRAIT_KINDS: Readonly<Record<TraitKindId, TraitKind>> = KINDS;
export const TRAIT_KIND_IDS = Object.keys(KINDS) as TraitKindId[];

/**
 * The kind that a trait is of.
 * @example kindOf({ kind: "scale" }).within // { low: 1, high: 9 }
 */
export const kindOf = ({ kind }: { kind: TraitKindId }): TraitKind => KINDS[kind];

/** Whether plants are told apart on it by a figure. @example isMeasured({ kind: "yes-no" }) // false */
export const isMeasured = (trait: { kind: TraitKindId }): boolean => kindOf(trait).measured;

/** Whether it is a scale between two ends that are described. @example hasEnds({ kind: "count" }) // false */
export const hasEnds = (trait: { kind: TraitKindId }): boolean => kindOf(trait).describedBy.includes("ends");
