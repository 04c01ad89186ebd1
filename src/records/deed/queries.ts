import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import type { Asked, PutOff } from "@/core/work/task";
import type { Act } from "@/core/work/work";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { type Deed, OF_ELSE } from "./deed";

export type DeedOf = Pick<Deed, "how" | "on" | "until"> & { standId: Id; act: Act };

/** What was done with the stands of a season, or put off, by stand, in the order of days. */
export function deedsOfSeason(db: Db, season: number): Map<Id, DeedOf[]> {
  const rows = prepared(
    db,
    `SELECT d.standId, d.act, d.how, d."on", d.until FROM stand s JOIN deed d ON d.standId = s.id
       WHERE s.season = ? ORDER BY d."on", d.id`,
  ).all(season) as DeedOf[];
  return groupBy(rows, ({ standId }) => standId);
}

/** Whether somebody looked around in a season for what crosses with a species. */
export const lookedAround = (db: Db, season: number, species: string): boolean =>
  prepared(
    db,
    `SELECT 1 FROM deed d JOIN stand s ON s.id = d.standId JOIN line l ON l.id = s.lineId
       WHERE d.act = 'look-around' AND d.how = 'done' AND s.season = ? AND l.species = ? LIMIT 1`,
  ).get(season, species) !== undefined;

/** The looks into the store at a stand's roots, in the order of days: how many were sound. */
export function storeLooks(db: Db, standId: Id): Pick<Deed, "on" | "counted">[] {
  return prepared(
    db,
    `SELECT "on", counted FROM deed WHERE standId = ? AND act IN ('lift', 'look-store') AND how = 'done' ORDER BY "on", id`,
  ).all(standId) as Pick<Deed, "on" | "counted">[];
}

/** What was put off or left of what is asked beside plantings, the last of each: by the act and of what it is asked. */
export function putOffElse(db: Db): Map<string, PutOff> {
  const rows = prepared(
    db,
    `SELECT coalesce(${OF_ELSE.join(", ")}) "of", act, how, "on", until FROM deed WHERE standId IS NULL ORDER BY "on", id`,
  ).all() as (PutOff & { of: Id; act: Asked })[];
  return new Map(rows.map(({ of, act, ...putOff }) => [`${act} ${of}`, putOff]));
}
