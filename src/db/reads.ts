import type { Db } from "./open";

/**
 * What a statement reads, and what was written: a table by its name, for which rows there are; a column as `stand.sown`; and
 * `stand.*`, where all of a row is read, or any of it was written.
 */
type Parts = ReadonlySet<string>;

/** What is being worked out, the innermost last: what each has read so far. */
const readers: Set<string>[] = [];

const tables = new WeakMap<Db, Map<string, Set<string>>>();

/** Every table there is, with its columns. */
function tablesOf(db: Db): Map<string, Set<string>> {
  const known = tables.get(db);
  if (known) return known;
  const names = db.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").pluck().all() as string[];
  const columns = db.prepare("SELECT name FROM pragma_table_info(?)").pluck();
  const made = new Map(names.map((name) => [name, new Set(columns.all(name) as string[])]));
  tables.set(db, made);
  return made;
}

const NAMED = /\b(?:from|join)\s+"?(\w+)"?(?:\s+(?:as\s+)?(\w+))?/gi;
const QUALIFIED = /\b(\w+)\.(?:"?(\w+)"?|(\*))/g;
/** A star that stands for columns, and neither counts rows nor multiplies. */
const STAR = /(?:\bselect|\bdistinct|,)\s*\*/i;

/**
 * What a statement reads, or more than that: a column is of the table that stands before it, by its name or as it is called
 * in the statement; where none stands there, of every table that has it.
 */
export function readBy(db: Db, sql: string): Parts {
  const all = tablesOf(db);
  const words = sql.match(/\w+/g) ?? [];
  const named = [...new Set(words.filter((word) => all.has(word)))];
  const called = new Map<string, string[]>(named.map((table) => [table, [table]]));
  for (const [, table, name] of sql.matchAll(NAMED))
    if (name && all.has(table!)) called.set(name, [...(called.get(name) ?? []), table!]);
  const parts = new Set<string>(named);
  const add = (table: string, column: string) => {
    if (column === "*" || all.get(table)!.has(column)) parts.add(`${table}.${column}`);
  };
  const bare = sql.replace(QUALIFIED, (_, name: string, column: string | undefined, star: string | undefined) => {
    for (const table of called.get(name) ?? named) add(table, column ?? star!);
    return " ";
  });
  for (const word of STAR.test(bare) ? ["*"] : (bare.match(/\w+/g) ?? [])) for (const table of named) add(table, word);
  return parts;
}

const noted = new WeakMap<Db, Map<string, Parts>>();

/** Notes that a statement is about to be run. */
export function noteRead(db: Db, sql: string): void {
  const reader = readers.at(-1);
  if (!reader) return;
  const known = noted.get(db) ?? new Map<string, Parts>();
  noted.set(db, known);
  const parts = known.get(sql) ?? readBy(db, sql);
  known.set(sql, parts);
  for (const part of parts) reader.add(part);
}

/** What was worked out, and what it rests on. */
export type Rests<T> = { made: T; on: Parts };

/** Works something out and tells what it read by prepared statements. */
export function watched<T>(work: () => T): Rests<T> {
  const on = new Set<string>();
  readers.push(on);
  try {
    return { made: work(), on };
  } finally {
    readers.pop();
  }
}

/** Takes what was worked out before as read by what is being worked out now. */
export function rely<T>({ made, on }: Rests<T>): T {
  const reader = readers.at(-1);
  if (reader) for (const part of on) reader.add(part);
  return made;
}

/** So far the journal was looked at. */
const seen = new WeakMap<Db, number>();

/** More changes than this are told by their tables alone. */
const MANY = 5000;

/** What was written since this was last asked, the journal itself among it; nothing when it is asked first. */
export function written(db: Db): Parts {
  const last = db.prepare("SELECT max(rowid) FROM op").pluck().get() as number | null;
  const before = seen.get(db) ?? last ?? 0;
  seen.set(db, last ?? 0);
  if (last === null || last === before) return new Set();
  const since = "FROM op o JOIN opChange c ON c.op = o.id WHERE o.rowid > ?";
  const parts = new Set(["op", "opChange", "lease", "brought"]);
  const many = db.prepare(`SELECT count(*) > ${MANY} ${since}`).pluck().get(before) === 1;
  // Rows that came or went are more, to whoever reads their table, than any column of theirs.
  const rows = db
    .prepare(`SELECT DISTINCT c.tableName ${since}${many ? "" : " AND (c.before IS NULL OR c.after IS NULL)"}`)
    .pluck()
    .all(before) as string[];
  for (const table of rows) parts.add(table);
  if (many) return parts;
  const columns = db
    .prepare(`SELECT DISTINCT c.tableName || '.' || j.key ${since.replace("WHERE", ", json_each(c.after) j WHERE")}`)
    .pluck()
    .all(before) as string[];
  for (const column of columns) {
    parts.add(column);
    const [table] = column.split(".");
    parts.add(`${table}.version`);
    parts.add(`${table}.*`);
  }
  return parts;
}
