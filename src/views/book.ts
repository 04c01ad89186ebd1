import { sum } from "simple-statistics";
import { protocolKept, speciesById } from "@/catalogue/catalogue";
import { seasonName } from "@/core/climate/season";
import { flowerCode } from "@/core/custody/code";
import { fatherInWords, parentName } from "@/core/custody/parents";
import { groupBy } from "@/core/lists/groupBy";
import { type AskedOfList, cutList, type Listed, type Listing, NOTHING_ASKED } from "@/core/lists/listed";
import { byWords, inOrder } from "@/core/lists/order";
import type { Db } from "@/db/open";
import { type BookRow, bookEntries } from "@/records/cross/book";
import { bookCsv, bookJson, bookRows } from "@/records/cross/bookFile";
import { crossByCode } from "@/records/cross/queries";
import type { Flower } from "@/records/flower/flower";
import { flowersOfCross } from "@/records/flower/queries";
import { crossPedigrees } from "@/records/line/pedigree";
import type { Outlook } from "@/views/outlook";
import { type Band, seasonBand } from "./band";
import { siftedOf } from "./list";

export type BookEntry = Omit<
  BookRow,
  "lineId" | `${"mother" | "father"}${"LineId" | "Name" | "Number"}` | "moreFathers" | "method"
> & {
  mother: string;
  father: string;
  pedigree: string;
  method: string;
};

type Show = "open" | "closed" | "doubt";
type Order = "season" | "species" | "mother" | "father" | "method" | "set";

/** Crosses that stand together in an order, as far as they are on the page; in all, how many and what became of them. */
export type BookPart = {
  /** What they have in common; null where they stand by a figure. */
  name: string | null;
  crosses: number;
  set: number;
  flowers: number;
  entries: BookEntry[];
};

export type Book = {
  band: Band;
  list: Omit<Listed<BookEntry, Show, Order>, "items">;
  /** Of all that was asked for. */
  set: number;
  flowers: number;
  parts: BookPart[];
};

const newest = (a: BookEntry, b: BookEntry) => b.season - a.season || inOrder(b.code, a.code);
const by = (key: "species" | "mother" | "father" | "method") => (a: BookEntry, b: BookEntry) =>
  byWords(a[key], b[key]) || newest(a, b);

const LISTING: Listing<BookEntry, Show, Order> = {
  wordsOf: ({ code, line, species, mother, father, pedigree, method, note }) =>
    [code, line, species, mother, father, pedigree, method, note].join(" "),
  shows: {
    open: ({ closed }) => closed === 0,
    closed: ({ closed }) => closed === 1,
    doubt: ({ doubtful }) => doubtful > 0,
  },
  orders: {
    season: newest,
    species: by("species"),
    mother: by("mother"),
    father: by("father"),
    method: by("method"),
    set: (a, b) => b.set - a.set || newest(a, b),
  },
};

/** Crosses with what became of each, as they are asked for. */
export function bookView(sky: Outlook, asked: AskedOfList = NOTHING_ASKED): Book {
  const { garden } = sky;
  const whole = siftedOf(sky, "book", () => sky.once("book", () => written(sky)), LISTING, asked);
  const nameOf = (entry: BookEntry): string | null => {
    if (whole.by === "set") return null;
    return whole.by === "season" ? seasonName(entry.season, garden.latitude) : entry[whole.by];
  };
  const all = groupBy(whole.rows, nameOf);
  const { items, ...list } = cutList(whole, asked.from);
  const outcome = (of: BookEntry[]) => ({
    set: sum(of.map((entry) => entry.set)),
    flowers: sum(of.map((entry) => entry.pollinated)),
  });
  const parts = [...groupBy(items, nameOf)].map(([name, entries]): BookPart => {
    const of = all.get(name)!;
    return { name, crosses: of.length, ...outcome(of), entries };
  });
  return { band: seasonBand(sky), list, ...outcome(whole.rows), parts };
}

function written({ db }: Outlook): BookEntry[] {
  const pedigreeOf = crossPedigrees(db);
  return bookEntries(db).map((row): BookEntry => {
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
