import { copyFileSync } from "node:fs";
import { dirname, join } from "node:path";
import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { readCode } from "@/core/custody/code";
import { type Id, nthId } from "@/core/custody/id";
import { tick } from "@/db/clock";
import { deviceOf, newId } from "@/db/ids";
import { SCHEMA } from "@/db/migrate";
import { type Db, openDb } from "@/db/open";
import { replay } from "@/db/replay";
import { perform, undo } from "../command";
import { COMMANDS } from "../commands";
import { find } from "../find/queries";
import { entries } from "../history/queries";
import { RECORDS } from "../records";
import { empty, family, NOBODY, type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const addBed = (name: string) => ({ name, x: 0, y: 50, width: 2, length: 2 });
const bedNames = () => garden.db.prepare("SELECT name FROM bed ORDER BY rowid").pluck().all();
const send = (name: string, input: object, id?: Id) =>
  perform(garden.db, COMMANDS.get(name)!, input, { id, day: "2027-07-09" });
const TABLES = RECORDS.map(({ table }) => table);
const contents = (db: Db) =>
  TABLES.map((table) => db.prepare(`SELECT * FROM "${table}" ORDER BY id`).all() as Record<string, unknown>[]);

describe("a press", () => {
  test("that arrives twice is carried out once and answered alike", () => {
    const press = newId();
    expect(send("bed.add", addBed("C"), press)).toEqual(send("bed.add", addBed("C"), press));
    expect(bedNames()).toEqual(["A", "B", "C"]);
  });

  test("under a name that another press had is refused, and the first stays", () => {
    const press = newId();
    send("bed.add", addBed("C"), press);
    for (const [name, input] of [
      ["bed.add", addBed("D")],
      ["line.add", { name: "C", species: "melon", school: "keep-pure", status: "mix" }],
    ] as const)
      expect(send(name, input, press)).toMatchObject({ ok: false, message: expect.stringContaining("Another press") });
    expect(undo(garden.db, press, { id: press })).toMatchObject({ ok: false });
    expect(bedNames()).toEqual(["A", "B", "C"]);
  });

  test("names the rows it makes, so that a device can speak of them before the server has", () => {
    const { plan } = twoMelons(garden);
    const cross = garden.done("cross.plan", plan).id;
    const press = newId();
    send("flower.cover", { crossId: cross, flowers: 3, on: "2027-07-01" }, press);
    const ids = [1, 2, 3].map((n) => nthId(press, n));
    expect(garden.db.prepare("SELECT id FROM flower ORDER BY number").pluck().all()).toEqual(ids);
    garden.done("flower.record", { crossId: cross, on: "2027-07-02", results: [{ id: ids[1], result: "pollinated" }] });
    expect(garden.row("flower", ids[1]!)).toMatchObject({ number: 2, state: "pollinated" });
  });

  test("is kept with its device, its day and moment, what was asked, and the columns it changed alone", () => {
    const press = { id: newId(), device: newId(), day: "2027-06-30", at: "2027-06-30T21:14:00.000Z" };
    const input = { id: garden.row("bed", 1).id, version: garden.version("bed", 1), x: 3 };
    expect(perform(garden.db, COMMANDS.get("bed.move")!, input, press).ok).toBe(true);
    const op = garden.db.prepare("SELECT * FROM op WHERE id = ?").get(press.id);
    expect(op).toMatchObject({
      ...press,
      command: "bed.move",
      input: JSON.stringify(input),
      schema: SCHEMA,
      undoes: null,
    });
    const changes = garden.db
      .prepare("SELECT tableName, rowId, before, after FROM opChange WHERE op = ?")
      .all(press.id);
    expect(changes).toEqual([{ tableName: "bed", rowId: input.id, before: '{"x":0}', after: '{"x":3}' }]);
    expect(garden.version("bed", 1)).toBe(press.id);
  });
});

describe("undo", () => {
  test("takes back, undo of the undo does again, and each is an entry with its own words", () => {
    const { entry } = garden.done("bed.add", addBed("C"));
    const said: string[] = [];
    let last: Id = entry;
    for (const there of [false, true, false]) {
      const outcome = undo(garden.db, last);
      if (!outcome.ok) throw new Error(outcome.message);
      said.push(outcome.message);
      last = outcome.entry!;
      expect(bedNames()).toEqual(there ? ["A", "B", "C"] : ["A", "B"]);
      const first = entries(garden.db, {}, 50).find((e) => e.id === entry)!;
      expect(first.undone).toBe(!there);
    }
    expect(said).toEqual(["Undone: Bed C added", "Done again: Bed C added", "Undone: Bed C added"]);
    expect(undo(garden.db, entry)).toMatchObject({ ok: false, message: "This was undone already." });
    for (const none of [NOBODY, 7, null, "x", { a: 1 }]) expect(undo(garden.db, none)).toMatchObject({ ok: false });
  });

  test("that can't apply any more says why and changes nothing", () => {
    const { id, entry } = garden.done("bed.add", addBed("C"));
    garden.done("bed.move", { id, version: 1, x: 3, y: 3 });
    expect(undo(garden.db, entry)).toMatchObject({ ok: false, message: expect.stringContaining("Bed C moved") });
    const { mother } = twoMelons(garden);
    const line = garden.db.prepare("SELECT id FROM op WHERE summary = 'Line Ashlar Gold added'").pluck().get();
    expect(undo(garden.db, line)).toMatchObject({
      ok: false,
      message: expect.stringContaining("later records rest on it"),
    });
    expect(garden.row("stand", mother)).toBeDefined();
  });

  test("of one column leaves what was written into others since", () => {
    const { entry } = garden.done("bed.change", { id: 1, version: 1, name: "front" });
    garden.done("bed.move", { id: 1, version: 1, x: 9 });
    garden.undone(entry);
    expect(garden.row("bed", 1)).toMatchObject({ name: "A", x: 9 });
  });

  test("is held against the rule books like every other write", () => {
    const { mother } = twoMelons(garden);
    const more = garden.done("stand.change", { id: mother, version: 1, plants: 12 });
    garden.done("stand.change", { id: mother, version: 1, saveFrom: 9 });
    expect(undo(garden.db, more.entry)).toMatchObject({ ok: false, message: "Only 6 plants stand there." });
    expect(garden.row("stand", mother)).toMatchObject({ plants: 12, saveFrom: 9 });
  });

  test("of every entry of a whole season leads back to an empty garden, and can be done again", () => {
    family(garden);
    const full = contents(garden.db).map((rows) => rows.map(({ version: _, ...row }) => row));
    const ops = garden.db.prepare("SELECT id FROM op ORDER BY clock DESC").pluck().all() as Id[];
    const undone = ops.map(garden.undone);
    expect(contents(garden.db).flat()).toEqual([]);
    undone.reverse().forEach(garden.undone);
    expect(contents(garden.db).map((rows) => rows.map(({ version: _, ...row }) => row))).toEqual(full);
  });
});

describe("the journal", () => {
  test("is only ever added to", () => {
    for (const sql of [
      "UPDATE op SET summary = 'x'",
      "DELETE FROM op",
      "UPDATE opChange SET after = NULL",
      "DELETE FROM opChange",
    ])
      expect(() => garden.db.prepare(sql).run(), sql).toThrow("append-only");
  });

  test("a clock that was set back does not: later ops stay later, and devices can be told apart", () => {
    const device = newId();
    const clocks: string[] = [];
    for (const now of [5000, 5000, 3000, 3000, 6000]) clocks.push(tick(clocks.at(-1) ?? null, now, device));
    expect([...clocks].sort()).toEqual(clocks);
    expect(clocks.map((clock) => clock.slice(0, 22))).toEqual([
      "000000000005000-000000",
      "000000000005000-000001",
      "000000000005000-000002",
      "000000000005000-000003",
      "000000000006000-000000",
    ]);
    expect(tick(clocks[0]!, 4000, "other").endsWith("-other")).toBe(true);
  });

  test("is read in blocks that cut a row's changes, and its changes hold in the order of their clocks", () => {
    const journal = empty();
    const ids = Array.from({ length: 4_100 }, (_, n) => `op-${String(9_999 - n)}`);
    const press = journal.prepare(
      "INSERT INTO op VALUES (?, ?, 'd', 'at', '2027-07-09', 'c', '{}', 5, NULL, 's', '{}')",
    );
    const change = journal.prepare("INSERT INTO opChange VALUES (?, ?, 'task', ?, ?, ?)");
    journal.transaction(() => {
      // Later presses have lower ids, so that only the clocks tell their order.
      for (const [n, id] of ids.entries()) {
        press.run(id, String(n).padStart(5, "0"));
        const before = n === 0 ? null : JSON.stringify({ note: `${n - 1}` });
        change.run(id, 0, "many", before, JSON.stringify({ title: "t", due: "2027-07-09", note: `${n}` }));
      }
      change.run(ids[3], 1, "two", null, JSON.stringify({ title: "first", due: "2027-07-09", note: "" }));
      change.run(ids[4], 1, "two", JSON.stringify({ title: "first" }), JSON.stringify({ title: "second" }));
    })();
    const again = empty();
    replay(journal, again);
    expect(again.prepare("SELECT id, title, note, version FROM task ORDER BY id").all()).toEqual([
      { id: "many", title: "t", note: "4099", version: ids.at(-1) },
      { id: "two", title: "second", note: "", version: ids[4] },
    ]);
    journal.close();
    again.close();
  });

  test("played again on an empty database gives the same tables, whatever was pressed", () => {
    const bed = fc.record({
      command: fc.constantFrom("bed.add", "bed.move", "bed.change", "bed.remove", "undo"),
      nth: fc.integer({ min: 1, max: 6 }),
      x: fc.integer({ min: -9, max: 9 }),
      name: fc.constantFrom("p", "q", "r"),
    });
    family(garden);
    fc.assert(
      fc.property(fc.array(bed, { minLength: 1, maxLength: 12 }), (presses) => {
        for (const { command, nth, x, name } of presses) {
          const of = garden.db.prepare("SELECT id, version FROM bed LIMIT 1 OFFSET ?").get(nth - 1) as
            | object
            | undefined;
          const op = garden.db.prepare("SELECT id FROM op ORDER BY clock DESC LIMIT 1 OFFSET ?").pluck().get(nth);
          if (command === "undo") undo(garden.db, op);
          else if (command === "bed.add") send(command, { ...addBed(name), x });
          else if (of)
            send(command, { ...of, ...(command === "bed.move" ? { x } : command === "bed.change" ? { name, x } : {}) });
        }
        const again = empty();
        replay(garden.db, again);
        expect(contents(again)).toEqual(contents(garden.db));
        again.close();
      }),
      { numRuns: 25 },
    );
  });
});

describe("versions", () => {
  const change = (name: string, seen: Id) => ({ id: garden.row("bed", 1).id as Id, name, version: seen });

  test("of two tabs the second is told, and may then put its own over it", () => {
    const seen = garden.version("bed", 1);
    garden.done("bed.change", change("first tab", seen));
    const told = garden.refused("bed.change", change("second tab", seen));
    expect(told).toMatchObject({ kind: "conflict", message: expect.stringContaining("Name is now “first tab”") });
    garden.done("bed.change", change("second tab", garden.version("bed", 1)));
    expect(bedNames()[0]).toBe("second tab");
  });

  test("two that change different columns of one row both have their way", () => {
    const seen = garden.version("bed", 1);
    const id = garden.row("bed", 1).id;
    garden.done("bed.move", { id, version: seen, x: 5 });
    garden.done("bed.change", { id, version: seen, name: "front" });
    expect(garden.row("bed", 1)).toMatchObject({ x: 5, name: "front" });
    expect(garden.refused("bed.remove", { id: garden.row("bed", 1).id, version: seen }).kind).toBe("conflict");
  });

  test("are checked by every command that changes a row somebody looked at", () => {
    const { stand, plants, lineId } = family(garden);
    const yardstickId = garden.done("yardstick.add", { lineId, name: "Y", kind: "number", wanted: "high" }).id;
    const [plantId] = plants;
    garden.done("score.set", { plantId, yardstickId, value: "1" });
    const score = garden.row("score", 1).version;
    const seen = { stand: garden.version("stand", stand), plant: garden.version("plant", plantId!) };
    garden.done("score.set", { plantId, yardstickId, value: "2" });
    garden.on("2028-07-10");
    garden.done("stand.first-flower", { id: stand, firstFlower: "2028-07-01" });
    garden.done("plant.mark", { id: plantId, mark: "keep" });
    const kinds = [
      garden.refused("score.set", { plantId, yardstickId, value: "3", version: score }),
      garden.refused("score.set", { plantId, yardstickId, value: "", version: score }),
      garden.refused("stand.first-flower", { id: stand, firstFlower: "2028-07-02", version: seen.stand }),
      garden.refused("plant.mark", { id: plantId, mark: "watch", version: seen.plant }),
    ].map(({ kind }) => kind);
    expect(new Set(kinds)).toEqual(new Set(["conflict"]));
    const normals = (low: number) =>
      Object.fromEntries(
        Array.from({ length: 12 }, (_, i) => [
          [`min${i + 1}`, low],
          [`max${i + 1}`, 20],
        ]).flat(),
      );
    garden.done("climate.normals", normals(4));
    const version = garden.version("normal", "07");
    garden.done("climate.normals", { ...normals(5), version });
    expect(garden.refused("climate.normals", { ...normals(6), version }).kind).toBe("conflict");
  });
});

describe("code numbers", () => {
  const line = (db: Db, name: string) => {
    // Which browser asked makes no difference: the numbers are those of the machine that keeps the file.
    const press = { device: newId() };
    const outcome = perform(
      db,
      COMMANDS.get("line.add")!,
      {
        name,
        species: "melon",
        school: "keep-pure",
        status: "mix",
      },
      press,
    );
    if (!outcome.ok) throw new Error(outcome.message);
    return outcome as { entry: Id; code: string };
  };

  test("are never given twice, not even after an undo", () => {
    const { entry, code } = line(garden.db, "one");
    undo(garden.db, entry);
    expect(line(garden.db, "two").code).not.toBe(code);
  });

  test("a copy carried to another machine prints none that the first one prints", () => {
    line(garden.db, "before");
    garden.db.pragma("wal_checkpoint(TRUNCATE)");
    const path = join(dirname(garden.path), "copy.db");
    copyFileSync(garden.path, path);
    const copy = openDb(path);
    expect(deviceOf(copy)).not.toBe(deviceOf(garden.db));
    const codes = (db: Db) => Array.from({ length: 130 }, (_, i) => line(db, `line ${i}`).code);
    const [here, there] = [codes(garden.db), codes(copy)];
    expect(new Set([...here, ...there]).size).toBe(260);
    expect(here.map((code) => Number(code.split("-")[1]))).toEqual(Array.from({ length: 130 }, (_, i) => i + 2));
    expect(there.every((code) => readCode(code).ok && Number(code.split("-")[1]) > 1000)).toBe(true);
    copy.close();
    const again = openDb(path);
    expect(deviceOf(again)).toBe(deviceOf(copy));
    again.close();
  });
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

test("a newer database is refused and left as it was", () => {
  garden.db.pragma("user_version = 99");
  garden.db.pragma("wal_checkpoint(TRUNCATE)");
  expect(() => openDb(garden.path)).toThrow(/newer Nimble Orchard.*left untouched/);
  expect(garden.db.pragma("user_version", { simple: true })).toBe(99);
  expect(bedNames()).toEqual(["A", "B"]);
});

test("the schema itself refuses what commands would", () => {
  const bad = [
    "INSERT INTO bed (id, version, name, x, y, width, length) VALUES ('i', 'v', 'Z', 0, 0, 0, 1)",
    "UPDATE garden SET latitude = 91",
    "INSERT INTO plant (id, version, standId, number) VALUES ('i', 'v', 'nobody', 1)",
  ];
  for (const sql of bad) expect(() => garden.db.prepare(sql).run(), sql).toThrow(/constraint/i);
});

test("anything is found by code, by name, and a plant by its number", () => {
  const { plants, stand } = family(garden);
  const code = garden.code("stand", stand);
  expect(find(garden.db, code.toLowerCase(), 2028)).toMatchObject([
    { kind: "family", id: stand, href: `/nursery/${code}` },
  ]);
  expect(new Set(find(garden.db, "lantern", 2028).map((f) => f.kind))).toEqual(
    new Set(["line", "family", "cross", "lot"]),
  );
  expect(find(garden.db, "lantern 3", 2028)[0]).toMatchObject({
    kind: "plant",
    id: plants[2],
    href: `/nursery/${code}?plant=3`,
  });
  expect(find(garden.db, "100%_", 2028)).toEqual([]);
});
