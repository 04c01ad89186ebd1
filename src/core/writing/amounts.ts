import { type Locale, writtenAs } from "./locale";
import { readNumber } from "./numbers";
import { EMPTY, plainly, type Read, read, turned, unread } from "./read";

/** What a unit measures, and how much of the dimension's own unit it is. */
type Unit = { measures: string; factor: number; from?: number };

const unit = (measures: string, factor: number, words: string, from = 0): [string, Unit][] =>
  words.split(" ").map((word) => [word, { measures, factor, from }]);

const UNITS = new Map<string, Unit>([
  ...unit("length", 1, "m metre metres meter meters mètre mètres metr metry metrów"),
  ...unit("length", 0.01, "cm"),
  ...unit("length", 0.001, "mm"),
  ...unit("length", 1000, "km"),
  ...unit("length", 0.3048, "ft foot feet ' pied pieds"),
  ...unit("length", 0.0254, 'in inch inches " pouce pouces'),
  ...unit("length", 0.9144, "yd yds yard yards"),
  ...unit("length", 1609.344, "mi mile miles"),
  ...unit("mass", 1, "g gram grams gramm gramme grammes"),
  ...unit("mass", 1000, "kg kilo kilos"),
  ...unit("mass", 0.001, "mg"),
  ...unit("mass", 28.349523125, "oz ounce ounces"),
  ...unit("mass", 453.59237, "lb lbs pound pounds"),
  ...unit("temperature", 1, "°c c"),
  ...unit("temperature", 5 / 9, "°f f", -32),
  ...unit("share", 1, "% percent pct prozent"),
  ...unit("time", 1, "d day days tag tage tagen jour jours dzień dni"),
  ...unit("time", 7, "w wk wks week weeks woche wochen semaine semaines tydzień tygodnie tygodni"),
  ...unit("angle", 1, "° deg degree degrees"),
]);

const unitOf = (word: string): Unit | undefined => UNITS.get(word.toLowerCase().replace(/\.$/, ""));

/** Whether a word is a unit that is read. @example isUnit("ft") // true */
export const isUnit = (word: string): boolean => unitOf(word) !== undefined;

/** A number, and what follows it up to the next number. */
const PART = /([-+]?[\d½¼¾⅓⅔⅛][\d\s.,'/½¼¾⅓⅔⅛]*?)\s*([^\d\s.,+\-/½¼¾⅓⅔⅛][^\d]*)(?=\s*\d|$)/gy;

function parts(text: string): { number: string; word: string }[] | null {
  const found: { number: string; word: string }[] = [];
  let end = 0;
  PART.lastIndex = 0;
  for (let match = PART.exec(text); match; match = PART.exec(text)) {
    found.push({ number: match[1]!.trim(), word: match[2]!.trim() });
    end = PART.lastIndex;
  }
  return found.length > 0 && end === text.length ? found : null;
}

const inBase = (value: number, { factor, from = 0 }: Unit) => (value + from) * factor;
/** Ten digits are more than anybody measures, and leave out what reckoning with binary fractions adds. */
const rounded = (value: number) => Number(value.toPrecision(10));

/**
 * A number with or without its unit, in the unit of the field: `30 ft`, `5'6"`, `2 lb 3 oz`, `1 in 40`. A bare number is in
 * the field's own unit.
 * @param own the field's unit as written in `UNITS`; null for what has none
 * @example readAmount("30 ft", "m") // { kind: "read", value: 9.144 }
 */
export function readAmount(text: string, own: string | null, locale: Locale = writtenAs()): Read<number> {
  const plain = plainly(text);
  if (plain === "") return EMPTY;
  const bare = readNumber(plain, locale);
  if (bare.kind !== "unread") return bare;
  const wanted = own === null ? undefined : unitOf(own);
  if (wanted?.measures === "share") {
    const odds = /^(\d+) (?:in|of|out of) (\d+)$/.exec(plain);
    if (odds && Number(odds[2]) > 0) return read(rounded((100 * Number(odds[1])) / Number(odds[2])));
  }
  const found = parts(plain);
  const units = found?.map(({ word }) => unitOf(word));
  if (!found || !units || units.some((one) => !one)) return bare;
  if (!wanted) return unread(`One number without a unit is wanted here, not “${plain}”.`);
  const other = units.find((one) => one!.measures !== wanted.measures);
  if (other) return unread(`“${plain}” is a ${other.measures}; a ${wanted.measures} is wanted here.`);
  // Back from the dimension's own unit.
  const back = (value: number) => rounded(value / wanted.factor - (wanted.from ?? 0));
  if (found.length === 1)
    return turned(readNumber(found[0]!.number, locale), (value) => back(inBase(value, units[0]!)));
  const numbers = found.map(({ number }) => readNumber(number, locale));
  if (numbers.some((one) => one.kind !== "read") || units.some((one) => one!.from)) return bare;
  // Foot before inch, pound before ounce.
  if (units.some((one, i) => i > 0 && one!.factor >= units[i - 1]!.factor)) return bare;
  const sum = numbers.reduce((all, one, i) => all + inBase((one as { value: number }).value, units[i]!), 0);
  return read(back(sum));
}
