import { copyFileSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { isId } from "@/core/custody/id";
import { migrate, SCHEMA } from "@/db/migrate";
import { type Db, openDb } from "@/db/open";
import { replay } from "@/db/replay";
import { insertRow } from "@/db/rows";
import { undoneOps } from "@/db/undo";
import { undo } from "../command";
import { RECORDS } from "../records";
import { empty } from "./plot";

type Old = { schema: number; rows: Record<string, Record<string, string | number | null>[]> };
const MIGRATIONS = "src/db/migrations";
const TABLES: string[] = RECORDS.map(({ table }) => table);

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "orchard-old-"));
});
afterEach(() => rmSync(folder, { recursive: true }));

/** A folder with the migrations up to a number. */
function upTo(schema: number): string {
  const path = join(folder, `migrations-${schema}`);
  mkdirSync(path, { recursive: true });
  for (const name of readdirSync(MIGRATIONS).filter((n) => n.endsWith(".sql") && Number(n.slice(0, 3)) <= schema))
    copyFileSync(join(MIGRATIONS, name), join(path, name));
  return path;
}

/** A garden as an earlier version of the program left it, and what stood in it. */
function old(schema: number, name = "old.db"): { path: string; before: Old["rows"] } {
  const { rows } = JSON.parse(readFileSync(`src/records/tests/fixtures/schema${schema}.json`, "utf8")) as Old;
  const path = join(folder, name);
  const db = new Database(path);
  db.pragma("synchronous = OFF");
  migrate(db, path, upTo(schema));
  db.pragma("foreign_keys = OFF");
  db.transaction(() => {
    for (const [table, list] of Object.entries(rows)) for (const row of list) insertRow(db, table, row);
  })();
  db.close();
  return { path, before: rows };
}

const all = (db: Db, table: string) => db.prepare(`SELECT * FROM "${table}"`).all() as Record<string, unknown>[];
const withoutVersions = (db: Db) =>
  TABLES.map((table) =>
    all(db, table)
      .map(({ version: _, ...row }) => JSON.stringify(row))
      .sort(),
  );

describe.each([1, 2, 3])("a garden of schema %i", (schema) => {
  test("keeps every row with what it said, under an id of its own that names the same row everywhere", () => {
    const { path, before } = old(schema);
    const db = openDb(path);
    expect(db.pragma("integrity_check", { simple: true })).toBe("ok");
    expect(db.pragma("foreign_key_check")).toEqual([]);
    for (const table of TABLES) {
      const rows = all(db, table);
      expect(rows.length, table).toBe(before[table]?.length ?? 0);
      if (!["garden", "normal", "reading"].includes(table))
        expect(rows.every(({ id, version }) => isId(id) && isId(version))).toBe(true);
    }
    const plain = ["code", "name", "number", "sown", "seeds", "state", "mass", "mark", "reason"];
    for (const table of ["line", "stand", "plant", "score", "cross", "flower", "lot", "bed"])
      for (const column of plain.filter((c) => c in (before[table]?.[0] ?? {})))
        expect(
          all(db, table)
            .map((r) => r[column])
            .sort(),
          `${table}.${column}`,
        ).toEqual(before[table]!.map((r) => r[column]).sort());
    // What rows name is what they named.
    const named = db
      .prepare(
        "SELECT l.name, b.name bed, k.code FROM stand s JOIN line l ON l.id = s.lineId LEFT JOIN bed b ON b.id = s.bedId LEFT JOIN lot k ON k.id = s.lotId ORDER BY s.code",
      )
      .all();
    const of = (table: string, id: unknown) => before[table]!.find((row) => row.id === id);
    expect(named).toEqual(
      [...before.stand!]
        .sort((a, b) => (String(a.code) < String(b.code) ? -1 : 1))
        .map((s) => ({
          name: of("line", s.lineId)!.name,
          bed: of("bed", s.bedId)?.name ?? null,
          code: of("lot", s.lotId)?.code ?? null,
        })),
    );
    expect(db.prepare("SELECT code, family FROM stand").all()).toEqual(
      expect.arrayContaining([{ code: expect.stringMatching(/^F/), family: 1 }]),
    );
    db.close();
  });

  test("keeps its history in order, what was undone undone, and leads to the same rows when it is played again", () => {
    const { path, before } = old(schema);
    const db = openDb(path);
    const ops = db
      .prepare("SELECT id, summary FROM op WHERE command <> 'program.brought-over' ORDER BY clock")
      .all() as {
      id: string;
      summary: string;
    }[];
    expect(ops.map((op) => op.summary)).toEqual(before.journal!.map((entry) => entry.summary));
    const undone = undoneOps(db);
    expect(ops.map((op) => Number(undone.has(op.id)))).toEqual(before.journal!.map((entry) => entry.undone));
    const again = empty();
    replay(db, again);
    expect(withoutVersions(again)).toEqual(withoutVersions(db));
    db.close();
  });

  test("can be taken back entry by entry to an empty garden, and done again", () => {
    const db = openDb(old(schema).path);
    const full = withoutVersions(db);
    const standing = () => {
      const undone = undoneOps(db);
      return (
        db
          .prepare("SELECT id FROM op WHERE undoes IS NULL AND command <> 'program.brought-over' ORDER BY clock DESC")
          .pluck()
          .all() as string[]
      ).filter((id) => !undone.has(id));
    };
    const back = standing().map((entry) => {
      const outcome = undo(db, entry);
      if (!outcome.ok) throw new Error(`${entry}: ${outcome.message}`);
      return outcome.entry!;
    });
    for (const table of ["line", "stand", "plant", "score", "cross", "flower", "lot", "bed", "garden"])
      expect(all(db, table), table).toEqual([]);
    for (const entry of back.reverse()) expect(undo(db, entry)).toMatchObject({ ok: true });
    expect(withoutVersions(db)).toEqual(full);
    db.close();
  });

  test("gets the same ids in every copy, so that copies that went apart can be brought together", () => {
    const [one, two] = ["one.db", "two.db"].map((name) => openDb(old(schema, name).path));
    for (const table of [...TABLES, "op", "opChange"]) expect(all(one!, table), table).toEqual(all(two!, table));
    one!.close();
    two!.close();
  });

  test("is copied beside itself before anything is changed", () => {
    const { path, before } = old(schema);
    openDb(path).close();
    const name = readdirSync(folder).find((n) => n.includes(`before-schema-${SCHEMA}`))!;
    const copy = new Database(join(folder, name), { readonly: true });
    expect(copy.pragma("user_version", { simple: true })).toBe(schema);
    expect(copy.prepare("SELECT count(*) FROM journal").pluck().get()).toBe(before.journal!.length);
    copy.close();
  });
});

test("the day of an earlier garden is a device's now, but for a demo's", () => {
  const { path } = old(3);
  const before = new Database(path);
  before.prepare("UPDATE garden SET demo = 1").run();
  before.close();
  const db = openDb(path);
  expect(db.prepare("SELECT asOf FROM garden").pluck().get()).toBe("2028-07-20");
  db.close();
  const own = openDb(old(3, "own.db").path);
  expect(own.prepare("SELECT asOf FROM garden").pluck().get()).toBeNull();
  own.close();
});

test("the number of the schema is that of the newest migration, and none is missing or there twice", () => {
  const names = readdirSync(MIGRATIONS).filter((name) => name.endsWith(".sql"));
  const numbers = names.map((name) => Number(name.slice(0, 3))).sort((a, b) => a - b);
  expect(numbers).toEqual(Array.from({ length: SCHEMA }, (_, i) => i + 1));
});

test("a migration that fails leaves the database as it was", () => {
  const { path } = old(2);
  const bad = upTo(3);
  writeFileSync(join(bad, "004_bad.sql"), "CREATE TABLE half (id INTEGER); INSERT INTO nowhere VALUES (1);");
  const db = new Database(path);
  expect(() => migrate(db, path, bad)).toThrow();
  expect(db.pragma("user_version", { simple: true })).toBe(2);
  expect(db.prepare("SELECT count(*) FROM bed").pluck().get()).toBe(3);
  expect(db.pragma("foreign_keys", { simple: true })).toBe(1);
  db.close();
});
