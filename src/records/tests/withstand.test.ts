import { existsSync, statSync } from "node:fs";
import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import type { Id } from "@/core/custody/id";
import { isBusy, isFull } from "@/db/failure";
import { newId } from "@/db/ids";
import { type Db, openDb, settle } from "@/db/open";
import { perform, undo } from "../command";
import { COMMANDS } from "../commands";
import { RECORDS } from "../records";
import { family, type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => {
  vi.useRealTimers();
  garden.close();
});

const bed = (name: string) => ({ name, x: 0, y: 50, width: 2, length: 2 });
const send = (db: Db, name: string, input: object, id?: Id) =>
  perform(db, COMMANDS.get(name)!, input, { id, day: "2027-07-09" });
const everything = (db: Db) =>
  JSON.stringify(
    [...RECORDS.map(({ table }) => table), "op", "opChange", "lease"].map((table) =>
      db.prepare(`SELECT * FROM "${table}"`).all(),
    ),
  );
const readings = (days: number) =>
  [
    "date;min;max",
    ...Array.from({ length: days }, (_, i) => `${new Date((9000 + i) * 86_400_000).toISOString().slice(0, 10)};1;2`),
  ].join("\n");

describe("a full disk", () => {
  test("takes nothing of a press, large or small, and the same press goes through when there is room", () => {
    const { db } = garden;
    const pages = db.pragma("page_count", { simple: true }) as number;
    const press = newId();
    const small: [string, object] = ["bed.add", { ...bed("x"), name: "y".repeat(120) }];
    const large: [string, object] = ["climate.import", { text: readings(4000) }];
    for (const [name, input] of [large, small]) {
      // Enough presses fill what is left of the last page.
      db.pragma(`max_page_count = ${pages}`);
      const full = () => {
        for (let i = 0; i < 400; i++) {
          const before = everything(db);
          try {
            send(db, name, input);
          } catch (failure) {
            return { failure, before };
          }
        }
        throw new Error("It never got full");
      };
      const { failure, before } = full();
      expect(isFull(failure)).toBe(true);
      expect(everything(db)).toBe(before);
      expect(db.inTransaction).toBe(false);
      db.pragma("max_page_count = 1073741823");
    }
    expect(send(db, ...large, press).ok).toBe(true);
    expect(db.prepare("SELECT count(*) FROM reading").pluck().get()).toBe(4000);
  });
});

describe("two servers on one file", () => {
  test("write by turns, and a press that reaches both is carried out once", () => {
    const other = openDb(garden.path);
    const press = newId();
    const [first, second] = [send(garden.db, "bed.add", bed("C"), press), send(other, "bed.add", bed("C"), press)];
    expect(second).toEqual(first);
    for (let i = 0; i < 20; i++) expect(send(i % 2 ? other : garden.db, "bed.add", bed(`bed ${i}`)).ok).toBe(true);
    expect(other.prepare("SELECT count(*) FROM bed").pluck().get()).toBe(23);
    const clocks = other.prepare("SELECT clock FROM op ORDER BY rowid").pluck().all();
    expect(clocks).toEqual([...clocks].sort());
    const codes = Array.from({ length: 20 }, (_, i) => {
      const line = { name: `line ${i}`, species: "melon", school: "keep-pure", status: "mix" };
      return (send(i % 2 ? other : garden.db, "line.add", line) as { code?: string }).code;
    });
    expect(new Set(codes).size).toBe(20);
    other.close();
  });

  test("while one writes the other is told within a moment, reads on, and its press goes through afterwards", () => {
    const other = openDb(garden.path);
    garden.db.exec("BEGIN IMMEDIATE");
    const from = Date.now();
    let told: unknown;
    try {
      send(other, "bed.add", bed("C"));
    } catch (failure) {
      told = failure;
    }
    expect(isBusy(told)).toBe(true);
    expect(Date.now() - from).toBeLessThan(200);
    expect(other.prepare("SELECT count(*) FROM bed").pluck().get()).toBe(2);
    garden.db.exec("ROLLBACK");
    expect(send(other, "bed.add", bed("C")).ok).toBe(true);
    other.close();
  });
});

describe("a clock that was set back", () => {
  test("neither reorders the history nor hides a conflict, and undo still refuses what rests on later presses", () => {
    vi.useFakeTimers({ toFake: ["Date"] });
    vi.setSystemTime(new Date("2027-07-09T08:00:00Z"));
    const { id } = garden.row("bed", 1) as { id: Id };
    const seen = garden.version("bed", 1);
    const first = garden.done("bed.change", { id, version: seen, name: "first" }).entry;
    vi.setSystemTime(new Date("2026-01-01T08:00:00Z"));
    garden.done("bed.change", { id, version: garden.version("bed", 1), name: "second" });
    expect(garden.refused("bed.change", { id, version: seen, name: "third" }).kind).toBe("conflict");
    expect(undo(garden.db, first)).toMatchObject({ ok: false, message: expect.stringContaining("changed later") });
    const told = garden.db.prepare("SELECT summary FROM op ORDER BY clock DESC LIMIT 2").pluck().all();
    expect(told).toEqual(["Bed second changed", "Bed first changed"]);
  });
});

describe("a write-ahead log", () => {
  test("left behind is taken up when the file is opened again, and is empty once it is settled", () => {
    garden.done("bed.add", bed("C"));
    expect(statSync(`${garden.path}-wal`).size).toBeGreaterThan(0);
    // A second opening finds the log that the first has not folded in.
    const again = openDb(garden.path);
    expect(again.prepare("SELECT name FROM bed ORDER BY rowid").pluck().all()).toEqual(["A", "B", "C"]);
    again.close();
    settle(garden.db);
    expect(existsSync(`${garden.path}-wal`) ? statSync(`${garden.path}-wal`).size : 0).toBe(0);
  });
});

test("whatever two devices press by turns, numbers of plants and flowers are given once", () => {
  const made = family(garden);
  const other = openDb(garden.path);
  fc.assert(
    fc.property(
      fc.array(fc.record({ there: fc.boolean(), flowers: fc.integer({ min: 1, max: 4 }) }), { maxLength: 8 }),
      (presses) => {
        for (const { there, flowers } of presses)
          send(there ? other : garden.db, "flower.cover", { crossId: made.cross, flowers, on: "2027-07-01" });
        const numbers = garden.db.prepare("SELECT number FROM flower WHERE crossId = ?").pluck().all(made.cross);
        expect(new Set(numbers).size).toBe(numbers.length);
        expect(Math.max(...(numbers as number[]))).toBe(numbers.length);
      },
    ),
    { numRuns: 15 },
  );
  other.close();
});
