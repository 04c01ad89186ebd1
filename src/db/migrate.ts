import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { Database } from "better-sqlite3";

const FOLDER = join(process.cwd(), "src/db/migrations");

type Migration = { number: number; name: string };

function migrations(folder: string): Migration[] {
  return readdirSync(folder)
    .filter((name) => /^\d{3}_.+\.sql$/.test(name))
    .sort()
    .map((name) => ({ number: Number(name.slice(0, 3)), name }));
}

/**
 * Applies the migrations a database lacks, all in one transaction, after writing a backup beside it.
 * The schema's number is SQLite's user_version.
 * @throws Error when the database is newer than the program; it is left as it was
 */
export function migrate(db: Database, path: string, folder = FOLDER): void {
  const all = migrations(folder);
  const newest = all.at(-1)?.number ?? 0;
  const current = db.pragma("user_version", { simple: true }) as number;
  if (current > newest)
    throw new Error(
      `The database ${path} was written by a newer Nimble Orchard (schema ${current}; this program knows ${newest}). It was left untouched. Start the newer program, or name another file with ORCHARD_DB.`,
    );
  if (current === newest) return;
  if (current > 0) db.prepare("VACUUM INTO ?").run(`${path}.before-schema-${newest}-${Date.now()}.bak`);
  db.transaction(() => {
    for (const { number, name } of all) if (number > current) db.exec(readFileSync(join(folder, name), "utf8"));
    db.pragma(`user_version = ${newest}`);
  }).immediate();
}
