import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { theDb } from "@/db/open";

/** The whole database as one file, made by SQLite's own backup while the program runs. */
export async function GET(): Promise<Response> {
  const folder = await mkdtemp(join(tmpdir(), "orchard-"));
  try {
    const path = join(folder, "backup.db");
    await theDb().backup(path);
    const name = `nimble-orchard-${new Date().toISOString().slice(0, 10)}.db`;
    return new Response(new Uint8Array(await readFile(path)), {
      headers: { "content-type": "application/vnd.sqlite3", "content-disposition": `attachment; filename="${name}"` },
    });
  } finally {
    await rm(folder, { recursive: true });
  }
}
