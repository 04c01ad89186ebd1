import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import type { Stage } from "@/core/pollination/protocol";
import { type FlowerState, type Tally, tally } from "@/core/pollination/tally";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Flower } from "./flower";

export function flowersOfCross(db: Db, crossId: Id): Flower[] {
  return prepared(db, "SELECT * FROM flower WHERE crossId = ? ORDER BY number").all(crossId) as Flower[];
}

/** Whether any flower of a cross has had its pollen. */
export function anyPollinated(db: Db, crossId: Id): boolean {
  return (
    prepared(db, "SELECT 1 FROM flower WHERE crossId = ? AND pollinatedOn IS NOT NULL LIMIT 1").get(crossId) !==
    undefined
  );
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
export function flowersUnderWay(db: Db, season: number, today: string, ripeFrom: string): Map<Id, FlowerUnderWay[]> {
  const rows = prepared(
    db,
    `SELECT f.id, f.crossId, f.number, f.state, f.plantId, f.coveredOn, f.gatheredOn, f.pollinatedOn, f.pollinatedAt,
         f.passes, f.lastPass, f.uncoveredOn, f.checkedOn
       FROM cross x JOIN flower f ON f.crossId = x.id
       WHERE x.season = ? AND x.closed = 0 AND f.coveredOn <= ? AND (f.state IN ('covered', 'gathered', 'pollinated', 'uncovered')
           OR (f.state = 'set' AND f.pollinatedOn <= ?))
       ORDER BY f.crossId, f.number`,
  ).all(season, today, ripeFrom) as FlowerUnderWay[];
  return groupBy(rows, (flower) => flower.crossId);
}

/** The tallies of a season's crosses by the flowers covered until a day; a cross without flowers has none. */
export function talliesOfSeason(db: Db, season: number, today: string): (crossId: Id) => Tally {
  const rows = prepared(
    db,
    `SELECT f.crossId, f.state, f.fault IS NOT NULL faulty, count(*) count
       FROM cross x JOIN flower f ON f.crossId = x.id WHERE x.season = ? AND f.coveredOn <= ?
       GROUP BY f.crossId, f.state, faulty`,
  ).all(season, today) as { crossId: Id; state: FlowerState; faulty: 0 | 1; count: number }[];
  const byCross = groupBy(rows, (row) => row.crossId);
  return (crossId) =>
    tally((byCross.get(crossId) ?? []).map(({ state, faulty, count }) => ({ state, fault: faulty === 1, count })));
}

export type Outcome = {
  species: string;
  lineId: Id;
  method: string | null;
  /** The clock's hour of pollination, two digits; null where it was not kept. */
  hour: string | null;
  set: number;
  failed: number;
};

/** How flowers without a fault did, by species, mother's line, method and hour: what set rates learn from. */
export function outcomes(db: Db): Outcome[] {
  return prepared(
    db,
    `SELECT ml.species, m.lineId, x.method, f.hour, sum(f."set") "set", sum(f.failed) failed
       FROM (SELECT crossId, substr(pollinatedAt, 1, 2) hour, sum(state <> 'failed') "set", sum(state = 'failed') failed
         FROM flower
         WHERE fault IS NULL
           AND (state IN ('set', 'harvested', 'failed') OR (state = 'lost' AND checkedOn IS NOT NULL))
         GROUP BY crossId, hour) f
       JOIN cross x ON x.id = f.crossId
       JOIN stand m ON m.id = x.motherStandId JOIN line ml ON ml.id = m.lineId
       GROUP BY ml.species, m.lineId, x.method, f.hour`,
  ).all() as Outcome[];
}

/** What became of one flower, and what was kept of how it was done. */
export type FlowerFate = {
  set: 0 | 1;
  method: string | null;
  species: string;
  on: string;
  at: string | null;
  males: number | null;
  bud: Stage | null;
};

/** Every flower without a fault that was pollinated and looked at, of all years. */
export function flowerFates(db: Db): FlowerFate[] {
  return prepared(
    db,
    `SELECT f.state <> 'failed' "set", x.method, l.species, f.pollinatedOn "on", f.pollinatedAt "at", f.males, f.bud
       FROM flower f JOIN cross x ON x.id = f.crossId JOIN line l ON l.id = x.lineId
       WHERE f.fault IS NULL AND f.pollinatedOn IS NOT NULL
         AND (f.state IN ('set', 'harvested', 'failed') OR (f.state = 'lost' AND f.checkedOn IS NOT NULL))`,
  ).all() as FlowerFate[];
}

/** Mothers of a season on which a flower was handled. */
export function standsWithFlowers(db: Db, season: number): Set<Id> {
  const ids = prepared(
    db,
    "SELECT DISTINCT x.motherStandId FROM cross x JOIN flower f ON f.crossId = x.id WHERE x.season = ?",
  )
    .pluck()
    .all(season) as Id[];
  return new Set(ids);
}
