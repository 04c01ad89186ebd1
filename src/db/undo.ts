import type { Id } from "@/core/custody/id";
import { isConstraint } from "./failure";
import type { Db } from "./open";
import { type Change, parsed, Refusal, type StoredChange, type StoredOp, type Writer } from "./ops";
import type { Row } from "./rows";

/** What an op changed, in the order in which it did. */
function changesOf(db: Db, op: Id): Change[] {
  const rows = db.prepare("SELECT tableName, rowId, before, after FROM opChange WHERE op = ? ORDER BY seq").all(op);
  return (rows as StoredChange[]).map(parsed);
}

/** The ops that are taken back: those undone by an op that is not undone itself. */
export function undoneOps(db: Db): Set<Id> {
  const undone = new Set<Id>();
  // Sorted after they are found: few of many are taken back, and an index by clock would lead through all.
  const rows = db.prepare("SELECT id, undoes FROM op WHERE undoes IS NOT NULL ORDER BY +clock DESC").all();
  for (const { id, undoes } of rows as { id: Id; undoes: Id }[]) if (!undone.has(id)) undone.add(undoes);
  return undone;
}

/** Ops after one that touched a row and still stand, the newest first. */
function laterOn(db: Db, op: StoredOp, { tableName, rowId }: Change): string[] {
  const rows = db
    .prepare(
      `SELECT DISTINCT o.id, o.summary FROM opChange c JOIN op o ON o.id = c.op
       WHERE c.tableName = ? AND c.rowId = ? AND o.clock > ? ORDER BY o.clock DESC`,
    )
    .all(tableName, rowId, op.clock) as { id: Id; summary: string }[];
  const undone = undoneOps(db);
  return rows.filter(({ id }) => !undone.has(id)).map(({ summary }) => summary);
}

const RESTED_ON = "This can't be undone any more, because later records rest on it. Undo those first.";

function refuseUndo(db: Db, op: StoredOp, change: Change): never {
  const later = laterOn(db, op, change).slice(0, 3);
  throw new Refusal(
    later.length
      ? `This can't be undone any more, because the same record was changed later: ${later.join("; ")}. Undo that first.`
      : RESTED_ON,
  );
}

const holds = (row: Row, columns: Row) => Object.keys(columns).every((name) => row[name] === columns[name]);

/**
 * Reverses an op's changes, newest first, through a writer of its own op. What a later op did to other columns of the
 * same rows stays. An addition leaves its table and stays whole in the journal, so that the undo can itself be undone.
 * @throws Refusal, saying why, when a column has changed since or others rest on the row
 */
export function reverse(writer: Writer, op: StoredOp): void {
  const { db } = writer;
  // Rows of two copies name each other crosswise: whether all are there is seen when all is taken back.
  const crosswise = db.prepare("SELECT 1 FROM brought WHERE merge = ? LIMIT 1").get(op.id) !== undefined;
  if (crosswise) db.pragma("defer_foreign_keys = ON");
  for (const change of changesOf(db, op.id).reverse()) {
    const { tableName, rowId, before, after } = change;
    if (!before && !after) continue;
    const current = writer.read(tableName, rowId);
    if (after ? !current || !holds(current, after) : current) refuseUndo(db, op, change);
    try {
      if (!before) writer.remove(tableName, rowId);
      else if (!after) writer.insert(tableName, { id: rowId, ...before });
      else writer.update(tableName, rowId, before);
    } catch (error) {
      if (isConstraint(error)) refuseUndo(db, op, change);
      throw error;
    }
  }
  const broken = crosswise && (db.pragma("foreign_key_check") as object[]).length > 0;
  if (broken) throw new Refusal(RESTED_ON);
}
