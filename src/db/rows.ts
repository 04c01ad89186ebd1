import type { Statement } from "better-sqlite3";
import type { Db } from "./open";
import { noteRead } from "./reads";

export type Value = string | number | null;

export type Row = Record<string, Value>;

export const quoted = (row: Row) => Object.keys(row).map((name) => `"${name}"`);

const statements = new WeakMap<Db, Map<string, Statement>>();

/** A statement, prepared once for a database. Whoever works something out from it is known to have read its tables. */
export function prepared(db: Db, sql: string): Statement {
  noteRead(db, sql);
  const known = statements.get(db) ?? new Map<string, Statement>();
  statements.set(db, known);
  const statement = known.get(sql) ?? db.prepare(sql);
  known.set(sql, statement);
  return statement;
}

export const readRow = (db: Db, table: string, id: Value): Row | undefined =>
  prepared(db, `SELECT * FROM "${table}" WHERE id = ?`).get(id) as Row | undefined;

/** Some columns of a row. */
export const partOf = (row: Row, columns: string[]): Row =>
  Object.fromEntries(columns.map((column) => [column, row[column]!]));

/** A row as the journal keeps it: its id and version stand with the change itself. */
export function columnsOf({ id: _, version: __, ...columns }: Row): Row {
  return columns;
}

const inserts = new WeakMap<Db, Map<string, Statement>>();

/** The statement that adds a row of some columns to a table. */
export function inserting(db: Db, table: string, row: Row, end = ""): Statement {
  const known = inserts.get(db) ?? new Map<string, Statement>();
  inserts.set(db, known);
  const key = `${table} ${Object.keys(row)} ${end}`;
  const made = known.get(key);
  if (made) return made;
  const names = quoted(row);
  const values = names.map(() => "?");
  const statement = db.prepare(`INSERT INTO "${table}" (${names.join(", ")}) VALUES (${values.join(", ")}) ${end}`);
  known.set(key, statement);
  return statement;
}

export function insertRow(db: Db, table: string, row: Row): void {
  inserting(db, table, row).run(...Object.values(row));
}

/** Adds rows to a table, one after the other; rows alike in their columns, as most are, share a statement without looking for it. */
export function adder(db: Db, table: string): (id: Value, version: Value, columns: Row) => void {
  let names: string[] = [];
  let statement: Statement | null = null;
  return (id, version, columns) => {
    const own = Object.keys(columns);
    if (!statement || own.length !== names.length || own.some((name, i) => name !== names[i])) {
      statement = inserting(db, table, { id, version, ...columns });
      names = own;
    }
    statement.run(id, version, ...Object.values(columns));
  };
}

/** A word as a pattern of SQL's LIKE that holds it anywhere; `ESCAPE '\\'` goes with it. */
export const like = (word: string): string => `%${word.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`)}%`;
