/** How a test of a line stands: what it asks for is shown, is shown not to be, or nobody can say yet. */
export type Standing = "holds" | "fails" | "open";

/**
 * What is said to hold is wrongly said of one line in so many, of those of which it does not hold. As a line comes true only
 * where all its tests hold, that is so of the whole verdict too, however many tests there are (Berger 1982, intersection of
 * tests).
 */
export const SURE = 0.95;

/** The standing of several that must all hold: one that fails fails all. @example allOf(["holds", "open"]) // "open" */
export const allOf = (standings: Standing[]): Standing =>
  standings.includes("fails")
    ? "fails"
    : standings.length > 0 && standings.every((one) => one === "holds")
      ? "holds"
      : "open";
