import type { Statement } from "better-sqlite3";
import type { Id } from "@/core/custody/id";
import type { Db } from "./open";
import { inserting, type Row } from "./rows";

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

/** A statement that adds rows to a table, made anew only where the columns differ from the row before. */
function adding(to: Db, table: string): (row: Row, id: Id, version: Id) => void {
  let columns: string[] = [];
  let statement: Statement | null = null;
  return (row, id, version) => {
    const names = Object.keys(row);
    if (!statement || names.length !== columns.length || names.some((name, i) => name !== columns[i])) {
      columns = names;
      statement = inserting(to, table, { ...row, id, version });
    }
    statement.run(...Object.values(row), id, version);
  };
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
    let add = adding(to, table);
    for (const [of, row, op, before, after] of changes.iterate() as IterableIterator<string[]>) {
      if (row !== id || of !== table) {
        if (state) add(state.row, id, state.version);
        if (of !== table) add = adding(to, of!);
        [table, id, state] = [of!, row!, null];
      }
      state = folded(state, { before, after } as Kept, op!);
    }
    if (state) add(state.row, id, state.version);
  }).immediate();
}
