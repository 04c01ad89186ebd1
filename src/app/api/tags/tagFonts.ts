import { readFileSync } from "node:fs";
import { join } from "node:path";
import fontkit from "@pdf-lib/fontkit";
import type { PDFDocument, PDFFont } from "pdf-lib";

/** A font as it is read: its signs, and its parts as they were asked for. */
type Read = ReturnType<typeof fontkit.create>;

const ATKINSON = "node_modules/@expo-google-fonts/atkinson-hyperlegible-next";
const NOTO = "node_modules/@expo-google-fonts/noto-sans";
/** The first has the letters of the screen; what it lacks, Greek and Cyrillic, the second has. */
const FILES = {
  plain: [
    `${ATKINSON}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`,
    `${NOTO}/400Regular/NotoSans_400Regular.ttf`,
  ],
  bold: [`${ATKINSON}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`, `${NOTO}/700Bold/NotoSans_700Bold.ttf`],
} as const;

export type Weight = keyof typeof FILES;

/** Stands where no font has a sign. */
const NO_SIGN = "?";

/** A stretch of words in one font. */
export type Run = { words: string; font: PDFFont };

/** Words in the fonts that have their signs. */
export type Fonts = {
  runs: (words: string, weight: Weight) => Run[];
  width: (words: string, weight: Weight, size: number) => number;
  /** Signs that none of the fonts has. */
  lacks: (words: string) => string[];
};

/** The signs of words, joined as they are written: letters with marks by themselves become one, a tab a space. */
const signsOf = (words: string) =>
  [...words.normalize("NFC").replace(/[\t\n\v\f\r]/g, " ")].filter(
    (sign) => !/\p{Cc}|\p{Cf}|\p{Variation_Selector}/u.test(sign),
  );

/** The files that were read once: to read a font takes longer than all that is written with it. */
const bytesOf = new Map<string, Uint8Array>();
const fontOfBytes = new Map<Uint8Array, Read>();

function kept<K, V>(known: Map<K, V>, key: K, read: (key: K) => V): V {
  const value = known.get(key) ?? read(key);
  known.set(key, value);
  return value;
}

export async function fontsFor(pdf: PDFDocument): Promise<Fonts> {
  pdf.registerFontkit({ create: (bytes) => kept(fontOfBytes, bytes, fontkit.create) });
  const embed = async (file: string) => {
    const bytes = kept(bytesOf, file, () => readFileSync(join(process.cwd(), file)));
    const font = await pdf.embedFont(bytes, { subset: true });
    return { font, has: new Set(font.getCharacterSet()) };
  };
  const read = async (weight: Weight) => Promise.all(FILES[weight].map(embed));
  const known = { plain: await read("plain"), bold: await read("bold") };
  const fontOf = (sign: string, weight: Weight) => known[weight].find(({ has }) => has.has(sign.codePointAt(0)!))?.font;
  const runs = (words: string, weight: Weight) => {
    const found: Run[] = [];
    for (const sign of signsOf(words)) {
      const font = fontOf(sign, weight);
      const written = font ? sign : NO_SIGN;
      const last = found.at(-1);
      if (last && last.font === (font ?? last.font)) last.words += written;
      else found.push({ words: written, font: font ?? known[weight][0]!.font });
    }
    return found;
  };
  // The same words come again and again, in many lines and sizes: each is measured once, widths grow with the size.
  const widths = { plain: new Map<string, number>(), bold: new Map<string, number>() };
  const unit = (word: string, weight: Weight) =>
    kept(widths[weight], word, () =>
      runs(word, weight).reduce((sum, run) => sum + run.font.widthOfTextAtSize(run.words, 1), 0),
    );
  return {
    runs,
    width: (words, weight, size) => words.split(/(?<= )/).reduce((sum, word) => sum + unit(word, weight), 0) * size,
    lacks: (words) => [...new Set(signsOf(words).filter((sign) => !fontOf(sign, "plain")))],
  };
}
