import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { CandidateKept } from "./candidate";

export type Role = CandidateKept["role"];
export type Owner = "cross" | "flower" | "lot";

/** One who may have been a parent: a stand or a plant of it, or a stranger; and the share that is thought its own. */
export type Candidate = Pick<CandidateKept, "role" | "standId" | "plantId" | "share">;

export type CandidateRow = CandidateKept & { code: string | null; name: string | null; number: number | null };

const SELECT = `SELECT c.*, s.code, l.name, p.number FROM candidate c
  LEFT JOIN stand s ON s.id = c.standId LEFT JOIN line l ON l.id = s.lineId LEFT JOIN plant p ON p.id = c.plantId`;

/** Who may have been a parent of a cross, a flower or a lot, the likeliest first. */
export function candidatesOf(db: Db, owner: Owner, id: Id): CandidateRow[] {
  return prepared(db, `${SELECT} WHERE c.${owner}Id = ? ORDER BY c.role DESC, c.share DESC, c.id`).all(
    id,
  ) as CandidateRow[];
}

/** The candidates of all flowers of a cross. */
export function candidatesOfFlowers(db: Db, crossId: Id): CandidateRow[] {
  return prepared(
    db,
    `${SELECT} WHERE c.flowerId IN (SELECT id FROM flower WHERE crossId = ?) ORDER BY c.flowerId, c.share DESC, c.id`,
  ).all(crossId) as CandidateRow[];
}

/** A father of mixed pollen: who, and in which bed he stands. */
export type MixedFather = { crossId: Id; name: string; number: number | null; bed: string | null };

/** The fathers whose pollen is mixed, by the open crosses of a season. */
export function mixedFathersOfSeason(db: Db, season: number): Map<Id, MixedFather[]> {
  const rows = prepared(
    db,
    `SELECT c.crossId, l.name, p.number, b.name bed
       FROM cross x JOIN candidate c ON c.crossId = x.id AND c.role = 'father'
       JOIN stand s ON s.id = c.standId JOIN line l ON l.id = s.lineId
       LEFT JOIN plant p ON p.id = c.plantId LEFT JOIN bed b ON b.id = s.bedId
       WHERE x.season = ? AND x.closed = 0 ORDER BY c.crossId, c.id`,
  ).all(season) as MixedFather[];
  return groupBy(rows, ({ crossId }) => crossId);
}
