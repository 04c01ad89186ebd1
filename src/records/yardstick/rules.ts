import { isMeasured, kindOf } from "@/core/traits/kinds";
import { refuse } from "@/db/ops";
import { type Facts, type Rule, touched } from "../facts";
import { hasYardstick, yardstickById } from "./queries";
import type { Yardstick } from "./yardstick";

/** The words that a plant can show on a yardstick; none of what is measured. */
export const wordsOf = ({ kind, categories }: Pick<Yardstick, "kind" | "categories">): string[] =>
  kindOf({ kind }).categories(JSON.parse(categories) as string[]);

function aim(yardstick: Yardstick): void {
  const { wanted, target, targetWord, low, high, floor, ceiling, must } = yardstick;
  const { wanted: may, measured, within } = kindOf(yardstick);
  if (!may.includes(wanted)) refuse("wanted", `For this kind, wanted is one of: ${may.join(", ")}.`);
  if (wanted === "target" && target === null) refuse("target", "Say the target's value.");
  if (wanted === "range" && (low === null || high === null))
    refuse(low === null ? "low" : "high", "Say from where to where.");
  if (wanted === "range" && low! >= high!) refuse("high", `A range goes up: more than ${low}.`);
  if (wanted === "category" && !wordsOf(yardstick).includes(targetWord ?? ""))
    refuse("targetWord", "The wanted word must be one of the words.");
  if (!measured && (floor !== null || ceiling !== null))
    refuse(floor === null ? "ceiling" : "floor", "Only what is measured can be too low or too high.");
  if (floor !== null && ceiling !== null && floor >= ceiling)
    refuse("ceiling", `Above the floor of ${floor}, or nothing is left.`);
  if (within)
    for (const [field, value] of Object.entries({ target, low, high, floor, ceiling }))
      if (value !== null && (value < within.low || value > within.high))
        refuse(field, `It goes from ${within.low} to ${within.high}.`);
  if (must && (measured || wanted === "none"))
    refuse("must", "Say which word, or yes or no, is wanted; any other is then out.");
}

/** A ratio is of two measured yardsticks of the same line. */
function ratio({ db }: Facts, { kind, lineId, ofId, byId }: Yardstick): void {
  const { computed } = kindOf({ kind });
  for (const [field, id] of Object.entries({ ofId, byId })) {
    if (!computed) {
      if (id !== null) refuse(field, "Only a ratio has two yardsticks.");
      continue;
    }
    const part = id === null ? undefined : yardstickById(db, id);
    if (!part || part.lineId !== lineId || !isMeasured(part) || kindOf(part).computed)
      refuse(field, "Choose a number, count, scale or day of this line.");
  }
  if (computed && ofId === byId) refuse("byId", "Choose two different ones.");
}

export const yardstickRule: Rule<Yardstick> = (facts, next, before) => {
  const { lowEnd, highEnd, often } = next;
  const kind = kindOf(next);
  const words = JSON.parse(next.categories) as string[];
  if (kind.describedBy.includes("categories") && words.length < 2)
    refuse("categories", "Give at least two words, with commas between.");
  aim(next);
  if (kind.describedBy.includes("ends") && !(lowEnd && highEnd))
    refuse(lowEnd ? "highEnd" : "lowEnd", "Describe both ends of the scale, so that 1 and 9 mean the same next year.");
  if (!kind.often.includes(often)) refuse("often", `For this kind, how often is one of: ${kind.often.join(", ")}.`);
  if (touched(next, before, "ofId", "byId", "kind")) ratio(facts, next);
  // Scores of one plant on two yardsticks of one name can't be told apart on any screen.
  if (
    next.retiredOn === null &&
    touched(next, before, "name", "retiredOn") &&
    hasYardstick(facts.db, next.lineId, next.name, next.id)
  )
    refuse("name", "This line has a yardstick of that name already.");
};
