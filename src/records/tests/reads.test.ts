import { afterEach, beforeEach, expect, test } from "vitest";
import { readBy, written } from "@/db/reads";
import { type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const hits = (sql: string, parts: ReadonlySet<string>) => [...parts].some((part) => readBy(garden.db, sql).has(part));

test("a statement reads the columns it names, of the tables that stand before them", () => {
  const read = (sql: string) => [...readBy(garden.db, sql)].sort();
  expect(read("SELECT s.code, b.name FROM stand s JOIN bed b ON b.id = s.bedId")).toEqual([
    "bed",
    "bed.id",
    "bed.name",
    "stand",
    "stand.bedId",
    "stand.code",
  ]);
  // Without a name before it a column is of each table that has it.
  expect(read("SELECT name FROM line JOIN bed ON 1")).toEqual(["bed", "bed.name", "line", "line.name"]);
  expect(read("SELECT s.* FROM stand s WHERE s.season = ?")).toContain("stand.*");
  expect(read('SELECT * FROM "bed"')).toEqual(["bed", "bed.*"]);
  // To count rows, or to multiply, reads no more than is named.
  expect(read("SELECT count(*) FROM bed")).toEqual(["bed"]);
  expect(read("SELECT width * length FROM bed")).toEqual(["bed", "bed.length", "bed.width"]);
  // What a part of the statement is called is looked for in every table that it names.
  expect(read("SELECT w.seeds FROM (SELECT lotId, sum(seeds) seeds FROM part) w JOIN lot k ON k.id = w.lotId")).toEqual(
    expect.arrayContaining(["lot.seeds", "part.seeds", "part.lotId", "lot.id"]),
  );
});

test("what was written concerns who read that column, or all of the row, and a row that comes whoever reads the table", () => {
  const { done, db } = garden;
  const bed = garden.row("bed", 1);
  expect([...written(db)]).toEqual([]);
  done("bed.change", { id: bed.id, version: bed.version, length: 6 });
  const changed = written(db);
  expect(hits("SELECT length FROM bed", changed)).toBe(true);
  expect(hits("SELECT * FROM bed", changed)).toBe(true);
  expect(hits("SELECT version FROM bed", changed)).toBe(true);
  expect(hits("SELECT name FROM bed", changed)).toBe(false);
  expect(hits("SELECT count(*) FROM bed", changed)).toBe(false);
  expect(hits("SELECT max(clock) FROM op", changed)).toBe(true);
  expect([...written(db)]).toEqual([]);
  done("bed.add", { name: "C", x: 0, y: 60, width: 8, length: 4 });
  const added = written(db);
  expect(hits("SELECT count(*) FROM bed", added)).toBe(true);
  expect(hits("SELECT name FROM bed", added)).toBe(true);
  expect(hits("SELECT name FROM line", added)).toBe(false);
});
