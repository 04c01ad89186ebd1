import { stringify } from "csv-stringify/sync";

/** As CSV; a cell that a spreadsheet would take for a formula is kept from being one. */
export const toCsv = (rows: object[], columns: readonly string[]): string =>
  stringify(rows, { header: true, columns: [...columns], escape_formulas: true });

/** The mark that keeps a cell from being a formula is not part of what it says. */
export const unescaped = (text: string): string => text.replace(/^'(?=[=+\-@\t\r])/, "").trim();
