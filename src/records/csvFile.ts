import { CsvError, parse } from "csv-parse/sync";
import { stringify } from "csv-stringify/sync";
import type { Day } from "@/core/calendar/day";
import { type DayOrder, dayOrderOf, readDay } from "@/core/writing/days";
import { refuse } from "@/db/ops";

/**
 * As CSV, as spreadsheets everywhere open it: marked as Unicode, lines ended as theirs. A cell that they would take for a
 * formula is kept from being one.
 */
export const toCsv = (rows: object[], columns: readonly string[]): string =>
  stringify(rows, {
    header: true,
    columns: [...columns],
    escape_formulas: true,
    bom: true,
    record_delimiter: "windows",
  });

/** The mark that keeps a cell from being a formula is not part of what it says. */
export const unescaped = (text: string): string => text.replace(/^'(?=[=+\-@\t\r])/, "").trim();

/** One line of a file by its heads in small letters, with the number it stands on. */
export type CsvLine = { line: number; cells: Record<string, string> };

const SEPARATORS = [",", ";", "\t"] as const;
/** A first line that only says what separates. */
const SAYS = /^\uFEFF?\s*sep=(.)\s*\r?\n/i;

/**
 * A file's lines, whatever separates its cells and ends its lines, whatever its heads' capitals; empty lines are passed
 * over. @throws Refusal for what is no such file
 */
export function readCsv(text: string, most: number): { heads: string[]; lines: CsvLine[] } {
  const said = SAYS.exec(text);
  const rest = said ? text.slice(said[0].length) : text;
  const first = rest.slice(0, rest.indexOf("\n") + 1 || undefined);
  const often = (separator: string) => first.split(separator).length;
  const delimiter = said?.[1] ?? SEPARATORS.reduce((a, b) => (often(b) > often(a) ? b : a));
  try {
    const records = parse(rest, {
      delimiter,
      bom: true,
      trim: true,
      skip_empty_lines: true,
      skip_records_with_empty_values: true,
      relax_column_count: true,
      info: true,
      to: most + 2,
    }) as unknown as { record: string[]; info: { lines: number } }[];
    const [head, ...rows] = records;
    const heads = (head?.record ?? []).map((name) => unescaped(name).toLowerCase());
    const before = said ? 1 : 0;
    return {
      heads,
      lines: rows.map(({ record, info }) => ({
        line: info.lines + before,
        cells: Object.fromEntries(heads.map((name, i) => [name, unescaped(record[i] ?? "")])),
      })),
    };
  } catch (failure) {
    if (failure instanceof CsvError) return refuse("text", `The file can't be read as CSV: ${failure.message}`);
    throw failure;
  }
}

export const DAY_ORDERS = ["day-first", "month-first"] as const;
/** Which figure of a day comes first, where a person says so. */
export type OrderTold = { order?: DayOrder | null };

/**
 * In which order all days of a file are read. @throws Refusal where the file does not show it and nobody said it, or where
 * what was said is not so
 */
export function orderOf(days: string[], { order }: OrderTold): DayOrder {
  const shown = dayOrderOf(days);
  if (shown === "mixed")
    refuse("text", "Some days begin with the day and some with the month. Write them all as 2027-07-09.");
  if (shown === "plain") return order ?? "day-first";
  if (shown === "unclear")
    return order ?? refuse("order", "Say which comes first in this file's days: the day or the month.");
  if (order && order !== shown)
    refuse("order", `This file's days begin with the ${shown === "day-first" ? "day" : "month"}.`);
  return shown;
}

/** The year that a day of eight figures begins with. */
const TOGETHER = /^(\d{4})(\d{2})(\d{2})$/;

/** A cell's day, written as it may be; what can't be read stays as it is, to be refused by its line. */
export function dayInCell(text: string, today: Day, order: DayOrder): string {
  const plain = text.replace(TOGETHER, "$1-$2-$3");
  const read = readDay(plain, today, order === "month-first" ? "en-US" : "en-GB");
  return read.kind === "read" ? read.value : text;
}

const CLOCK = /^(\d{1,2})[:.](\d{2})(?:[:.]\d{2})?\s*([ap])?\.?(?:m\.?)?$/i;

/** A cell's hour as `HH:MM`: with seconds or without, by twelve hours or twenty-four. */
export function hourInCell(text: string): string {
  const read = CLOCK.exec(text);
  if (!read) return text;
  const half = read[3]?.toLowerCase();
  const hours = half ? (Number(read[1]) % 12) + (half === "p" ? 12 : 0) : Number(read[1]);
  return `${String(hours).padStart(2, "0")}:${read[2]}`;
}
