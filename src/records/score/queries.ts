import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Score } from "./score";

/** What a plant shows on a yardstick, if it was scored. */
export function scoreOf(db: Db, plantId: Id, yardstickId: Id): Score | undefined {
  return prepared(db, "SELECT * FROM score WHERE plantId = ? AND yardstickId = ?").get(plantId, yardstickId) as
    | Score
    | undefined;
}

export type PlantScore = Pick<Score, "plantId" | "yardstickId" | "number" | "word" | "version">;

export function scoresOfStand(db: Db, standId: Id): PlantScore[] {
  return prepared(
    db,
    `SELECT c.plantId, c.yardstickId, c.number, c.word, c.version
       FROM plant p JOIN score c ON c.plantId = p.id WHERE p.standId = ?`,
  ).all(standId) as PlantScore[];
}
