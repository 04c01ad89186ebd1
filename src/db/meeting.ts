import type { Id } from "@/core/custody/id";
import type { Parted } from "./copies";
import type { Db } from "./open";
import { columnsIn, type StoredChange } from "./ops";
import { folded, type State, stepOf } from "./replay";
import { columnsOf, type Row, readRow } from "./rows";
import {
  type Answer,
  type Dispute,
  type Kind,
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

export type Merging = {
  op: Id;
  kinds: Kind[];
  answers: Record<string, Side>;
  /** Columns that hold what their record refuses, each with a sentence. */
  refused: (table: string, next: Row) => Record<string, string>;
  /** Holds a row against its rule book. */
  judge: (table: string, next: Row, base: Row | null) => void;
};

export type Progress = { doing: string; done: number; of: number };

/** The name of a question: the same in both copies. */
export const questionId = (kind: Kind, id: Id, { about, columns }: Pick<Dispute, "about" | "columns">): string =>
  [kind.table, id, about, ...columns].join(" ");

/** A person's answers to the questions about one row. */
export const answersOn =
  (answers: Merging["answers"], kind: Kind, id: Id): Answer =>
  (about, columns) =>
    answers[questionId(kind, id, { about, columns })];

export const STEP = 500;

type Told = StoredChange & Press & { side: Side | "neither" | null };

/** Marks in a table of its own, for the time of this connection, what belongs to one copy only. */
export function mark(db: Db, { own, lacking, common }: Parted): void {
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
    expected = folded(expected, stepOf(one), one.id);
    if (one.side === null) base = folded(base, stepOf(one), one.id);
    if (one.side !== "ours" && one.side !== "theirs") continue;
    const { clock, at, day, summary } = one;
    const press = { id: one.id, clock, at, day, summary };
    const version = presses[one.side];
    version.last = press;
    for (const column of columnsIn(one)) version.presses.set(column, press);
  }
  const settled = threeWay(kind, base?.row ?? null, presses, answersOn(answers, kind, id));
  return { kind, id, base: base?.row ?? null, versions: presses, expected, ...settled };
}

export function* meetings(ours: Db, theirs: Db, { kinds, answers }: Merging): Generator<Progress, Meeting[]> {
  const byTable = new Map(kinds.map((kind) => [kind.table, kind]));
  const found: Meeting[] = [];
  const row = (db: Db, table: string, id: Id) => {
    const found = readRow(db, table, id);
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
