import { readdirSync } from "node:fs";
import { tmpdir } from "node:os";
import Database from "better-sqlite3";
import { afterEach, beforeEach, expect, test } from "vitest";
import { newId } from "@/db/ids";
import { replay } from "@/db/replay";
import { type Outcome, perform, undo } from "../command";
import { COMMANDS } from "../commands";
import { recordJobs } from "../jobs";
import { RECORDS } from "../records";
import { type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
const own = globalThis as { orchardDb?: unknown };
beforeEach(() => {
  garden = plot();
  own.orchardDb = garden.db;
  twoMelons(garden);
});
afterEach(() => {
  own.orchardDb = undefined;
  garden.close();
  expect(readdirSync(tmpdir()).filter((name) => name.startsWith("orchard-try-"))).toEqual([]);
});

const rows = (db: Plot["db"]) =>
  Object.fromEntries(RECORDS.map(({ table }) => [table, db.prepare(`SELECT * FROM "${table}" ORDER BY id`).all()]));
const SURE = { setLow: 0.3, setHigh: 0.5, confidence: 0.9 };
const name = "cross.import";
const BOOK = {
  text: "cross,mother,father,flower,state,covered\na,Ashlar Gold,Nettle Moon,1,covered,2027-07-08\na,,,2,covered,2027-07-08\n",
};

/** Runs the job to its end; `between` happens once, after the copy was worked on and before it is written. */
function imported(input: object, id = newId(), between: (step: number) => void = () => {}): Outcome {
  const steps = recordJobs.press({ name, input, press: { id, day: "2027-07-09" } });
  for (let step = 0; ; step++) {
    const { done, value } = steps.next();
    if (done) return value as Outcome;
    between(step);
  }
}

test("what is worked out on a copy and carried over is what the press would have written itself", () => {
  const twin = plot();
  try {
    const id = newId();
    twoMelons(twin);
    const direct = perform(twin.db, COMMANDS.get(name)!, BOOK, { id, day: "2027-07-09" });
    const carried = imported(BOOK, id);
    expect(carried).toEqual(direct);
    expect(carried).toMatchObject({ ok: true, entry: id, message: "3 changes from a file" });
    const made = (of: Plot) =>
      ["cross", "flower"].map((table) =>
        (of.db.prepare(`SELECT * FROM "${table}" ORDER BY id`).all() as Record<string, unknown>[]).map(
          ({ lineId: _, motherStandId: __, fatherStandId: ___, ...row }) => row,
        ),
      );
    expect(made(garden)).toEqual(made(twin));
    // Rows that are there already are changed, and no others.
    const found = (of: Plot) => ({
      text: `cross,flower,covered,state,pollinated,males\n${of.code("cross", 1)},1,2027-07-08,pollinated,2027-07-09,3\n`,
    });
    const later = newId();
    expect(imported(found(garden), later)).toEqual(
      perform(twin.db, COMMANDS.get(name)!, found(twin), { id: later, day: "2027-07-09" }),
    );
    expect(garden.row("flower", 1)).toMatchObject({ state: "pollinated", males: 3, version: later });
    expect(made(garden)).toEqual(made(twin));
    // Numbers run on from those that the copy gave.
    const next = garden.done("cross.plan", { motherStandId: 1, fatherStandId: 2, fruitsWanted: 1, ...SURE });
    expect(next.code.slice(0, 7)).toBe("X27-002");
  } finally {
    twin.close();
  }
});

test("the journal gives the same tables, and the import is undone as one", () => {
  const before = rows(garden.db);
  const { entry } = imported(BOOK) as { entry: string };
  const again = new Database(":memory:");
  again.exec(
    (
      garden.db
        .prepare(
          "SELECT sql FROM sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite_%' AND name NOT LIKE 'findableWords_%' ESCAPE '\\'",
        )
        .pluck()
        .all() as string[]
    ).join(";"),
  );
  again.prepare("DELETE FROM garden").run();
  replay(garden.db, again);
  expect(rows(again).flower).toEqual(rows(garden.db).flower);
  expect(rows(again).cross).toEqual(rows(garden.db).cross);
  again.close();
  expect(undo(garden.db, entry)).toMatchObject({ ok: true });
  expect(rows(garden.db).flower).toEqual(before.flower);
  expect(rows(garden.db).cross).toEqual(before.cross);
});

/** Lets something happen in the garden right after the first copy of it was made. */
function afterTheCopy(happens: () => void): () => number {
  const prepare = garden.db.prepare.bind(garden.db);
  let copies = 0;
  garden.db.prepare = ((sql: string) => {
    const statement = prepare(sql);
    if (!sql.startsWith("VACUUM")) return statement;
    return {
      run: (path: string) => {
        statement.run(path);
        if (copies++ === 0) happens();
      },
    };
  }) as never;
  return () => copies;
}
const count = (table: string) => garden.db.prepare(`SELECT count(*) FROM "${table}"`).pluck().get() as number;

test("a press in between that the import does not rest on is kept, and nothing is worked out twice", () => {
  const copies = afterTheCopy(() => garden.done("bed.add", { name: "meanwhile", x: 60, y: 0, width: 2, length: 2 }));
  expect(imported(BOOK)).toMatchObject({ ok: true });
  expect([copies(), count("bed"), count("flower")]).toEqual([1, 3, 2]);
});

test("one that it rests on is kept too, and the import is worked out anew on the garden as it is then", () => {
  const copies = afterTheCopy(() => {
    garden.done("cross.plan", { motherStandId: 2, fatherStandId: 1, lineName: "First", fruitsWanted: 1, ...SURE });
  });
  expect(imported(BOOK)).toMatchObject({ ok: true });
  expect([copies(), count("cross"), count("flower")]).toEqual([2, 2, 2]);
  const codes = garden.db.prepare("SELECT code FROM cross ORDER BY code").pluck().all() as string[];
  expect(codes.map((code) => code.slice(0, 7))).toEqual(["X27-001", "X27-002"]);
});

test("numbers given meanwhile are not given again, whatever the import's copy knew of them", () => {
  const readings = { text: "date;min;max\n2027-01-01;1;2\n" };
  afterTheCopy(() => garden.done("line.add", { name: "New", species: "melon", school: "keep-pure", status: "mix" }));
  const steps = recordJobs.press({ name: "climate.import", input: readings, press: { day: "2027-07-09" } });
  while (!steps.next().done);
  garden.done("line.add", { name: "Newer", species: "melon", school: "keep-pure", status: "mix" });
  expect(new Set(garden.db.prepare("SELECT code FROM line").pluck().all()).size).toBe(count("line"));
  expect(count("reading")).toBe(1);
});

test("it waits while another writes, and is told by name once", () => {
  const id = newId();
  const other = new Database(garden.path);
  other.exec("BEGIN IMMEDIATE");
  let waited = 0;
  const outcome = imported(BOOK, id, () => {
    waited++;
    if (waited === 3) other.exec("ROLLBACK");
  });
  other.close();
  expect(waited).toBeGreaterThanOrEqual(3);
  expect(outcome).toMatchObject({ ok: true });
  const after = rows(garden.db);
  expect(imported(BOOK, id)).toEqual(outcome);
  expect(rows(garden.db)).toEqual(after);
});

test("what is refused, only looked at, or changes nothing writes nothing", () => {
  const before = rows(garden.db);
  expect(imported({ text: "cross,flower,state\nX27-999-9,1,set\n" })).toMatchObject({ ok: false, kind: "refused" });
  expect(imported({ ...BOOK, dryRun: true })).toMatchObject({ ok: false, kind: "dry-run" });
  expect(imported({ text: 7 })).toMatchObject({ ok: false, kind: "invalid" });
  expect(rows(garden.db)).toEqual(before);
});
