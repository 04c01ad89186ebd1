import type { Anthers } from "@/catalogue/catalogue";
import { groupBy } from "@/core/lists/groupBy";
import type { Stage } from "@/core/pollination/protocol";
import type { Storage } from "@/core/pollination/storedPollen";
import { type Fault, type FlowerState, type Tally, tally } from "@/core/pollination/tally";
import type { Db } from "@/db/open";

export type CrossKind = "cross" | "self" | "intercross";

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
  /** The protocol chosen; null for those of before there was a choice. */
  method: string | null;
  perEvening: number;
  note: string;
  storage: Storage | null;
  storedOn: string | null;
};

export type Flower = {
  id: number;
  crossId: number;
  number: number;
  state: FlowerState;
  coveredOn: string;
  gatheredOn: string | null;
  pollinatedOn: string | null;
  pollinatedAt: string | null;
  passes: number;
  lastPass: string | null;
  males: number | null;
  bud: Stage | null;
  uncoveredOn: string | null;
  checkedOn: string | null;
  fault: Fault | null;
  lostWhy: string | null;
  lotId: number | null;
  plantId: number | null;
  note: string;
  version: number;
};

export type CrossRow = Cross & {
  lineName: string;
  motherCode: string;
  motherName: string;
  motherLineId: number;
  motherBedId: number | null;
  motherBed: string | null;
  motherNumber: number | null;
  motherAnthers: Anthers;
  fatherCode: string;
  fatherName: string;
  fatherLineId: number;
  fatherNumber: number | null;
  /** Fathers beside the first, whose pollen is mixed in. */
  moreFathers: number;
  species: string;
  motherSown: string;
};

const SELECT = `SELECT x.*, l.name lineName, l.species,
    m.code motherCode, ml.name motherName, m.lineId motherLineId, m.bedId motherBedId, mb.name motherBed,
    mp.number motherNumber, ml.anthers motherAnthers,
    f.code fatherCode, fl.name fatherName, f.lineId fatherLineId, fp.number fatherNumber,
    (SELECT count(*) FROM candidate c WHERE c.crossId = x.id AND c.role = 'father') moreFathers,
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

/** What the engine of steps reads of a flower. */
export type FlowerUnderWay = Pick<
  Flower,
  | "id"
  | "crossId"
  | "number"
  | "state"
  | "plantId"
  | "coveredOn"
  | "gatheredOn"
  | "pollinatedOn"
  | "pollinatedAt"
  | "passes"
  | "lastPass"
  | "uncoveredOn"
  | "checkedOn"
>;

/**
 * Flowers of a season's open crosses that still have a step before them, by cross.
 * @param ripeFrom set fruit pollinated after this day is too young to be brought in, and left out
 */
export function flowersUnderWay(db: Db, season: number, ripeFrom: string): Map<number, FlowerUnderWay[]> {
  const rows = db
    .prepare(
      `SELECT f.id, f.crossId, f.number, f.state, f.plantId, f.coveredOn, f.gatheredOn, f.pollinatedOn, f.pollinatedAt,
         f.passes, f.lastPass, f.uncoveredOn, f.checkedOn
       FROM cross x JOIN flower f ON f.crossId = x.id
       WHERE x.season = ? AND x.closed = 0 AND (f.state IN ('covered', 'gathered', 'pollinated', 'uncovered')
           OR (f.state = 'set' AND f.pollinatedOn <= ?))
       ORDER BY f.crossId, f.number`,
    )
    .all(season, ripeFrom) as FlowerUnderWay[];
  return groupBy(rows, (flower) => flower.crossId);
}

/** The tallies of a season's crosses; a cross without flowers has none. */
export function talliesOfSeason(db: Db, season: number): (crossId: number) => Tally {
  const rows = db
    .prepare(
      `SELECT f.crossId, f.state, f.fault IS NOT NULL faulty, count(*) count
       FROM cross x JOIN flower f ON f.crossId = x.id WHERE x.season = ? GROUP BY f.crossId, f.state, faulty`,
    )
    .all(season) as { crossId: number; state: FlowerState; faulty: 0 | 1; count: number }[];
  const byCross = groupBy(rows, (row) => row.crossId);
  return (crossId) =>
    tally((byCross.get(crossId) ?? []).map(({ state, faulty, count }) => ({ state, fault: faulty === 1, count })));
}

export type Outcome = {
  species: string;
  lineId: number;
  method: string | null;
  /** The clock's hour of pollination, two digits; null where it was not kept. */
  hour: string | null;
  set: number;
  failed: number;
};

/** How flowers without a fault did, by species, mother's line, method and hour: what set rates learn from. */
export function outcomes(db: Db): Outcome[] {
  return db
    .prepare(
      `SELECT ml.species, m.lineId, x.method, f.hour, sum(f."set") "set", sum(f.failed) failed
       FROM (SELECT crossId, substr(pollinatedAt, 1, 2) hour, sum(state <> 'failed') "set", sum(state = 'failed') failed
         FROM flower
         WHERE fault IS NULL
           AND (state IN ('set', 'harvested', 'failed') OR (state = 'lost' AND checkedOn IS NOT NULL))
         GROUP BY crossId, hour) f
       JOIN cross x ON x.id = f.crossId
       JOIN stand m ON m.id = x.motherStandId JOIN line ml ON ml.id = m.lineId
       GROUP BY ml.species, m.lineId, x.method, f.hour`,
    )
    .all() as Outcome[];
}
