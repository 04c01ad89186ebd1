import type { Id } from "@/core/custody/id";
import type { Db } from "./open";
import { insertRow, type Row } from "./rows";

/** A row as a journal leaves it, and the op that wrote it last; null where it is not there. */
export type State = { row: Row; version: Id } | null;

/** A change as the journal keeps it: JSON, null for nothing. */
type Kept = { before: string | null; after: string | null };

/**
 * Carries one change out on a row. In a journal that holds the ops of two copies a change may find its row changed or
 * gone: what it says of columns holds, and a row that is gone stays so until it is made or said anew.
 */
export function folded(state: State, { before, after }: Kept, op: Id): State {
  if (after === null) return null;
  if (state) return { row: Object.assign(state.row, JSON.parse(after)), version: op };
  const anew = before === null || before === "{}";
  return anew ? { row: JSON.parse(after) as Row, version: op } : null;
}

/** Carries the ops of a journal out again on an empty database of the same schema, in the order of their clocks. */
export function replay(from: Db, to: Db): void {
  const changes = from
    .prepare(
      `SELECT o.id, c.tableName, c.rowId, c.before, c.after FROM op o JOIN opChange c ON c.op = o.id
       ORDER BY o.clock, c.seq`,
    )
    .raw();
  const tables = new Map<string, Map<Id, State>>();
  for (const [op, table, id, before, after] of changes.iterate() as IterableIterator<string[]>) {
    const rows = tables.get(table!) ?? new Map<Id, State>();
    tables.set(table!, rows);
    rows.set(id!, folded(rows.get(id!) ?? null, { before, after } as Kept, op!));
  }
  to.transaction(() => {
    to.pragma("defer_foreign_keys = ON");
    for (const [table, rows] of tables)
      for (const [id, state] of rows)
        if (state) insertRow(to, table, Object.assign(state.row, { id, version: state.version }));
  }).immediate();
}
