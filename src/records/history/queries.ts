import type { Day } from "@/core/calendar/day";
import { readCode } from "@/core/custody/code";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import type { StoredOp } from "@/db/ops";
import { like, prepared } from "@/db/rows";
import { undoneOps } from "@/db/undo";

/** An op as the history lists it. */
export type Entry = Pick<StoredOp, "id" | "clock" | "at" | "day" | "command" | "summary" | "undoes"> & {
  undone: boolean;
};

function withUndone(db: Db, rows: Omit<Entry, "undone">[]): Entry[] {
  if (rows.length === 0) return [];
  const undone = undoneOps(db);
  return rows.map((row) => ({ ...row, undone: undone.has(row.id) }));
}

/** What of the history is asked for: of a day, with words in it, or of a thing by the code of its tag. */
export type Asked = { before?: Id | null; day?: Day | null; words?: string };

/** Ops, newest first, before one of them when paging. */
export function entries(db: Db, { before = null, day = null, words = "" }: Asked, limit: number): Entry[] {
  const parts = words.trim().split(/\s+/).filter(Boolean);
  const read = readCode(words);
  const code = read.ok ? read.code : null;
  const rows = prepared(
    db,
    `SELECT id, clock, at, day, command, summary, undoes FROM op
       WHERE (:before IS NULL OR clock < (SELECT clock FROM op WHERE id = :before)) AND (:day IS NULL OR day = :day)
         AND (NOT EXISTS (SELECT 1 FROM json_each(:like) w WHERE summary NOT LIKE w.value ESCAPE '\\')
           OR id IN (SELECT c.op FROM findable f JOIN opChange c ON c.tableName = f.kind AND c.rowId = f.id WHERE f.words LIKE :code || ' %'))
       ORDER BY clock DESC LIMIT :limit`,
  ).all({ before, day, limit, like: JSON.stringify(parts.map(like)), code }) as Omit<Entry, "undone">[];
  return withUndone(db, rows);
}

/** The ops of one command, newest first. */
export function entriesOf(db: Db, command: string): Entry[] {
  const rows = prepared(
    db,
    "SELECT id, clock, at, day, command, summary, undoes FROM op WHERE command = ? ORDER BY clock DESC",
  ).all(command) as Omit<Entry, "undone">[];
  return withUndone(db, rows);
}

/** How many rows there are of the records a grower counts, and of the history. */
export function counts(db: Db): { name: string; count: number }[] {
  return prepared(
    db,
    `SELECT 'lines' name, count(*) count FROM line UNION ALL SELECT 'stands', count(*) FROM stand
       UNION ALL SELECT 'plants', count(*) FROM plant UNION ALL SELECT 'scores', count(*) FROM score
       UNION ALL SELECT 'crosses', count(*) FROM cross UNION ALL SELECT 'seed lots', count(*) FROM lot
       UNION ALL SELECT 'history entries', count(*) FROM op`,
  ).all() as { name: string; count: number }[];
}

/** So many presses were written. */
export const opCount = (db: Db): number => prepared(db, "SELECT count(*) FROM op").pluck().get() as number;
