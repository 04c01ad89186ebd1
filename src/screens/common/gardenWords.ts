import { dayTyped } from "@/core/writing/days";
import type { Locale } from "@/core/writing/locale";
import { numberTyped } from "@/core/writing/numbers";

const NAMES: Record<Locale, string> = {
  "en-GB": "British",
  "en-US": "American",
  de: "German",
  fr: "French",
  pl: "Polish",
};
/** A day on which the order can be told. */
const EXAMPLE = "2027-07-25";

export const localeInWords = (of: Locale): string => `${NAMES[of]}: ${dayTyped(EXAMPLE, of)}, ${numberTyped(0.5, of)}`;

export const UNITS_WORDS = { metric: "Metres and grams", imperial: "Feet and ounces" } as const;

export const STATIONS = {
  none: "None: normals and my own readings",
  simulated: "The simulated station: made-up weather, to try things",
} as const;

export const CARE = {
  relaxed: "Relaxed: seed for my own table",
  usual: "Usual: seed to share",
  strict: "Strict: keeping a rare variety",
} as const;

/** How sure seed is to ripen, and how often that is. */
export const RIPE: [share: number, words: string][] = [
  [0.95, "19 years in 20"],
  [0.9, "9 years in 10"],
  [0.8, "4 years in 5"],
  [0.5, "Every second year"],
];
