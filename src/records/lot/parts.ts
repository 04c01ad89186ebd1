import type { Id } from "@/core/custody/id";
import type { Part } from "@/core/seed/lineage";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";

/** Every part that a lot is made of, however far back. */
export const partsBefore = (db: Db, lotId: Id): Part[] =>
  prepared(
    db,
    `WITH RECURSIVE back (id) AS (SELECT ? UNION SELECT p.fromId FROM part p JOIN back ON p.lotId = back.id)
     SELECT lotId, fromId, share FROM part WHERE lotId IN (SELECT id FROM back)`,
  ).all(lotId) as Part[];

/** Every part of every lot, the largest first. */
export const allParts = (db: Db): Part[] =>
  prepared(db, "SELECT lotId, fromId, share FROM part ORDER BY share DESC, id").all() as Part[];

/** What became of a lot's seed, or what it is made of, one step on: with the lot's code and what it is called. */
export type PartRow = Part & { code: string; fraction: string | null; endedOn: string | null };

export const partsOf = (db: Db, lotId: Id): PartRow[] =>
  prepared(
    db,
    `SELECT p.lotId, p.fromId, p.share, k.code, k.fraction, k.endedOn FROM part p JOIN lot k ON k.id = p.fromId
     WHERE p.lotId = ? ORDER BY p.share DESC`,
  ).all(lotId) as PartRow[];

export const partsInto = (db: Db, lotId: Id): PartRow[] =>
  prepared(
    db,
    `SELECT p.lotId, p.fromId, p.share, k.code, k.fraction, k.endedOn FROM part p JOIN lot k ON k.id = p.lotId
     WHERE p.fromId = ? ORDER BY p.share DESC`,
  ).all(lotId) as PartRow[];
