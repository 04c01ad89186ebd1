import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Yardstick } from "../yardstick/yardstick";
import type { Score } from "./score";

/** The last look at a plant on a yardstick, if there was one. */
export function lastScore(db: Db, plantId: Id, yardstickId: Id): Score | undefined {
  return prepared(
    db,
    "SELECT * FROM score WHERE plantId = ? AND yardstickId = ? ORDER BY scoredOn DESC, look DESC LIMIT 1",
  ).get(plantId, yardstickId) as Score | undefined;
}

/** Whether anything was scored on a yardstick. */
export const isScored = (db: Db, yardstickId: Id): boolean =>
  prepared(db, "SELECT 1 FROM score WHERE yardstickId = ? LIMIT 1").get(yardstickId) !== undefined;

/** Of each family of a season, the yardsticks in use with how many standing plants were never looked at on them. */
export type OpenScore = { standId: Id; stage: Yardstick["stage"]; name: string; plants: number };

export const openScores = (db: Db, season: number): OpenScore[] =>
  prepared(
    db,
    `SELECT s.id standId, y.stage, y.name, count(*) plants
       FROM stand s JOIN yardstick y ON y.lineId = s.lineId AND y.retiredOn IS NULL AND y.kind <> 'ratio' AND y.stage <> 'any'
       JOIN plant p ON p.standId = s.id AND p.removedOn IS NULL
       WHERE s.season = ? AND s.family = 1 AND s.planned = 0
         AND NOT EXISTS (SELECT 1 FROM score c WHERE c.plantId = p.id AND c.yardstickId = y.id)
       GROUP BY s.id, y.id ORDER BY s.id, y.position, y.id`,
  ).all(season) as OpenScore[];

export type PlantScore = Pick<Score, "plantId" | "yardstickId" | "number" | "word" | "scoredOn" | "version">;

/** Every look at the plants of some plantings, in their order. */
export function scoresOfStands(db: Db, standIds: Id[]): PlantScore[] {
  return prepared(
    db,
    `SELECT c.plantId, c.yardstickId, c.number, c.word, c.scoredOn, c.version
       FROM plant p JOIN score c ON c.plantId = p.id
       WHERE p.standId IN (SELECT value FROM json_each(?)) ORDER BY c.scoredOn, c.look`,
  ).all(JSON.stringify(standIds)) as PlantScore[];
}
