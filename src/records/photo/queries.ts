import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Photo } from "./photo";

/** Pictures of the plants of some plantings, by plant and day. */
export const photosOfStands = (db: Db, standIds: Id[]): Photo[] =>
  prepared(
    db,
    `SELECT f.* FROM photo f JOIN plant p ON p.id = f.plantId WHERE p.standId IN (SELECT value FROM json_each(?))
       ORDER BY p.number, f.takenOn, f.id`,
  ).all(JSON.stringify(standIds)) as Photo[];

/** Pictures of one off-type. */
export const photosOfOffkind = (db: Db, offkindId: Id): Photo[] =>
  prepared(db, "SELECT * FROM photo WHERE offkindId = ? ORDER BY takenOn, id").all(offkindId) as Photo[];

/** Pictures of a line's off-types, the oldest first. */
export const photosOfOffkinds = (db: Db, lineId: Id): Photo[] =>
  prepared(
    db,
    `SELECT f.* FROM photo f JOIN offkind o ON o.id = f.offkindId WHERE o.lineId = ? ORDER BY f.takenOn, f.id`,
  ).all(lineId) as Photo[];

/** The day on which the stand of a plant was sown. */
export const sownOfPlant = (db: Db, plantId: Id): string | undefined =>
  prepared(db, "SELECT s.sown FROM plant p JOIN stand s ON s.id = p.standId WHERE p.id = ?").pluck().get(plantId) as
    | string
    | undefined;
