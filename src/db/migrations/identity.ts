import { createHash } from "node:crypto";
import type { Database } from "better-sqlite3";

/**
 * What migration 004 does beside its SQL: rows and history get ids that do not depend on the copy they were written in,
 * and the journal becomes one of ops. It speaks of the schemas 3 and 4 only and is never changed afterwards.
 */

type Value = string | number | null;
type Row = Record<string, Value>;

/** Tables of schema 3 with the columns that name rows of others. Normals and readings are named by month and day. */
const REFERENCES: Record<string, Record<string, string>> = {
  garden: {},
  bed: {},
  line: { motherLineId: "line", fatherLineId: "line" },
  stand: { lineId: "line", lotId: "lot", bedId: "bed" },
  plant: { standId: "stand" },
  yardstick: { lineId: "line" },
  score: { plantId: "plant", yardstickId: "yardstick" },
  cross: {
    lineId: "line",
    motherStandId: "stand",
    fatherStandId: "stand",
    motherPlantId: "plant",
    fatherPlantId: "plant",
  },
  flower: { crossId: "cross", lotId: "lot", plantId: "plant" },
  lot: { lineId: "line", crossId: "cross", motherStandId: "stand", motherPlantId: "plant" },
  barrier: {},
  source: {},
  normal: {},
  reading: {},
  candidate: { crossId: "cross", flowerId: "flower", lotId: "lot", standId: "stand", plantId: "plant" },
};
const OLD = ["journal", "journalChange", "serial", ...Object.keys(REFERENCES)];
const KEPT_BEFORE = "before identity";

/** Names the old tables aside, so that the new ones can have theirs. */
export function setAside(db: Database): void {
  const indexes = db.prepare("SELECT name FROM sqlite_master WHERE type = 'index' AND sql IS NOT NULL").pluck().all();
  for (const name of indexes as string[]) db.exec(`DROP INDEX "${name}"`);
  for (const table of OLD) db.exec(`ALTER TABLE "${table}" RENAME TO "${table}3"`);
}

/**
 * A UUIDv7 from a moment and a text that names the row alike in every copy of the same garden. Those of one moment keep
 * the order of their numbers.
 */
function idFrom(ms: number, number: number, name: string): string {
  const hash = createHash("sha256").update(name).digest("hex").slice(0, 10);
  const time = Math.max(0, ms).toString(16).padStart(12, "0");
  const order = number.toString(16).padStart(8, "0");
  return `${time.slice(0, 8)}-${time.slice(8)}-7${order.slice(0, 3)}-8${order.slice(3, 6)}-${order.slice(6)}${hash}`;
}

type Entry = {
  id: number;
  at: string;
  day: string;
  command: string;
  summary: string;
  request: string | null;
  outcome: string;
  undoes: number | null;
};
type Change = {
  entry: number;
  seq: number;
  tableName: string;
  rowId: number;
  before: string | null;
  after: string | null;
};

const dayOf = (number: number) => new Date(number * 86_400_000).toISOString().slice(0, 10);

/** Gives every row its new id: by when it was first written, and by what the garden's first entry was. */
class Names {
  private readonly known = new Map<string, string>();
  private readonly born: Map<string, string>;
  private readonly garden: string;

  constructor(db: Database) {
    const first = db
      .prepare(
        `SELECT c.tableName || ' ' || c.rowId key, j.at, min(c.entry)
         FROM journalChange3 c JOIN journal3 j ON j.id = c.entry GROUP BY c.tableName, c.rowId`,
      )
      .all() as { key: string; at: string }[];
    this.born = new Map(first.map(({ key, at }) => [key, at]));
    this.garden = (db.prepare("SELECT at || summary FROM journal3 ORDER BY id LIMIT 1").pluck().get() as string) ?? "";
  }

  of(table: string, id: number): string {
    if (table === "garden") return "garden";
    if (table === "normal") return String(id).padStart(2, "0");
    if (table === "reading") return dayOf(id);
    const key = `${table} ${id}`;
    const known = this.known.get(key);
    if (known) return known;
    const at = this.born.get(key);
    const made = idFrom(at ? Date.parse(at) : 0, id, `${this.garden} ${key}`);
    this.known.set(key, made);
    return made;
  }

  entry({ id, at }: Pick<Entry, "id" | "at">): string {
    return idFrom(Date.parse(at), id, `${this.garden} entry ${id} ${at}`);
  }
}

/** Columns of a row or of a part of one, as schema 4 has them. */
function columns(names: Names, table: string, { id: _, version: __, ...row }: Row): Row {
  for (const [column, target] of Object.entries(REFERENCES[table]!))
    if (typeof row[column] === "number") row[column] = names.of(target, row[column]);
  if (table === "cross") delete row.setLikely;
  // What migration 003 filled in for the rows it found holds for the history of those rows too.
  if (table === "flower" && row.passes === undefined) {
    row.passes = row.pollinatedOn ? 1 : 0;
    row.lastPass = row.pollinatedOn ?? null;
  }
  if (table === "stand" && typeof row.code === "string") row.family = row.code.startsWith("F") ? 1 : 0;
  return row;
}

/** The parts of two rows that differ. */
function differing(before: Row, after: Row): { before: Row; after: Row } {
  const changed = Object.keys(after).filter((name) => (before[name] ?? null) !== after[name]);
  const part = (row: Row) => Object.fromEntries(changed.map((name) => [name, row[name] ?? null]));
  return { before: part(before), after: part(after) };
}

function insertInto(db: Database, table: string, row: Row): void {
  const list = Object.keys(row).map((name) => `"${name}"`);
  db.prepare(`INSERT INTO "${table}" (${list.join(", ")}) VALUES (${list.map(() => "?").join(", ")})`).run(
    ...Object.values(row),
  );
}

/** A row as the history left it, and the op that wrote it last. */
type Left = { row: Row; op: string };
type Part = { table: string; id: string; before: Row | null; after: Row | null };

/** Writes ops in the order of their clocks. */
class Journal {
  readonly left = new Map<string, Left>();
  readonly device = idFrom(0, 0, `${KEPT_BEFORE} device`);
  private ms = 0;
  private count = 0;
  constructor(private readonly db: Database) {}

  append(op: Row & { id: string; at: string }, parts: Part[]): void {
    const at = Date.parse(op.at);
    [this.ms, this.count] = at > this.ms ? [at, 0] : [this.ms, this.count + 1];
    const clock = `${String(this.ms).padStart(15, "0")}-${String(this.count).padStart(6, "0")}-${this.device}`;
    insertInto(this.db, "op", { clock, device: this.device, schema: 3, ...op });
    const json = (row: Row | null) => (row ? JSON.stringify(row) : null);
    parts.forEach(({ table, id, before, after }, seq) => {
      insertInto(this.db, "opChange", {
        op: op.id,
        seq,
        tableName: table,
        rowId: id,
        before: json(before),
        after: json(after),
      });
      const key = `${table} ${id}`;
      if (after) this.left.set(key, { row: { ...this.left.get(key)?.row, ...after }, op: op.id });
      else this.left.delete(key);
    });
  }
}

/** Brings the history over as ops that keep only what they changed. */
function history(db: Database, names: Names, journal: Journal): void {
  const ids = new Map<number, string>();
  const changes = db.prepare("SELECT * FROM journalChange3 WHERE entry = ? ORDER BY seq");
  for (const entry of db.prepare("SELECT * FROM journal3 ORDER BY id").all() as Entry[]) {
    const { at, day, command, summary, request, outcome, undoes } = entry;
    const id = names.entry(entry);
    ids.set(entry.id, id);
    const parts = (changes.all(entry.id) as Change[]).map(({ tableName: table, rowId, before, after }): Part => {
      const [was, is] = [before, after].map((text) =>
        text === null ? null : columns(names, table, JSON.parse(text) as Row),
      ) as [Row | null, Row | null];
      return { table, id: names.of(table, rowId), ...(was && is ? differing(was, is) : { before: was, after: is }) };
    });
    journal.append(
      {
        id,
        at,
        day,
        command,
        // What was asked was not kept before; the request's own name was.
        input: JSON.stringify(request ? { request } : {}),
        undoes: undoes === null ? null : ids.get(undoes)!,
        summary,
        outcome: outcome || "{}",
      },
      parts,
    );
  }
}

/** What the schema fills in by itself, by column. */
function defaultsOf(db: Database, table: string): Row {
  const columns = db.pragma(`table_info("${table}")`) as { name: string; dflt_value: string | null; pk: number }[];
  return Object.fromEntries(
    columns
      .filter(({ name, pk }) => !pk && name !== "version")
      .map(({ name, dflt_value: text }) => [
        name,
        text === null ? null : text.startsWith("'") ? text.slice(1, -1) : Number(text),
      ]),
  );
}

/**
 * Brings the rows over. Where one is not as the history left it (an earlier migration filled it in, or it was written
 * past the journal), an op of its own says so, so that the history again leads to what is there.
 */
function rows(db: Database, names: Names, journal: Journal): void {
  const moved: { table: string; id: string; row: Row }[] = [];
  const parts: Part[] = [];
  const gone = new Set(journal.left.keys());
  for (const table of Object.keys(REFERENCES)) {
    const defaults = defaultsOf(db, table);
    for (const old of db.prepare(`SELECT * FROM "${table}3"`).all() as (Row & { id: number })[]) {
      const id = names.of(table, old.id);
      const row = { ...defaults, ...columns(names, table, { ...old }) };
      // The pinned day belongs to a device; only a demo garden stands on one by itself.
      if (table === "garden" && row.demo !== 1) row.asOf = null;
      const key = `${table} ${id}`;
      gone.delete(key);
      const left = journal.left.get(key);
      const { before, after } = left
        ? differing({ ...defaults, ...left.row }, row)
        : { before: null, after: row as Row };
      if (Object.keys(after).length > 0) parts.push({ table, id, before, after });
      moved.push({ table, id, row });
    }
  }
  for (const key of gone) {
    const [table, id] = key.split(" ") as [string, string];
    parts.push({ table, id, before: journal.left.get(key)!.row, after: null });
  }
  if (parts.length > 0) {
    const at = (db.prepare("SELECT max(at) FROM op").pluck().get() as string | null) ?? new Date(0).toISOString();
    const id = idFrom(Date.parse(at), 0, JSON.stringify(parts));
    const summary = "Brought over from an earlier version of the program";
    const day = at.slice(0, 10);
    journal.append(
      { id, at, day, command: "program.brought-over", input: "{}", undoes: null, summary, outcome: "{}" },
      parts,
    );
  }
  for (const { table, id, row } of moved)
    insertInto(db, table, { id, version: journal.left.get(`${table} ${id}`)!.op, ...row });
}

/** Numbers given so far stay given: they are a range of their own, used up. */
function leases(db: Database): void {
  const device = idFrom(0, 0, `${KEPT_BEFORE} device`);
  const serials = db.prepare("SELECT kind, year, last FROM serial3").all() as {
    kind: string;
    year: number;
    last: number;
  }[];
  for (const { kind, year, last } of serials) insertInto(db, "lease", { kind, year, low: 1, high: last, device, last });
}

/** Brings everything over and takes the old tables away. */
export function carryOver(db: Database): void {
  const names = new Names(db);
  const journal = new Journal(db);
  history(db, names, journal);
  rows(db, names, journal);
  leases(db);
  for (const table of OLD) db.exec(`DROP TABLE "${table}3"`);
}
