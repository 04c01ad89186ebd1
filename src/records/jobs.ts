import { rmSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import { isBusy } from "@/db/failure";
import { type Db, openDb, theDb } from "@/db/open";
import { opById } from "@/db/ops";
import { carriedOver, copyOf } from "@/db/rehearsal";
import type { Side } from "@/db/threeWay";
import { type Press, perform, pressOf } from "./command";
import { COMMANDS } from "./commands";
import { merge } from "./merge";

export type MergeInput = {
  /** The garden's own file, the copy that was brought, and a folder for what is thrown away. */
  own: string;
  copy: string;
  folder: string;
};

/** Opens a copy as this program opens its own, so that an earlier schema is brought over and a damaged file refused. */
function openCopy(path: string): Db {
  try {
    const db = openDb(path);
    db.pragma("synchronous = OFF");
    return db;
  } catch (failure) {
    if ((failure as Error).message.includes("newer Nimble Orchard"))
      throw new Error("That copy was written by a newer Nimble Orchard. Bring this program up to date first.");
    throw new Error("That file is no garden's database, or it is damaged. Nothing was taken from it.");
  }
}

/** Says what bringing a copy in would do: on a second copy of the garden, so that nothing is held up meanwhile. */
function* look({ own, copy, folder }: MergeInput) {
  const scratch = join(folder, "scratch.db");
  rmSync(scratch, { force: true });
  const live = new Database(own, { readonly: true });
  try {
    yield { doing: "Copying the garden", done: 0, of: 0 };
    live.prepare("VACUUM INTO ?").run(scratch);
  } finally {
    live.close();
  }
  const [ours, theirs] = [openCopy(scratch), openCopy(copy)];
  try {
    return yield* merge(ours, theirs, {}, {}, true);
  } finally {
    ours.close();
    theirs.close();
    for (const end of ["", "-wal", "-shm", ".device"]) rmSync(scratch + end, { force: true });
  }
}

function* bringIn({
  own,
  copy,
  answers,
  press,
}: MergeInput & { answers: Record<string, Side>; press: Partial<Press> }) {
  // Not the worker's own connection: other jobs use that between the steps of this one's transaction.
  const [ours, theirs] = [openDb(own), openCopy(copy)];
  try {
    return yield* merge(ours, theirs, answers, press);
  } finally {
    ours.close();
    theirs.close();
  }
}

/** So often a large press is worked out anew because others wrote what it rests on; then it holds them up. */
const REHEARSALS = 6;
/** So often a short write waits for another's. */
const WAITS = 50;

/** Writes what was worked out on a copy, as soon as no one else writes. */
function* written(write: () => boolean) {
  for (let waits = 0; ; waits++)
    try {
      return write();
    } catch (failure) {
      if (!isBusy(failure as Error) || waits === WAITS) throw failure;
      yield { doing: "Waiting for another press", done: 0, of: 0 };
    }
}

/**
 * A press that takes a file in: worked out on a throw-away copy of the garden, so that others are read and
 * written meanwhile, then written in one short transaction. All of it or nothing, under one op.
 */
function* press({ name, input, press: told }: { name: string; input: unknown; press: Partial<Press> }) {
  const db = theDb();
  const known = COMMANDS.get(name)!;
  const asked = pressOf(db, told);
  for (let tries = 1; tries <= REHEARSALS; tries++) {
    yield { doing: "Working it out", done: tries, of: REHEARSALS };
    const { copy, head, discard } = copyOf(db);
    try {
      const outcome = perform(copy, known, input, asked);
      // Refused, without any change, or carried out before: nothing is left to be written.
      if (!outcome.ok || !outcome.entry || opById(db, outcome.entry)) return outcome;
      const { entry } = outcome;
      if (yield* written(() => carriedOver(db, copy, head, entry, known.reads!))) return outcome;
    } finally {
      discard();
    }
  }
  return perform(db, known, input, asked);
}

/** Work on whole files, for the server's worker. */
export const recordJobs = { "garden.look-at-copy": look, "garden.bring-in": bringIn, press };
