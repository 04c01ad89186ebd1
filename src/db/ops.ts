import type { Statement } from "better-sqlite3";
import { type Id, nthId } from "@/core/custody/id";
import { tick } from "./clock";
import { isConstraint } from "./failure";
import { SCHEMA } from "./migrate";
import type { Db } from "./open";

export type Value = string | number | null;
export type Row = Record<string, Value>;

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
const quoted = (row: Row) => Object.keys(row).map((name) => `"${name}"`);

const statements = new WeakMap<Db, Map<string, Statement>>();

/** A statement, prepared once for a database. */
export function prepared(db: Db, sql: string): Statement {
  const known = statements.get(db) ?? new Map<string, Statement>();
  statements.set(db, known);
  const statement = known.get(sql) ?? db.prepare(sql);
  known.set(sql, statement);
  return statement;
}

/** A row as the journal keeps it: its id and version stand with the change itself. */
export function columnsOf({ id: _, version: __, ...columns }: Row): Row {
  return columns;
}

const inserts = new WeakMap<Db, Map<string, Statement>>();

/** The statement that adds a row of some columns to a table. */
function inserting(db: Db, table: string, row: Row, end = ""): Statement {
  const known = inserts.get(db) ?? new Map<string, Statement>();
  inserts.set(db, known);
  const key = `${table} ${Object.keys(row)} ${end}`;
  const made = known.get(key);
  if (made) return made;
  const names = quoted(row);
  const values = names.map(() => "?");
  const statement = db.prepare(`INSERT INTO "${table}" (${names.join(", ")}) VALUES (${values.join(", ")}) ${end}`);
  known.set(key, statement);
  return statement;
}

export function insertRow(db: Db, table: string, row: Row): void {
  inserting(db, table, row).run(...Object.values(row));
}

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
    return prepared(this.db, `SELECT * FROM "${table}" WHERE id = ?`).get(id) as Row | undefined;
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

/** Appends an op with its changes. Must run inside the transaction that made them. */
export function appendOp(db: Db, op: Op, changes: Change[]): void {
  const latest = prepared(db, "SELECT max(clock) FROM op").pluck().get() as string | null;
  const stored: StoredOp = {
    ...op,
    clock: tick(latest, Date.now(), op.device),
    schema: SCHEMA,
    input: JSON.stringify(op.input),
    outcome: JSON.stringify(op.outcome),
  };
  prepared(
    db,
    `INSERT INTO op (id, device, clock, at, day, command, input, schema, undoes, summary, outcome)
     VALUES (:id, :device, :clock, :at, :day, :command, :input, :schema, :undoes, :summary, :outcome)`,
  ).run(stored);
  const insert = prepared(
    db,
    "INSERT INTO opChange (op, seq, tableName, rowId, before, after) VALUES (?, ?, ?, ?, ?, ?)",
  );
  const json = (row: Row | null) => (row ? JSON.stringify(row) : null);
  changes.forEach(({ tableName, rowId, before, after }, seq) => {
    insert.run(op.id, seq, tableName, rowId, json(before), json(after));
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

/** What an op changed, in the order in which it did. */
function changesOf(db: Db, op: Id): Change[] {
  const rows = db.prepare("SELECT tableName, rowId, before, after FROM opChange WHERE op = ? ORDER BY seq").all(op);
  return (rows as StoredChange[]).map(parsed);
}

/** The ops that are taken back: those undone by an op that is not undone itself. */
export function undoneOps(db: Db): Set<Id> {
  const undone = new Set<Id>();
  const rows = db.prepare("SELECT id, undoes FROM op WHERE undoes IS NOT NULL ORDER BY clock DESC").all();
  for (const { id, undoes } of rows as { id: Id; undoes: Id }[]) if (!undone.has(id)) undone.add(undoes);
  return undone;
}

/**
 * The columns of a row that were written after a version of it was seen.
 * @returns null where that version is not known, so that nothing can be said
 */
export function writtenSince(db: Db, table: string, id: Id, seen: Id): Set<string> | null {
  const since = db.prepare("SELECT clock FROM op WHERE id = ?").pluck().get(seen) as string | undefined;
  if (since === undefined) return null;
  const rows = db
    .prepare(
      `SELECT c.tableName, c.rowId, c.before, c.after FROM opChange c JOIN op o ON o.id = c.op
       WHERE c.tableName = ? AND c.rowId = ? AND o.clock > ?`,
    )
    .all(table, id, since) as StoredChange[];
  return new Set(rows.map(parsed).flatMap(({ before, after }) => Object.keys(after ?? before ?? {})));
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
