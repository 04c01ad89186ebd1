import { protocolKept, speciesById } from "@/catalogue/catalogue";
import { seasonOf } from "@/core/climate/season";
import { flowerCode } from "@/core/custody/code";
import { fatherInWords, parentName } from "@/core/custody/parents";
import type { Db } from "@/db/open";
import { bookCsv, bookJson, bookRows } from "@/records/cross/bookFile";
import { type CrossKind, type Flower, flowersOfCross } from "@/records/cross/queries";
import type { Garden } from "@/records/garden/queries";
import { crossPedigrees } from "@/records/line/pedigree";
import { standsOfSeason } from "@/records/stand/queries";
import { type Band, band } from "./band";
import { outlook } from "./outlook";

export type BookEntry = {
  id: number;
  code: string;
  season: number;
  kind: CrossKind;
  species: string;
  line: string;
  generation: number | null;
  mother: string;
  father: string;
  pedigree: string;
  method: string;
  wanted: number;
  covered: number;
  pollinated: number;
  set: number;
  doubtful: number;
  lost: number;
  waiting: number;
  seeds: number | null;
  lots: number;
  first: string | null;
  last: string | null;
  closed: 0 | 1;
  note: string;
};

export type Book = { garden: Garden; band: Band; entries: BookEntry[] };

type Row = Omit<BookEntry, "species" | "method" | "pedigree" | "mother" | "father"> & {
  species: string;
  method: string | null;
  lineId: number;
  motherLineId: number;
  fatherLineId: number;
  motherName: string;
  motherNumber: number | null;
  fatherName: string;
  fatherNumber: number | null;
  moreFathers: number;
};

const ENTRIES = `SELECT x.id, x.code, x.season, x.kind, l.species, l.name line, x.lineId, x.generation, x.method,
    ml.id motherLineId, ml.name motherName, mp.number motherNumber,
    fl.id fatherLineId, fl.name fatherName, fp.number fatherNumber,
    (SELECT count(*) FROM candidate c WHERE c.crossId = x.id AND c.role = 'father') moreFathers,
    x.fruitsWanted wanted, x.closed, x.note,
    coalesce(w.covered, 0) covered, coalesce(w.pollinated, 0) pollinated, coalesce(w."set", 0) "set",
    coalesce(w.doubtful, 0) doubtful, coalesce(w.lost, 0) lost, coalesce(w.waiting, 0) waiting, w.first, w.last,
    coalesce(k.lots, 0) lots, k.seeds
  FROM cross x JOIN line l ON l.id = x.lineId
  JOIN stand m ON m.id = x.motherStandId JOIN line ml ON ml.id = m.lineId
  JOIN stand f ON f.id = x.fatherStandId JOIN line fl ON fl.id = f.lineId
  LEFT JOIN plant mp ON mp.id = x.motherPlantId LEFT JOIN plant fp ON fp.id = x.fatherPlantId
  LEFT JOIN (SELECT crossId, count(*) covered, sum(pollinatedOn IS NOT NULL) pollinated,
      sum(state IN ('set', 'harvested') AND fault IS NULL) "set",
      sum(fault IS NOT NULL AND state NOT IN ('unusable', 'failed', 'lost')) doubtful,
      sum(state IN ('unusable', 'failed', 'lost')) lost,
      sum(state IN ('covered', 'gathered', 'pollinated', 'uncovered') AND fault IS NULL) waiting,
      min(pollinatedOn) first, max(pollinatedOn) last
    FROM flower GROUP BY crossId) w ON w.crossId = x.id
  LEFT JOIN (SELECT crossId, count(*) lots, sum(seeds) seeds FROM lot WHERE doubt IS NULL AND crossId IS NOT NULL
    GROUP BY crossId) k ON k.crossId = x.id
  ORDER BY x.season DESC, x.id DESC`;

/** Every cross with what became of it, the newest first. */
export function bookView(db: Db): Book {
  const sky = outlook(db);
  const season = seasonOf(sky.today, sky.garden.latitude);
  const pedigreeOf = crossPedigrees(db);
  const entries = (db.prepare(ENTRIES).all() as Row[]).map((row): BookEntry => {
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
  const stands = standsOfSeason(db, season).map((s) => sky.forecast(s));
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
export function bookFlowers(db: Db, crossId: number): BookFlower[] | null {
  const code = db.prepare("SELECT code FROM cross WHERE id = ?").pluck().get(crossId) as string | undefined;
  if (!code) return null;
  return flowersOfCross(db, crossId).map(
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
