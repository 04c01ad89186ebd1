import type { Id } from "@/core/custody/id";
import type { Db } from "./open";
import { adder, type Row } from "./rows";

/** A row as a journal leaves it, and the op that wrote it last; null where it is not there. */
export type State = { row: Row; version: Id } | null;

/** One change: what it says of columns, null where it takes the row away, and whether it makes the row or says it anew. */
type Step = { anew: boolean; after: Row | null };

/** A change as the journal keeps it: JSON, null for nothing. */
export const stepOf = ({ before, after }: { before: string | null; after: string | null }): Step => ({
  anew: before === null || before === "{}",
  after: after && JSON.parse(after),
});

/**
 * Carries one change out on a row. In a journal that holds the ops of two copies a change may find its row changed or
 * gone: what it says of columns holds, and a row that is gone stays so until it is made or said anew.
 */
export function folded(state: State, { anew, after }: Step, op: Id): State {
  if (after === null) return null;
  if (state) return { row: Object.assign(state.row, after), version: op };
  return anew ? { row: after, version: op } : null;
}

type Told = [rowId: Id, op: Id, seq: number, anew: 0 | 1, after: Row | null];

/** So many changes are read at a time, as one text: reading them singly takes as long as writing the rows. */
const AT_ONCE = 4000;

/** The changes of a table, row by row. */
function* changesOf(db: Db, table: string): Generator<Told> {
  const next = db
    .prepare(
      `SELECT '[' || group_concat('[' || json_quote(rowId) || ',' || json_quote(op) || ',' || seq || ','
         || (before IS NULL OR before = '{}') || ',' || coalesce(after, 'null') || ']') || ']'
       FROM (SELECT * FROM opChange WHERE tableName = ? AND (rowId, op, seq) > (?, ?, ?) ORDER BY rowId, op, seq LIMIT ?)`,
    )
    .pluck();
  let last: [Id, Id, number] = ["", "", 0];
  for (;;) {
    const text = next.get(table, ...last, AT_ONCE) as string | null;
    if (text === null) return;
    const changes = JSON.parse(text) as Told[];
    yield* changes;
    const [row, op, seq] = changes.at(-1)!;
    last = [row, op, seq];
  }
}

/** What the changes of one row leave of it. Most rows have one; only several ask in what order they were made. */
function stateAfter(changes: Told[], clockOf: (op: Id) => string): State {
  if (changes.length > 1)
    changes.sort((a, b) => (a[1] === b[1] ? a[2] - b[2] : clockOf(a[1]) < clockOf(b[1]) ? -1 : 1));
  return changes.reduce((state: State, [, op, , anew, after]) => folded(state, { anew: anew === 1, after }, op), null);
}

/** Carries the ops of a journal out again on an empty database of the same schema, row by row in the order of their clocks. */
export function replay(from: Db, to: Db): void {
  const tables = from.prepare("SELECT DISTINCT tableName FROM opChange").pluck().all() as string[];
  const clock = from.prepare("SELECT clock FROM op WHERE id = ?").pluck();
  const clockOf = (op: Id) => clock.get(op) as string;
  to.transaction(() => {
    to.pragma("defer_foreign_keys = ON");
    for (const table of tables) {
      const add = adder(to, table);
      let ofRow: Told[] = [];
      const write = () => {
        const state = stateAfter(ofRow, clockOf);
        if (state) add(ofRow[0]![0], state.version, state.row);
        ofRow = [];
      };
      for (const change of changesOf(from, table)) {
        if (ofRow.length > 0 && ofRow[0]![0] !== change[0]) write();
        ofRow.push(change);
      }
      write();
    }
  }).immediate();
}
