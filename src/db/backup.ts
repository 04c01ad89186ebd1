import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from "node:fs";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import Database from "better-sqlite3";
import { copyPhotos, photosOf } from "./photos";

type Db = Database.Database;

/** So many daily backups are kept. */
const KEPT = 14;

/** Where the backups of a database lie: beside it, or in a folder of the grower's choice. */
const folderOf = (path: string) => process.env.ORCHARD_BACKUPS ?? `${path}.backups`;
const nameOf = (path: string, day: string) => `${basename(path, ".db")}-${day}.db`;

/** The backups of a database, the newest first. */
function backupsOf(path: string): string[] {
  const folder = folderOf(path);
  if (!existsSync(folder)) return [];
  const own = new RegExp(`^${basename(path, ".db").replace(/[^\w-]/g, "\\$&")}-\\d{4}-\\d{2}-\\d{2}\\.db$`);
  return readdirSync(folder)
    .filter((name) => own.test(name))
    .sort()
    .reverse()
    .map((name) => join(folder, name));
}

/** What is damaged in a database, in SQLite's words; null for nothing. */
export function troubleIn(db: Db): string | null {
  const found = db.pragma("quick_check(1)", { simple: true }) as string;
  return found === "ok" ? null : found;
}

function isSound(path: string): boolean {
  try {
    const db = new Database(path, { readonly: true });
    try {
      return troubleIn(db) === null;
    } finally {
      db.close();
    }
  } catch {
    return false;
  }
}

/** The newest backup that can be used; null where there is none. */
export const newestSound = (path: string): string | null => backupsOf(path).find(isSound) ?? null;

/** Copies a database, while the program runs, into one plain file that is whole by itself. */
export async function copyTo(db: Db, path: string): Promise<void> {
  await db.backup(path);
  const copy = new Database(path);
  copy.pragma("journal_mode = DELETE");
  copy.close();
}

/** The whole database as the bytes of one plain file, by SQLite's own backup call, while the program runs. */
export async function backup(db: Db): Promise<Uint8Array<ArrayBuffer>> {
  const folder = await mkdtemp(join(tmpdir(), "orchard-"));
  try {
    const path = join(folder, "backup.db");
    await copyTo(db, path);
    return new Uint8Array(await readFile(path));
  } finally {
    await rm(folder, { recursive: true });
  }
}

/**
 * Keeps a day's backup, once a day, and the newest fourteen. A damaged database is not copied over sound backups.
 * @param day the day it is named by, `YYYY-MM-DD`
 * @returns the backup's path; null where there is one of that day already
 */
export async function keepDaily(db: Db, day: string): Promise<string | null> {
  const folder = folderOf(db.name);
  const path = join(folder, nameOf(db.name, day));
  if (existsSync(path)) return null;
  if (troubleIn(db)) throw new Error("The database is damaged: no backup was made, so that the earlier ones stay.");
  mkdirSync(folder, { recursive: true });
  const unfinished = `${path}.unfinished`;
  rmSync(unfinished, { force: true });
  await copyTo(db, unfinished);
  renameSync(unfinished, path);
  // A picture stays as it is: one of each is enough for all backups.
  await copyPhotos(photosOf(db), join(folder, `${basename(db.name, ".db")}.photos`));
  for (const old of backupsOf(db.name).slice(KEPT)) rmSync(old);
  return path;
}
