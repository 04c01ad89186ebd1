import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { AirRow, StayRow, Store } from "./store";

/** Every place that is not given up, by name. */
export const stores = (db: Db): Store[] =>
  prepared(db, "SELECT * FROM store WHERE endedOn IS NULL ORDER BY name, id").all() as Store[];

/** How many lots of which something is left lie in each place now. */
export function lotsInStores(db: Db): Map<Id, number> {
  const rows = prepared(
    db,
    // Beside a maximum SQLite gives the columns of its row.
    `SELECT storeId, count(*) FROM (
       SELECT y.storeId, max(y.since || y.id) FROM stay y JOIN lot k ON k.id = y.lotId
       WHERE k.endedOn IS NULL GROUP BY y.lotId
     ) GROUP BY storeId`,
  )
    .raw()
    .all() as [Id, number][];
  return new Map(rows);
}

export const storeById = (db: Db, id: Id): Store | undefined =>
  prepared(db, "SELECT * FROM store WHERE id = ?").get(id) as Store | undefined;

/** Every place there is or was, by id: lots lay in those given up, too. */
export const allStores = (db: Db): Map<Id, Store> =>
  new Map((prepared(db, "SELECT * FROM store").all() as Store[]).map((one) => [one.id, one]));

/** Where each lot lay, in order of days; or where one lay. */
export function stays(db: Db, lotId: Id | null = null): StayRow[] {
  return prepared(db, "SELECT * FROM stay WHERE :lotId IS NULL OR lotId = :lotId ORDER BY lotId, since, id").all({
    lotId,
  }) as StayRow[];
}

/** The air measured in all places up to a day, in order of days. */
export function airMeasured(db: Db, until: string): AirRow[] {
  return prepared(db, 'SELECT * FROM air WHERE "on" <= ? ORDER BY storeId, "on"').all(until) as AirRow[];
}

/** A day's air in a place. */
export const airOf = (db: Db, storeId: Id, on: string): AirRow | undefined =>
  prepared(db, 'SELECT * FROM air WHERE storeId = ? AND "on" = ?').get(storeId, on) as AirRow | undefined;
