import type { SeedKind } from "@/core/custody/generation";
import type { Db } from "@/db/open";

export type Lot = {
  id: number;
  code: string;
  lineId: number;
  kind: SeedKind;
  generation: number | null;
  crossId: number | null;
  motherStandId: number | null;
  motherPlantId: number | null;
  gathered: string;
  fruits: number | null;
  seeds: number | null;
  mass: number | null;
  note: string;
  /** What is doubtful about its father, where its flowers had a fault. */
  doubt: string | null;
  version: number;
};

export type LotRow = Lot & {
  lineName: string;
  species: string;
  crossCode: string | null;
  motherCode: string | null;
  motherNumber: number | null;
  /** Seeds sown from it so far, and into how many stands. */
  sowedSeeds: number;
  sowings: number;
};

/** Sowings are summed over all lots at once, or for the one that is named: `sown` is that sum. */
const select = (sown: string) => `SELECT k.*, l.name lineName, l.species, x.code crossCode, s.code motherCode,
    p.number motherNumber, coalesce(w.sowedSeeds, 0) sowedSeeds, coalesce(w.sowings, 0) sowings
  FROM lot k JOIN line l ON l.id = k.lineId
  LEFT JOIN (SELECT lotId, sum(sowedSeeds) sowedSeeds, count(*) sowings FROM stand ${sown} GROUP BY lotId) w
    ON w.lotId = k.id
  LEFT JOIN cross x ON x.id = k.crossId LEFT JOIN stand s ON s.id = k.motherStandId
  LEFT JOIN plant p ON p.id = k.motherPlantId`;

export function lotById(db: Db, id: number): LotRow | undefined {
  return db.prepare(`${select("WHERE lotId = :id")} WHERE k.id = :id`).get({ id }) as LotRow | undefined;
}

/** Lots of one cross, newest first. */
export function lotsOfCross(db: Db, crossId: number): LotRow[] {
  return db
    .prepare(`${select("WHERE lotId IS NOT NULL")} WHERE k.crossId = ? ORDER BY k.gathered DESC, k.id DESC`)
    .all(crossId) as LotRow[];
}

export type LotChoice = Pick<LotRow, "id" | "code" | "lineId" | "lineName" | "generation">;

/** The newest lots, as a form offers them. */
export function lotChoices(db: Db): LotChoice[] {
  return db
    .prepare(
      `SELECT k.id, k.code, k.lineId, l.name lineName, k.generation FROM lot k JOIN line l ON l.id = k.lineId
       ORDER BY k.gathered DESC, k.id DESC LIMIT 400`,
    )
    .all() as LotChoice[];
}

/** The newest day on which seed of each line was gathered. */
export function newestSeed(db: Db): Map<number, string> {
  const rows = db.prepare("SELECT lineId, max(gathered) FROM lot GROUP BY lineId").raw().all() as [number, string][];
  return new Map(rows);
}

/** Lots, newest first; those of one line when it is named. */
export function lots(db: Db, lineId: number | null, limit: number): LotRow[] {
  return db
    .prepare(
      `${select("WHERE lotId IS NOT NULL")} WHERE :line IS NULL OR k.lineId = :line ORDER BY k.gathered DESC, k.id DESC LIMIT :limit`,
    )
    .all({ line: lineId, limit }) as LotRow[];
}
