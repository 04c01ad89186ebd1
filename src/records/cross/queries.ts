import { groupBy } from "@/core/lists/groupBy";
import type { FlowerState } from "@/core/pollination/tally";
import type { Db } from "@/db/open";

export type CrossKind = "cross" | "self" | "intercross";
export type Fault = "found-open" | "limp" | "torn-bag";

export type Cross = {
  id: number;
  code: string;
  kind: CrossKind;
  season: number;
  lineId: number;
  generation: number | null;
  motherStandId: number;
  fatherStandId: number;
  motherPlantId: number | null;
  fatherPlantId: number | null;
  fruitsWanted: number;
  seedsWanted: number | null;
  seedsPerFruit: number | null;
  setLow: number;
  setLikely: number;
  setHigh: number;
  confidence: number;
  plannedOn: string;
  closed: 0 | 1;
  version: number;
};

export type Flower = {
  id: number;
  crossId: number;
  number: number;
  state: FlowerState;
  coveredOn: string;
  pollinatedOn: string | null;
  males: number | null;
  checkedOn: string | null;
  fault: Fault | null;
  lotId: number | null;
  version: number;
};

export type CrossRow = Cross & {
  lineName: string;
  motherCode: string;
  motherName: string;
  motherBed: string | null;
  motherNumber: number | null;
  fatherCode: string;
  fatherName: string;
  fatherNumber: number | null;
  species: string;
  motherSown: string;
};

const SELECT = `SELECT x.*, l.name lineName, l.species,
    m.code motherCode, ml.name motherName, mb.name motherBed, mp.number motherNumber,
    f.code fatherCode, fl.name fatherName, fp.number fatherNumber,
    m.sown motherSown
  FROM cross x JOIN line l ON l.id = x.lineId
  JOIN stand m ON m.id = x.motherStandId JOIN line ml ON ml.id = m.lineId
  JOIN stand f ON f.id = x.fatherStandId JOIN line fl ON fl.id = f.lineId
  LEFT JOIN bed mb ON mb.id = m.bedId
  LEFT JOIN plant mp ON mp.id = x.motherPlantId LEFT JOIN plant fp ON fp.id = x.fatherPlantId`;

export function crossById(db: Db, id: number): CrossRow | undefined {
  return db.prepare(`${SELECT} WHERE x.id = ?`).get(id) as CrossRow | undefined;
}

export function crossesOfSeason(db: Db, season: number): CrossRow[] {
  return db.prepare(`${SELECT} WHERE x.season = ? ORDER BY x.closed, x.code`).all(season) as CrossRow[];
}

/** Every season that has crosses, newest first. */
export function seasonsWithCrosses(db: Db): number[] {
  return db.prepare("SELECT DISTINCT season FROM cross ORDER BY season DESC").pluck().all() as number[];
}

export function flowersOfCross(db: Db, crossId: number): Flower[] {
  return db.prepare("SELECT * FROM flower WHERE crossId = ? ORDER BY number").all(crossId) as Flower[];
}

/** Flowers of a season's crosses, by cross. */
export function flowersOfSeason(db: Db, season: number): Map<number, Flower[]> {
  const rows = db
    .prepare(
      "SELECT f.* FROM cross x JOIN flower f ON f.crossId = x.id WHERE x.season = ? ORDER BY f.crossId, f.number",
    )
    .all(season) as Flower[];
  return groupBy(rows, (flower) => flower.crossId);
}
