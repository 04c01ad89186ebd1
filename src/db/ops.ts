import { type Id, nthId } from "@/core/custody/id";
import { tick } from "./clock";
import { SCHEMA } from "./migrate";
import type { Db } from "./open";
import { columnsOf, inserting, insertRow, prepared, quoted, type Row, readRow } from "./rows";

/**
 * What an op did to one row: the columns that changed, before and after. Without a before it made the row, without an
 * after it took it away; with neither it says that the row is not there, whatever ops of another copy say.
 */
export type Change = { tableName: string; rowId: Id; before: Row | null; after: Row | null };

/** Why a write was refused: a sentence, and a message for each field that caused it. Thrown, it rolls all back. */
export class Refusal extends Error {
  constructor(
    message: string,
    readonly fields: Record<string, string> = {},
    /** A dry run is rolled back like a refusal, and its fields say what it would have done. */
    readonly kind: "refused" | "conflict" | "dry-run" = "refused",
  ) {
    super(message);
  }
}

/** Refuses a write for the sake of one field. */
export function refuse(field: string, message: string): never {
  throw new Refusal(message, { [field]: message });
}

const GONE = "That record does not exist any more.";

/**
 * Writes rows for one op and remembers each change for the journal. A row's version is the op that wrote it last, and the
 * rows an op makes are numbered from its id.
 */
export class Writer {
  readonly changes: Change[] = [];
  private made = 0;

  constructor(
    readonly db: Db,
    readonly op: Id,
  ) {}

  read(table: string, id: Id): Row | undefined {
    return readRow(this.db, table, id);
  }

  /** Adds a row, under its own id or the op's next. */
  insert(table: string, row: Row): Id {
    const id = (row.id as Id | undefined) ?? nthId(this.op, ++this.made);
    const whole = { ...row, id, version: this.op };
    // With what the schema fills in.
    const kept = inserting(this.db, table, whole, "RETURNING *").get(...Object.values(whole)) as Row;
    this.changes.push({ tableName: table, rowId: id, before: null, after: columnsOf(kept) });
    return id;
  }

  /** Changes columns of a row; those that hold the value already are left alone. */
  update(table: string, id: Id, patch: Row): void {
    const row = this.read(table, id);
    if (!row) throw new Refusal(GONE);
    const after = Object.fromEntries(Object.entries(patch).filter(([name, value]) => row[name] !== value));
    if (Object.keys(after).length === 0) return;
    this.set(table, id, after);
    const before = Object.fromEntries(Object.keys(after).map((name) => [name, row[name]!]));
    this.changes.push({ tableName: table, rowId: id, before, after });
  }

  /** Says what columns of a row hold already, so that the journal has it from this op; taking it back changes nothing. */
  confirm(table: string, id: Id, columns: Row): void {
    this.set(table, id, {});
    this.changes.push({ tableName: table, rowId: id, before: {}, after: columns });
  }

  /** Says that a row is not there. */
  absent(table: string, id: Id): void {
    this.changes.push({ tableName: table, rowId: id, before: null, after: null });
  }

  remove(table: string, id: Id): void {
    const row = this.read(table, id);
    if (!row) throw new Refusal(GONE);
    prepared(this.db, `DELETE FROM "${table}" WHERE id = ?`).run(id);
    this.changes.push({ tableName: table, rowId: id, before: columnsOf(row), after: null });
  }

  private set(table: string, id: Id, columns: Row): void {
    const whole = { ...columns, version: this.op };
    const sets = quoted(whole).map((name) => `${name} = ?`);
    prepared(this.db, `UPDATE "${table}" SET ${sets.join(", ")} WHERE id = ?`).run(...Object.values(whole), id);
  }
}

/** What the journal says of one press, beside its changes. */
export type Op = {
  id: Id;
  device: Id;
  /** The moment of the press, and the as-of day of the device it was made on. */
  at: string;
  day: string;
  command: string;
  input: unknown;
  undoes: Id | null;
  summary: string;
  outcome: object;
};

export type StoredOp = Omit<Op, "input" | "outcome"> & {
  clock: string;
  schema: number;
  input: string;
  outcome: string;
};

/** Changes with every press that is written; null in a garden without any. */
export const headOf = (db: Db): string | null =>
  prepared(db, "SELECT max(clock) FROM op").pluck().get() as string | null;

/** The clock of an op that a device appends now: later than all that are there. */
export const nextClock = (db: Db, device: Id): string => tick(headOf(db), Date.now(), device);

/** Appends an op with its changes. Must run inside the transaction that made them. */
export function appendOp(db: Db, op: Op, changes: Change[]): void {
  const stored: StoredOp = {
    ...op,
    clock: nextClock(db, op.device),
    schema: SCHEMA,
    input: JSON.stringify(op.input),
    outcome: JSON.stringify(op.outcome),
  };
  insertRow(db, "op", stored);
  const json = (row: Row | null) => (row ? JSON.stringify(row) : null);
  changes.forEach(({ tableName, rowId, before, after }, seq) => {
    insertRow(db, "opChange", { op: op.id, seq, tableName, rowId, before: json(before), after: json(after) });
  });
}

export function opById(db: Db, id: Id): StoredOp | undefined {
  return db.prepare("SELECT * FROM op WHERE id = ?").get(id) as StoredOp | undefined;
}

export type StoredChange = { tableName: string; rowId: Id; before: string | null; after: string | null };

export const parsed = ({ before, after, ...of }: StoredChange): Change => ({
  ...of,
  before: before === null ? null : (JSON.parse(before) as Row),
  after: after === null ? null : (JSON.parse(after) as Row),
});

/** The columns that a change speaks of. */
export const columnsIn = ({ before, after }: Pick<StoredChange, "before" | "after">): string[] =>
  Object.keys(JSON.parse(after ?? before ?? "{}") as object);

/**
 * The columns of a row that were written after a version of it was seen.
 * @returns null where that version is not known, so that nothing can be said
 */
export function writtenSince(db: Db, table: string, id: Id, seen: Id): Set<string> | null {
  const since = db.prepare("SELECT clock FROM op WHERE id = ?").pluck().get(seen) as string | undefined;
  if (since === undefined) return null;
  const rows = db
    .prepare(
      `SELECT c.before, c.after FROM opChange c JOIN op o ON o.id = c.op
       WHERE c.tableName = ? AND c.rowId = ? AND o.clock > ?`,
    )
    .all(table, id, since) as Pick<StoredChange, "before" | "after">[];
  return new Set(rows.flatMap(columnsIn));
}
