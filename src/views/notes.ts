import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { NOTED, type Note } from "@/records/note/note";
import { notesOf } from "@/records/note/queries";

export type NoteLine = Pick<Note, "id" | "version" | "on" | "words">;

/** What was noted of one thing, the newest first; null where nothing of that kind can be noted of. */
export function notesView(db: Db, of: string, id: Id): NoteLine[] | null {
  const known = NOTED.find((one) => one === of);
  return known ? notesOf(db, known, id).map(({ id, version, on, words }) => ({ id, version, on, words })) : null;
}
