import { copyFileSync, existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import type { Db } from "./open";
import { appendOp, type Change, headOf, type Op } from "./ops";
import { insertRow, prepared, quoted } from "./rows";

/** What one press did: its op and the changes of rows. */
export type Written = { op: Op; changes: Change[] };

/** A throw-away copy of a garden, on which a press can be tried as if on this device, and the journal's head in it. */
export function copyOf(db: Db): { copy: Db; head: string | null; discard: () => void } {
  const folder = mkdtempSync(join(tmpdir(), "orchard-try-"));
  const path = join(folder, "garden.db");
  const discard = () => rmSync(folder, { recursive: true, force: true });
  try {
    db.prepare("VACUUM INTO ?").run(path);
    if (existsSync(`${db.name}.device`)) copyFileSync(`${db.name}.device`, `${path}.device`);
    const copy = new Database(path);
    copy.pragma("foreign_keys = ON");
    copy.pragma("synchronous = OFF");
    copy.pragma("journal_mode = MEMORY");
    return {
      copy,
      head: headOf(copy),
      discard: () => {
        copy.close();
        discard();
      },
    };
  } catch (failure) {
    discard();
    throw failure;
  }
}

function carry(db: Db, { tableName, rowId, before, after }: Change, version: string): void {
  if (after === null) prepared(db, `DELETE FROM "${tableName}" WHERE id = ?`).run(rowId);
  else if (before === null) insertRow(db, tableName, { ...after, id: rowId, version });
  else {
    const whole = { ...after, version };
    const sets = quoted(whole).map((name) => `${name} = ?`);
    prepared(db, `UPDATE "${tableName}" SET ${sets.join(", ")} WHERE id = ?`).run(...Object.values(whole), rowId);
  }
}

type Lease = { kind: string; year: number; low: number; high: number; device: string; last: number };

/** Tables of which rows were written since a head of the journal. */
const tablesWritten = (db: Db, head: string | null): string[] =>
  db
    .prepare("SELECT DISTINCT c.tableName FROM op o JOIN opChange c ON c.op = o.id WHERE o.clock > ?")
    .pluck()
    .all(head ?? "") as string[];

/**
 * Writes what a press did on a copy into the garden itself, in one short transaction.
 * @param head the journal's head when the copy was made
 * @param reads the tables that what was written rests on
 * @returns false, with nothing written, where one of them was written in the garden since
 */
export const carriedOver = (
  db: Db,
  copy: Db,
  head: string | null,
  { op, changes }: Written,
  reads: readonly string[],
): boolean =>
  db
    .transaction((): boolean => {
      if (tablesWritten(db, head).some((table) => reads.includes(table))) return false;
      const leases = copy.prepare("SELECT * FROM lease").all() as Lease[];
      for (const lease of leases)
        prepared(
          db,
          `INSERT INTO lease (kind, year, low, high, device, last) VALUES (@kind, @year, @low, @high, @device, @last)
           ON CONFLICT (kind, year, low) DO UPDATE SET last = max(last, @last)`,
        ).run(lease);
      for (const change of changes) carry(db, change, op.id);
      appendOp(db, op, changes);
      return true;
    })
    .immediate();
