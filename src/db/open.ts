import { accessSync, closeSync, constants, existsSync, mkdirSync, openSync, readSync, statSync } from "node:fs";
import { dirname, resolve } from "node:path";
import Database from "better-sqlite3";
import { newestSound, troubleIn } from "./backup";
import { isBusy, isDamaged, isFull, isHeld } from "./failure";
import { migrate } from "./migrate";

export type Db = Database.Database;

const HEADER = "SQLite format 3\0";
/** A writer waits so long for another one, ms; then the press is answered, and tried again by itself. Nobody is answered meanwhile. */
const PATIENCE = 100;

const quoted = (path: string) => `The database ${resolve(path)}`;
const LEFT = "It was left as it is.";
const INSTEAD = "Put a backup in its place, or name another file with ORCHARD_DB.";

/** Whether what is there can be read and written: a sentence for each way in which it can't. */
function refuseUnfit(path: string): void {
  const folder = dirname(path);
  const may = (what: string, mode: number, of: string) => {
    try {
      accessSync(what, mode);
    } catch {
      throw new Error(
        `${quoted(path)} can't be used: ${of} may not be written by this user. Give it that right, or name another file with ORCHARD_DB.`,
      );
    }
  };
  if (!existsSync(folder))
    throw new Error(
      `There is no folder ${resolve(folder)}, so no database was made there. Check the name for a slip, or make the folder first.`,
    );
  may(folder, constants.W_OK, "its folder");
  if (!existsSync(path)) return;
  if (!statSync(path).isFile()) throw new Error(`${quoted(path)} is no file. Name another with ORCHARD_DB.`);
  may(path, constants.R_OK | constants.W_OK, "the file");
  const head = Buffer.alloc(HEADER.length);
  const file = openSync(path, "r");
  const read = readSync(file, head);
  closeSync(file);
  if (read < HEADER.length || head.toString("latin1") !== HEADER)
    throw new Error(
      `${quoted(path)} is ${read === 0 ? "empty" : "no database"}: what was in it is gone, or it never was one. ${LEFT} ${INSTEAD}${soundBackup(path)}`,
    );
}

function soundBackup(path: string): string {
  const backup = newestSound(path);
  return backup ? ` The newest sound backup is ${resolve(backup)}.` : "";
}

/** Refuses a damaged file and one of another program before anything is written to it. */
function refuseForeign(db: Db, path: string): void {
  const trouble = troubleIn(db);
  if (trouble) throw new Error(`${quoted(path)} is damaged (${trouble}). ${LEFT} ${INSTEAD}${soundBackup(path)}`);
  const version = db.pragma("user_version", { simple: true }) as number;
  const tables = db.prepare("SELECT name FROM sqlite_master").pluck().all() as string[];
  const fresh = version === 0 && tables.length === 0;
  const ours = version > 0 && tables.includes("garden");
  if (!fresh && !ours)
    throw new Error(`${quoted(path)} belongs to another program. ${LEFT} Name another file with ORCHARD_DB.`);
}

type Failure = { code?: string; message: string };

/** What SQLite says of a file it can't open, with what to do. */
function explained(failure: Failure, path: string): Error {
  const { code = "" } = failure;
  if (isDamaged(failure)) return new Error(`${quoted(path)} is damaged. ${LEFT} ${INSTEAD}${soundBackup(path)}`);
  if (isHeld(failure)) return new Error(`${quoted(path)} is held by another program. Stop that one, then start again.`);
  if (isFull(failure)) return new Error(`The disk is full: ${quoted(path)} could not be opened. Make room first.`);
  if (code.startsWith("SQLITE_READONLY") || code.startsWith("SQLITE_CANTOPEN") || code.startsWith("SQLITE_IOERR"))
    return new Error(`${quoted(path)} can't be read and written here (${failure.message}).`);
  return failure as Error;
}

/**
 * Opens (or makes) a database file, checks that it is sound and ours, and brings its schema up to date.
 * @throws Error in a sentence: for a newer schema, a damaged or foreign file, one that can't be written; it is left as it was
 */
export function openDb(path: string): Db {
  refuseUnfit(path);
  let db: Db | null = null;
  try {
    db = new Database(path, { timeout: PATIENCE });
    refuseForeign(db, path);
    db.pragma("foreign_keys = ON");
    migrate(db, path);
    db.pragma("journal_mode = WAL");
    db.pragma("synchronous = FULL");
    return db;
  } catch (failure) {
    db?.close();
    throw explained(failure as Failure, path);
  }
}

const kept = globalThis as { orchardDb?: Db };

/** The file that this process keeps its garden in. */
const OWN = "data/orchard.db";

/** The one connection of this process, to the file that ORCHARD_DB names. */
export function theDb(): Db {
  if (kept.orchardDb) return kept.orchardDb;
  const path = process.env.ORCHARD_DB ?? OWN;
  if (path === OWN) mkdirSync(dirname(OWN), { recursive: true });
  kept.orchardDb = openDb(path);
  return kept.orchardDb;
}

/** Writes the write-ahead log into the file, so that the file is nearly always whole by itself. */
export function settle(db: Db): void {
  try {
    db.pragma("wal_checkpoint(TRUNCATE)");
  } catch (failure) {
    // Somebody reads or writes just now: the next round will do.
    if (!isBusy(failure)) throw failure;
  }
}
