import type { Guard, PlanWay } from "@/core/plans/linePlan";
import type { PlanAct } from "@/core/plans/schemes";

/** What each way of breeding is called, and what it is. */
export const SCHEME_WORDS: Record<PlanWay, { name: string; what: string }> = {
  pedigree: { name: "Pedigree", what: "the best plants of the best families selfed, each family known" },
  "single-seed": { name: "Single-seed descent", what: "one seed of each plant, chosen only among lines at the end" },
  bulk: { name: "Bulk", what: "let be until it is nearly fixed, then chosen" },
  mass: { name: "Mass selection", what: "the best mothers each year, whoever the fathers were" },
  "half-sib": { name: "Half-sib families", what: "a row of each mother, the best rows and plants go on" },
  "full-sib": { name: "Full-sib families", what: "the best in pairs by hand, a family of each pair" },
  recurrent: { name: "Recurrent selection", what: "the best crossed among each other each year, selfed at the end" },
  backcross: {
    name: "Backcross",
    what: "back to one parent, keeping the trait of the other; selfed in between if it is recessive",
  },
  "near-isogenic": {
    name: "Near-isogenic line",
    what: "backcrossed for one trait, then selfed twice, choosing nothing else",
  },
  "pure-line": { name: "Pure line from a mix", what: "single plants of a mix in rows, the best rows again" },
  "undo-hybrid": { name: "Undoing a hybrid", what: "as pedigree, from a bought F1" },
  keep: { name: "Keep pure", what: "enough plants, off-types removed, grown again before the seed dies" },
  mix: { name: "Let it mix", what: "first kept alive, then the best mothers each year" },
  clone: { name: "One chosen seedling", what: "many seedlings, multiplied, fewer kept each year" },
};

/** What is done in a season of a plan. */
export const ACTS_OF_PLANS: Record<PlanAct, string> = {
  cross: "cross the parents",
  self: "save selfed seed of all",
  "select-self": "self the best",
  "one-seed": "one seed of each plant",
  "select-open": "save open seed of the best",
  pair: "cross the best in pairs",
  backcross: "cross back to the parent",
  compare: "compare, and keep the best line",
  keep: "remove off-types, save seed of the rest",
  "let-be": "save seed of all that lives",
  clone: "multiply the best",
  multiply: "multiply it, and keep it healthy",
};

/** How a generation's seed is kept from other pollen. */
export const GUARD_WORDS: Record<Guard, string> = {
  none: "nothing needed",
  apart: "by standing apart",
  hand: "by hand",
};
