import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Score } from "./score";

/** The last look at a plant on a yardstick, if there was one. */
export function lastScore(db: Db, plantId: Id, yardstickId: Id): Score | undefined {
  return prepared(
    db,
    "SELECT * FROM score WHERE plantId = ? AND yardstickId = ? ORDER BY scoredOn DESC, id DESC LIMIT 1",
  ).get(plantId, yardstickId) as Score | undefined;
}

/** Whether anything was scored on a yardstick. */
export const isScored = (db: Db, yardstickId: Id): boolean =>
  prepared(db, "SELECT 1 FROM score WHERE yardstickId = ? LIMIT 1").get(yardstickId) !== undefined;

export type PlantScore = Pick<Score, "plantId" | "yardstickId" | "number" | "word" | "scoredOn" | "version">;

/** Every look at the plants of a stand, in the order of days. */
export function scoresOfStand(db: Db, standId: Id): PlantScore[] {
  return prepared(
    db,
    `SELECT c.plantId, c.yardstickId, c.number, c.word, c.scoredOn, c.version
       FROM plant p JOIN score c ON c.plantId = p.id WHERE p.standId = ? ORDER BY c.scoredOn, c.id`,
  ).all(standId) as PlantScore[];
}
