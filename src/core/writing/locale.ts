/** How days and numbers are written, and in which order a person writes a day. */
export const LOCALES = ["en-GB", "en-US", "de", "fr", "pl"] as const;
export type Locale = (typeof LOCALES)[number];

let chosen: Locale = "en-GB";

/**
 * Writes from now on as a locale does. A program serves one garden, which has one locale: threading it through every
 * sentence would hide what the sentences say.
 * @example writeAs("en-GB") // undefined
 */
export const writeAs = (locale: Locale): void => {
  chosen = locale;
};

/** The locale that is written in. @example writtenAs() // "en-GB" */
export const writtenAs = (): Locale => chosen;

/**
 * The sign between whole and fraction.
 * @example decimalSign("de") // ","
 */
export const decimalSign = (locale: Locale): "." | "," => (locale.startsWith("en") ? "." : ",");

/** Whether a day is written before its month. @example dayFirst("en-US") // false */
export const dayFirst = (locale: Locale): boolean => locale !== "en-US";
