/**
 * The FAO/Bioversity multi-crop passport descriptors, version 2.1, in their order, as the columns of a file. Those that a
 * garden has nothing to say of stay empty; none is left out.
 */
export const PASSPORT = [
  "PUID",
  "INSTCODE",
  "ACCENUMB",
  "COLLNUMB",
  "COLLCODE",
  "COLLNAME",
  "COLLINSTADDRESS",
  "COLLMISSID",
  "GENUS",
  "SPECIES",
  "SPAUTHOR",
  "SUBTAXA",
  "SUBTAUTHOR",
  "CROPNAME",
  "ACCENAME",
  "ACQDATE",
  "ORIGCTY",
  "COLLSITE",
  "DECLATITUDE",
  "LATITUDE",
  "DECLONGITUDE",
  "LONGITUDE",
  "COORDUNCERT",
  "COORDDATUM",
  "GEOREFMETH",
  "ELEVATION",
  "COLLDATE",
  "BREDCODE",
  "BREDNAME",
  "SAMPSTAT",
  "ANCEST",
  "COLLSRC",
  "DONORCODE",
  "DONORNAME",
  "DONORNUMB",
  "OTHERNUMB",
  "DUPLSITE",
  "DUPLINSTNAME",
  "STORAGE",
  "MLSSTAT",
  "REMARKS",
] as const;
export type Descriptor = (typeof PASSPORT)[number];

/** Biological status of an accession, as the descriptors number it; those a garden meets. */
export const SAMPLE_STATUS = {
  wild: "100",
  mix: "300",
  "breeding-line": "420",
  "f1-hybrid": "423",
  "open-pollinated": "500",
} as const;

/** Every code of SAMPSTAT. */
const STATUS_CODES = new Set(
  "100 110 120 130 200 300 400 410 411 412 413 414 415 416 420 421 422 423 500 600 999".split(" "),
);

/**
 * What a line is by the status code of a passport: wild, a mix of a landrace, a breeding line, a cultivar.
 * @returns null for a code that the descriptors do not know
 * @example statusOf("500") // "open-pollinated"
 */
export function statusOf(code: string): keyof typeof SAMPLE_STATUS | null {
  if (!STATUS_CODES.has(code)) return null;
  if (code.startsWith("1")) return "wild";
  if (code.startsWith("2") || code.startsWith("3")) return "mix";
  return code.startsWith("4") ? "breeding-line" : "open-pollinated";
}

/**
 * A day as passports write it, `YYYYMMDD` with hyphens or zeros for what is not known: the first day that it may be.
 * @returns null where the year is not known or there is no such day
 * @example passportDay("202407--") // "2024-07-01"
 */
export function passportDay(text: string): string | null {
  const [, year, month = "--", day = "--"] = /^(\d{4})(\d\d|--)?(\d\d|--)?$/.exec(text) ?? [];
  if (!year) return null;
  const known = (part: string) => (part === "--" || part === "00" ? "01" : part);
  const written = `${year}-${known(month)}-${known(day)}`;
  return Number.isNaN(Date.parse(`${written}T00:00:00Z`)) ||
    new Date(`${written}T00:00:00Z`).getUTCDate() !== Number(known(day))
    ? null
    : written;
}
