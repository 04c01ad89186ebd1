import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Mark, Plant } from "./plant";

export function plantsOfStand(db: Db, standId: Id): Plant[] {
  return prepared(db, "SELECT * FROM plant WHERE standId = ? ORDER BY number").all(standId) as Plant[];
}

/** Plants of several stands, in the order of stands and numbers. */
export const plantsOfStands = (db: Db, standIds: Id[]): Plant[] =>
  prepared(db, "SELECT * FROM plant WHERE standId IN (SELECT value FROM json_each(?)) ORDER BY standId, number").all(
    JSON.stringify(standIds),
  ) as Plant[];

export function plantById(db: Db, id: Id): Plant | undefined {
  return prepared(db, "SELECT * FROM plant WHERE id = ?").get(id) as Plant | undefined;
}

export const plantNumbered = (db: Db, standId: Id, number: number): Id | null =>
  (prepared(db, "SELECT id FROM plant WHERE standId = ? AND number = ?").pluck().get(standId, number) as
    | Id
    | undefined) ?? null;

/** A plant with the code of its stand. */
export type PlantOfStand = Pick<Plant, "id" | "standId" | "number"> & { code: string };

/** Plants by their ids, those still standing, in the order of stands and numbers. */
export const plantsByIds = (db: Db, ids: Id[]): PlantOfStand[] =>
  prepared(
    db,
    `SELECT p.id, p.standId, p.number, s.code FROM plant p JOIN stand s ON s.id = p.standId
       WHERE p.id IN (SELECT value FROM json_each(?)) AND p.removedOn IS NULL ORDER BY s.code, p.number`,
  ).all(JSON.stringify(ids)) as PlantOfStand[];

/** Numbers of plants, those that are gone among them, and where they stand. */
export const numbersOfPlants = (db: Db, ids: Id[]): Map<string, PlantOfStand> =>
  new Map(
    (
      prepared(
        db,
        `SELECT p.id, p.standId, s.code, p.number FROM plant p JOIN stand s ON s.id = p.standId
           WHERE p.id IN (SELECT value FROM json_each(?))`,
      ).all(JSON.stringify(ids)) as PlantOfStand[]
    ).map((one) => [one.id, one]),
  );

export type ChosenPlant = { id: Id; standId: Id; number: number; mark: Mark; code: string };

/** Plants marked for keeping and still standing, in a season's stands. */
export function chosenPlants(db: Db, season: number): ChosenPlant[] {
  return prepared(
    db,
    `SELECT p.id, p.standId, p.number, p.mark, s.code FROM stand s JOIN plant p ON p.standId = s.id
       WHERE s.season = ? AND p.removedOn IS NULL AND p.mark IN ('keep', 'seed-parent') ORDER BY s.code, p.number`,
  ).all(season) as ChosenPlant[];
}

/** A plant that was kept, with one lot of its seed: where that is, or that it has none of its own. */
export type KeptPlant = {
  lineId: Id;
  code: string;
  number: number;
  /** Its planting still stands. */
  standing: 0 | 1;
  lotId: Id | null;
  /** That seed is used up, given away or lost. */
  ended: 0 | 1;
  /** Its seed was put together with others', or gathered with them. */
  together: 0 | 1;
};

/** Plants kept in a season's plantings, a row for each lot of their seed. */
export const keptPlants = (db: Db, season: number): KeptPlant[] =>
  prepared(
    db,
    `SELECT s.lineId, s.code, p.number, s.endedOn IS NULL standing, k.id lotId, k.endedOn IS NOT NULL ended,
         (EXISTS (SELECT 1 FROM part t WHERE t.fromId = k.id)
           OR EXISTS (SELECT 1 FROM lot b WHERE b.motherStandId = s.id AND b.motherPlantId IS NULL AND b.crossId IS NULL)) together
       FROM stand s JOIN plant p ON p.standId = s.id
       LEFT JOIN lot k ON k.motherPlantId = p.id AND k.lineId = s.lineId
       WHERE s.season = ? AND p.removedOn IS NULL AND p.mark IN ('keep', 'seed-parent')
       ORDER BY s.code, p.number, k.id`,
  ).all(season) as KeptPlant[];

export type OutWaiting = {
  family: 0 | 1;
  ids: string;
  standId: Id;
  code: string;
  lineName: string;
  bedName: string | null;
  plants: string;
  count: number;
};

/** Plants marked out that still stand, by stand, of one season. */
export function plantsMarkedOut(db: Db, season: number, today: string): OutWaiting[] {
  return prepared(
    db,
    `SELECT s.id standId, s.code, s.family, l.name lineName, b.name bedName, group_concat(p.id) ids, group_concat(p.number, ', ') plants, count(*) count
       FROM stand s JOIN line l ON l.id = s.lineId LEFT JOIN bed b ON b.id = s.bedId
       JOIN plant p ON p.standId = s.id AND p.mark = 'out' AND p.removedOn IS NULL
       WHERE s.season = ? AND s.sown <= ? GROUP BY s.id ORDER BY s.code`,
  ).all(season, today) as OutWaiting[];
}

/** A family's numbered plants: standing and not decided on, standing and kept, marked out or taken out. */
export type PlantTally = { standId: Id; open: number; kept: number; out: number };

export const plantTallies = (db: Db): PlantTally[] =>
  prepared(
    db,
    `SELECT standId,
        sum(removedOn IS NULL AND mark IN ('none', 'watch')) "open",
        sum(removedOn IS NULL AND mark IN ('keep', 'seed-parent')) kept,
        sum(removedOn IS NOT NULL OR mark = 'out') "out"
       FROM plant GROUP BY standId`,
  ).all() as PlantTally[];

/** Plants taken out of a stand, those numbered and those counted as it was rogued; and how many after its first flower. */
export const takenOutOf = (db: Db, standId: Id): { plants: number; late: number } =>
  prepared(
    db,
    `SELECT coalesce(sum(n), 0) plants, coalesce(sum(CASE WHEN s.firstFlower < "on" THEN n ELSE 0 END), 0) late FROM (
       SELECT 1 n, removedOn "on" FROM plant WHERE standId = :standId AND removedOn IS NOT NULL
       UNION ALL SELECT counted, "on" FROM deed WHERE standId = :standId AND act = 'rogue' AND how = 'done' AND counted > 0)
     JOIN stand s ON s.id = :standId`,
  ).get({ standId }) as { plants: number; late: number };

/** Why plants of a line went out: the last reason first, then the commonest. */
export const reasonsOf = (db: Db, lineId: Id): { reason: string }[] =>
  prepared(
    db,
    `WITH why AS (SELECT p.reason, count(*) times, max(p.version) last FROM plant p JOIN stand s ON s.id = p.standId
       WHERE s.lineId = ? AND p.mark = 'out' AND p.reason <> '' GROUP BY p.reason)
     SELECT reason FROM why ORDER BY last = (SELECT max(last) FROM why) DESC, times DESC, reason LIMIT 6`,
  ).all(lineId) as { reason: string }[];

/** A stand with its bed, as its plants stand in it: in how many rows, up to which number. */
export type PlantedStand = {
  id: Id;
  season: number;
  bedId: Id | null;
  width: number | null;
  length: number | null;
  rowCount: number | null;
  numbered: number;
};

/** How plants stand in their beds, stand by stand, those of one bed in the order of their codes. */
export const plantedStands = (db: Db): PlantedStand[] =>
  prepared(
    db,
    `SELECT s.id, s.season, s.bedId, b.width, b.length, s.rowCount, coalesce(n.numbered, 0) numbered
       FROM stand s LEFT JOIN bed b ON b.id = s.bedId
       LEFT JOIN (SELECT standId, max(number) numbered FROM plant GROUP BY standId) n ON n.standId = s.id
       WHERE s.planned = 0 OR n.numbered > 0 ORDER BY s.code`,
  ).all() as PlantedStand[];

/** Plants of a stand that gave seed: mothers of a lot, parents of a cross that was harvested, mothers of a flower that became one. */
export const plantsThatGaveSeed = (db: Db, standId: Id): Set<Id> =>
  new Set(
    prepared(
      db,
      `SELECT p.id FROM plant p WHERE p.standId = ? AND (
         EXISTS (SELECT 1 FROM lot k WHERE k.motherPlantId = p.id)
         OR EXISTS (SELECT 1 FROM cross x JOIN lot k ON k.crossId = x.id
           WHERE p.id IN (x.motherPlantId, x.fatherPlantId))
         OR EXISTS (SELECT 1 FROM flower f WHERE f.plantId = p.id AND f.lotId IS NOT NULL))`,
    )
      .pluck()
      .all(standId) as Id[],
  );
