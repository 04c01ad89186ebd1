import { mkdirSync } from "node:fs";
import { dirname } from "node:path";
import Database from "better-sqlite3";
import { migrate } from "./migrate";

export type Db = Database.Database;

/** Opens (or makes) a database file, checks and brings its schema up to date. @throws Error for a newer schema */
export function openDb(path: string): Db {
  mkdirSync(dirname(path), { recursive: true });
  const db = new Database(path);
  try {
    db.pragma("busy_timeout = 5000");
    db.pragma("foreign_keys = ON");
    migrate(db, path);
    db.pragma("journal_mode = WAL");
    db.pragma("synchronous = FULL");
    return db;
  } catch (error) {
    db.close();
    throw error;
  }
}

const kept = globalThis as { orchardDb?: Db };

/** The one connection of this process, to the file that ORCHARD_DB names. */
export function theDb(): Db {
  kept.orchardDb ??= openDb(process.env.ORCHARD_DB ?? "data/orchard.db");
  return kept.orchardDb;
}
