export const LIFE_STATES = {
  keeps: "keeps",
  regrow: "last good year",
  failing: "under your limit",
  dead: "hardly alive",
} as const;

export const LIFE_TONES = {
  keeps: "text-moss",
  regrow: "text-quince",
  failing: "text-rust",
  dead: "text-rust",
} as const;

export const FRACTION_WORDS = {
  first: "first rubbed out",
  later: "rubbed out later",
  sunk: "sank",
  floated: "floated",
  best: "the best",
  "second-best": "second best, a reserve",
  ends: "ends of the ears",
} as const;
