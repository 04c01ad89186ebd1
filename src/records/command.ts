import type Joi from "joi";
import type { Day } from "@/core/calendar/day";
import { clockTime, dayAt } from "@/core/climate/sun";
import { type Id, isId } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { isConstraint } from "@/db/failure";
import { deviceOf, newId } from "@/db/ids";
import type { Db } from "@/db/open";
import { appendOp, type Change, opById, Refusal, type StoredOp, Writer } from "@/db/ops";
import { reverse, undoneOps } from "@/db/undo";
import type { Facts } from "./facts";
import { asOfDay, garden } from "./garden/queries";
import type { Fields, Told } from "./record";
import { RULES } from "./rules";
import { check, schemaOf } from "./schema";
import { Writes } from "./writes";

export type Context = Facts & {
  write: Writes;
  /** The device whose range of code numbers new things take theirs from. */
  device: Id;
  /** The clock at the garden as it was pressed; null on a device that stands on another day. */
  hour: string | null;
};

/** What a command says of itself: words for the person, and the rows it was about. */
export type Done = { message: string; id?: Id; ids?: Id[]; code?: string; warnings?: string[] };

export type Command<N extends string, F extends Fields> = {
  name: N;
  fields: F;
  schema: Joi.ObjectSchema;
  run: (context: Context, input: Told<F>) => Done;
  /** Of a command that takes a file in, and is worked out beside the garden: the tables that its work rests on. */
  reads?: readonly string[];
};

/** A command of whatever fields, as the list of commands holds it. */
export type AnyCommand = Omit<Command<string, Fields>, "run"> & { run: (context: Context, input: never) => Done };

/** A typed door to the records: its fields give the schema, what `run` gets, and what a form may send. */
export const command = <const N extends string, F extends Fields>(
  name: N,
  fields: F,
  run: (context: Context, input: Told<F>) => Done,
  reads?: readonly string[],
): Command<N, F> => ({ name, fields, schema: schemaOf(fields), run, reads });

export type Outcome =
  | ({ ok: true; entry: Id | null } & Done)
  | {
      ok: false;
      kind: "invalid" | "refused" | "conflict" | "dry-run";
      message: string;
      fields: Record<string, string>;
    };

/** One press: under which name, on which device, on what day there, and when. */
export type Press = { id: Id; device: Id; day: Day | null; at: string };

export const pressOf = (db: Db, { id, device, day, at }: Partial<Press>): Press => ({
  id: id ?? newId(),
  device: device ?? deviceOf(db),
  day: day ?? null,
  at: at ?? new Date().toISOString(),
});

type Row = Record<string, string | number | null>;

/** A row as it was before an op: what it is now, with the first value of each column the op changed; null for a new one. */
function rowBefore(now: Row, changes: Change[]): Row | null {
  let row: Row | null = now;
  for (const { before } of [...changes].reverse()) row = before && { ...(row ?? {}), ...before };
  return row;
}

/** Holds one row against its record's rule book. */
export const judgeOf = (facts: Facts, table: string, next: object, before: object | null): void =>
  RULES[table]?.(facts, next as never, before as never);

/** Every row an op leaves behind is held against its record's rule book. */
function hold(facts: Facts, writer: Writer): void {
  const byRow = groupBy(writer.changes, ({ tableName, rowId }) => `${tableName} ${rowId}`);
  for (const changes of byRow.values()) {
    const { tableName, rowId } = changes[0]!;
    const now = RULES[tableName] && writer.read(tableName, rowId);
    if (now) judgeOf(facts, tableName, now, rowBefore(now, changes));
  }
}

type Work = { command: string; input: unknown; undoes: Id | null; run: (context: Context) => Done };

/** The outcome kept of a press that was carried out before; one of other content under the same name is refused. */
function remembered(before: StoredOp, { command: name, input, undoes }: Work): Outcome {
  if (before.schema < 4) return JSON.parse(before.outcome) as Outcome;
  if (before.command !== name || before.undoes !== undoes || before.input !== JSON.stringify(input))
    throw new Refusal("Another press was carried out under this one's name already. Nothing was written; press again.");
  return JSON.parse(before.outcome) as Outcome;
}

const CONTRADICTION =
  "That would contradict what is recorded: a day before the one it follows, a number out of its range, or a record that is not there. Nothing was written.";

/** The hour of a press that was made on the day it tells of. */
function hourOf({ at }: Press, today: Day, timezone: string): string | null {
  const moment = new Date(at);
  return dayAt(moment, timezone) === today ? clockTime(moment, timezone) : null;
}

/** One transaction: the work, the rule books, the op with its changes, and its outcome. */
function once(db: Db, press: Press, work: Work): Outcome {
  const writer = new Writer(db, press.id);
  const transaction = db.transaction((): Outcome => {
    const before = opById(db, press.id);
    if (before) return remembered(before, work);
    const place = garden(db);
    const today = press.day ?? asOfDay(place);
    const latest = work.undoes === null ? today : "9999-12-31";
    const facts = { db, garden: place, today, latest };
    const done = work.run({
      ...facts,
      write: new Writes(writer, (table, next, before) => judgeOf(facts, table, next, before)),
      device: deviceOf(db),
      hour: hourOf(press, today, place.timezone),
    });
    const { changes } = writer;
    if (changes.length === 0) return { ok: true, entry: null, ...done };
    hold(facts, writer);
    const outcome: Outcome = { ok: true, entry: press.id, ...done };
    const { command: name, input, undoes } = work;
    const { id, device, at } = press;
    appendOp(db, { id, device, at, day: today, command: name, input, undoes, summary: done.message, outcome }, changes);
    return outcome;
  });
  try {
    return transaction.immediate();
  } catch (failure) {
    if (failure instanceof Refusal)
      return { ok: false, kind: failure.kind, message: failure.message, fields: failure.fields };
    if (isConstraint(failure)) return { ok: false, kind: "refused", message: CONTRADICTION, fields: {} };
    throw failure;
  }
}

/**
 * Carries out one command: checks the input, then writes rows and op in one transaction.
 * @param press what is known of the press; sent twice under one name (a double tap, a lost answer) it is carried out once
 */
export function perform(db: Db, known: AnyCommand, input: unknown, press: Partial<Press> = {}): Outcome {
  const checked = check(known.fields, known.schema, input);
  if (!checked.ok)
    return { ok: false, kind: "invalid", message: Object.values(checked.fields)[0]!, fields: checked.fields };
  return once(db, pressOf(db, press), {
    command: known.name,
    input,
    undoes: null,
    run: (context) => known.run(context, checked.value as never),
  });
}

/** What an op or its undoing is called: the first op of a chain of undoings, and whether it stands after the next. */
function called(db: Db, op: StoredOp): string {
  let first = op;
  let undoings = 1;
  for (; first.undoes; undoings++) first = opById(db, first.undoes)!;
  return `${undoings % 2 ? "Undone" : "Done again"}: ${first.summary}`;
}

/** Takes an op back as a new op; an undo can itself be undone. Same answers as `perform`. */
export function undo(db: Db, entry: unknown, press: Partial<Press> = {}): Outcome {
  const missing = "There is no such entry in the history.";
  const op = isId(entry) ? opById(db, entry) : undefined;
  if (!op) return { ok: false, kind: "refused", message: missing, fields: {} };
  return once(db, pressOf(db, press), {
    command: "undo",
    input: { entry },
    undoes: op.id,
    run: ({ write }) => {
      if (op.command === "program.brought-over") throw new Refusal("The program did this itself; it stays.");
      if (undoneOps(db).has(op.id)) throw new Refusal("This was undone already.");
      reverse(write.raw, op);
      return { message: called(db, op) };
    },
  });
}
