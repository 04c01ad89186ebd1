import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import type { Db } from "./open";

/** The whole database as the bytes of one plain file, by SQLite's own backup call, while the program runs. */
export async function backup(db: Db): Promise<Uint8Array<ArrayBuffer>> {
  const folder = await mkdtemp(join(tmpdir(), "orchard-"));
  try {
    const path = join(folder, "backup.db");
    await db.backup(path);
    // Without a write-ahead log the file is whole by itself.
    const copy = new Database(path);
    copy.pragma("journal_mode = DELETE");
    copy.close();
    return new Uint8Array(await readFile(path));
  } finally {
    await rm(folder, { recursive: true });
  }
}
