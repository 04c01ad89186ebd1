import type { Db } from "@/db/open";

export type Mark = "none" | "keep" | "seed-parent" | "watch" | "out";

export type Plant = {
  id: number;
  standId: number;
  number: number;
  mark: Mark;
  reason: string;
  removedOn: string | null;
  version: number;
};

export function plantsOfStand(db: Db, standId: number): Plant[] {
  return db.prepare("SELECT * FROM plant WHERE standId = ? ORDER BY number").all(standId) as Plant[];
}

export function plantById(db: Db, id: number): Plant | undefined {
  return db.prepare("SELECT * FROM plant WHERE id = ?").get(id) as Plant | undefined;
}

export type PlantScore = { plantId: number; yardstickId: number; number: number | null; word: string | null };

export function scoresOfStand(db: Db, standId: number): PlantScore[] {
  return db
    .prepare(
      `SELECT c.plantId, c.yardstickId, c.number, c.word
       FROM plant p JOIN score c ON c.plantId = p.id WHERE p.standId = ?`,
    )
    .all(standId) as PlantScore[];
}

export type KeptPlant = { id: number; standId: number; number: number; mark: Mark; code: string };

/** Plants marked for keeping and still standing, in a season's stands. */
export function keptPlants(db: Db, season: number): KeptPlant[] {
  return db
    .prepare(
      `SELECT p.id, p.standId, p.number, p.mark, s.code FROM stand s JOIN plant p ON p.standId = s.id
       WHERE s.season = ? AND p.removedOn IS NULL AND p.mark IN ('keep', 'seed-parent') ORDER BY s.code, p.number`,
    )
    .all(season) as KeptPlant[];
}

export type OutWaiting = { standId: number; code: string; lineName: string; plants: string; count: number };

/** Plants marked out that still stand, by stand, of one season. */
export function plantsMarkedOut(db: Db, season: number): OutWaiting[] {
  return db
    .prepare(
      `SELECT s.id standId, s.code, l.name lineName, group_concat(p.number, ', ') plants, count(*) count
       FROM stand s JOIN line l ON l.id = s.lineId
       JOIN plant p ON p.standId = s.id AND p.mark = 'out' AND p.removedOn IS NULL
       WHERE s.season = ? GROUP BY s.id ORDER BY s.code`,
    )
    .all(season) as OutWaiting[];
}
