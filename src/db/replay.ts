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

/** Carries the ops of a journal out again on an empty database of the same schema, row by row in the order of their clocks. */
export function replay(from: Db, to: Db): void {
  const changes = from
    .prepare(
      `SELECT c.tableName, c.rowId, c.op, c.before, c.after FROM opChange c JOIN op o ON o.id = c.op
       ORDER BY c.tableName, c.rowId, o.clock, c.seq`,
    )
    .raw();
  to.transaction(() => {
    to.pragma("defer_foreign_keys = ON");
    let [table, id, state] = ["", "", null as State];
    const write = () => {
      if (state) insertRow(to, table, Object.assign(state.row, { id, version: state.version }));
    };
    for (const [of, row, op, before, after] of changes.iterate() as IterableIterator<string[]>) {
      if (row !== id || of !== table) {
        write();
        [table, id, state] = [of!, row!, null];
      }
      state = folded(state, { before, after } as Kept, op!);
    }
    write();
  }).immediate();
}
