import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Lot } from "../lot/lot";
import type { RoguedStand } from "./rogued";

/** A stand of a line by what its plants can be judged: how many somebody looked at, and the seed they are of. */
export type JudgedStand = RoguedStand & {
  sown: Day;
  endedOn: Day | null;
  lotId: Id | null;
  lotCode: string | null;
  kind: Lot["kind"] | null;
  doubt: string | null;
  brokenWhy: string | null;
  /** Plants that were looked at: scored, marked or removed one by one, or as many as a walk or a sorting went through. */
  looked: number;
  /** Plants that walks removed without saying how many they looked at. */
  uncounted: number;
};

/** Stands of a line that were grown up to a day, the newest last. */
export const judgedStands = (db: Db, lineId: Id, today: Day): JudgedStand[] =>
  prepared(
    db,
    `SELECT s.id, s.code, s.season, s.generation, s.family, s.sown, s.endedOn, s.lotId, k.code lotCode, k.kind, k.doubt,
         k.brokenWhy,
         coalesce((SELECT nullif(count(*), 0) FROM plant p WHERE p.standId = s.id AND p.checkOfId IS NULL), s.plants, 0) grown,
         max(
           (SELECT count(*) FROM plant p WHERE p.standId = s.id AND p.checkOfId IS NULL
             AND (p.mark <> 'none' OR p.removedOn IS NOT NULL OR EXISTS (SELECT 1 FROM score c WHERE c.plantId = p.id))),
           coalesce((SELECT max(d.looked) FROM deed d WHERE d.standId = s.id AND d.act = 'rogue' AND d.how = 'done'), 0),
           coalesce((SELECT max(o.fit + o.small + o.large + o.split + o.odd + o.bolted) FROM sorting o
             WHERE o.standId = s.id), 0)) looked,
         CASE WHEN s.family THEN 0 ELSE coalesce((SELECT sum(d.counted) FROM deed d WHERE d.standId = s.id AND d.act = 'rogue'
           AND d.how = 'done' AND d.looked IS NULL), 0) END uncounted
       FROM stand s LEFT JOIN lot k ON k.id = s.lotId
       WHERE s.lineId = ? AND s.sown <= ? AND s.planned = 0 ORDER BY s.season, s.sown, s.code`,
  ).all(lineId, today) as JudgedStand[];

/** Plants that still stand but are marked as out, by stand and reason. */
export const markedOut = (db: Db, lineId: Id): { standId: Id; reason: string; plants: number }[] =>
  prepared(
    db,
    `SELECT s.id standId, p.reason, count(*) plants FROM stand s JOIN plant p ON p.standId = s.id
       WHERE s.lineId = ? AND p.mark = 'out' AND p.removedOn IS NULL GROUP BY s.id, p.reason`,
  ).all(lineId) as { standId: Id; reason: string; plants: number }[];

/**
 * How many plants gave a line's seed, season by season, the newest first: each mother that was named and fathers that were
 * chosen; of seed of a whole stand all its plants but those taken out.
 */
export const seedParents = (db: Db, lineId: Id): { season: number; plants: number }[] =>
  prepared(
    db,
    `WITH gave AS (
         SELECT s.season, s.id standId, k.motherPlantId plantId FROM lot k JOIN stand s ON s.id = k.motherStandId
           WHERE k.lineId = :lineId AND s.lineId = :lineId AND k.kind <> 'received'
         UNION SELECT s.season, s.id, x.fatherPlantId FROM lot k JOIN cross x ON x.id = k.crossId
           JOIN stand s ON s.id = x.fatherStandId
           WHERE k.lineId = :lineId AND s.lineId = :lineId AND x.fatherPlantId IS NOT NULL),
       whole AS (
         SELECT g.season, sum(coalesce(
           (SELECT nullif(count(*), 0) FROM plant p WHERE p.standId = g.standId AND p.removedOn IS NULL AND p.checkOfId IS NULL),
           s.plants, 0)) plants
         FROM gave g JOIN stand s ON s.id = g.standId WHERE g.plantId IS NULL GROUP BY g.season),
       named AS (SELECT season, count(DISTINCT plantId) plants FROM gave WHERE plantId IS NOT NULL GROUP BY season)
     SELECT season, max(plants) plants FROM (SELECT * FROM whole UNION ALL SELECT * FROM named)
       GROUP BY season HAVING max(plants) > 0 ORDER BY season DESC`,
  ).all({ lineId }) as { season: number; plants: number }[];

/** Plants of a line that seed was taken from. */
export const mothersOf = (db: Db, lineId: Id): Set<Id> =>
  new Set(
    prepared(
      db,
      `SELECT k.motherPlantId FROM lot k JOIN stand s ON s.id = k.motherStandId
         WHERE s.lineId = ? AND k.motherPlantId IS NOT NULL`,
    )
      .pluck()
      .all(lineId) as Id[],
  );
