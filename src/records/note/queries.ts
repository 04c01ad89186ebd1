import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Note, Noted } from "./note";

/** What was noted of one thing, the newest first. */
export const notesOf = (db: Db, of: Noted, id: Id): Note[] =>
  prepared(db, `SELECT * FROM note WHERE ${of} = ? ORDER BY "on" DESC, id DESC`).all(id) as Note[];
