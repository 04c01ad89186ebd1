import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { type Parted, partedAt, refuseStrange, takeOver, uniteLeases } from "./copies";
import { isConstraint } from "./failure";
import type { Db } from "./open";
import { type Change, columnsOf, Refusal, type Row, type StoredChange, type Value, Writer } from "./ops";
import { folded, type State } from "./replay";
import {
  type Dispute,
  type Kind,
  later,
  other,
  type Press,
  type Settled,
  type Side,
  threeWay,
  type Version,
} from "./threeWay";

/** A row that either copy wrote since they parted: how it was, how each has it, how it will be. */
export type Meeting = {
  kind: Kind;
  id: Id;
  base: Row | null;
  versions: Record<Side, Version>;
  /** As the joint journal would leave it by itself. */
  expected: State;
} & Settled;

export type Merged = {
  parted: Parted;
  meetings: Meeting[];
  changes: Change[];
  /** What rule books say of rows as they are now: for a person to set right afterwards. */
  look: { table: string; id: Id; message: string }[];
};
export type Merging = {
  op: Id;
  kinds: Kind[];
  answers: Record<string, Side>;
  /** Holds a row against what its record may hold and against its rule book. */
  judge: (table: string, next: Row, base: Row | null) => void;
};
export type Progress = { doing: string; done: number; of: number };

/** The name of a question: the same in both copies. */
export const questionId = (kind: Kind, id: Id, { about, columns }: Pick<Dispute, "about" | "columns">): string =>
  [kind.table, id, about, ...columns].join(" ");

const STEP = 500;

type Told = StoredChange & Press & { side: Side | "neither" | null };

/** Marks in a table of its own, for the time of this connection, what belongs to one copy only. */
function mark(db: Db, { own, lacking, common }: Parted): void {
  db.exec("DROP TABLE IF EXISTS temp.parted; CREATE TEMP TABLE parted (op TEXT PRIMARY KEY, side TEXT) WITHOUT ROWID");
  const add = db.prepare("INSERT INTO temp.parted (op, side) VALUES (?, ?)");
  for (const op of own) add.run(op, "ours");
  for (const op of lacking) add.run(op, "theirs");
  const rest = db.prepare("INSERT OR IGNORE INTO temp.parted (op, side) VALUES (?, 'neither')");
  for (const op of db.prepare("SELECT id FROM op").pluck().all() as Id[]) if (!common.has(op)) rest.run(op);
}

/** Everything the joint journal says of the rows that either copy wrote, a row after the other. */
const TOLD = `
  WITH touched AS (
    SELECT DISTINCT c.tableName, c.rowId FROM temp.parted p JOIN opChange c ON c.op = p.op WHERE p.side <> 'neither'
  )
  SELECT c.tableName, c.rowId, c.before, c.after, o.id, o.clock, o.at, o.day, o.summary, p.side
  FROM touched t JOIN opChange c ON c.tableName = t.tableName AND c.rowId = t.rowId
  JOIN op o ON o.id = c.op LEFT JOIN temp.parted p ON p.op = o.id
  ORDER BY c.tableName, c.rowId, o.clock, c.seq`;

function meetingOf(kind: Kind, told: Told[], rows: Record<Side, Row | null>, answers: Merging["answers"]): Meeting {
  const id = told[0]!.rowId;
  const presses: Record<Side, Version> = {
    ours: { row: rows.ours, presses: new Map(), last: null },
    theirs: { row: rows.theirs, presses: new Map(), last: null },
  };
  let base: State = null;
  let expected: State = null;
  for (const one of told) {
    expected = folded(expected, one, one.id);
    if (one.side === null) base = folded(base, one, one.id);
    if (one.side !== "ours" && one.side !== "theirs") continue;
    const { clock, at, day, summary } = one;
    const press = { id: one.id, clock, at, day, summary };
    const version = presses[one.side];
    version.last = press;
    for (const column of Object.keys(JSON.parse(one.after ?? one.before ?? "{}"))) version.presses.set(column, press);
  }
  const answer = (about: Dispute["about"], columns: string[]) => answers[questionId(kind, id, { about, columns })];
  const settled = threeWay(kind, base?.row ?? null, presses, answer);
  return { kind, id, base: base?.row ?? null, versions: presses, expected, ...settled };
}

function* meetings(ours: Db, theirs: Db, { kinds, answers }: Merging): Generator<Progress, Meeting[]> {
  const byTable = new Map(kinds.map((kind) => [kind.table, kind]));
  const found: Meeting[] = [];
  const row = (db: Db, table: string, id: Id) => {
    const found = new Writer(db, id).read(table, id);
    return found ? columnsOf(found) : null;
  };
  let told: Told[] = [];
  const meet = () => {
    const [first] = told;
    const kind = first && byTable.get(first.tableName);
    if (kind)
      found.push(
        meetingOf(
          kind,
          told,
          { ours: row(ours, kind.table, first.rowId), theirs: row(theirs, kind.table, first.rowId) },
          answers,
        ),
      );
    told = [];
  };
  for (const next of ours.prepare(TOLD).all() as Told[]) {
    if (told[0] && (told[0].tableName !== next.tableName || told[0].rowId !== next.rowId)) {
      meet();
      if (found.length % STEP === 0) yield { doing: "Comparing", done: found.length, of: 0 };
    }
    told.push(next);
  }
  meet();
  const order = new Map(kinds.map(({ table }, i) => [table, i]));
  return found.sort((a, b) => order.get(a.kind.table)! - order.get(b.kind.table)! || (a.id < b.id ? -1 : 1));
}

/** Rows that name one that goes by another id now name that. */
function rename(list: Meeting[], renamed: Map<Id, Id>): void {
  if (renamed.size === 0) return;
  for (const { kind, row, versions } of list)
    for (const [column, { refers }] of Object.entries(kind.columns))
      for (const one of [row, versions.ours.row, versions.theirs.row])
        if (one && refers && renamed.has(one[column] as Id)) one[column] = renamed.get(one[column] as Id)!;
}

const keyOf = (row: Row, columns: string[]) => JSON.stringify(columns.map((column) => row[column]));

/** Two rows made apart for one thing become one, under the id that was made first. */
function unite(kind: Kind, list: Meeting[], renamed: Map<Id, Id>, answers: Merging["answers"]): void {
  const there = list.filter(({ row }) => row);
  for (const [first, second] of groupBy(there, ({ row }) => keyOf(row!, kind.same!)).values()) {
    if (!first || !second) continue;
    const side = (which: Side) => [first, second].find((one) => one.versions[which].row)?.versions[which];
    const versions = { ours: side("ours")!, theirs: side("theirs")! };
    const answer = (about: Dispute["about"], columns: string[]) =>
      answers[questionId(kind, first.id, { about, columns })];
    Object.assign(first, { versions, ...threeWay(kind, first.base ?? second.base, versions, answer) });
    Object.assign(second, { row: null, disputes: [], mixed: false });
    renamed.set(second.id, first.id);
  }
}

const partOf = (row: Row, columns: string[]): Row =>
  Object.fromEntries(columns.map((column) => [column, row[column]!]));

/** Two things under one number: one keeps it, the other gets the next. */
function setApart(kind: Kind, list: Meeting[], both: Db[], answers: Merging["answers"]): void {
  const columns = kind.apart!;
  const [last, within] = [columns.at(-1)!, columns.slice(0, -1)];
  const where = within.map((column) => `"${column}" = ?`).join(" AND ") || "TRUE";
  const there = list.filter(({ row }) => row);
  for (const clash of groupBy(there, ({ row }) => keyOf(row!, columns)).values()) {
    const [first, second] = clash;
    if (!first || !second) continue;
    const [ours, theirs] = first.versions.ours.row ? [first, second] : [second, first];
    const usual: Side = ours === first ? "ours" : "theirs";
    const taken = answers[questionId(kind, first.id, { about: "number", columns })] ?? usual;
    const moves = taken === "ours" ? theirs : ours;
    first.disputes.push({
      columns,
      differing: columns,
      about: "number",
      values: { ours: { ...ours.row }, theirs: { ...theirs.row } },
      presses: { ours: ours.versions.ours.last, theirs: theirs.versions.theirs.last },
      taken,
      asked: true,
    });
    const values = within.map((column) => moves.row![column]!);
    const used = both.flatMap(
      (db) =>
        db
          .prepare(`SELECT "${last}" FROM "${kind.table}" WHERE ${where}`)
          .pluck()
          .all(...values) as Value[],
    );
    const others = there.filter(({ row }) => keyOf(row!, within) === keyOf(moves.row!, within));
    moves.row![last] = kind.next(moves.row!, [...used, ...others.map(({ row }) => row![last]!)]);
  }
}

/** A row that was taken away in one copy stays where one of the other names it. Gives those that stay. */
function keepNamed(list: Meeting[], naming: Meeting[]): Meeting[] {
  const byId = new Map(list.map((one) => [one.id, one]));
  const waiting = naming.filter(({ row }) => row);
  const kept: Meeting[] = [];
  for (let one = waiting.pop(); one; one = waiting.pop())
    for (const [column, { refers }] of Object.entries(one.kind.columns)) {
      const named = refers ? byId.get(one.row![column] as Id) : undefined;
      if (!named || named.row) continue;
      const stays: Side = named.versions.ours.row ? "ours" : "theirs";
      const row = named.versions[stays].row;
      if (!row) continue;
      named.row = { ...row };
      named.disputes = [
        {
          columns: [],
          differing: [],
          about: "removed",
          values: { ours: named.versions.ours.row, theirs: named.versions.theirs.row },
          presses: { ours: named.versions.ours.last, theirs: named.versions.theirs.last },
          taken: stays,
          asked: false,
        },
      ];
      waiting.push(named);
      kept.push(named);
    }
  return kept;
}

/** Writes a row as it is to be, and what the joint journal would not say by itself. */
function put(writer: Writer, { kind, id, row, expected }: Meeting): void {
  const now = writer.read(kind.table, id);
  if (!row) {
    if (now) writer.remove(kind.table, id);
    else if (expected) writer.absent(kind.table, id);
    return;
  }
  if (!now) {
    writer.insert(kind.table, { ...row, id });
    return;
  }
  writer.update(kind.table, id, row);
  // What holds already is said anew where the joint journal would have it otherwise.
  const names = Object.keys(row);
  const otherwise = names.filter((name) => row[name] === now[name] && row[name] !== expected?.row[name]);
  const silent = writer.read(kind.table, id)!.version === now.version && expected?.version !== now.version;
  if (!expected) writer.confirm(kind.table, id, row);
  else if (otherwise.length > 0 || silent)
    writer.confirm(kind.table, id, partOf(row, silent && otherwise.length === 0 ? names.slice(0, 1) : otherwise));
}

/** A row that can't hold columns of both copies is taken whole from one, with what it names. */
function takeWhole(writer: Writer, list: Meeting[], one: Meeting, answers: Merging["answers"]): void {
  const presses = { ours: one.versions.ours.last, theirs: one.versions.theirs.last };
  const taken = answers[questionId(one.kind, one.id, { about: "row", columns: [] })] ?? later(presses);
  one.row = one.versions[taken].row ?? one.versions[other(taken)].row;
  one.mixed = false;
  one.disputes = [
    {
      columns: [],
      differing: Object.keys(one.kind.columns).filter(
        (column) => one.versions.ours.row?.[column] !== one.versions.theirs.row?.[column],
      ),
      about: "row",
      values: { ours: one.versions.ours.row, theirs: one.versions.theirs.row },
      presses,
      taken,
      asked: true,
    },
  ];
  for (const named of keepNamed(list, [one])) put(writer, named);
  put(writer, one);
}

function* write(writer: Writer, list: Meeting[], answers: Merging["answers"]): Generator<Progress> {
  const inOrder = [
    ...list.filter(({ row }) => !row).reverse(),
    ...list.filter(({ row, versions }) => row && versions.ours.row),
    ...list.filter(({ row, versions }) => row && !versions.ours.row),
  ];
  for (const [i, one] of inOrder.entries()) {
    try {
      put(writer, one);
    } catch (failure) {
      if (!isConstraint(failure) || !one.mixed) throw failure;
      takeWhole(writer, list, one, answers);
    }
    if (i % STEP === 0) yield { doing: "Writing", done: i, of: inOrder.length };
  }
}

/** Holds what was written against the rule books; a row of both copies that breaks its own is taken whole from one. */
function* hold(writer: Writer, list: Meeting[], { judge, answers }: Merging): Generator<Progress, Merged["look"]> {
  const look: Merged["look"] = [];
  const written = list.filter(({ row, versions }) => row && versions.theirs.row);
  for (const [i, one] of written.entries()) {
    const { kind, id, base } = one;
    if (i % STEP === 0) yield { doing: "Checking", done: i, of: written.length };
    const broken = () => {
      try {
        judge(kind.table, { ...one.row!, id }, base);
        return null;
      } catch (failure) {
        if (!(failure instanceof Refusal) || failure.kind === "conflict") throw failure;
        return failure.message;
      }
    };
    let message = broken();
    if (message && one.mixed) {
      takeWhole(writer, list, one, answers);
      message = broken();
    }
    if (message) look.push({ table: kind.table, id, message });
  }
  return look;
}

/**
 * Brings another copy of the garden into this one, inside a transaction of the caller's: its journal, and the rows as
 * both want them. Either way round the same rows come out.
 * @throws Refusal when the other is no copy of this garden
 */
export function* bringTogether(ours: Db, theirs: Db, merging: Merging): Generator<Progress, Merged> {
  const { op, kinds, answers } = merging;
  refuseStrange(ours, theirs);
  const parted = partedAt(ours, theirs);
  if (parted.lacking.size === 0) throw new Refusal("Everything in that copy is here already. Nothing was written.");
  ours.pragma("defer_foreign_keys = ON");
  const byTable = new Map(kinds.map((kind) => [kind.table, kind]));
  for (const done of takeOver(ours, theirs, parted.lacking, op, byTable))
    if (done % STEP === 0) yield { doing: "Reading its history", done, of: parted.lacking.size };
  mark(ours, parted);
  const list = yield* meetings(ours, theirs, merging);
  keepNamed(list, list);
  const renamed = new Map<Id, Id>();
  for (const kind of kinds) {
    const own = list.filter((one) => one.kind === kind);
    rename(own, renamed);
    if (kind.same) unite(kind, own, renamed, answers);
    if (kind.apart) setApart(kind, own, [ours, theirs], answers);
  }
  rename(list, renamed);
  const writer = new Writer(ours, op);
  yield* write(writer, list, answers);
  const look = yield* hold(writer, list, merging);
  uniteLeases(ours, theirs);
  ours.exec("DROP TABLE temp.parted");
  return { parted, meetings: list, changes: writer.changes, look };
}
