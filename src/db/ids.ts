import { randomUUID } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import type { Database } from "better-sqlite3";
import { v7 } from "uuid";

/** A new id, later than every one made here before. */
export const newId = (): string => v7();

const known = new WeakMap<Database, string>();

/**
 * The device a database is written on: a name kept in a file beside it, not in it, so that a copy carried to another
 * machine is another device there. A database in memory is a device of its own.
 */
export function deviceOf(db: Database): string {
  const before = known.get(db);
  if (before) return before;
  const device = db.memory ? randomUUID() : kept(`${db.name}.device`);
  known.set(db, device);
  return device;
}

function kept(path: string): string {
  if (existsSync(path)) {
    const text = readFileSync(path, "utf8").trim();
    if (/^[\da-f-]{36}$/.test(text)) return text;
  }
  const made = newId();
  writeFileSync(path, `${made}\n`);
  return made;
}
