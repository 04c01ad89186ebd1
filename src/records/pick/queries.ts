import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Pick } from "./pick";

/** A pick with the plant's number and the lot it became. */
export type PickRow = Pick & { plantNumber: number | null; lotCode: string | null };

/** Everything picked of the stands of a season, in order. */
export const picksOfSeason = (db: Db, season: number): PickRow[] =>
  prepared(
    db,
    `SELECT p.*, t.number plantNumber, k.code lotCode FROM pick p JOIN stand s ON s.id = p.standId
     LEFT JOIN plant t ON t.id = p.plantId LEFT JOIN lot k ON k.id = p.lotId
     WHERE s.season = ? ORDER BY p."on", p.id`,
  ).all(season) as PickRow[];

/** Of each plant of a stand the days on which its fruit was picked. */
export const pickedOf = (db: Db, standId: Id): { plantId: Id; on: string }[] =>
  prepared(db, `SELECT plantId, "on" FROM pick WHERE standId = ? AND plantId IS NOT NULL ORDER BY "on", id`).all(
    standId,
  ) as {
    plantId: Id;
    on: string;
  }[];

/** The lot that fruit of a stand, or of a plant of it, became on a day, where nothing was done with it yet. */
export const lotOfPass = (db: Db, standId: Id, plantId: Id | null, on: string): Id | undefined =>
  prepared(
    db,
    `SELECT k.id FROM pick p JOIN lot k ON k.id = p.lotId
     WHERE p.standId = ? AND p.plantId IS ? AND p."on" = ? AND p.verdict = 'matches'
       AND k.onTable = 1 AND k.way IS NULL AND k.endedOn IS NULL LIMIT 1`,
  )
    .pluck()
    .get(standId, plantId, on) as Id | undefined;

/** Marked plants of a stand: those to pick from, and those to leave. */
export type MarkedPlant = { number: number; mark: string; reason: string };

export const markedPlants = (db: Db, standId: Id): MarkedPlant[] =>
  prepared(
    db,
    `SELECT number, mark, reason FROM plant WHERE standId = ? AND removedOn IS NULL AND mark <> 'none' ORDER BY number`,
  ).all(standId) as MarkedPlant[];
