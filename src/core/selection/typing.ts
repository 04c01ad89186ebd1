import { numberTyped } from "../writing/numbers";
import type { ScoreValue } from "./yardsticks";

/** What is typed on a yardstick. */
export type TypedOn = { kind: string; words: string[] };

/**
 * A score that one key says by itself: a step of a scale, yes or no, the word of a number; null where more must be typed.
 * @example keyScore({ kind: "category", words: ["orange", "white"] }, "2") // "white"
 */
export function keyScore({ kind, words }: TypedOn, key: string): string | null {
  if (kind === "scale") return /^[1-9]$/.test(key) ? key : null;
  if (kind === "yes-no") return { y: "y", "1": "y", n: "n", "0": "n" }[key] ?? null;
  if (kind === "category" && words.length <= 9) return /^[1-9]$/.test(key) ? (words[Number(key) - 1] ?? null) : null;
  return null;
}

/**
 * Whether a key begins or goes on a score that is finished by Enter or by going on.
 * @example typesOn({ kind: "number", words: [] }, ",") // true
 */
export function typesOn({ kind, words }: TypedOn, key: string): boolean {
  if (key.length !== 1) return false;
  if (kind === "number" || kind === "count") return /[0-9.,\-/]/.test(key);
  if (kind === "date") return /[\p{L}0-9.\-/ ]/u.test(key);
  return kind === "category" && words.length > 9 && /[\p{L}0-9 -]/u.test(key);
}

/**
 * A kept score as it is typed.
 * @example scoreTyped("yes-no", { number: 1, word: null }) // "y"
 */
export function scoreTyped(kind: string, { number, word }: ScoreValue): string {
  if (word !== null) return word;
  if (kind === "yes-no") return number === 1 ? "y" : "n";
  return numberTyped(number ?? 0);
}

/**
 * A score as a mark shows it: a mean of several looks rounded, words whole.
 * @example scoreShown("number", { number: 1.2345, word: null }) // "1.23"
 */
export function scoreShown(kind: string, value: ScoreValue): string {
  const { number } = value;
  if (number === null || kind === "yes-no") return scoreTyped(kind, value);
  const size = Math.abs(number);
  return numberTyped(Number(number.toFixed(size >= 100 ? 0 : size >= 10 ? 1 : 2)));
}
