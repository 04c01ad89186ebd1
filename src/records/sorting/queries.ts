import type { Bred } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { BACKCROSSES } from "../line/backcrosses";
import type { Sorting } from "./sorting";

export const sortingOf = (db: Db, standId: Id, moment: Sorting["moment"]): Sorting | undefined =>
  prepared(db, "SELECT * FROM sorting WHERE standId = ? AND moment = ?").get(standId, moment) as Sorting | undefined;

export type SortingOfStand = Sorting & { code: string; season: number } & Bred;

/** How a line's roots were sorted, the last first. */
export const sortingsOfLine = (db: Db, lineId: Id): SortingOfStand[] =>
  prepared(
    db,
    `SELECT o.*, s.code, s.season, s.generation, ${BACKCROSSES} FROM sorting o JOIN stand s ON s.id = o.standId
       JOIN line l ON l.id = s.lineId
       WHERE s.lineId = ? ORDER BY s.season DESC, o.sortedOn DESC, o.id DESC`,
  ).all(lineId) as SortingOfStand[];

/** Of stands of a species that were sorted twice: what went into the store, and what came out of it sound. */
export const keptInStore = (db: Db, species: string): { stored: number; sound: number }[] =>
  prepared(
    db,
    `SELECT a.fit stored, min(a.fit, b.fit + b.small + b.large + b.split + b.odd + b.bolted) sound
       FROM sorting a JOIN sorting b ON b.standId = a.standId AND b.moment = 'replant'
       JOIN stand s ON s.id = a.standId JOIN line l ON l.id = s.lineId
       WHERE a.moment = 'lift' AND a.fit > 0 AND l.species = ?`,
  ).all(species) as { stored: number; sound: number }[];
