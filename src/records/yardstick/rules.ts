import { isMeasured, WANTED_OF, type Wanted } from "@/core/selection/yardsticks";
import { refuse } from "@/db/ops";
import { type Facts, type Rule, touched } from "../facts";
import { hasYardstick, yardstickById } from "./queries";
import type { Yardstick } from "./yardstick";

/** What can be looked at again and again, and what can be added up. */
const OFTEN: Record<Yardstick["often"], Yardstick["kind"][]> = {
  once: ["number", "count", "scale", "category", "yes-no", "date", "ratio"],
  again: ["number", "count", "scale"],
  pass: ["number", "count"],
};

/** The words that a plant can show on a yardstick; none of what is measured. */
export const wordsOf = ({ kind, categories }: Pick<Yardstick, "kind" | "categories">): string[] =>
  kind === "category" ? (JSON.parse(categories) as string[]) : kind === "yes-no" ? ["yes", "no"] : [];

function aim({ kind, wanted, target, targetWord, low, high, floor, ceiling, must, categories }: Yardstick): void {
  const may: readonly Wanted[] = WANTED_OF[kind];
  if (!may.includes(wanted)) refuse("wanted", `For this kind, wanted is one of: ${may.join(", ")}.`);
  if (wanted === "target" && target === null) refuse("target", "Say the target's value.");
  if (wanted === "range" && (low === null || high === null))
    refuse(low === null ? "low" : "high", "Say from where to where.");
  if (wanted === "range" && low! >= high!) refuse("high", `A range goes up: more than ${low}.`);
  if (kind === "category" && wanted === "category" && !(JSON.parse(categories) as string[]).includes(targetWord ?? ""))
    refuse("targetWord", "The wanted word must be one of the words.");
  if (!isMeasured(kind) && (floor !== null || ceiling !== null))
    refuse(floor === null ? "ceiling" : "floor", "Only what is measured can be too low or too high.");
  if (floor !== null && ceiling !== null && floor >= ceiling)
    refuse("ceiling", `Above the floor of ${floor}, or nothing is left.`);
  if (kind === "scale")
    for (const [field, value] of Object.entries({ target, low, high, floor, ceiling }))
      if (value !== null && (value < 1 || value > 9)) refuse(field, "The scale goes from 1 to 9.");
  if (must && (isMeasured(kind) || wanted === "none"))
    refuse("must", "Say which word, or yes or no, is wanted; any other is then out.");
}

/** A ratio is of two measured yardsticks of the same line. */
function ratio({ db }: Facts, { kind, lineId, ofId, byId }: Yardstick): void {
  const parts = { ofId, byId };
  for (const [field, id] of Object.entries(parts)) {
    if (kind !== "ratio") {
      if (id !== null) refuse(field, "Only a ratio has two yardsticks.");
      continue;
    }
    const part = id === null ? undefined : yardstickById(db, id);
    if (!part || part.lineId !== lineId || !isMeasured(part.kind) || part.kind === "ratio")
      refuse(field, "Choose a number, count, scale or day of this line.");
  }
  if (kind === "ratio" && ofId === byId) refuse("byId", "Choose two different ones.");
}

export const yardstickRule: Rule<Yardstick> = (facts, next, before) => {
  const { kind, lowEnd, highEnd, often } = next;
  const words = JSON.parse(next.categories) as string[];
  if (kind === "category" && words.length < 2) refuse("categories", "Give at least two words, with commas between.");
  aim(next);
  if (kind === "scale" && !(lowEnd && highEnd))
    refuse(lowEnd ? "highEnd" : "lowEnd", "Describe both ends of the scale, so that 1 and 9 mean the same next year.");
  if (!OFTEN[often].includes(kind))
    refuse(
      "often",
      `What can be ${often === "pass" ? "added up" : "a mean of several"} is: ${OFTEN[often].join(", ")}.`,
    );
  if (touched(next, before, "ofId", "byId", "kind")) ratio(facts, next);
  // Scores of one plant on two yardsticks of one name can't be told apart on any screen.
  if (
    next.retiredOn === null &&
    touched(next, before, "name", "retiredOn") &&
    hasYardstick(facts.db, next.lineId, next.name, next.id)
  )
    refuse("name", "This line has a yardstick of that name already.");
};
