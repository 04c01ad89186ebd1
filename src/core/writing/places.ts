import { type Locale, writtenAs } from "./locale";
import { figure, numberTyped, readNumber } from "./numbers";
import { asked, EMPTY, plainly, type Read, read, unmarked, unread } from "./read";

export type Axis = "latitude" | "longitude";
const MOST: Record<Axis, number> = { latitude: 90, longitude: 180 };

/** Letters of the four quarters, in every locale; O is east in German and west in French. */
const QUARTERS: Record<string, [Axis, 1 | -1]> = {
  n: ["latitude", 1],
  s: ["latitude", -1],
  e: ["longitude", 1],
  w: ["longitude", -1],
};

function quarterOf(letter: string, locale: Locale): [Axis, 1 | -1] | "either" | null {
  const small = letter.toLowerCase();
  if (small !== "o") return QUARTERS[small] ?? null;
  return locale === "de" ? ["longitude", 1] : locale === "fr" ? ["longitude", -1] : "either";
}

/** Degrees; degrees and minutes; degrees, minutes and seconds; marks or spaces between them. */
const ANGLE =
  /^(\d{1,3}(?:[.,]\d+)?)(?:(?: ?[°ºd:]| ) ?(?:(\d{1,2}(?:[.,]\d+)?) ?(?:'|:| |$) ?(?:(\d{1,2}(?:[.,]\d+)?) ?(?:"|''|$))?)?)?$/;

function angle(text: string): number | null {
  const match = ANGLE.exec(text);
  if (!match) return null;
  const [degrees, minutes, seconds] = match.slice(1, 4).map((part) => Number((part ?? "0").replace(",", ".")));
  if (minutes! >= 60 || seconds! >= 60) return null;
  // Only the last of them has a fraction.
  if ((match[2] && !Number.isInteger(degrees)) || (match[3] && !Number.isInteger(minutes))) return null;
  return degrees! + minutes! / 60 + seconds! / 3600;
}

const rounded = (degrees: number) => Number(degrees.toFixed(7));

type Half = { axis: Axis | null; sign: 1 | -1; degrees: number };

function half(text: string, locale: Locale): Half | "either" | null {
  const match = /^([-+]?)([nsewo])?[ .]?([-+]?)(.+?) ?([nsewo])?$/i.exec(text.trim());
  if (!match) return null;
  const letter = match[2] ?? match[5];
  if (match[2] && match[5]) return null;
  const signed = match[1] || match[3];
  const quarter = letter ? quarterOf(letter, locale) : null;
  if (letter && !quarter) return null;
  if (quarter === "either") return "either";
  const degrees = angle(match[4]!.trim());
  // A minus and a letter both say the side: one too many.
  if (degrees === null || (quarter && signed)) return null;
  return { axis: quarter?.[0] ?? null, sign: quarter?.[1] ?? (signed === "-" ? -1 : 1), degrees };
}

/** Two coordinates of a place, as maps give them together. */
function halves(text: string): [string, string] | null {
  const apart =
    /^(.+[nsewo]),? ?([-+\d].+[nsewo])$/i.exec(text) ??
    /^([nsewo].+?),? ([nsewo].+)$/i.exec(text) ??
    /^(.+?)(?:, |; ?)(.+)$/.exec(text) ??
    /^(-?\d+\.\d+),(-?\d+\.\d+)$/.exec(text);
  return apart ? [apart[1]!, apart[2]!] : null;
}

/**
 * A latitude or longitude as maps give it: `-44.9`, `44,9 S`, `S 44°54'`, `44° 54' 30" S`; both of a place at once fill the
 * other field too.
 * @example readCoordinate("44°54' S", "latitude") // { kind: "read", value: -44.9 }
 * @example readCoordinate("44.9 S, 170.2 E", "latitude") // { kind: "read", value: -44.9, also: { longitude: 170.2 } }
 */
export function readCoordinate(text: string, axis: Axis, locale: Locale = writtenAs()): Read<number> {
  const plain = plainly(text);
  if (plain === "") return EMPTY;
  const no = unread(
    `“${plain}” can't be read as a ${axis}. Write it as ${axis === "latitude" ? "44.9 S" : "170.2 E"}, or -44.9.`,
  );
  const alone = half(plain, locale);
  if (alone === "either") return unread("O is east in some languages and west in others: write E or W.");
  if (alone) {
    if (alone.axis && alone.axis !== axis)
      return unread(`“${plain}” is a ${alone.axis}: ${axis === "latitude" ? "N or S" : "E or W"} is wanted here.`);
    return alone.degrees > MOST[axis]
      ? unread(`A ${axis} lies between -${MOST[axis]} and ${MOST[axis]}.`)
      : read(rounded(alone.sign * alone.degrees));
  }
  const both = halves(plain)?.map((part) => half(part, locale));
  if (!both || both.some((one) => !one || one === "either")) return no;
  const [first, second] = both as [Half, Half];
  // Latitude comes first, unless the letters say otherwise.
  const [north, east] = first.axis === "longitude" || second.axis === "latitude" ? [second, first] : [first, second];
  if (north.axis === "longitude" || east.axis === "latitude") return no;
  if (north.degrees > MOST.latitude || east.degrees > MOST.longitude) return no;
  const place = { latitude: rounded(north.sign * north.degrees), longitude: rounded(east.sign * east.degrees) };
  const other = axis === "latitude" ? "longitude" : "latitude";
  return { kind: "read", value: place[axis], also: { [other]: place[other] } };
}

/** A coordinate as it stands in a field. @example coordinateTyped(-44.9) // "-44.9" */
export const coordinateTyped = (degrees: number, locale: Locale = writtenAs()): string =>
  numberTyped(rounded(degrees), locale);

/** A coordinate in words. @example coordinateInWords(-44.9, "latitude") // "44.9° south" */
export function coordinateInWords(degrees: number, axis: Axis): string {
  const [more, less] = axis === "latitude" ? ["north", "south"] : ["east", "west"];
  return `${figure(Math.abs(degrees), 4)}° ${degrees < 0 ? less : more}`;
}

const POINTS = ["N", "NNE", "NE", "ENE", "E", "ESE", "SE", "SSE", "S", "SSW", "SW", "WSW", "W", "WNW", "NW", "NNW"];

/** Words of the four quarters, by their letters; west before the words that it holds. */
const WORDS: [RegExp, string][] = [
  [/north|nord|polnoc(?:ny)?/g, "N"],
  [/south|sud|suden|poludnie|poludniowy/g, "S"],
  [/west(?:en)?|ouest|zachod(?:ni)?/g, "W"],
  [/east|osten|ost|est|wschod(?:ni)?/g, "E"],
];

function compass(text: string, locale: Locale): string | null {
  let letters = unmarked(text).replace(/^(from |the |von |du |de l'|z )+/, "");
  for (const [word, letter] of WORDS) letters = letters.replace(word, letter);
  letters = letters.replace(/[\s.\-–]/g, "").toUpperCase();
  if (letters.includes("O")) {
    if (locale !== "de" && locale !== "fr") return null;
    letters = letters.replaceAll("O", locale === "de" ? "E" : "W");
  }
  return POINTS.includes(letters) ? letters : null;
}

/**
 * A bearing as degrees or as a word: `E`, `north-west`, `NNW`, `270°`, in the locale's language too.
 * @returns degrees clockwise from north, 0 up to 360
 * @example readBearing("north-west") // { kind: "read", value: 315 }
 */
export function readBearing(text: string, locale: Locale = writtenAs()): Read<number> {
  const plain = plainly(text);
  if (plain === "") return EMPTY;
  const point = compass(plain, locale);
  if (point) return read(POINTS.indexOf(point) * 22.5);
  if (/^[nsew]*o[nsewo]*$/i.test(plain)) {
    const choices = (["de", "fr"] as const).flatMap((one) => {
      const found = compass(plain, one);
      return found ? [{ value: POINTS.indexOf(found) * 22.5, words: found }] : [];
    });
    if (choices.length > 0) return asked("O is east in some languages and west in others. Which is meant?", choices);
  }
  const number = readNumber(plain.replace(/ ?(°|deg(rees?)?)$/, ""), locale);
  if (number.kind !== "read")
    return number.kind === "unread" ? unread(`“${plain}” can't be read as a bearing. Write it as NW or 315.`) : number;
  if (number.value < 0 || number.value > 360) return unread("A bearing lies between 0 and 360: north is 0, east 90.");
  return read(number.value === 360 ? 0 : number.value);
}

/** A bearing as it stands in a field: its letters where they say it exactly. @example bearingTyped(315) // "NW" */
export const bearingTyped = (degrees: number, locale: Locale = writtenAs()): string =>
  degrees % 22.5 === 0 && degrees >= 0 && degrees < 360 ? POINTS[degrees / 22.5]! : numberTyped(degrees, locale);

const SIDES =
  "north north-north-east north-east east-north-east east east-south-east south-east south-south-east south south-south-west south-west west-south-west west west-north-west north-west north-north-west".split(
    " ",
  );

/** A bearing in words, with its degrees. @example bearingInWords(270) // "west, 270°" */
export const bearingInWords = (degrees: number): string =>
  `${SIDES[Math.round(degrees / 22.5) % 16]}, ${figure(degrees, 1)}°`;
