import { KINDS, makeCode, readCode } from "@/core/custody/code";
import type { Id } from "@/core/custody/id";
import { deviceOf } from "@/db/ids";
import { bringTogether, type Meeting, type Progress, questionId } from "@/db/merge";
import type { Db } from "@/db/open";
import { appendOp, opById, prepared, Refusal, type Row, type Value } from "@/db/ops";
import type { Dispute, Kind, Side } from "@/db/threeWay";
import { judgeOf, type Outcome, type Press, pressOf } from "./command";
import { asOfDay, garden } from "./garden/queries";
import type { AnyRecord, Fields } from "./record";
import { RECORDS } from "./records";
import { check, schemaOf } from "./schema";
import { beginnings } from "./writes";

/** The next free code of a code's kind and year. */
function nextCode(row: Row, taken: Value[]): Value {
  const code = row.code as string;
  const of = code.slice(0, 3);
  const numbers = taken.flatMap((other) =>
    String(other).startsWith(`${of}-`) ? [Number(String(other).split("-")[1])] : [],
  );
  const read = readCode(code);
  const kind = read.ok && read.kind !== "flower" ? read.kind : "line";
  return makeCode(kind, Number(of.slice(1)), Math.max(0, ...numbers) + 1);
}

const nextNumber = (_: Row, taken: Value[]): Value => Math.max(0, ...taken.map(Number)) + 1;

/** What the merge has to know of the tables, from the records' definitions. */
const MEETING: Kind[] = RECORDS.map(({ table, columns, meet }: AnyRecord) => {
  const usual = beginnings(columns as Fields);
  const { together = [], same = null, apart = null } = meet;
  return {
    table,
    columns: Object.fromEntries(
      Object.entries(columns as Fields).map(([column, { spec, merge }]) => [
        column,
        { usual: usual[column]!, refers: spec.kind === "ref" ? spec.table : null, asked: merge === "ask" },
      ]),
    ),
    together,
    same,
    apart,
    next: apart?.includes("code") ? nextCode : nextNumber,
  };
});

const FIELDS = new Map<string, Fields>(RECORDS.map(({ table, columns }) => [table, columns as Fields]));
const SCHEMAS = new Map([...FIELDS].map(([table, fields]) => [table, schemaOf(fields)]));

/** What one copy says, and when it was said. */
export type Said = { words: string; at: string | null; summary: string | null };
export type Difference = {
  id: string;
  /** What it is about: “Plant 7 of F28-001-K”. */
  name: string;
  about: Dispute["about"];
  ours: Said;
  theirs: Said;
  taken: Side;
};
export type MergeReport = {
  /** Presses that come in, the newest first, so many of them as are shown, and how many there are. */
  presses: { summary: string; at: string }[];
  count: number;
  /** Presses of this copy alone. */
  own: number;
  rows: { table: string; added: number; changed: number; removed: number }[];
  /** What both changed and the later press decides. */
  both: Difference[];
  /** What a person must decide. */
  questions: Difference[];
  /** What is to be set right afterwards. */
  look: { name: string; message: string }[];
};

const SHOWN = 40;
const WORD: Record<string, string> = { lot: "seed lot", normal: "mean of month", reading: "reading of" };
const thing = (table: string) => WORD[table] ?? table;
const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** Names rows in words, from the databases that hold them. */
class Names {
  constructor(private readonly dbs: Db[]) {}

  private find(table: string, id: Value): Row | undefined {
    for (const db of this.dbs) {
      const row = prepared(db, `SELECT * FROM "${table}" WHERE id = ?`).get(id) as Row | undefined;
      if (row) return row;
    }
    return undefined;
  }

  of(table: string, id: Value, row: Row | undefined = this.find(table, id)): string {
    if (!row) return "one that is not there";
    const named = (column: string, other: string) => this.of(other, row[column]!);
    switch (table) {
      case "garden":
        return `the garden ${row.name}`;
      case "plant":
        return `plant ${row.number} of ${named("standId", "stand")}`;
      case "flower":
        return `flower ${row.number} of ${named("crossId", "cross")}`;
      case "score":
        return `${this.find("yardstick", row.yardstickId!)?.name} of ${named("plantId", "plant")}`;
      case "candidate":
        return `a possible ${row.role} of ${
          row.crossId ? named("crossId", "cross") : row.flowerId ? named("flowerId", "flower") : named("lotId", "lot")
        }`;
      case "normal":
      case "reading":
        return `${thing(table)} ${id}`;
      case "line":
        return `line ${row.name}`;
      case "stand":
      case "cross":
      case "lot":
        return `${thing(table)} ${row.code} (${named("lineId", "line").slice("line ".length)})`;
      default:
        return `${thing(table)} ${row.name}`;
    }
  }

  private value(table: string, column: string, value: Value): string {
    const spec = FIELDS.get(table)![column]!.spec;
    if (value === null || value === "") return "nothing";
    if (spec.kind === "ref") return this.of(spec.table, value);
    if (spec.kind === "flag") return value ? "yes" : "no";
    return String(value);
  }

  /** What a copy says of some columns. */
  said(table: string, columns: string[], row: Row): string {
    const label = (column: string) => FIELDS.get(table)![column]!.label;
    const [only] = columns;
    if (columns.length === 1) return `${label(only!)}: ${this.value(table, only!, row[only!]!)}`;
    return columns.map((column) => `${label(column)}: ${this.value(table, column, row[column] ?? null)}`).join(", ");
  }
}

function difference(names: Names, { kind, id, row }: Meeting, dispute: Dispute): Difference {
  const { about, differing, values, presses, taken } = dispute;
  const said = (side: Side): Said => {
    const value = values[side];
    const press = presses[side];
    const words = !value
      ? "was taken away"
      : about === "removed"
        ? "was changed, or is needed"
        : about === "number"
          ? capital(value.coveredOn ? `covered ${value.coveredOn}` : names.of(kind.table, id, value))
          : names.said(kind.table, differing, value);
    return { words, at: press?.at ?? null, summary: press?.summary ?? null };
  };
  const subject = row ?? values.ours ?? values.theirs ?? undefined;
  return {
    id: questionId(kind, id, dispute),
    name: capital(names.of(kind.table, id, subject)),
    about,
    ours: said("ours"),
    theirs: said("theirs"),
    taken,
  };
}

/** A code that was given anew is one that a lease must know. */
function noteCodes(db: Db, meetings: Meeting[]): void {
  const move = prepared(
    db,
    "UPDATE lease SET last = max(last, :n) WHERE kind = :kind AND year = :year AND low <= :n AND high >= :n",
  );
  const add = prepared(
    db,
    "INSERT INTO lease (kind, year, low, high, device, last) VALUES (:kind, :year, :n, :n, :device, :n)",
  );
  for (const { kind, row, versions } of meetings) {
    const code = kind.apart?.includes("code") ? (row?.code as string | undefined) : undefined;
    if (!code || code === versions.ours.row?.code || code === versions.theirs.row?.code) continue;
    const read = readCode(code);
    if (!read.ok || read.kind === "flower") continue;
    const lease = { kind: KINDS[read.kind], year: Number(code.slice(1, 3)), n: Number(code.split("-")[1]) };
    if (move.run(lease).changes === 0) add.run({ ...lease, device: deviceOf(db) });
  }
}

const LATEST = "9999-12-31";

/**
 * Brings another copy of the garden into this one: all or nothing, under one op that can be undone.
 * @param answers for each question of the report, which copy holds; a question without one refuses all
 * @param dry a copy of this garden to be thrown away is written instead: every question takes its usual answer
 * @returns the report, and what came of it
 */
export function* merge(
  ours: Db,
  theirs: Db,
  answers: Record<string, Side>,
  known: Partial<Press>,
  dry = false,
): Generator<Progress, { outcome: Outcome; report: MergeReport | null }> {
  const press = pressOf(ours, known);
  ours.exec("BEGIN IMMEDIATE");
  try {
    const before = opById(ours, press.id);
    if (before) {
      if (before.command !== "garden.merge")
        throw new Refusal(
          "Another press was carried out under this one's name already. Nothing was written; press again.",
        );
      return { outcome: JSON.parse(before.outcome) as Outcome, report: null };
    }
    const place = garden(ours);
    const today = press.day ?? asOfDay(place);
    const facts = { db: ours, garden: place, today, latest: LATEST };
    const merged = yield* bringTogether(ours, theirs, {
      op: press.id,
      kinds: MEETING,
      answers,
      judge: (table, next, base) => {
        const { id: _, version: __, ...columns } = next;
        const fit = check(FIELDS.get(table)!, SCHEMAS.get(table)!, columns);
        if (!fit.ok) throw new Refusal(Object.values(fit.fields)[0]!);
        judgeOf(facts, table, next, base);
      },
    });
    const report = reportOf(ours, theirs, merged);
    const open = report.questions.filter(({ id }) => !answers[id]);
    if (!dry && open.length > 0)
      throw new Refusal(`${open[0]!.name}: say which of the two holds. Nothing was written.`, {
        [open[0]!.id]: "Say which of the two holds.",
      });
    noteCodes(ours, merged.meetings);
    const message = `Another copy of the garden brought in: ${report.count} ${report.count === 1 ? "entry" : "entries"}`;
    const outcome: Outcome = { ok: true, entry: press.id, message };
    appendOp(
      ours,
      { ...press, day: today, command: "garden.merge", input: { answers }, undoes: null, summary: message, outcome },
      merged.changes,
    );
    ours.exec("COMMIT");
    return { outcome, report };
  } catch (failure) {
    if (!(failure instanceof Refusal)) throw failure;
    const { message, fields } = failure;
    return { outcome: { ok: false, kind: "refused", message, fields }, report: null };
  } finally {
    if (ours.inTransaction) ours.exec("ROLLBACK");
  }
}

type Merged = ReturnType<typeof bringTogether> extends Generator<unknown, infer M> ? M : never;

function reportOf(ours: Db, theirs: Db, { parted, meetings, look }: Merged): MergeReport {
  const names = new Names([ours, theirs]);
  const differences = meetings.flatMap((meeting) =>
    meeting.disputes.map((dispute) => ({ asked: dispute.asked, shown: difference(names, meeting, dispute) })),
  );
  const rows = RECORDS.map(({ table }) => {
    const own = meetings.filter(({ kind }) => kind.table === table);
    const count = (which: (one: Meeting) => boolean) => own.filter(which).length;
    return {
      table: thing(table),
      added: count(({ row, versions }) => row !== null && versions.ours.row === null),
      removed: count(({ row, versions }) => row === null && versions.ours.row !== null),
      changed: count(
        ({ row, versions }) =>
          row !== null && versions.ours.row !== null && Object.keys(row).some((c) => row[c] !== versions.ours.row![c]),
      ),
    };
  });
  const told = theirs.prepare("SELECT id, summary, at FROM op ORDER BY clock DESC").all() as {
    id: Id;
    summary: string;
    at: string;
  }[];
  return {
    presses: told
      .filter(({ id }) => parted.lacking.has(id))
      .slice(0, SHOWN)
      .map(({ summary, at }) => ({ summary, at })),
    count: parted.lacking.size,
    own: parted.own.length,
    rows: rows.filter(({ added, changed, removed }) => added + changed + removed > 0),
    both: differences.filter(({ asked }) => !asked).map(({ shown }) => shown),
    questions: differences.filter(({ asked }) => asked).map(({ shown }) => shown),
    look: look.map(({ table, id, message }) => ({ name: capital(names.of(table, id)), message })),
  };
}
