import { copyFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { readCode } from "@/core/custody/code";
import type { Id } from "@/core/custody/id";
import { ended } from "@/core/lists/ended";
import { newId } from "@/db/ids";
import { type Db, openDb } from "@/db/open";
import { replay } from "@/db/replay";
import type { Side } from "@/db/threeWay";
import { perform, undo } from "../command";
import { COMMANDS } from "../commands";
import { merge } from "../merge";
import type { MergeReport } from "../mergeReport";
import { RECORDS } from "../records";
import { empty, family, type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
let opened: Db[] = [];
beforeEach(() => {
  garden = plot();
});
/** Closes copies and takes them away. */
function drop(): void {
  for (const db of opened) {
    db.close();
    for (const end of ["", "-wal", "-shm", ".device"]) rmSync(db.name + end, { force: true });
  }
  opened = [];
}
afterEach(() => {
  drop();
  garden.close();
});

let copies = 0;
/** The garden as it is now, carried to another machine; on the same one it keeps the device's name. */
function carried(from: Db, sameDevice = false): Db {
  from.pragma("wal_checkpoint(TRUNCATE)");
  const path = join(garden.path, "..", `copy${++copies}.db`);
  copyFileSync(from.name, path);
  if (sameDevice) copyFileSync(`${from.name}.device`, `${path}.device`);
  const db = openDb(path);
  db.pragma("synchronous = OFF");
  opened.push(db);
  return db;
}

type Row = Record<string, string | number | null>;
const rowsOf = (db: Db, table: string): Row[] =>
  (db.prepare(`SELECT * FROM "${table}" ORDER BY id`).all() as Row[]).map(({ version: _, ...row }) => row as Row);
const contents = (db: Db) => Object.fromEntries(RECORDS.map(({ table }) => [table, rowsOf(db, table)]));
const whole = (db: Db) =>
  Object.fromEntries(RECORDS.map(({ table }) => [table, db.prepare(`SELECT * FROM "${table}" ORDER BY id`).all()]));

function run(ours: Db, theirs: Db, answers: Record<string, Side> = {}, press: { id?: Id } = {}, dry = false) {
  return ended(merge(ours, theirs, answers, press, dry));
}
/** Brings together and expects that it is done. */
function merged(ours: Db, theirs: Db, answers: Record<string, Side> = {}): { entry: Id; report: MergeReport } {
  const { outcome, report } = run(ours, theirs, answers);
  if (!outcome.ok) throw new Error(outcome.message);
  return { entry: outcome.entry!, report: report! };
}
/** What a dry run on a copy that is thrown away says. */
const dry = (ours: Db, theirs: Db) => run(carried(ours), theirs, {}, {}, true).report!;
function refused(ours: Db, theirs: Db, answers: Record<string, Side> = {}): string {
  const before = JSON.stringify([whole(ours), ours.prepare("SELECT * FROM op").all()]);
  const { outcome } = run(ours, theirs, answers);
  expect(outcome.ok).toBe(false);
  expect(JSON.stringify([whole(ours), ours.prepare("SELECT * FROM op").all()])).toBe(before);
  return outcome.message;
}

/** The version of the row that a command is about, where it wants one. */
function versionOf(db: Db, name: string, input: { id?: unknown }) {
  if (!input.id || !COMMANDS.get(name)!.fields.version || name === "candidate.set") return {};
  return { version: get(db, name.split(".")[0]!, input.id).version };
}
function does(db: Db, name: string, input: object, day = "2028-07-20") {
  const outcome = perform(db, COMMANDS.get(name)!, { ...versionOf(db, name, input), ...input }, { day });
  if (!outcome.ok) throw new Error(`${name}: ${outcome.message}`);
  return outcome as { id: Id; ids: Id[]; entry: Id; code: string };
}
const get = (db: Db, table: string, id: unknown) => db.prepare(`SELECT * FROM "${table}" WHERE id = ?`).get(id) as Row;
const bed = (name: string) => ({ name, x: 0, y: 60, width: 2, length: 2 });

describe("two copies of a garden", () => {
  test("that each wrote things of their own have both, with both histories, and one undo", () => {
    const there = carried(garden.db);
    does(garden.db, "bed.add", bed("here"));
    const made = does(there, "bed.add", bed("there"));
    const before = contents(garden.db);
    const { entry, report } = merged(garden.db, there);
    expect(report).toMatchObject({ count: 1, own: 1, both: [], questions: [], look: [] });
    expect(report.rows).toEqual([{ table: "bed", added: 1, changed: 0, removed: 0 }]);
    expect(report.presses.map(({ summary }) => summary)).toEqual(["Bed there added"]);
    expect(rowsOf(garden.db, "bed").map(({ name }) => name)).toEqual(["A", "B", "here", "there"]);
    expect(garden.db.prepare("SELECT count(*) FROM op WHERE id = ?").pluck().get(made.entry)).toBe(1);
    expect(undo(garden.db, entry)).toMatchObject({ ok: true });
    expect(contents(garden.db)).toEqual(before);
    const again = merged(garden.db, there).entry;
    does(garden.db, "stand.add", {
      lineId: does(garden.db, "line.add", { name: "L", species: "melon", school: "keep-pure", status: "mix" }).id,
      bedId: made.id,
      sown: "2028-04-24",
    });
    expect(undo(garden.db, again)).toMatchObject({ ok: false, message: expect.stringContaining("later records rest") });
  });

  test("tell how far they are every five hundred presses", () => {
    const there = carried(garden.db);
    for (let i = 0; i < 501; i++) does(there, "task.add", { title: `task ${i}`, due: "2028-08-01" });
    const told = [...merge(garden.db, there, {}, {}, true)];
    expect(told.filter(({ doing }) => doing === "Reading its history")).toEqual([
      { doing: "Reading its history", done: 500, of: 501 },
    ]);
  });

  test("keep what each changed in one row; of one column the later press holds, and both are told with when", async () => {
    const there = carried(garden.db);
    const { id } = garden.row("bed", 1) as { id: Id };
    does(there, "bed.change", { id, name: "first said" });
    // Of two presses in one millisecond the device decides which is called the later.
    const said = Date.now();
    await vi.waitUntil(() => Date.now() > said, { interval: 1 });
    does(garden.db, "bed.change", { id, name: "later said" });
    does(there, "bed.move", { id, x: 7 });
    const here = carried(garden.db);
    const { report } = merged(garden.db, there);
    expect(report.both).toMatchObject([
      {
        name: "Bed later said",
        ours: { words: "Name: later said", summary: "Bed later said changed" },
        theirs: { words: "Name: first said" },
        taken: "ours",
      },
    ]);
    expect(report.both[0]!.theirs.at! <= report.both[0]!.ours.at!).toBe(true);
    expect(get(garden.db, "bed", id)).toMatchObject({ name: "later said", x: 7 });
    merged(there, here);
    expect(get(there, "bed", id)).toMatchObject({ name: "later said", x: 7 });
  });

  test("name what both changed, whatever it is", () => {
    const { cross, lot } = family(garden);
    const stand = garden.row("stand", 1).id as Id;
    const task = garden.done("task.add", { title: "Empty the traps", due: "2028-07-18" }).id;
    const note = garden.done("note.add", { standId: stand, words: "slow" }).id;
    const there = carried(garden.db);
    for (const [db, word] of [
      [there, "first"],
      [garden.db, "then"],
    ] as const) {
      does(db, "task.change", { id: task, title: "Empty the traps", due: "2028-07-18", note: word });
      does(db, "note.change", { id: note, words: word });
      does(db, "lot.change", { id: lot, note: word });
      does(db, "cross.adjust", { id: cross, note: word });
      does(db, "stand.change", { id: stand, storedIn: word });
    }
    const { both } = dry(garden.db, there);
    expect(both.map(({ name }) => name).sort()).toEqual([
      "A note of 2028-05-10",
      "Cross X27-001-F (Lantern)",
      "Seed lot K27-001-4 (Lantern)",
      "Stand S27-001-1 (Ashlar Gold)",
      "Task Empty the traps",
    ]);
  });

  test("with two scores of one plant ask, refuse all until it is said, and take what was said", () => {
    const { lineId, plants } = family(garden);
    const yardstickId = garden.done("yardstick.add", { lineId, name: "Sweet", kind: "number", wanted: "high" }).id;
    const there = carried(garden.db);
    does(garden.db, "score.set", { plantId: plants[0], yardstickId, value: "7" });
    does(there, "score.set", { plantId: plants[0], yardstickId, value: "5" });
    does(there, "score.set", { plantId: plants[1], yardstickId, value: "4" });
    expect(refused(garden.db, there)).toMatch(/^Sweet of plant 1 of stand .*: say which of the two holds/);
    const [question, ...more] = dry(garden.db, there).questions;
    expect(more).toEqual([]);
    expect(question).toMatchObject({ ours: { words: "Score: 7" }, theirs: { words: "Score: 5" }, taken: "theirs" });
    const numbers = (db: Db) => db.prepare("SELECT number FROM score ORDER BY plantId").pluck().all();
    for (const [side, number] of [
      ["ours", 7],
      ["theirs", 5],
    ] as const) {
      const here = carried(garden.db);
      merged(here, there, { [question!.id]: side });
      expect(numbers(here)).toEqual([number, 4]);
      const again = empty();
      replay(here, again);
      expect(whole(again)).toEqual(whole(here));
    }
  });

  test("that numbered the same plants each have them once, marks and scores of both on them", () => {
    const { stand, plants, lineId, counts } = family(garden, 0);
    expect(plants).toEqual([]);
    const yardstickId = garden.done("yardstick.add", { lineId, name: "Sweet", kind: "number", wanted: "high" }).id;
    const there = carried(garden.db);
    const number = (db: Db) => {
      does(db, "stand.change", {
        id: stand,
        ...counts,
        version: get(db, "stand", stand).version,
        bedId: garden.row("bed", 1).id,
        cameUp: 4,
        plants: 3,
      });
      return db.prepare("SELECT id FROM plant WHERE standId = ? ORDER BY number").pluck().all(stand) as Id[];
    };
    const [mine, yours] = [number(garden.db), number(there)];
    expect(mine).not.toEqual(yours);
    does(garden.db, "plant.mark", { id: mine[1], mark: "keep" });
    does(there, "plant.mark", { id: yours[2], mark: "watch" });
    does(there, "score.set", { plantId: yours[1], yardstickId, value: "8" });
    const here = carried(garden.db);
    expect(merged(garden.db, there).report).toMatchObject({ both: [], questions: [] });
    const shown = garden.db.prepare(
      "SELECT p.number, p.mark, s.number score FROM plant p LEFT JOIN score s ON s.plantId = p.id ORDER BY p.number",
    );
    expect(shown.all()).toEqual([
      { number: 1, mark: "none", score: null },
      { number: 2, mark: "keep", score: 8 },
      { number: 3, mark: "watch", score: null },
    ]);
    merged(there, here);
    expect(contents(there)).toEqual(contents(garden.db));
  });

  test("that each covered a flower of one number ask who keeps it, and the other flower gets the next", () => {
    const { plan } = twoMelons(garden);
    const cross = garden.done("cross.plan", plan).id;
    const there = carried(garden.db);
    const cover = (db: Db, flowers: number) =>
      does(db, "flower.cover", { crossId: cross, flowers, on: "2027-07-01" }, "2027-07-09").ids;
    const [mine, yours] = [cover(garden.db, 1), cover(there, 2)];
    const [question] = dry(garden.db, there).questions;
    expect(question).toMatchObject({ about: "number", taken: "ours" });
    merged(garden.db, there, { [question!.id]: "theirs" });
    const numbers = garden.db.prepare("SELECT id, number FROM flower ORDER BY number").raw().all();
    expect(numbers).toEqual([
      [yours[0], 1],
      [yours[1], 2],
      [mine[0], 3],
    ]);
  });

  test("keep a bed that one took away and the other planted, and ask of one that the other changed", () => {
    const there = carried(garden.db);
    const [a, b] = ["bed", "bed"].map((table, i) => garden.row(table, i + 1).id as Id);
    for (const id of [a, b]) does(garden.db, "bed.remove", { id });
    const line = does(there, "line.add", { name: "L", species: "melon", school: "keep-pure", status: "mix" }).id;
    does(there, "stand.add", { lineId: line, bedId: a, sown: "2027-04-24", plants: 3 });
    does(there, "bed.change", { id: b, name: "rebuilt" });
    const { questions, both } = dry(garden.db, there);
    expect(both.map(({ name, ours }) => [name, ours.words])).toEqual([["Bed A", "was taken away"]]);
    expect(questions).toMatchObject([{ name: "Bed rebuilt", about: "removed", taken: "theirs" }]);
    const here = carried(garden.db);
    merged(here, there, { [questions[0]!.id]: "ours" });
    expect(rowsOf(here, "bed").map(({ name }) => name)).toEqual(["A"]);
    merged(garden.db, there, { [questions[0]!.id]: "theirs" });
    expect(rowsOf(garden.db, "bed").map(({ name }) => name)).toEqual(["A", "rebuilt"]);
  });

  test("whose sowings together take more seed than a lot holds keep both, and it is said", () => {
    const { lot, lineId } = family(garden);
    const there = carried(garden.db);
    const sow = (db: Db) =>
      does(db, "stand.add", { lineId, lotId: lot, sown: "2028-05-20", sowedSeeds: 20, seedWanted: 1 });
    sow(garden.db);
    sow(there);
    const { look } = merged(garden.db, there).report;
    // Of 40 seeds 10 were sown before: 30 were left for the two twenties.
    expect(look).toMatchObject([{ message: expect.stringContaining("holds 10 seeds more; 20 can't be sown") }]);
    expect(garden.db.prepare("SELECT sum(sowedSeeds) FROM stand WHERE lotId = ?").pluck().get(lot)).toBe(50);
  });

  test("whose changes can't stand in one row ask which row holds", () => {
    const { mother } = twoMelons(garden);
    const there = carried(garden.db);
    does(garden.db, "stand.change", { id: mother, sowedSeeds: 9, cameUp: 6 });
    does(there, "stand.change", { id: mother, plants: 8 });
    const [question] = dry(garden.db, there).questions;
    expect(question).toMatchObject({ about: "row", taken: "theirs" });
    const here = carried(garden.db);
    merged(here, there, { [question!.id]: "ours" });
    expect(get(here, "stand", mother)).toMatchObject({ cameUp: 6, plants: 6 });
    merged(garden.db, there, { [question!.id]: "theirs" });
    expect(get(garden.db, "stand", mother)).toMatchObject({ cameUp: null, plants: 8 });
  });

  test("that gave one code to two things ask which keeps it; the other gets a new one, and no later thing gets that", () => {
    const there = carried(garden.db, true);
    const line = (db: Db, name: string) =>
      does(db, "line.add", { name, species: "melon", school: "keep-pure", status: "mix" });
    const [mine, yours] = [line(garden.db, "mine"), line(there, "yours")];
    expect(mine.code).toBe(yours.code);
    const [question] = dry(garden.db, there).questions;
    expect(question).toMatchObject({
      about: "number",
      taken: "ours",
      ours: { words: "Line mine" },
      theirs: { words: "Line yours" },
    });
    merged(garden.db, there, { [question!.id]: "theirs" });
    expect(get(garden.db, "line", yours.id).code).toBe(yours.code);
    const codes = new Set([yours.code, get(garden.db, "line", mine.id).code]);
    for (let i = 0; i < 3; i++) codes.add(line(garden.db, `next ${i}`).code);
    expect(codes.size).toBe(5);
    for (const code of codes) expect(readCode(code as string).ok).toBe(true);
  });

  test("that said who a father may be each have the shares looked at again", () => {
    const { lot, mother, father } = family(garden);
    const there = carried(garden.db);
    const say = (db: Db, standId: Id) =>
      does(db, "candidate.set", { of: "lot", id: lot, role: "father", candidates: [{ standId, share: 1 }] });
    say(garden.db, mother);
    say(there, father);
    const { look } = merged(garden.db, there).report;
    expect(look).toMatchObject([{ message: "The shares of its possible fathers make 200 %; say them anew." }]);
  });
});

describe("bringing together", () => {
  test("again finds nothing new, and the one that gave takes the other's with no question", () => {
    const there = carried(garden.db);
    const { id } = garden.row("bed", 1) as { id: Id };
    does(garden.db, "bed.change", { id, name: "mine" });
    does(there, "bed.change", { id, name: "yours" });
    merged(garden.db, there);
    expect(refused(garden.db, there)).toBe("Everything in that copy is here already. Nothing was written.");
    const { report } = merged(there, garden.db);
    expect(report.both).toEqual([]);
    expect(contents(there)).toEqual(contents(garden.db));
  });

  test("taken back can be done anew, and takes nothing away from a third copy", () => {
    const [there, third] = [carried(garden.db), carried(garden.db)];
    does(garden.db, "bed.add", bed("here"));
    does(there, "bed.add", bed("there"));
    does(third, "bed.add", bed("third"));
    const { entry } = merged(there, garden.db);
    expect(undo(there, entry).ok).toBe(true);
    merged(garden.db, there);
    expect(rowsOf(garden.db, "bed").map(({ name }) => name)).toEqual(["A", "B", "here", "there"]);
    const back = merged(third, garden.db);
    expect(undo(third, back.entry).ok).toBe(true);
    merged(third, garden.db);
    expect(rowsOf(third, "bed").map(({ name }) => name)).toEqual(["A", "B", "here", "there", "third"]);
  });

  test("is one press: sent twice it is carried out once, and cut short it leaves nothing", () => {
    const there = carried(garden.db);
    does(there, "bed.add", bed("there"));
    const before = whole(garden.db);
    const half = merge(garden.db, there, {}, {});
    expect(half.next().done).toBe(false);
    half.return(undefined as never);
    expect(whole(garden.db)).toEqual(before);
    expect(garden.db.inTransaction).toBe(false);
    const press = { id: newId() };
    const first = run(garden.db, there, {}, press);
    expect(run(garden.db, there, {}, press).outcome).toEqual(first.outcome);
    expect(rowsOf(garden.db, "bed").length).toBe(3);
  });

  test("refuses what is no copy of this garden, and leaves all as it was", () => {
    const other = plot();
    other.db.prepare("DELETE FROM brought").run();
    const stranger = carried(garden.db);
    const doctored = carried(garden.db);
    does(stranger, "bed.add", bed("x"));
    stranger.exec("CREATE TABLE more (x)");
    const op = does(doctored, "bed.add", bed("y")).entry;
    doctored.exec("DROP TRIGGER opChangeKept");
    const trigger = doctored.prepare("UPDATE opChange SET tableName = 'op\" --' WHERE op = ?");
    trigger.run(op);
    doctored.exec(
      garden.db.prepare("SELECT sql FROM sqlite_master WHERE name = 'opChangeKept'").pluck().get() as string,
    );
    const fresh = empty();
    expect(refused(garden.db, fresh)).toContain("holds another garden");
    expect(refused(garden.db, stranger)).toContain("its tables are others");
    expect(refused(garden.db, doctored)).toContain("speaks of what no garden has");
    fresh.close();
    other.close();
  });
});

describe("a copy that would stop the garden", () => {
  /** A copy with a press of its own that is then written over by other hands. */
  const doctored = (rows: (db: Db, op: Id) => void) => {
    const there = carried(garden.db);
    const op = does(there, "bed.add", bed("there")).entry;
    const triggers = there.prepare("SELECT name, sql FROM sqlite_master WHERE type = 'trigger'").all();
    for (const { name } of triggers as { name: string }[]) there.exec(`DROP TRIGGER "${name}"`);
    there.pragma("foreign_keys = OFF");
    rows(there, op);
    for (const { sql } of triggers as { sql: string }[]) there.exec(sql);
    return there;
  };
  /** Changes a row and what the journal says of it alike. */
  const rewritten = (table: string, column: string, value: string) =>
    doctored((db, op) => {
      const { id } = db.prepare(`SELECT id FROM "${table}"`).get() as Row;
      db.prepare(`UPDATE "${table}" SET "${column}" = ? WHERE id = ?`).run(value, id);
      const after = JSON.stringify({ [column]: value });
      const add = "INSERT INTO opChange (op, seq, tableName, rowId, before, after) VALUES (?, 9, ?, ?, '{}', ?)";
      db.prepare(add).run(op, table, id, after);
    });

  test("by a clock more than half a year ahead is refused, one a few days ahead is not", () => {
    const ahead = (ms: number) =>
      doctored((db, op) => {
        const clock = `${String(ms).padStart(15, "0")}-999999-${newId()}`;
        db.prepare("UPDATE op SET clock = ? WHERE id = ?").run(clock, op);
      });
    expect(refused(garden.db, ahead(999_999_999_999_999))).toBe(
      "That copy's clock is months or years ahead of this device's, so later records would not count. Nothing was saved. Correct the clock that is wrong, then merge again.",
    );
    expect(refused(garden.db, ahead(Date.now() + 190 * 86_400_000))).toContain("months or years ahead");
    const days = Date.now() + 3 * 86_400_000;
    merged(garden.db, ahead(days));
    // The count was at its end: the merge came a moment later, and the next press counts on.
    does(garden.db, "bed.add", bed("after"));
    const last = garden.db.prepare("SELECT max(clock) FROM op").pluck().get() as string;
    expect(last.slice(0, 22)).toBe(`${String(days + 1).padStart(15, "0")}-000001`);
  });

  test.each([
    ["L", 27, 1, 2 ** 53, 5],
    ["L", 27, 1, 101, 5],
    ["L", 27, 0, 99, 5],
    ["L", 27, 2 ** 53 - 1, 2 ** 53, 2 ** 53],
    ["L", 100, 1, 100, 5],
    ["L", -1, 1, 100, 5],
    ["?", 27, 1, 100, 5],
  ])("by numbers given out as no garden gives them is refused: %s %d %d %d %d", (kind, year, low, high, last) => {
    const there = doctored((db) =>
      db
        .prepare("INSERT INTO lease (kind, year, low, high, device, last) VALUES (?, ?, ?, ?, ?, ?)")
        .run(kind, year, low, high, newId(), last),
    );
    expect(refused(garden.db, there)).toBe(
      "That file is not as this program writes it: it gives out numbers as no garden does. Nothing was written.",
    );
  });

  test("by presses that take each other back is refused", () => {
    const there = doctored((db, op) => {
      const other = does(db, "bed.add", bed("more")).entry;
      db.prepare("UPDATE op SET undoes = ? WHERE id = ?").run(other, op);
      db.prepare("UPDATE op SET undoes = ? WHERE id = ?").run(op, other);
    });
    expect(refused(garden.db, there)).toContain("a press takes back one that came later");
    const nowhere = doctored((db, op) => db.prepare("UPDATE op SET undoes = ? WHERE id = ?").run(newId(), op));
    expect(refused(garden.db, nowhere)).toContain("a press takes back one that came later");
  });

  test.each([
    ["garden", "timezone", "Mars/Olympus", "Time zone is not known. Write it as Europe/Zurich."],
    ["line", "species", "triffid", "Species is not one of the choices."],
    ["cross", "method", "by-bee", "Method is not one of the choices."],
  ])("by a %s whose %s this program does not know is refused", (table, column, value, message) => {
    const { plan } = twoMelons(garden);
    garden.done("cross.plan", plan);
    expect(refused(garden.db, rewritten(table, column, value))).toBe(
      `That copy holds what this program does not know: ${message} Nothing was saved. Bring both to the newest version, then merge again.`,
    );
  });

  test("but what this garden itself holds from of old stops no merge", () => {
    const id = garden.line("Good", "melon");
    garden.db.prepare("UPDATE line SET description = ? WHERE id = ?").run("x".repeat(4001), id);
    const there = carried(garden.db);
    does(there, "line.change", { id, name: "Better" });
    const { report } = merged(garden.db, there);
    expect(report.look).toMatchObject([{ message: "Description is longer than 4000 characters." }]);
  });
});

const press = fc.record({
  side: fc.constantFrom<Side>("ours", "theirs"),
  command: fc.constantFrom(
    ...["bed.add", "bed.change", "bed.move", "bed.remove", "stand.add", "stand.change", "plant.mark"],
    ...["score.set", "score.clear", "flower.cover", "flower.record", "number", "undo"],
  ),
  nth: fc.nat({ max: 5 }),
  n: fc.integer({ min: 1, max: 9 }),
});
type Presses = { side: Side; command: string; nth: number; n: number }[];

describe("whatever two copies wrote", () => {
  test("they come to the same tables either way round, with nothing lost that one of them alone wrote", () => {
    const { lineId, stand, lot, plan, counts } = family(garden, 2);
    garden.done("yardstick.add", { lineId, name: "Sweet", kind: "number", wanted: "high" });
    garden.done("cross.plan", plan);
    const bedId = garden.row("bed", 1).id;
    const attempt = (db: Db, { command, nth, n }: Presses[number]) => {
      const pick = (table: string) => {
        const ids = db.prepare(`SELECT id FROM "${table}" ORDER BY id`).pluck().all() as Id[];
        return ids[nth % ids.length]!;
      };
      const inputs: Record<string, () => [string, object]> = {
        "bed.add": () => ["bed.add", bed(`bed ${n}`)],
        "bed.change": () => ["bed.change", { id: pick("bed"), name: `bed ${n}` }],
        "bed.move": () => ["bed.move", { id: pick("bed"), x: n, y: nth }],
        "bed.remove": () => ["bed.remove", { id: pick("bed") }],
        "stand.add": () => [
          "stand.add",
          { lineId, lotId: lot, bedId, sown: "2028-05-20", sowedSeeds: n, seedWanted: 1 },
        ],
        "stand.change": () => ["stand.change", { id: pick("stand"), plants: n, cameUp: n + (nth % 3) }],
        number: () => [
          "stand.change",
          { id: stand, ...counts, version: get(db, "stand", stand).version, bedId, cameUp: 9, plants: 2 + (n % 4) },
        ],
        "plant.mark": () => ["plant.mark", { id: pick("plant"), mark: n % 2 ? "keep" : "watch" }],
        "score.set": () => ["score.set", { plantId: pick("plant"), yardstickId: pick("yardstick"), value: `${n}` }],
        "score.clear": () => ["score.set", { plantId: pick("plant"), yardstickId: pick("yardstick"), value: "" }],
        "flower.cover": () => ["flower.cover", { crossId: pick("cross"), flowers: 1 + (n % 2), on: "2028-07-01" }],
        "flower.record": () => [
          "flower.record",
          {
            crossId: (get(db, "flower", pick("flower")) as { crossId: Id }).crossId,
            on: "2028-07-02",
            results: [{ id: pick("flower"), result: n % 2 ? "pollinated" : "lost", lostWhy: "wind" }],
          },
        ],
      };
      if (command === "undo") {
        undo(db, db.prepare("SELECT id FROM op ORDER BY clock DESC LIMIT 1 OFFSET ?").pluck().get(nth));
        return;
      }
      const [name, input] = inputs[command]!();
      perform(db, COMMANDS.get(name)!, { ...versionOf(db, name, input), ...input }, { day: "2028-07-20" });
    };
    const defaults = (db: Db, other: Db) =>
      Object.fromEntries(
        run(carried(db), other, {}, {}, true).report?.questions.map(({ id, taken }) => [id, taken]) ?? [],
      );

    fc.assert(
      fc.property(fc.array(press, { minLength: 2, maxLength: 16 }), (presses) => {
        const [ours, theirs] = [carried(garden.db), carried(garden.db)];
        const base = contents(garden.db);
        for (const one of presses) attempt(one.side === "ours" ? ours : theirs, one);
        const [a, b] = [carried(ours), carried(theirs)];
        const [there, here] = [run(a, theirs, defaults(ours, theirs)), run(b, ours, defaults(theirs, ours))];
        const both = [ours, theirs].map(contents);
        if (there.outcome.ok && here.outcome.ok) {
          expect(contents(a)).toEqual(contents(b));
          for (const db of [a, b]) {
            expect(db.pragma("foreign_key_check")).toEqual([]);
            const again = empty();
            replay(db, again);
            expect(whole(again)).toEqual(whole(db));
            again.close();
            // Every press of either copy is in the history.
            for (const from of [ours, theirs])
              for (const id of from.prepare("SELECT id FROM op").pluck().all())
                expect(db.prepare("SELECT 1 FROM op WHERE id = ?").get(id)).toBeDefined();
          }
          survives(base, both as [Contents, Contents], contents(a), there.report!);
          expect(undo(a, there.outcome.entry)).toMatchObject({ ok: true });
          expect(contents(a)).toEqual(both[0]);
        } else {
          // Only one that wrote nothing has nothing to give.
          for (const { outcome } of [there, here])
            if (!outcome.ok) expect(outcome.message).toContain("Everything in that copy is here already");
        }
        drop();
      }),
      { numRuns: Number(process.env.MERGES ?? 30) },
    );
  });
});

type Contents = Record<string, Row[]>;

/**
 * Worked out from the tables alone, without the journal: a row that one copy alone made is there (a plant or score that
 * both made, once), and a column that one copy alone changed has its value, but where a person was asked about the row.
 */
function survives(base: Contents, [ours, theirs]: [Contents, Contents], after: Contents, report: MergeReport): void {
  const asked = (table: string, id: unknown) => report.questions.some((q) => q.id.startsWith(`${table} ${id} `));
  const KEYS: Record<string, string[]> = {
    plant: ["standId", "number"],
    score: ["plantId", "yardstickId", "scoredOn", "look"],
  };
  for (const [table, rows] of Object.entries(after)) {
    const by = (list: Row[]) => new Map(list.map((row) => [row.id, row]));
    const [was, now] = [by(base[table]!), by(rows)];
    for (const [mine, other] of [
      [by(ours[table]!), by(theirs[table]!)],
      [by(theirs[table]!), by(ours[table]!)],
    ] as const)
      for (const [id, row] of mine) {
        const old = was.get(id);
        const made = now.get(id);
        if (!old && !made) {
          const key = KEYS[table];
          if (key) expect(rows.some((one) => one.number === row.number || table === "score")).toBe(true);
          else expect.fail(`${table} ${id} was lost`);
        }
        if (!old || !made || asked(table, id)) continue;
        for (const [column, value] of Object.entries(row))
          if (value !== old[column] && other.get(id)?.[column] === old[column])
            expect([id, column, made[column]]).toEqual([id, column, value]);
      }
  }
}
