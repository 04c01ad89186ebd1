import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { HandlingRow, SampleRow } from "./handling";

const inOrder = `ORDER BY "on", coalesce(at, '12:00'), id`;

/** What was done with a lot, in order. */
export const handlingsOf = (db: Db, lotId: Id): HandlingRow[] =>
  prepared(db, `SELECT * FROM handling WHERE lotId = ? ${inOrder}`).all(lotId) as HandlingRow[];

/** What was done up to a day with all lots that are on the table. */
export const handlingsOnTable = (db: Db, until: string): HandlingRow[] =>
  prepared(
    db,
    `SELECT * FROM handling WHERE "on" <= ? AND lotId IN (SELECT id FROM lot WHERE onTable = 1) ${inOrder}`,
  ).all(until) as HandlingRow[];

export const samplesOf = (db: Db, lotId: Id): SampleRow[] =>
  prepared(db, "SELECT * FROM sample WHERE lotId = ? ORDER BY id").all(lotId) as SampleRow[];
