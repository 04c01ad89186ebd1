import { groupBy } from "./groupBy";

/**
 * How often each word stands in a list, the most frequent first; of as many the one that came first.
 * @example counted(["red", "pale", "pale"]) // [{ word: "pale", count: 2 }, { word: "red", count: 1 }]
 */
export const counted = (words: string[]): { word: string; count: number }[] =>
  [...groupBy(words, (word) => word)]
    .map(([word, of]) => ({ word, count: of.length }))
    .sort((a, b) => b.count - a.count);
