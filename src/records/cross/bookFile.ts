import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { refuse } from "@/db/ops";
import { prepared } from "@/db/rows";
import { dayInCell, hourInCell, type OrderTold, orderOf, readCsv, toCsv, unescaped } from "../csvFile";
import { crossPedigrees } from "../line/pedigree";

/** The columns of the cross book's file: a line for each flower, or one for a cross without any. */
const COLUMNS = [
  "cross",
  "season",
  "kind",
  "method",
  "mother",
  "motherPlant",
  "father",
  "fatherPlant",
  "pedigree",
  "fruitsWanted",
  "note",
  "flower",
  "onPlant",
  "covered",
  "gathered",
  "pollinated",
  "at",
  "passes",
  "lastPass",
  "males",
  "bud",
  "uncovered",
  "checked",
  "state",
  "fault",
  "lostWhy",
  "lot",
  "flowerNote",
] as const;
/** Lines of one file; a larger book comes in parts, so that nobody else waits for it. */
const MOST_LINES = 5000;
type Column = (typeof COLUMNS)[number];

/** One line of the file, each cell as text; an empty one says nothing. */
export type BookLine = { line: number; cells: Partial<Record<Column, string>> };

type Row = Record<Column, string | number | null>;

/** Every cross, or those of one season, with their flowers. */
export function bookRows(db: Db, season: number | null): Row[] {
  const pedigreeOf = crossPedigrees(db);
  const rows = prepared(
    db,
    `SELECT x.lineId, m.lineId motherLineId, f.lineId fatherLineId, x.code "cross", x.season, x.kind, x.method, m.code mother, mp.number motherPlant,
         f.code father, fp.number fatherPlant, x.fruitsWanted, x.note, w.number flower, wp.number onPlant,
         w.coveredOn covered, w.gatheredOn gathered, w.pollinatedOn pollinated, w.pollinatedAt "at", w.passes,
         w.lastPass, w.males, w.bud, w.uncoveredOn uncovered, w.checkedOn checked, w.state, w.fault, w.lostWhy,
         k.code lot, w.note flowerNote
       FROM cross x JOIN stand m ON m.id = x.motherStandId JOIN stand f ON f.id = x.fatherStandId
       LEFT JOIN plant mp ON mp.id = x.motherPlantId LEFT JOIN plant fp ON fp.id = x.fatherPlantId
       LEFT JOIN flower w ON w.crossId = x.id LEFT JOIN plant wp ON wp.id = w.plantId LEFT JOIN lot k ON k.id = w.lotId
       WHERE :season IS NULL OR x.season = :season
       ORDER BY x.season, x.code, w.number`,
  ).all({ season }) as (Omit<Row, "pedigree"> & { lineId: Id; motherLineId: Id; fatherLineId: Id })[];
  return rows.map(({ lineId, motherLineId, fatherLineId, ...row }) => ({
    ...row,
    pedigree: pedigreeOf({ lineId, motherLineId, fatherLineId }),
  }));
}

export const bookCsv = (rows: Row[]): string => toCsv(rows, COLUMNS);

export const bookJson = (rows: Row[]): string => JSON.stringify({ crossBook: 1, rows }, null, 1);

const asText = (value: unknown): string => (value === null || value === undefined ? "" : String(value));

function lineOf(line: number, record: Record<string, unknown>): BookLine {
  const cells = Object.fromEntries(
    Object.entries(record)
      .map(([name, value]) => [name.trim(), unescaped(asText(value))])
      .filter(([, value]) => value !== ""),
  );
  return { line, cells };
}

/** The columns by their names in small letters, and what days and hours are written in. */
const NAMED = new Map(COLUMNS.map((name) => [name.toLowerCase(), name]));
const DAYS: ReadonlySet<string> = new Set(["covered", "gathered", "pollinated", "lastPass", "uncovered", "checked"]);

function csvLines(text: string, today: Day, told: OrderTold): BookLine[] {
  const { lines } = readCsv(text, MOST_LINES);
  const isDays = (head: string) => DAYS.has(NAMED.get(head) ?? head);
  const days = lines.flatMap(({ cells }) =>
    Object.entries(cells).flatMap(([head, value]) => (isDays(head) ? [value] : [])),
  );
  const order = orderOf(days, told);
  return lines.map(({ line, cells }) => {
    const named = Object.entries(cells).map(([head, value]) => {
      const name = NAMED.get(head) ?? head;
      const read = DAYS.has(name) ? dayInCell(value, today, order) : name === "at" ? hourInCell(value) : value;
      return [name, read] as const;
    });
    return lineOf(line, Object.fromEntries(named));
  });
}

function jsonLines(text: string): BookLine[] {
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    return refuse("text", "The file can't be read as JSON.");
  }
  const rows = (read as { rows?: unknown } | null)?.rows;
  if (!Array.isArray(rows) || rows.some((row) => typeof row !== "object" || row === null))
    return refuse("text", "A cross book in JSON holds a list named rows.");
  const nested = rows.findIndex((row) => Object.values(row as object).some((cell) => cell && typeof cell === "object"));
  if (nested >= 0) return refuse("text", `Row ${nested + 1} holds more than text and numbers.`);
  return rows.map((row, i) => lineOf(i + 1, row as Record<string, unknown>));
}

/**
 * The lines of a cross book's file, CSV or JSON by its first character. @throws Refusal for one that can't be read, has
 * no column of ours, or one that nobody knows
 */
export function readBook(text: string, today: Day, told: OrderTold): { lines: BookLine[]; ignored: string[] } {
  const lines = text.trimStart().startsWith("{") ? jsonLines(text) : csvLines(text, today, told);
  if (lines.length === 0) refuse("text", "The file holds no line.");
  if (lines.length > MOST_LINES)
    refuse(
      "text",
      `The file holds ${lines.length} lines; at most ${MOST_LINES} are taken in at once. Take it in in parts.`,
    );
  const known: ReadonlySet<string> = new Set(COLUMNS);
  const heads = new Set(lines.flatMap(({ cells }) => Object.keys(cells)));
  const ignored = [...heads].filter((name) => !known.has(name));
  if (ignored.length === heads.size) refuse("text", `The column “${ignored[0] ?? ""}” is not one of a cross book's.`);
  for (const { cells } of lines) for (const name of ignored) delete cells[name as Column];
  return { lines, ignored };
}
