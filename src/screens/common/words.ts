import { type Day, dayInWords } from "@/core/calendar/day";
import { hourInWords } from "@/core/writing/hours";

/** The choices of a select from a table of words. */
export const choicesOf = (table: Record<string, string>) =>
  Object.entries(table).map(([value, label]) => ({ value, label }));

export const spanInWords = (start: Day, end: Day): string => `${dayInWords(start)} to ${dayInWords(end)}`;

export const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** The same of what is reckoned, not counted: never all, never none. */
export const reckonedPercent = (share: number): string => percent(Math.min(0.99, Math.max(0.01, share)));

/** When the first insects fly; bumblebees and honey bees at once on a mild morning. */
export const insectsInWords = ({ from, to }: { from: string; to: string }): string =>
  from === to ? `from ${hourInWords(from)}` : `${hourInWords(from)} to ${hourInWords(to)}`;

/** Words as a sentence begins. */
export const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** A share of seed as growers say it. A model is never certainty. @example "58 in 100" */
export function inHundred(share: number): string {
  if (share > 0.99) return "over 99 in 100";
  return share < 0.01 ? "under 1 in 100" : `${Math.round(share * 100)} in 100`;
}

/** Nothing is foretold farther than so many years. */
const FORETOLD = 20;

/** The year until which something keeps; a model is not asked for what is far off. @example "2031", "beyond 2047" */
export function yearInWords(day: Day, today: Day): string {
  const most = Number(today.slice(0, 4)) + FORETOLD;
  return Number(day.slice(0, 4)) > most ? `beyond ${most}` : day.slice(0, 4);
}

/** How much rests on a line. */
export const linesFromIt = (lines: number): string =>
  lines === 1 ? "1 line comes from it." : `${lines} lines come from it.`;

/** A share with its range of nine tenths. */
export function rangeInHundred({ low, likely, high }: { low: number; likely: number; high: number }): string {
  const [from, to] = [low, high].map((share) => Math.round(Math.min(0.99, share) * 100));
  return from === to ? inHundred(likely) : `${inHundred(likely)} (${from}–${to})`;
}

/** Several by name, the last after an "and". @example listInWords(["A", "B", "C"]) // "A, B and C" */
export const listInWords = (names: string[]): string =>
  names.length < 2 ? (names[0] ?? "") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;
