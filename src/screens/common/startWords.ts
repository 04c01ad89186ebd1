import type { Start } from "@/records/start/commands";

/** What each way to begin is called, what it is for, and how what is grown is asked for. */
export const START_WORDS: Record<Start, { title: string; what: string; name: string; unnamed: string }> = {
  keep: {
    title: "Keep a variety",
    what: "Grow a variety for its own seed, so that it comes true year after year.",
    name: "Name of the variety",
    unnamed: "Blank: it is named by its kind, and can be renamed.",
  },
  cross: {
    title: "Make a cross",
    what: "Cross two parents by hand, and lead what comes of them to a new variety.",
    name: "Mother",
    unnamed: "The line that bears the fruit. Blank: both are named by their kind.",
  },
  mix: {
    title: "Start a mix",
    what: "Let many kinds cross freely, and keep what does best on your ground.",
    name: "Name of the mix",
    unnamed: "Blank: it is named by its kind, and can be renamed.",
  },
};
