import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { SurpriseDecided } from "./surprise";

/** What was decided of a plant, the last word. */
export const surpriseOf = (db: Db, plantId: Id): SurpriseDecided | undefined =>
  prepared(db, "SELECT * FROM surprise WHERE plantId = ? ORDER BY id DESC LIMIT 1").get(plantId) as
    | SurpriseDecided
    | undefined;

/** A family of another mother that stood with a plant's mother, with how many of it are odd for the same reason. */
export type SisterFamily = { code: string; plants: number; odd: number };

export const sisterFamilies = (db: Db, motherStandId: Id, but: Id, reason: string): SisterFamily[] =>
  prepared(
    db,
    `SELECT s.code, count(*) plants, sum(p.reason = :reason AND (p.removedOn IS NOT NULL OR p.mark = 'out')) odd
       FROM stand s JOIN lot k ON k.id = s.lotId JOIN plant p ON p.standId = s.id
       WHERE k.motherStandId = :motherStandId AND s.id <> :but AND s.planned = 0 GROUP BY s.id ORDER BY s.code`,
  ).all({ motherStandId, but, reason }) as SisterFamily[];
