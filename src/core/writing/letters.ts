/** A file's bytes as text, and how they were read. */
export type Letters = { text: string; from: "utf-8" | "utf-16" | "windows-1252" };

/**
 * A file's bytes as text: UTF-8, UTF-16 where its first two bytes say so, and otherwise Western European letters as
 * spreadsheets of old write them, which is a guess.
 * @example lettersOf(Uint8Array.of(75, 228, 116, 104, 101)) // { text: "Käthe", from: "windows-1252" }
 */
export function lettersOf(bytes: Uint8Array): Letters {
  const [first, second] = bytes;
  const little = first === 0xff && second === 0xfe;
  if (little || (first === 0xfe && second === 0xff))
    return { text: new TextDecoder(little ? "utf-16le" : "utf-16be").decode(bytes), from: "utf-16" };
  try {
    return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes), from: "utf-8" };
  } catch {
    return { text: new TextDecoder("windows-1252").decode(bytes), from: "windows-1252" };
  }
}

/**
 * Words of a text that hold letters beyond English ones, to look at where these were guessed.
 * @example foreignWords("12;Tante Käthe;Zoë;Käthe", 2) // ["Käthe", "Zoë"]
 */
export const foreignWords = (text: string, most: number): string[] =>
  [...new Set(text.match(/[\p{L}\p{M}\u0080-\uffff]+/gu)?.filter((word) => /[^\0-\x7f]/.test(word)))].slice(0, most);
