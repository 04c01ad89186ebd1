import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import type { StoredOp } from "@/db/ops";
import { prepared } from "@/db/rows";
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

/** Ops, newest first, before one of them when paging. */
export function entries(db: Db, before: Id | null, limit: number): Entry[] {
  const rows = prepared(
    db,
    `SELECT id, clock, at, day, command, summary, undoes FROM op
       WHERE :before IS NULL OR clock < (SELECT clock FROM op WHERE id = :before) ORDER BY clock DESC LIMIT :limit`,
  ).all({ before, limit }) as Omit<Entry, "undone">[];
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
