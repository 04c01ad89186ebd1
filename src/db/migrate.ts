import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { Database } from "better-sqlite3";
import { carryOver, setAside } from "./migrations/identity";

const FOLDER = join(process.cwd(), "src/db/migrations");

type Migration = { number: number; name: string };
type Step = { before?: (db: Database) => void; after?: (db: Database) => void };

/** What a migration does that SQL can't say. */
const STEPS: Record<number, Step> = { 4: { before: setAside, after: carryOver } };

function migrations(folder: string): Migration[] {
  return readdirSync(folder)
    .filter((name) => /^\d{3}_.+\.sql$/.test(name))
    .sort()
    .map((name) => ({ number: Number(name.slice(0, 3)), name }));
}

/** The schema that this program writes; the number of its newest migration. */
export const SCHEMA = migrations(FOLDER).at(-1)!.number;

function apply(db: Database, folder: string, all: Migration[]): void {
  for (const { number, name } of all) {
    STEPS[number]?.before?.(db);
    db.exec(readFileSync(join(folder, name), "utf8"));
    STEPS[number]?.after?.(db);
    db.pragma(`user_version = ${number}`);
  }
  const [broken] = db.pragma("foreign_key_check") as { table: string; parent: string }[];
  if (broken)
    throw new Error(`A row of ${broken.table} names one of ${broken.parent} that is not there. Nothing was changed.`);
}

/**
 * Applies the migrations a database lacks, all in one transaction, after writing a backup beside it.
 * The schema's number is SQLite's user_version.
 * @throws Error when the database is newer than the program; it is left as it was
 */
export function migrate(db: Database, path: string, folder = FOLDER): void {
  const all = migrations(folder);
  const newest = all.at(-1)?.number ?? 0;
  const version = () => db.pragma("user_version", { simple: true }) as number;
  const current = version();
  if (current > newest)
    throw new Error(
      `The database ${path} was written by a newer Nimble Orchard (schema ${current}; this program knows ${newest}). It was left untouched. Start the newer program, or name another file with ORCHARD_DB.`,
    );
  if (current === newest) return;
  if (current > 0) db.prepare("VACUUM INTO ?").run(`${path}.before-schema-${newest}-${Date.now()}.bak`);
  // Tables are made anew under rows that name them; what they name is checked when all are there again.
  const enforced = db.pragma("foreign_keys", { simple: true });
  db.pragma("foreign_keys = OFF");
  try {
    // Read again behind the lock: another start may have been quicker.
    db.transaction(() => {
      const done = version();
      apply(
        db,
        folder,
        all.filter(({ number }) => number > done),
      );
    }).immediate();
  } finally {
    db.pragma(`foreign_keys = ${enforced}`);
  }
}
