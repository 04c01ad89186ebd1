import { copyFileSync, existsSync, mkdirSync, readdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import Database from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { appendEntry, Writer } from "@/db/journal";
import { migrate } from "@/db/migrate";
import { openDb } from "@/db/open";
import { perform, undo } from "../command";
import { COMMANDS } from "../commands";
import { find } from "../history/queries";
import { family, type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const addBed = (name: string) => ({ name, x: 0, y: 50, width: 2, length: 2 });
const bedNames = () => garden.db.prepare("SELECT name FROM bed ORDER BY id").pluck().all();

describe("the journal", () => {
  test("a request that arrives twice is carried out once and answered alike", () => {
    const send = () => perform(garden.db, COMMANDS.get("bed.add")!, addBed("C"), "request-0001");
    expect(send()).toEqual(send());
    expect(bedNames()).toEqual(["A", "B", "C"]);
  });

  test("undo takes back, undo of the undo does again, and each is an entry", () => {
    const { entry } = garden.done("bed.add", addBed("C"));
    const back = undo(garden.db, entry);
    expect(bedNames()).toEqual(["A", "B"]);
    expect(undo(garden.db, entry)).toMatchObject({ ok: false, message: "This was undone already." });
    if (!back.ok) throw new Error(back.message);
    expect(undo(garden.db, back.entry!)).toMatchObject({ ok: true, message: "Done again: Bed C added" });
    expect(bedNames()).toEqual(["A", "B", "C"]);
    expect(undo(garden.db, entry).ok).toBe(true);
    expect(undo(garden.db, 9999)).toMatchObject({ ok: false });
  });

  test("undo that can't apply any more says why and changes nothing", () => {
    const { id, entry } = garden.done("bed.add", addBed("C"));
    garden.done("bed.move", { id, x: 3, y: 3 });
    expect(undo(garden.db, entry)).toMatchObject({ ok: false, message: expect.stringContaining("Bed C moved") });
    const { mother } = twoMelons(garden);
    const lineEntry = garden.db
      .prepare("SELECT id FROM journal WHERE summary = 'Line Ashlar Gold added'")
      .pluck()
      .get() as number;
    expect(undo(garden.db, lineEntry)).toMatchObject({
      ok: false,
      message: expect.stringContaining("later records rest on it"),
    });
    expect(garden.db.prepare("SELECT count(*) FROM stand WHERE id = ?").pluck().get(mother)).toBe(1);
  });

  test("every entry of a whole season can be undone back to an empty garden, and done again", () => {
    family(garden);
    const tables = ["line", "stand", "plant", "cross", "flower", "lot"];
    const counts = () => tables.map((t) => garden.db.prepare(`SELECT count(*) FROM "${t}"`).pluck().get());
    const full = counts();
    const entries = garden.db
      .prepare("SELECT id FROM journal WHERE command <> 'garden.set' ORDER BY id DESC")
      .pluck()
      .all() as string[];
    const undone = entries.map((entry) => {
      const outcome = undo(garden.db, entry);
      if (!outcome.ok) throw new Error(outcome.message);
      return outcome.entry!;
    });
    expect(counts()).toEqual([0, 0, 0, 0, 0, 0]);
    for (const entry of undone.reverse()) expect(undo(garden.db, entry).ok).toBe(true);
    expect(counts()).toEqual(full);
  });

  test("a code is never given twice, not even after an undo", () => {
    const add = (name: string) =>
      garden.done("line.add", { name, species: "melon", school: "keep-pure", status: "mix" });
    const code = (id: string) => garden.db.prepare("SELECT code FROM line WHERE id = ?").pluck().get(id);
    const first = add("one");
    const taken = code(first.id);
    undo(garden.db, first.entry);
    expect(code(add("two").id)).not.toBe(taken);
  });

  test("of two tabs the second is told, and may then put its own over it", () => {
    const version = () => garden.db.prepare("SELECT version FROM bed WHERE rowid = 1").pluck().get() as number;
    const change = (name: string, seen: number) => ({ ...addBed(name), id: 1, version: seen });
    const seen = version();
    garden.done("bed.change", change("first tab", seen));
    const told = garden.refused("bed.change", change("second tab", seen));
    expect(told).toMatchObject({ kind: "conflict", message: expect.stringContaining("first tab") });
    garden.done("bed.change", change("second tab", version()));
    expect(bedNames()[0]).toBe("second tab");
  });

  test("a command that fails halfway leaves neither rows nor entry", () => {
    const { stand, plants } = family(garden);
    garden.done("plant.remove", { ids: [plants[1]], reason: "split" });
    garden.refused("plant.remove", { ids: [plants[0], plants[1]], reason: "split" });
    garden.refused("cross.next-generation", {
      standId: stand,
      plantIds: [plants[0], plants[1]],
      how: "self",
      fruitsEach: 1,
    });
  });
});

describe("the file", () => {
  test("a newer database is refused and left as it was", () => {
    garden.db.pragma("user_version = 99");
    garden.db.pragma("wal_checkpoint(TRUNCATE)");
    expect(() => openDb(garden.path)).toThrow(/newer Nimble Orchard.*left untouched/);
    expect(garden.db.pragma("user_version", { simple: true })).toBe(99);
    expect(bedNames()).toEqual(["A", "B"]);
  });

  test("a migration is preceded by a backup; one that fails leaves nothing of itself", () => {
    const folder = join(dirname(garden.path), "migrations");
    mkdirSync(folder);
    for (const name of readdirSync("src/db/migrations")) copyFileSync(`src/db/migrations/${name}`, join(folder, name));
    writeFileSync(join(folder, "004_bad.sql"), "CREATE TABLE half (id INTEGER); INSERT INTO nowhere VALUES (1);");
    expect(() => migrate(garden.db, garden.path, folder)).toThrow("nowhere");
    expect(garden.db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'half'").get()).toBeUndefined();
    const backup = readdirSync(dirname(garden.path)).find((name) => name.includes("before-schema-4"))!;
    const copy = new Database(join(dirname(garden.path), backup), { readonly: true });
    expect(copy.prepare("SELECT count(*) FROM bed").pluck().get()).toBe(2);
    copy.close();
    writeFileSync(join(folder, "004_bad.sql"), "CREATE TABLE whole (id INTEGER) STRICT;");
    migrate(garden.db, garden.path, folder);
    expect(garden.db.pragma("user_version", { simple: true })).toBe(4);
    expect(existsSync(garden.path)).toBe(true);
  });

  test("a garden of the first schema keeps every row, and its history can still be undone", () => {
    const path = join(dirname(garden.path), "old.db");
    const folder = join(dirname(garden.path), "first");
    mkdirSync(folder);
    copyFileSync("src/db/migrations/001_start.sql", join(folder, "001_start.sql"));
    const old = new Database(path);
    migrate(old, path, folder);
    const kept = { id: 7, name: "old bed", x: 1, y: 2, width: 3, length: 4, outside: 0, version: 1 };
    old.prepare("INSERT INTO bed VALUES (@id, @name, @x, @y, @width, @length, @outside, @version)").run(kept);
    const write = new Writer(old);
    write.remove("bed", 7);
    const entry = { command: "bed.remove", summary: "off", day: "2027-01-01", request: null, undoes: null };
    const made = appendEntry(old, entry, write.changes, () => ({}));
    old.close();
    const db = openDb(path);
    expect(undo(db, made, null).ok).toBe(true);
    expect(db.prepare("SELECT * FROM bed").all()).toEqual([{ ...kept, turn: 0 }]);
    db.close();
  });

  test("the schema itself refuses what commands would", () => {
    const bad = [
      "INSERT INTO bed (name, x, y, width, length) VALUES ('Z', 0, 0, 0, 1)",
      "UPDATE garden SET latitude = 91",
      "INSERT INTO plant (standId, number) VALUES (77, 1)",
    ];
    for (const sql of bad) expect(() => garden.db.prepare(sql).run(), sql).toThrow(/constraint/i);
  });
});

test("anything is found by code, by name, and a plant by its number", () => {
  const { plants, stand } = family(garden);
  const code = garden.db.prepare("SELECT code FROM stand WHERE id = ?").pluck().get(stand) as string;
  expect(find(garden.db, code.toLowerCase())).toMatchObject([{ kind: "family", id: stand }]);
  expect(new Set(find(garden.db, "lant").map((f) => f.kind))).toEqual(new Set(["line", "family", "cross", "lot"]));
  expect(find(garden.db, "lantern 3")[0]).toMatchObject({ kind: "plant", id: plants[2] });
  expect(find(garden.db, "100%_")).toEqual([]);
});
