import { rmSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import { type Db, openDb, theDb } from "@/db/open";
import type { Side } from "@/db/threeWay";
import { type Press, perform } from "./command";
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

/** A press that writes much, like an import: on the worker's own connection, so that others are answered meanwhile. */
// biome-ignore lint/correctness/useYield: it is one transaction, which can't be left in the middle
function* press({ name, input, press: known }: { name: string; input: unknown; press: Partial<Press> }) {
  return perform(theDb(), COMMANDS.get(name)!, input, known);
}

/** Work on whole files, for the server's worker. */
export const recordJobs = { "garden.look-at-copy": look, "garden.bring-in": bringIn, press };
