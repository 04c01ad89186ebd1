import { distance } from "fastest-levenshtein";

/** A name as it is compared: small letters and figures alone, without marks. */
const bare = (name: string): string =>
  name
    .normalize("NFD")
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}]/gu, "");

/** So many letters may differ. */
const DIFFER = 1;

/**
 * Whether two names would be taken for each other: the same but for capitals, marks, blanks and one letter.
 * @example alike("Ember Sweet", "ember-swet") // true
 */
export function alike(one: string, other: string): boolean {
  const [a, b] = [bare(one), bare(other)];
  if (a === b) return true;
  return Math.min(a.length, b.length) > 3 && distance(a, b) <= DIFFER;
}
