import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Yardstick } from "./yardstick";

export const yardstickById = (db: Db, id: Id): Yardstick | undefined =>
  prepared(db, "SELECT * FROM yardstick WHERE id = ?").get(id) as Yardstick | undefined;

/** The place behind a line's last yardstick. */
export function nextPosition(db: Db, lineId: Id): number {
  return prepared(db, "SELECT coalesce(max(position), 0) + 1 FROM yardstick WHERE lineId = ?")
    .pluck()
    .get(lineId) as number;
}

/** Whether a line has another yardstick of a name that is in use. */
export function hasYardstick(db: Db, lineId: Id, name: string, but: Id): boolean {
  return (
    prepared(db, "SELECT 1 FROM yardstick WHERE lineId = ? AND name = ? AND id <> ? AND retiredOn IS NULL").get(
      lineId,
      name,
      but,
    ) !== undefined
  );
}

/** A yardstick of the garden with its line, and how many plants were scored on it. */
export type KeptYardstick = Yardstick & { lineName: string; lineCode: string; species: string; scored: number };

export const allYardsticks = (db: Db): KeptYardstick[] =>
  prepared(
    db,
    `SELECT y.*, l.name lineName, l.code lineCode, l.species,
         (SELECT count(DISTINCT c.plantId) FROM score c WHERE c.yardstickId = y.id) scored
       FROM yardstick y JOIN line l ON l.id = y.lineId ORDER BY y.name, l.name, y.position`,
  ).all() as KeptYardstick[];
