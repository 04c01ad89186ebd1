import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Trial } from "./trial";

/** What some stands came through, in the order of days. */
export type TrialOf = Trial & { code: string };

export const trialsOf = (db: Db, standIds: Id[]): TrialOf[] =>
  prepared(
    db,
    `SELECT t.*, s.code FROM trial t JOIN stand s ON s.id = t.standId
       WHERE t.standId IN (SELECT value FROM json_each(?)) ORDER BY t.endedOn, t.id`,
  ).all(JSON.stringify(standIds)) as TrialOf[];
