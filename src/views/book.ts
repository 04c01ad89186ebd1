import { protocolKept, speciesById } from "@/catalogue/catalogue";
import { flowerCode } from "@/core/custody/code";
import { fatherInWords, parentName } from "@/core/custody/parents";
import type { Db } from "@/db/open";
import { type BookRow, bookEntries } from "@/records/cross/book";
import { bookCsv, bookJson, bookRows } from "@/records/cross/bookFile";
import { crossByCode } from "@/records/cross/queries";
import type { Flower } from "@/records/flower/flower";
import { flowersOfCross } from "@/records/flower/queries";
import type { Garden } from "@/records/garden/garden";
import { crossPedigrees } from "@/records/line/pedigree";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";

export type BookEntry = Omit<
  BookRow,
  "lineId" | `${"mother" | "father"}${"LineId" | "Name" | "Number"}` | "moreFathers" | "method"
> & {
  mother: string;
  father: string;
  pedigree: string;
  method: string;
};

export type Book = { garden: Garden; band: Band; entries: BookEntry[] };

/** Every cross with what became of it, the newest first. */
export const bookView = (sky: Outlook): Book => sky.once("book", () => written(sky));

function written(sky: Outlook): Book {
  const { db, season } = sky;
  const pedigreeOf = crossPedigrees(db);
  const entries = bookEntries(db).map((row): BookEntry => {
    const { lineId, motherLineId, fatherLineId, motherName, motherNumber, fatherName, fatherNumber, ...rest } = row;
    const { moreFathers, ...entry } = rest;
    return {
      ...entry,
      species: speciesById(row.species).name,
      method: protocolKept(row.species, row.method).name,
      mother: parentName(motherName, motherNumber),
      father: fatherInWords(row),
      pedigree: pedigreeOf(row),
    };
  });
  const stands = sky.standsOf(season);
  return { garden: sky.garden, band: band(sky, season, stands), entries };
}

export type BookFlower = Pick<
  Flower,
  | "id"
  | "number"
  | "state"
  | "coveredOn"
  | "pollinatedOn"
  | "pollinatedAt"
  | "males"
  | "checkedOn"
  | "fault"
  | "lostWhy"
  | "note"
> & { code: string };

/** The flowers of one cross, for a line of the book that is opened; null where there is no such cross. */
export function bookFlowers(db: Db, code: string): BookFlower[] | null {
  const cross = crossByCode(db, code);
  if (!cross) return null;
  return flowersOfCross(db, cross.id).map(
    ({ id, number, state, coveredOn, pollinatedOn, pollinatedAt, males, checkedOn, fault, lostWhy, note }) => ({
      id,
      number,
      code: flowerCode(code, number),
      state,
      coveredOn,
      pollinatedOn,
      pollinatedAt,
      males,
      checkedOn,
      fault,
      lostWhy,
      note,
    }),
  );
}

/** The book as a file. */
export function bookFile(db: Db, season: number | null, format: "csv" | "json"): string {
  const rows = bookRows(db, season);
  return format === "csv" ? bookCsv(rows) : bookJson(rows);
}
