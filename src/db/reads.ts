import type { Db } from "./open";

/** What is being worked out, the innermost last: the tables that each has read so far. */
const readers: Set<string>[] = [];

const tables = new WeakMap<Db, Set<string>>();

/** Every table there is. */
function tablesOf(db: Db): Set<string> {
  const known =
    tables.get(db) ??
    new Set(db.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").pluck().all() as string[]);
  tables.set(db, known);
  return known;
}

const named = new Map<string, string[]>();

/** Notes that a statement is about to be run: the tables that its words name are read, or more than those. */
export function noteRead(db: Db, sql: string): void {
  const reader = readers.at(-1);
  if (!reader) return;
  const known = named.get(sql) ?? (sql.match(/\w+/g) ?? []).filter((word) => tablesOf(db).has(word));
  named.set(sql, known);
  for (const table of known) reader.add(table);
}

/** What was worked out, and the tables that it rests on. */
export type Rests<T> = { made: T; on: ReadonlySet<string> };

/** Works something out and tells which tables it read by prepared statements. */
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
  if (reader) for (const table of on) reader.add(table);
  return made;
}

/** So far the journal was looked at. */
const seen = new WeakMap<Db, number>();

/** Tables that were written since this was last asked, the journal's own among them; none when it is asked first. */
export function writtenTables(db: Db): Set<string> {
  const last = db.prepare("SELECT max(rowid) FROM op").pluck().get() as number | null;
  const before = seen.get(db) ?? last ?? 0;
  seen.set(db, last ?? 0);
  if (last === null || last === before) return new Set();
  const changed = db
    .prepare("SELECT DISTINCT c.tableName FROM op o JOIN opChange c ON c.op = o.id WHERE o.rowid > ?")
    .pluck()
    .all(before) as string[];
  return new Set([...changed, "op", "opChange", "lease", "brought"]);
}
