import { NOT_TYPED, sorted } from "./kind";

const KEYS: Record<string, string> = { y: "y", "1": "y", n: "n", "0": "n" };

/** Whether a plant has something. Kept as 1 or 0. */
export const yesNo = sorted({
  name: "Yes or no",
  heritability: { low: 0.3, high: 0.9 },
  wanted: ["yes", "no", "none"],
  categories: () => ["yes", "no"],
  entry: () => ({
    by: "press",
    inOneRow: false,
    choices: [
      { typed: "y", label: "Yes" },
      { typed: "n", label: "No" },
    ],
  }),
  keys: () => "y or n scores and goes on",
  byKey: (key) => KEYS[key] ?? null,
  ...NOT_TYPED,
  read: (typed) => {
    if (/^(y|yes|1)$/i.test(typed)) return { value: { number: 1, word: null } };
    if (/^(n|no|0)$/i.test(typed)) return { value: { number: 0, word: null } };
    return { takes: "y or n" };
  },
  meant: (typed) => ({ number: typed === "y" ? 1 : 0, word: null }),
  typed: ({ number }) => (number === 1 ? "y" : "n"),
  shown: ({ number }) => (number === 1 ? "y" : "n"),
});
