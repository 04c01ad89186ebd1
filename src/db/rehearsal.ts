import { copyFileSync, existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import type { Id } from "@/core/custody/id";
import { uniteLeases } from "./copies";
import type { Db } from "./open";
import { headOf, nextClock, opById } from "./ops";
import { insertRow } from "./rows";

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

/** Brings the rows of a table that an op wrote, or took away, on the attached copy to what they are there. */
function carry(db: Db, table: string, op: string): void {
  const columns = db.prepare("SELECT name FROM pragma_table_info(?)").pluck().all(table) as string[];
  const sets = columns.map((name) => `"${name}" = excluded."${name}"`);
  db.prepare(
    `INSERT INTO main."${table}" SELECT * FROM tried."${table}" WHERE version = ?
     ON CONFLICT (id) DO UPDATE SET ${sets.join(", ")}`,
  ).run(op);
  db.prepare(
    `DELETE FROM main."${table}" WHERE id IN
       (SELECT rowId FROM tried.opChange WHERE op = ? AND tableName = ? AND after IS NULL)`,
  ).run(op, table);
}

/** Tables of which rows were written since a head of the journal. */
const tablesWritten = (db: Db, head: string | null): string[] =>
  db
    .prepare("SELECT DISTINCT c.tableName FROM op o JOIN opChange c ON c.op = o.id WHERE o.clock > ?")
    .pluck()
    .all(head ?? "") as string[];

/**
 * Writes what a press did on a copy into the garden itself, in one short transaction: rows and journal are taken over from
 * the copy's file as they stand there.
 * @param head the journal's head when the copy was made
 * @param id the press's op
 * @param reads the tables that what was written rests on, those that it wrote among them
 * @returns false, with nothing written, where one of them was written in the garden since
 */
export function carriedOver(db: Db, copy: Db, head: string | null, id: Id, reads: readonly string[]): boolean {
  const op = opById(copy, id)!;
  const tables = copy.prepare("SELECT DISTINCT tableName FROM opChange WHERE op = ?").pluck().all(id) as string[];
  db.prepare("ATTACH ? AS tried").run(copy.name);
  try {
    return db
      .transaction((): boolean => {
        if (tablesWritten(db, head).some((table) => reads.includes(table))) return false;
        db.pragma("defer_foreign_keys = ON");
        uniteLeases(db, copy);
        for (const table of tables) carry(db, table, id);
        insertRow(db, "op", { ...op, clock: nextClock(db, op.device) });
        db.prepare("INSERT INTO main.opChange SELECT * FROM tried.opChange WHERE op = ?").run(id);
        return true;
      })
      .immediate();
  } finally {
    db.exec("DETACH tried");
  }
}
