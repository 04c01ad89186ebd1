/** What a physical thing is; the first letter of its code. */
export const KINDS = { line: "L", stand: "S", family: "F", plant: "P", cross: "X", lot: "K", vessel: "V" } as const;
/** What has a code of its own; a flower's is its cross's with its number. */
export type Kind = keyof typeof KINDS | "flower";

/** Running numbers that a device is given at once, to give to new things. */
export const LEASED = 100;

// 31 characters, a prime: digits and the letters that cannot be taken for a digit or each other in a wet hand.
const ALPHABET = "0123456789ABCDEFGHJKLMNPRSTWXYZ";
const PRIME = 31;
/** A primitive root of 31: its powers differ by place, so that a swap of neighbours always changes the sum. */
const ROOT = 3;

const weighted = (characters: string): number => {
  let sum = 0;
  for (const character of characters) sum = (sum * ROOT + ALPHABET.indexOf(character)) % PRIME;
  return sum;
};

/**
 * The check character of a code's other characters.
 *
 * A weighted sum modulo the prime 31 with the powers of 3 as weights (the construction of ISO 7064's pure systems, with
 * our own alphabet): any one wrong character and any two swapped neighbours change the sum.
 * @param payload characters of the code's alphabet without hyphens
 * @example checkCharacter("X27014") // "X"
 */
export function checkCharacter(payload: string): string {
  return ALPHABET[(PRIME - ((weighted(payload) * ROOT) % PRIME)) % PRIME]!;
}

/**
 * A code as it is written on the tag: kind, season's last two digits, running number, check character.
 * @param serial running number within kind and season, from 1
 * @example makeCode("cross", 2027, 14) // "X27-014-X"
 */
export function makeCode(kind: keyof typeof KINDS, season: number, serial: number): string {
  const year = String(season % 100).padStart(2, "0");
  const number = String(serial).padStart(3, "0");
  return `${KINDS[kind]}${year}-${number}-${checkCharacter(`${KINDS[kind]}${year}${number}`)}`;
}

/** Stands between a cross's number and its flower's. */
const FLOWER = "N";

/**
 * The code on one flower's tag: its cross's code with the flower's number and a check character of its own.
 * @param crossCode as `makeCode` writes it
 * @param number the flower's number within the cross, from 1
 * @example flowerCode("X27-014-Y", 3) // "X27-014-N3-…"
 */
export function flowerCode(crossCode: string, number: number): string {
  const [kindAndYear, serial] = crossCode.split("-");
  return `${kindAndYear}-${serial}-${FLOWER}${number}-${checkCharacter(`${kindAndYear}${serial}${FLOWER}${number}`)}`;
}

export type ReadCode =
  | { ok: true; kind: keyof typeof KINDS; code: string }
  | { ok: true; kind: "flower"; code: string; cross: string; number: number }
  | { ok: false; message: string };

/**
 * Reads a typed code: any case, with or without hyphens, O for 0 and I for 1.
 * @returns the code as written, or what is wrong with it
 * @example readCode("x27 o14 x") // { ok: true, kind: "cross", code: "X27-014-X" }
 */
export function readCode(typed: string): ReadCode {
  const characters = typed.toUpperCase().replace(/[\s-]/g, "").replaceAll("O", "0").replaceAll("I", "1");
  const parts = /^([LSFPXKV])(\d{2})(\d{3,})(?:N([1-9]\d*))?(.)$/.exec(characters);
  if (!parts)
    return { ok: false, message: "A code looks like X27-014-K: a letter, the year, a number, a check character." };
  const [, letter, year, number, flower, check] = parts;
  if (checkCharacter(characters.slice(0, -1)) !== check)
    return { ok: false, message: "The check character does not fit: one character is wrong or two are swapped." };
  const kind = (Object.keys(KINDS) as (keyof typeof KINDS)[]).find((k) => KINDS[k] === letter)!;
  const code = `${letter}${year}-${number}-${checkCharacter(`${letter}${year}${number}`)}`;
  if (!flower) return { ok: true, kind, code };
  if (kind !== "cross") return { ok: false, message: "Only the flowers of a cross have a code with N." };
  return { ok: true, kind: "flower", code: flowerCode(code, Number(flower)), cross: code, number: Number(flower) };
}
