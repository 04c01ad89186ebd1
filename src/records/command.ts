import type Joi from "joi";
import type { Day } from "@/core/calendar/day";
import { KINDS, makeCode } from "@/core/custody/code";
import { appendEntry, Refusal, reverseEntry, Writer } from "@/db/journal";
import type { Db } from "@/db/open";
import { MESSAGES } from "./fields";
import { asOfDay, type Garden, garden } from "./garden/queries";

export type Context = { db: Db; write: Writer; today: Day; garden: Garden };
export type Done = { message: string; id?: number; ids?: number[]; warnings?: string[] };

export type Command<I> = {
  name: string;
  schema: Joi.ObjectSchema<I>;
  run: (context: Context, input: I) => Done;
};

/** A command of any input, as the list of commands holds it. */
export type AnyCommand = { name: string; schema: Joi.ObjectSchema; run: (context: Context, input: never) => Done };

export const command = <I>(definition: Command<I>): AnyCommand => definition as AnyCommand;

export type Outcome =
  | ({ ok: true; entry: number | null } & Done)
  | {
      ok: false;
      kind: "invalid" | "refused" | "conflict" | "dry-run";
      message: string;
      fields: Record<string, string>;
    };

/** The code of a new thing. Numbers are never given twice, not even after an undo. */
export function nextCode(db: Db, kind: keyof typeof KINDS, season: number): string {
  const serial = db
    .prepare(
      `INSERT INTO serial (kind, year, last) VALUES (?, ?, 1)
       ON CONFLICT (kind, year) DO UPDATE SET last = last + 1 RETURNING last`,
    )
    .pluck()
    .get(KINDS[kind], season % 100) as number;
  return makeCode(kind, season, serial);
}

/** Empty fields of a form are fields not given. */
function withoutEmpty(input: unknown): unknown {
  if (typeof input !== "object" || input === null || Array.isArray(input)) return input;
  return Object.fromEntries(Object.entries(input).filter(([, value]) => value !== ""));
}

function remembered(db: Db, request: string | null): Outcome | null {
  if (!request) return null;
  const outcome = db.prepare("SELECT outcome FROM journal WHERE request = ?").pluck().get(request) as
    | string
    | undefined;
  return outcome ? (JSON.parse(outcome) as Outcome) : null;
}

/** What a write says of itself; null when it changed nothing worth an entry. */
type Work = (write: Writer) => { command: string; undoes: number | null; done: Done };

/** One transaction: the work, its journal entry, and the outcome kept under the request's name. */
function once(db: Db, request: string | null, work: Work): Outcome {
  const write = new Writer(db);
  const transaction = db.transaction((): Outcome => {
    const before = remembered(db, request);
    if (before) return before;
    const { command: name, undoes, done } = work(write);
    if (write.changes.length === 0) return { ok: true, entry: null, ...done };
    const entry = { command: name, summary: done.message, day: asOfDay(garden(db)), request, undoes };
    const made = appendEntry(db, entry, write.changes, (number) => ({ ok: true, entry: number, ...done }));
    return { ok: true, entry: made, ...done };
  });
  try {
    return transaction.immediate();
  } catch (failure) {
    if (failure instanceof Refusal)
      return { ok: false, kind: failure.kind, message: failure.message, fields: failure.fields };
    throw failure;
  }
}

/**
 * Carries out one command: checks the input, then writes rows and journal entry in one transaction.
 * @param request a name of the request's own: sent twice (a double tap, a lost answer), it is carried out once
 */
export function perform(db: Db, known: AnyCommand, input: unknown, request: string | null): Outcome {
  const { value, error } = known.schema.validate(withoutEmpty(input), {
    abortEarly: false,
    messages: MESSAGES,
    errors: { wrap: { label: false } },
  });
  if (error) {
    const fields = Object.fromEntries(error.details.map((d) => [d.path.join(".") || "form", d.message]));
    return { ok: false, kind: "invalid", message: Object.values(fields)[0]!, fields };
  }
  return once(db, request, (write) => {
    const place = garden(db);
    const done = known.run({ db, write, today: asOfDay(place), garden: place }, value as never);
    return { command: known.name, undoes: null, done };
  });
}

/** Reverses a journal entry as a new entry; an undo can itself be undone. Same answers as `perform`. */
export function undo(db: Db, entry: number, request: string | null): Outcome {
  return once(db, request, (write) => {
    const found = db.prepare("SELECT summary, undone, undoes FROM journal WHERE id = ?").get(entry) as
      | { summary: string; undone: number; undoes: number | null }
      | undefined;
    if (!found) throw new Refusal("There is no such entry in the history.");
    if (found.undone) throw new Refusal("This was undone already.");
    reverseEntry(write, entry);
    db.prepare("UPDATE journal SET undone = 1 WHERE id = ?").run(entry);
    if (found.undoes) db.prepare("UPDATE journal SET undone = 0 WHERE id = ?").run(found.undoes);
    const message = found.undoes ? found.summary.replace(/^Undone: /, "Done again: ") : `Undone: ${found.summary}`;
    return { command: "undo", undoes: entry, done: { message } };
  });
}
