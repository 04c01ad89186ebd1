import { copyFileSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { migrate } from "@/db/migrate";
import { type Db, openDb } from "@/db/open";
import { type Outlook, outlook } from "@/views/outlook";
import { type Outcome, perform, undo } from "../command";
import { COMMANDS } from "../commands";
import { RECORDS } from "../records";

export type Plot = {
  db: Db;
  path: string;
  /** Carries out a command and expects it to be done. */
  done: (
    name: string,
    input: object,
  ) => { id: Id; ids: Id[]; entry: Id; code: string; warnings: string[]; message: string };
  /** Carries out a command and expects it to be refused with nothing written. */
  refused: (name: string, input: object) => { message: string; fields: Record<string, string>; kind: string };
  /** Takes an entry back and expects that it can be; gives the undo's own entry. */
  undone: (entry: Id) => Id;
  /** A line that is kept pure and open-pollinated, unless more is said of it. */
  line: (name: string, species: string, more?: object) => Id;
  on: (day: Day) => void;
  sky: () => Outlook;
  /** A row, its code and its version, by its id or as the n-th of its table. */
  row: (table: string, id: Id | number) => Record<string, unknown>;
  code: (table: string, id: Id | number) => string;
  version: (table: string, id: Id | number) => Id;
  /** The numbered plants of a stand, in their order. */
  plants: (standId: Id) => Id[];
  close: () => void;
};

/** An id that no row has. */
export const NOBODY = "01900000-0000-7000-8000-000000000000";

const TABLES: string[] = RECORDS.map(({ table }) => table);
const contents = (db: Db) =>
  [...TABLES, "op", "opChange", "lease"].map((table) => JSON.stringify(db.prepare(`SELECT * FROM "${table}"`).all()));

/** The table that a field of a command names a row of, by the end of its name. */
const tableOf = (command: string, field: string): string | undefined =>
  field === "id" ? command.split(".")[0] : TABLES.find((table) => field.toLowerCase().endsWith(`${table}id`));

/** The id of the n-th row of a table. */
const nth = (db: Db, table: string, n: number): Id =>
  (db.prepare(`SELECT id FROM "${table}" WHERE rowid = ?`).pluck().get(n) as Id | undefined) ?? NOBODY;

/**
 * In tests the n-th row of a table may be named by its number, and the version of the row a command is about, as it is
 * now, by any number.
 */
function named(db: Db, command: string, input: unknown): unknown {
  if (Array.isArray(input)) return input.map((one) => named(db, command, one));
  if (typeof input !== "object" || input === null) return input;
  const entries = Object.entries(input).map(([field, value]) => {
    const table = typeof value === "number" ? tableOf(command, field) : undefined;
    return [field, table && TABLES.includes(table) ? nth(db, table, value as number) : named(db, command, value)];
  });
  const told = Object.fromEntries(entries) as { id?: Id; version?: unknown };
  if (typeof told.version !== "number") return told;
  const table = command.split(".")[0]!;
  const row = db
    .prepare(`SELECT version FROM "${table}" WHERE id = ?`)
    .pluck()
    .get(told.id ?? "garden");
  return { ...told, version: row ?? NOBODY };
}

let template: string | null = null;

/** A garden just begun, made once and copied for every test. */
function begun(): string {
  if (template) return template;
  template = join(mkdtempSync(join(tmpdir(), "orchard-begun-")), "orchard.db");
  const db = openDb(template);
  db.pragma("synchronous = OFF");
  const done = (name: string, input: object) => {
    const outcome = perform(db, COMMANDS.get(name)!, input, { day: "2027-07-09" });
    if (!outcome.ok) throw new Error(outcome.message);
  };
  done("garden.begin", {
    name: "Tarnholt",
    latitude: 48.6,
    longitude: 9.3,
    timezone: "Europe/Zurich",
    lastFrost: "05-20",
    firstFrost: "09-28",
    units: "metric",
  });
  done("bed.add", { name: "A", x: 0, y: 0, width: 8, length: 4 });
  done("bed.add", { name: "B", x: 30, y: 0, width: 8, length: 4 });
  db.pragma("wal_checkpoint(TRUNCATE)");
  db.close();
  return template;
}

/** A garden on a file of its own, with two beds, at 48.6° N on 9 July 2027; or a copy of another one. */
export function plot(from = begun()): Plot {
  const folder = mkdtempSync(join(tmpdir(), "orchard-test-"));
  const path = join(folder, "orchard.db");
  for (const end of ["", ".device"]) copyFileSync(from + end, path + end);
  // What it is copied from was opened, and found sound.
  const db = new Database(path);
  db.pragma("foreign_keys = ON");
  db.pragma("synchronous = OFF");
  let day: Day = "2027-07-09";
  const send = (name: string, input: object): Outcome =>
    perform(db, COMMANDS.get(name)!, named(db, name, input), { day });
  const row = (table: string, id: Id | number) =>
    db.prepare(`SELECT * FROM "${table}" WHERE id = ?`).get(typeof id === "number" ? nth(db, table, id) : id) as Record<
      string,
      unknown
    >;
  const made: Plot = {
    db,
    path,
    done(name, input) {
      const outcome = send(name, input);
      if (!outcome.ok) throw new Error(`${name} was refused: ${outcome.message} ${JSON.stringify(outcome.fields)}`);
      const { id = "", ids = [], entry, code = "", warnings = [], message } = outcome;
      return { id, ids, entry: entry ?? "", code, warnings, message };
    },
    refused(name, input) {
      const before = contents(db);
      const outcome = send(name, input);
      if (outcome.ok) throw new Error(`${name} was not refused: ${outcome.message}`);
      if (contents(db).some((rows, i) => rows !== before[i]))
        throw new Error(`${name} was refused but wrote something`);
      return outcome;
    },
    undone(entry) {
      const outcome = undo(db, entry);
      if (!outcome.ok) throw new Error(`Not undone: ${outcome.message}`);
      return outcome.entry!;
    },
    line: (name, species, more = {}) =>
      made.done("line.add", { name, species, school: "keep-pure", status: "open-pollinated", ...more }).id,
    on: (next) => {
      day = next;
    },
    sky: () => outlook(db, day),
    row,
    code: (table, id) => (row(table, id)?.code as string | undefined) ?? "",
    version: (table, id) => row(table, id).version as Id,
    plants: (standId) =>
      db.prepare("SELECT id FROM plant WHERE standId = ? ORDER BY number").pluck().all(standId) as Id[],
    close() {
      db.close();
      rmSync(folder, { recursive: true });
    },
  };
  return made;
}

let tables: Buffer | null = null;

/** The tables of a garden with nothing in them, in memory: made once and copied. */
export function empty(): Db {
  if (!tables) {
    const made = new Database(":memory:");
    migrate(made, made.name);
    tables = made.serialize();
    made.close();
  }
  return new Database(tables);
}

/** Two melon lines in flower together, as mother and father. */
export function twoMelons({ done, row, line }: Plot) {
  const stand = (name: string, bedId: number, sown: Day) =>
    done("stand.add", { lineId: line(name, "melon"), bedId, sown, plants: 6 }).id;
  const mother = stand("Ashlar Gold", 1, "2027-04-24");
  const father = stand("Nettle Moon", 2, "2027-04-28");
  const plan = {
    motherStandId: mother,
    fatherStandId: father,
    lineName: "Lantern",
    fruitsWanted: 2,
    setLow: 0.3,
    setHigh: 0.5,
    confidence: 0.9,
  };
  return { mother, father, plan, row };
}

/** Flowers of a cross that were covered, pollinated the day after and set a week later. */
export function fruited({ done }: Plot, crossId: Id, flowers: number, males = 2): void {
  const { ids } = done("flower.cover", { crossId, flowers, on: "2027-07-01" });
  const all = (result: string) => ids.map((id) => ({ id, result }));
  done("flower.record", { crossId, on: "2027-07-02", males, results: all("pollinated") });
  done("flower.record", { crossId, on: "2027-07-09", results: all("set") });
}

/** A family of numbered plants from a lot of a cross. */
export function family(garden: Plot, plants = 5) {
  const { done, on } = garden;
  const { plan, ...melons } = twoMelons(garden);
  const cross = done("cross.plan", plan).id;
  fruited(garden, cross, 2);
  on("2027-08-25");
  const lot = done("cross.harvest", { crossId: cross, fruits: 2, seeds: 40 }).id;
  const { lineId } = melons.row("lot", lot) as { lineId: Id };
  on("2028-05-10");
  const stand = done("stand.add", {
    lineId,
    lotId: lot,
    bedId: 1,
    sown: "2028-05-10",
    sowedSeeds: 10,
    family: 1,
  }).id;
  const counts = { sown: "2028-05-10", sowedSeeds: 10, flowers: "open", seedWanted: 1, bedId: 1 };
  if (plants) done("stand.change", { id: stand, version: 1, ...counts, cameUp: plants + 1, plants });
  const ids2 = garden.plants(stand);
  return { ...melons, plan, cross, lot, lineId, stand, counts, plants: ids2 };
}

/** A garden that takes long to make: made once, on a day, and copied for every test after. */
export function madeOnce<M>(make: () => M, day: Day): (garden: Plot) => { garden: Plot; made: M } {
  let kept: { path: string; made: M } | null = null;
  return (garden) => {
    if (kept) {
      garden.close();
      const copy = plot(kept.path);
      copy.on(day);
      return { garden: copy, made: kept.made };
    }
    const made = make();
    garden.db.pragma("wal_checkpoint(TRUNCATE)");
    const path = join(mkdtempSync(join(tmpdir(), "orchard-made-")), "orchard.db");
    for (const end of ["", ".device"]) copyFileSync(garden.path + end, path + end);
    kept = { path, made };
    return { garden, made };
  };
}
