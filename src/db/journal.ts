import type { Db } from "./open";

export type Row = Record<string, string | number | null>;
export type Change = { tableName: string; rowId: number; before: Row | null; after: Row | null };

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

/** Every table whose rows a command may write, and undo may restore. */
export const TABLES = [
  "garden",
  "bed",
  "line",
  "stand",
  "plant",
  "yardstick",
  "score",
  "cross",
  "flower",
  "lot",
  "barrier",
  "source",
  "normal",
  "reading",
  "candidate",
] as const;
export type Table = (typeof TABLES)[number];

const names = (row: Row) => Object.keys(row).map((name) => `"${name}"`);

/** Writes rows and remembers each change for the journal. Lives for one transaction. */
export class Writer {
  readonly changes: Change[] = [];
  constructor(readonly db: Db) {}

  read(table: Table, id: number): Row | undefined {
    return this.db.prepare(`SELECT * FROM "${table}" WHERE id = ?`).get(id) as Row | undefined;
  }

  insert(table: Table, row: Row): number {
    const columns = names(row);
    const { lastInsertRowid } = this.db
      .prepare(`INSERT INTO "${table}" (${columns.join(", ")}) VALUES (${columns.map(() => "?").join(", ")})`)
      .run(...Object.values(row));
    const id = Number(lastInsertRowid);
    this.changes.push({ tableName: table, rowId: id, before: null, after: this.read(table, id)! });
    return id;
  }

  /**
   * Changes columns of a row and raises its version.
   * @param expected the version the writer saw; when another has written since, all is refused
   */
  update(table: Table, id: number, patch: Row, expected?: number): void {
    const before = this.read(table, id);
    if (!before) throw new Refusal("That record does not exist any more.");
    if (expected !== undefined && before.version !== expected)
      throw new Refusal(conflictInWords(before, patch), {}, "conflict");
    if (Object.entries(patch).every(([name, value]) => before[name] === value)) return;
    const sets = names(patch).map((name) => `${name} = ?`);
    this.db
      .prepare(`UPDATE "${table}" SET ${sets.join(", ")}, version = version + 1 WHERE id = ?`)
      .run(...Object.values(patch), id);
    this.changes.push({ tableName: table, rowId: id, before, after: this.read(table, id)! });
  }

  remove(table: Table, id: number): void {
    const before = this.read(table, id);
    if (!before) throw new Refusal("That record does not exist any more.");
    this.db.prepare(`DELETE FROM "${table}" WHERE id = ?`).run(id);
    this.changes.push({ tableName: table, rowId: id, before, after: null });
  }
}

function conflictInWords(current: Row, patch: Row): string {
  const differing = Object.entries(patch)
    .filter(([name, value]) => current[name] !== value)
    .map(([name]) => `${name} is now “${current[name] ?? "empty"}”`);
  return `This was changed elsewhere since you opened it${differing.length ? `: ${differing.join(", ")}` : ""}. What you typed is kept here; nothing was saved. Load the newer version, or save again to put yours over it.`;
}

export type Entry = { command: string; summary: string; day: string; request: string | null; undoes: number | null };

/** Appends a journal entry with its changes. Must run inside the transaction that made them. */
export function appendEntry(db: Db, entry: Entry, changes: Change[], outcome: (id: number) => object): number {
  const { lastInsertRowid } = db
    .prepare("INSERT INTO journal (at, day, command, summary, request, outcome, undoes) VALUES (?, ?, ?, ?, ?, '', ?)")
    .run(new Date().toISOString(), entry.day, entry.command, entry.summary, entry.request, entry.undoes);
  const id = Number(lastInsertRowid);
  db.prepare("UPDATE journal SET outcome = ? WHERE id = ?").run(JSON.stringify(outcome(id)), id);
  const insert = db.prepare(
    "INSERT INTO journalChange (entry, seq, tableName, rowId, before, after) VALUES (?, ?, ?, ?, ?, ?)",
  );
  changes.forEach((change, seq) => {
    const json = (row: Row | null) => (row ? JSON.stringify(row) : null);
    insert.run(id, seq, change.tableName, change.rowId, json(change.before), json(change.after));
  });
  return id;
}

const sameApartFromVersion = (a: Row, b: Row) =>
  Object.keys(a).every((name) => name === "version" || a[name] === b[name]);

type StoredChange = { tableName: Table; rowId: number; before: string | null; after: string | null };

/** Entries after `entry` that touched a row and still stand. */
function laterOn(db: Db, entry: number, change: StoredChange): string[] {
  return db
    .prepare(
      `SELECT DISTINCT j.summary FROM journalChange c JOIN journal j ON j.id = c.entry
       WHERE c.tableName = ? AND c.rowId = ? AND c.entry > ? AND j.undone = 0 ORDER BY j.id DESC LIMIT 3`,
    )
    .pluck()
    .all(change.tableName, change.rowId, entry) as string[];
}

function refuseUndo(db: Db, entry: number, change: StoredChange): never {
  const later = laterOn(db, entry, change);
  throw new Refusal(
    later.length
      ? `This can't be undone any more, because the same record was changed later: ${later.join("; ")}. Undo that first.`
      : "This can't be undone any more, because later records rest on it. Undo those first.",
  );
}

/**
 * Reverses an entry's changes, newest first, through the writer. An addition leaves its table and stays whole in the
 * journal, so that the undo can itself be undone.
 * @throws Refusal, saying why, when a row has changed since or others rest on it
 */
export function reverseEntry(writer: Writer, entry: number): void {
  const { db } = writer;
  const changes = db
    .prepare("SELECT tableName, rowId, before, after FROM journalChange WHERE entry = ? ORDER BY seq DESC")
    .all(entry) as StoredChange[];
  for (const change of changes) {
    const before = change.before ? (JSON.parse(change.before) as Row) : null;
    const after = change.after ? (JSON.parse(change.after) as Row) : null;
    const current = writer.read(change.tableName, change.rowId);
    if (after ? !current || !sameApartFromVersion(after, current) : current) refuseUndo(db, entry, change);
    try {
      if (!before) writer.remove(change.tableName, change.rowId);
      else if (!after) writer.insert(change.tableName, before);
      else {
        const { version: _, id: __, ...columns } = before;
        writer.update(change.tableName, change.rowId, columns);
      }
    } catch (error) {
      if ((error as { code?: string }).code?.startsWith("SQLITE_CONSTRAINT")) refuseUndo(db, entry, change);
      throw error;
    }
  }
}
