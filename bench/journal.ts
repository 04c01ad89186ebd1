import { copyFileSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { newId } from "@/db/ids";
import { migrate } from "@/db/migrate";
import { type Db, openDb } from "@/db/open";
import { appendOp, Writer } from "@/db/ops";
import { replay } from "@/db/replay";
import type { Row } from "@/db/rows";
import { perform } from "@/records/command";
import { COMMANDS } from "@/records/commands";
import { merge } from "@/records/merge";

const OPS = 100_000;
const PLANTS = 20_000;
const SHARED = 2_000;
const A_FAMILY = 20;

const seconds = (from: number) => (performance.now() - from) / 1000;
const device = newId();

/** Writes an op as a press would, without its checks. */
function pressed(db: Db, work: (writer: Writer) => void): void {
  const id = newId();
  const writer = new Writer(db, id);
  work(writer);
  const at = new Date(0).toISOString();
  appendOp(
    db,
    { id, device, at, day: "2027-07-01", command: "bench", input: {}, undoes: null, summary: "bench", outcome: {} },
    writer.changes,
  );
}

const bed = (n: number): Row => ({ name: `bed ${n}`, x: n, y: 0, width: 1, length: 1 });
const fresh = () => {
  const db = new Database(":memory:");
  migrate(db, ":memory:");
  return db;
};

function benchReplay(): void {
  const from = fresh();
  from.transaction(() => {
    for (let n = 0; n < OPS; n++) pressed(from, (writer) => writer.insert("bed", bed(n)));
  })();
  const rows = from.prepare("SELECT * FROM bed").all() as Row[];
  const folder = mkdtempSync(join(tmpdir(), "orchard-replay-"));
  const times = [0, 1, 2, 3, 4].map((run) => {
    const plain = openDb(join(folder, `plain${run}.db`));
    let began = performance.now();
    const names = Object.keys(rows[0]!);
    const insert = plain.prepare(`INSERT INTO bed (${names.join(", ")}) VALUES (${names.map(() => "?").join(", ")})`);
    plain.transaction(() => {
      for (const row of rows) insert.run(...Object.values(row));
    })();
    const inserted = seconds(began);
    plain.close();
    const again = openDb(join(folder, `again${run}.db`));
    began = performance.now();
    replay(from, again);
    const replayed = seconds(began);
    again.close();
    return { inserted, replayed };
  });
  const best = (of: "inserted" | "replayed") => Math.min(...times.map((time) => time[of]));
  const [inserted, replayed] = [best("inserted"), best("replayed")];
  console.log(
    `\n${OPS} ops played again: ${replayed.toFixed(2)} s; the same rows inserted: ${inserted.toFixed(2)} s; ratio ${(replayed / inserted).toFixed(1)}`,
  );
  from.close();
  rmSync(folder, { recursive: true });
}

function family(db: Db, lineId: string, name: string, plants: number): void {
  pressed(db, (writer) => {
    const standId = writer.insert("stand", {
      code: name,
      lineId,
      season: 2027,
      family: 1,
      sown: "2027-05-01",
      plants,
      cameUp: plants,
      sowedSeeds: plants,
    });
    for (let number = 1; number <= plants; number++) writer.insert("plant", { standId, number });
  });
}

/** Two copies that each numbered 20,000 plants since they parted, and marked the same 2,000 of before differently. */
function benchMerge(): void {
  const folder = mkdtempSync(join(tmpdir(), "orchard-merge-"));
  const path = (name: string) => join(folder, name);
  const base = openDb(path("base.db"));
  const does = (name: string, input: object) => {
    const outcome = perform(base, COMMANDS.get(name)!, input);
    if (!outcome.ok) throw new Error(outcome.message);
    return outcome.id!;
  };
  does("garden.begin", { name: "Large", latitude: 48.6, longitude: 9.3, timezone: "UTC", units: "metric" });
  const line = does("line.add", { name: "line", species: "melon", school: "keep-pure", status: "mix" });
  base.transaction(() => family(base, line, "before", SHARED))();
  const shared = base.prepare("SELECT id FROM plant").pluck().all() as string[];
  base.close();
  const [ours, theirs] = ["ours", "theirs"].map((name) => {
    copyFileSync(path("base.db"), path(`${name}.db`));
    const db = openDb(path(`${name}.db`));
    db.transaction(() => {
      for (let n = 0; n < PLANTS / A_FAMILY; n++) family(db, line, `${name} ${n}`, A_FAMILY);
      for (const id of shared)
        pressed(db, (writer) => writer.update("plant", id, { mark: name === "ours" ? "keep" : "watch" }));
    })();
    return db;
  }) as [Db, Db];
  const began = performance.now();
  const work = merge(ours, theirs, {}, {});
  let told = 0;
  for (;;) {
    const { done, value } = work.next();
    if (!done) {
      told++;
      continue;
    }
    if (!value.outcome.ok) throw new Error(value.outcome.message);
    console.log(
      `Two gardens of ${PLANTS + SHARED} plants brought together, ${value.report!.both.length} both changed: ${seconds(began).toFixed(1)} s, progress told ${told} times`,
    );
    break;
  }
  ours.close();
  theirs.close();
  rmSync(folder, { recursive: true });
}

export function benchJournal(): void {
  benchReplay();
  benchMerge();
}
