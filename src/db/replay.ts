import type { Id } from "@/core/custody/id";
import type { Db } from "./open";
import { type Change, insertRow, parsed, type Row, type StoredChange } from "./ops";

/** A row as a journal leaves it, and the op that wrote it last; null where it is not there. */
export type State = { row: Row; version: Id } | null;

/**
 * Carries one change out on a row. In a journal that holds the ops of two copies a change may find its row changed or
 * gone: what it says of columns holds, and a row that is gone stays so until it is made or said anew.
 */
export function folded(state: State, { before, after }: Change, op: Id): State {
  if (!after) return null;
  if (!state && before && Object.keys(before).length > 0) return null;
  return { row: { ...state?.row, ...after }, version: op };
}

/** Carries the ops of a journal out again on an empty database of the same schema, in the order of their clocks. */
export function replay(from: Db, to: Db): void {
  const changes = from.prepare(
    `SELECT o.id op, c.tableName, c.rowId, c.before, c.after FROM op o JOIN opChange c ON c.op = o.id
     ORDER BY o.clock, c.seq`,
  );
  const tables = new Map<string, Map<Id, State>>();
  for (const { op, ...stored } of changes.iterate() as IterableIterator<StoredChange & { op: Id }>) {
    const change = parsed(stored);
    const { tableName: table, rowId } = change;
    const rows = tables.get(table) ?? new Map<Id, State>();
    tables.set(table, rows.set(rowId, folded(rows.get(rowId) ?? null, change, op)));
  }
  to.transaction(() => {
    to.pragma("defer_foreign_keys = ON");
    for (const [table, rows] of tables)
      for (const [id, state] of rows) if (state) insertRow(to, table, { ...state.row, id, version: state.version });
  }).immediate();
}
