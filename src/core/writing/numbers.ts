import { decimalSign, type Locale, writtenAs } from "./locale";
import { asked, EMPTY, plainly, type Read, read, twoWays, unread } from "./read";

const formats = new Map<string, Intl.NumberFormat>();

function format(locale: Locale, least: number, most: number): Intl.NumberFormat {
  const key = `${locale} ${least} ${most}`;
  const known =
    formats.get(key) ?? new Intl.NumberFormat(locale, { minimumFractionDigits: least, maximumFractionDigits: most });
  formats.set(key, known);
  return known;
}

/**
 * A number in words for a person, with no more digits after the point than are asked for.
 * @param most digits after the point, at most
 * @param least digits after the point that are written even where they are 0
 * @example figure(1234.567, 1) // "1,234.6"
 */
export const figure = (value: number, most = 0, least = 0): string => format(writtenAs(), least, most).format(value);

/** The same with all its digits after the point. @example fixed(2, 1) // "2.0" */
export const fixed = (value: number, digits: number): string => figure(value, digits, digits);

/** Where three digits follow one sign nobody can tell a fraction from thousands. */
const THREE_AFTER = /\.\d{3}$/;

/**
 * A number as it stands in a field, which reads as itself again: no marks between thousands.
 * @example numberTyped(0.25, "de") // "0,25"
 */
export function numberTyped(value: number, locale: Locale = writtenAs()): string {
  if (!Number.isFinite(value)) return "";
  const plain =
    Math.abs(value) < 1e-6 || Math.abs(value) >= 1e15 ? value.toFixed(10).replace(/\.?0+$/, "") : String(value);
  const clear = THREE_AFTER.test(plain) && !/^-?0\./.test(plain) ? `${plain}0` : plain;
  return clear.replace(".", decimalSign(locale)).replace(/^-0$/, "0");
}

const FRACTIONS: Record<string, number> = { "½": 1 / 2, "¼": 1 / 4, "¾": 3 / 4, "⅓": 1 / 3, "⅔": 2 / 3, "⅛": 1 / 8 };
const FRACTION_SIGN = /^(\d+)? ?([½¼¾⅓⅔⅛])$/;
const FRACTION = /^(?:(\d+) )?(\d{1,3})\/(\d{1,3})$/;
/** Marks between thousands that can't stand before a fraction. */
const SPACED = /^\d{1,3}(?:[ ']\d{3})+(?:[.,]\d*)?$/;
const MANY_MARKS = /^\d{1,3}(?:([.,])\d{3})(?:\1\d{3})+$/;
const BOTH_MARKS = /^\d{1,3}(?:([.,])\d{3})(?:\1\d{3})*(?!\1)[.,]\d+$/;
const ONE_MARK = /^(\d*)[.,](\d*)$/;

function unsigned(text: string, locale: Locale): Read<number> {
  if (/^\d+$/.test(text)) return read(Number(text));
  const sign = FRACTION_SIGN.exec(text);
  if (sign) return read(Number(sign[1] ?? 0) + FRACTIONS[sign[2]!]!);
  const fraction = FRACTION.exec(text);
  if (fraction && Number(fraction[3]) > 0)
    return read(Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3]));
  if (SPACED.test(text)) return read(Number(text.replace(/[ ']/g, "").replace(",", ".")));
  if (MANY_MARKS.test(text)) return read(Number(text.replace(/[.,]/g, "")));
  const both = BOTH_MARKS.exec(text);
  if (both) return read(Number(text.replaceAll(both[1]!, "").replace(",", ".")));
  const one = ONE_MARK.exec(text);
  if (!one || (!one[1] && !one[2])) return unread(`“${text}” can't be read as a number.`);
  const small = Number(text.replace(",", "."));
  if (one[2]!.length !== 3 || !/^[1-9]\d{0,2}$/.test(one[1]!)) return read(small);
  const large = Number(one[1]! + one[2]!);
  const choices = [
    { value: small, words: figure(small, 3) },
    { value: large, words: String(large) },
  ];
  // The likelier reading by the person's own sign comes first.
  return asked(twoWays(text), text.includes(decimalSign(locale)) ? choices : choices.reverse());
}

const negated = (from: Read<number>): Read<number> => {
  if (from.kind === "read") return read(-from.value);
  if (from.kind !== "asked") return from;
  return { ...from, choices: from.choices.map(({ value, words }) => ({ value: -value, words: `-${words}` })) };
};

function single(text: string, locale: Locale): Read<number> {
  if (/^[-+]/.test(text)) {
    const rest = unsigned(text.slice(1).trim(), locale);
    return text.startsWith("-") ? negated(rest) : rest;
  }
  return unsigned(text, locale);
}

/** One number to another, as people write a range. */
const RANGE = /^(.*?\d[^-–—]*?) ?(?:-|–|—|\.\.\.?|…| to | bis | à | do ) ?(.*?\d.*)$/;

/**
 * A number as people write it: comma or point, marks or spaces between thousands, fractions. What can be read in two ways,
 * and a range where one number is wanted, is asked about.
 * @example readNumber("-44,9") // { kind: "read", value: -44.9 }
 * @example readNumber("1,250").kind // "asked"
 */
export function readNumber(text: string, locale: Locale = writtenAs()): Read<number> {
  const plain = plainly(text);
  if (plain === "") return EMPTY;
  const alone = single(plain, locale);
  if (alone.kind !== "unread") return alone;
  const range = RANGE.exec(plain);
  if (!range) return alone;
  const [low, high] = [single(range[1]!, locale), single(range[2]!, locale)];
  if (low.kind !== "read" || high.kind !== "read") return alone;
  const values = [low.value, (low.value + high.value) / 2, high.value];
  return asked(
    `“${plain}” is a range; one number is wanted here.`,
    values.map((value) => ({ value, words: figure(value, 2) })),
  );
}
