/**
 * What a person wrote, as it was understood: a value; nothing; several readings, of which one must be chosen; or none, with
 * the reason. `also` is what was written along with it and belongs into other fields.
 */
export type Read<T> =
  | { kind: "read"; value: T; also?: Record<string, number> }
  | { kind: "empty" }
  | { kind: "asked"; question: string; choices: { value: T; words: string }[] }
  | { kind: "unread"; why: string };

export const EMPTY = { kind: "empty" } as const;
/** A value that was understood. @example read(3) // { kind: "read", value: 3 } */
export const read = <T>(value: T): Read<T> => ({ kind: "read", value });
/** What was not understood, and why. @example unread("No day.") // { kind: "unread", why: "No day." } */
export const unread = (why: string) => ({ kind: "unread", why }) as const;

/**
 * A choice between readings; where all of them come to the same it is no question.
 * @example asked("Which?", [{ value: 5, words: "5" }, { value: 5, words: "5" }]) // { kind: "read", value: 5 }
 */
export function asked<T>(question: string, choices: { value: T; words: string }[]): Read<T> {
  const apart = choices.filter((one, i) => choices.findIndex(({ value }) => value === one.value) === i);
  return apart.length === 1 ? read(apart[0]!.value) : { kind: "asked", question, choices: apart };
}

/**
 * What was read, turned into something else; questions and refusals stay what they are.
 * @example turned({ kind: "read", value: 2 }, (n) => 2 * n) // { kind: "read", value: 4 }
 */
export function turned<A, B>(from: Read<A>, turn: (value: A) => B): Read<B> {
  if (from.kind === "read") return { ...from, value: turn(from.value) };
  if (from.kind !== "asked") return from;
  return { ...from, choices: from.choices.map(({ value, words }) => ({ value: turn(value), words })) };
}

/** What asks about a text of two readings. @example twoWays("1,250") // "“1,250” can be read in two ways. Which is meant?" */
export const twoWays = (text: string): string => `“${text}” can be read in two ways. Which is meant?`;

/** Letters small and without their marks, as they are typed in a hurry. @example unmarked("Żółw") // "zolw" */
export const unmarked = (text: string): string =>
  text
    .toLowerCase()
    .normalize("NFD")
    .replace(/[\u0300-\u036f]/g, "")
    .replace(/ł/g, "l");

/** Text as it is read: signs that look alike as one, no spaces around it. @example plainly(" −44  .9 ") // "-44 .9" */
export const plainly = (text: string): string =>
  text
    .replace(/[\u00a0\u2007\u2009\u202f]/g, " ")
    .replace(/[\u2212\u2012\ufe63\uff0d]/g, "-")
    .replace(/[\u2018\u2019\u2032\u02b9]/g, "'")
    .replace(/[\u201c\u201d\u2033\u02ba]/g, '"')
    .trim()
    .replace(/\s+/g, " ");
