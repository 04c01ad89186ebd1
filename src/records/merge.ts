import { KINDS, makeCode, readCode } from "@/core/custody/code";
import { plural } from "@/core/units/plural";
import { deviceOf } from "@/db/ids";
import type { Meeting, Progress } from "@/db/meeting";
import { bringTogether } from "@/db/merge";
import type { Db } from "@/db/open";
import { appendOp, opById, Refusal } from "@/db/ops";
import { columnsOf, prepared, type Row, type Value } from "@/db/rows";
import type { Kind, Side } from "@/db/threeWay";
import { judgeOf, type Outcome, type Press, pressOf } from "./command";
import { asOfDay, garden } from "./garden/queries";
import { FIELDS, type MergeReport, reportOf } from "./mergeReport";
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

const SCHEMAS = new Map([...FIELDS].map(([table, fields]) => [table, schemaOf(fields)]));

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
      refused: (table, next) => {
        const fit = check(FIELDS.get(table)!, SCHEMAS.get(table)!, columnsOf(next));
        return fit.ok ? {} : fit.fields;
      },
      judge: (table, next, base) => judgeOf(facts, table, next, base),
    });
    const report = reportOf(ours, theirs, merged);
    const open = report.questions.filter(({ id }) => !answers[id]);
    if (!dry && open.length > 0)
      throw new Refusal(`${open[0]!.name}: say which of the two holds. Nothing was written.`, {
        [open[0]!.id]: "Say which of the two holds.",
      });
    noteCodes(ours, merged.meetings);
    const message = `Another copy of the garden brought in: ${plural(report.count, "entry", "entries")}`;
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
