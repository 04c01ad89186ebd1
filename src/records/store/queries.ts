import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { AirRow, StayRow, Store } from "./store";

/** A place, with the lots that lie in it. */
export type StoreRow = Store & { lots: number };

/** Every place that is not given up, by name, with how many lots of which something is left lie there now. */
export function stores(db: Db): StoreRow[] {
  return prepared(
    db,
    `SELECT s.*, (SELECT count(*) FROM lot k WHERE k.endedOn IS NULL
           AND (SELECT y.storeId FROM stay y WHERE y.lotId = k.id ORDER BY y.since DESC, y.id DESC LIMIT 1) = s.id) lots
       FROM store s WHERE s.endedOn IS NULL ORDER BY s.name, s.id`,
  ).all() as StoreRow[];
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
