import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { BACKCROSSES } from "../line/backcrosses";
import type { Line } from "../line/line";
import type { Lot } from "./lot";

export type LotRow = Lot & {
  lineName: string;
  lineCode: string;
  backcrosses: number;
  species: string;
  crossCode: string | null;
  motherCode: string | null;
  motherNumber: number | null;
  /** Seeds sown from it so far, and into how many stands. */
  sowedSeeds: number;
  sowings: number;
  /** Seeds that went into germination tests, and those given away. */
  testedSeeds: number;
  givenSeeds: number;
  /** Those put together with others. */
  bulkedSeeds: number;
};

const SHORT = [
  ...(["id", "version", "code", "lineId", "generation", "gathered", "fruits", "seeds", "mass"] as const),
  ...(["doubt", "reserve", "motherPlantId"] as const),
];
const SUMS = ["sowedSeeds", "testedSeeds", "givenSeeds", "bulkedSeeds"] as const;

/** What of a lot tells how much is left of it and how alive that is. */
export type LotInShort = Pick<
  LotRow,
  (typeof SHORT)[number] | (typeof SUMS)[number] | "lineName" | "lineCode" | "species" | "backcrosses"
>;

/** What left lots is summed over all of them at once, or for the one that is named. */
const left = (
  of: string,
) => `LEFT JOIN (SELECT lotId, sum(sowedSeeds) sowedSeeds, count(*) sowings FROM stand ${of} GROUP BY lotId) w
    ON w.lotId = k.id
  LEFT JOIN (SELECT lotId, sum(sown) testedSeeds FROM test ${of} GROUP BY lotId) t ON t.lotId = k.id
  LEFT JOIN (SELECT lotId, sum(seeds) givenSeeds FROM packet WHERE goneOn IS NOT NULL${of.replace("WHERE", " AND")} GROUP BY lotId) g
    ON g.lotId = k.id
  LEFT JOIN (SELECT fromId, sum(seeds) bulkedSeeds FROM part ${of.replace("lotId", "fromId")} GROUP BY fromId) b
    ON b.fromId = k.id`;

const select = (
  of: string,
) => `SELECT k.*, l.name lineName, l.code lineCode, l.species, ${BACKCROSSES}, x.code crossCode, s.code motherCode,
    p.number motherNumber, coalesce(w.sowedSeeds, 0) sowedSeeds, coalesce(w.sowings, 0) sowings,
    coalesce(t.testedSeeds, 0) testedSeeds, coalesce(g.givenSeeds, 0) givenSeeds, coalesce(b.bulkedSeeds, 0) bulkedSeeds
  FROM lot k JOIN line l ON l.id = k.lineId ${left(of)}
  LEFT JOIN cross x ON x.id = k.crossId LEFT JOIN stand s ON s.id = k.motherStandId
  LEFT JOIN plant p ON p.id = k.motherPlantId`;

export function lotById(db: Db, id: Id): LotRow | undefined {
  return prepared(db, `${select("WHERE lotId = :id")} WHERE k.id = :id`).get({ id }) as LotRow | undefined;
}

export function lotByCode(db: Db, code: string): LotRow | undefined {
  const id = prepared(db, "SELECT id FROM lot WHERE code = ?").pluck().get(code) as Id | undefined;
  return id === undefined ? undefined : lotById(db, id);
}

/** Lots that lie in a vessel: one, unless two copies of a garden say differently. */
export const lotsIn = (db: Db, vesselId: Id): Pick<Lot, "id" | "code">[] =>
  prepared(db, "SELECT id, code FROM lot WHERE vesselId = ? AND endedOn IS NULL").all(vesselId) as Pick<
    Lot,
    "id" | "code"
  >[];

/** The numbers of the plants that plantings of a season were sown from, by planting. */
export const mothersSownFrom = (db: Db, season: number): Map<Id, number> =>
  new Map(
    prepared(
      db,
      `SELECT s.id, p.number FROM stand s JOIN lot k ON k.id = s.lotId JOIN plant p ON p.id = k.motherPlantId
         WHERE s.season = ?`,
    )
      .raw()
      .all(season) as [Id, number][],
  );

/** Lots of a stand's plants that lie in the drawer, each with its mother's number. */
export const lotsOfMothers = (db: Db, standId: Id): LotRow[] =>
  prepared(
    db,
    `${select("WHERE lotId IS NOT NULL")} WHERE k.motherStandId = ? AND k.motherPlantId IS NOT NULL AND k.endedOn IS NULL
       AND k.onTable = 0 ORDER BY p.number, k.id`,
  ).all(standId) as LotRow[];

/** Lots of one cross, newest first. */
export function lotsOfCross(db: Db, crossId: Id): LotRow[] {
  return prepared(
    db,
    `${select("WHERE lotId IS NOT NULL")} WHERE k.crossId = ? ORDER BY k.gathered DESC, k.id DESC`,
  ).all(crossId) as LotRow[];
}

/** A line with the code and generation of its newest seed. */
export type WaitingLine = Pick<
  LotRow,
  "lineId" | "lineName" | "lineCode" | "species" | "generation" | "backcrosses"
> & {
  school: Line["school"];
  lotCode: string;
  gathered: string;
};

/** Lines that go on, with their newest seed, of which nothing stands or is planned in a season or the one after; what was lost is sown again. */
export const notSown = (db: Db, season: number): WaitingLine[] =>
  prepared(
    db,
    // Beside a maximum SQLite gives the columns of its row.
    `SELECT l.id lineId, l.name lineName, l.code lineCode, l.species, l.school, k.generation, ${BACKCROSSES}, k.code lotCode,
         max(k.gathered) gathered
       FROM line l JOIN lot k ON k.lineId = l.id
       WHERE l.endedOn IS NULL
         AND k.doubt IS NULL AND k.endedOn IS NULL
         AND NOT EXISTS (SELECT 1 FROM stand s WHERE s.lineId = l.id AND s.season IN (:season, :season + 1)
           AND coalesce(s.ending, '') <> 'lost')
       GROUP BY l.id ORDER BY gathered, l.name`,
  ).all({ season }) as WaitingLine[];

/** Lines of which seed lies on the table. */
export const linesOnTable = (db: Db): Set<Id> =>
  new Set(prepared(db, "SELECT DISTINCT lineId FROM lot WHERE onTable = 1 AND endedOn IS NULL").pluck().all() as Id[]);

/** The newest day on which seed of each line was gathered. */
export function newestSeed(db: Db): Map<Id, string> {
  const rows = prepared(db, "SELECT lineId, max(gathered) FROM lot GROUP BY lineId").raw().all() as [Id, string][];
  return new Map(rows);
}

const inShort = (
  where: string,
  of = "IS NOT NULL",
) => `SELECT ${SHORT.map((name) => `k.${name}`)}, l.name lineName, l.code lineCode, l.species,
    ${BACKCROSSES}, ${SUMS.map((sum) => `coalesce(${sum}, 0) ${sum}`)}
  FROM lot k JOIN line l ON l.id = k.lineId ${left(`WHERE lotId ${of}`)}
  WHERE k.endedOn IS NULL ${where}`;

/** Lots that are not ended, newest first. */
export const openLots = (db: Db): LotInShort[] =>
  prepared(db, `${inShort("")} ORDER BY k.gathered DESC, k.id DESC`).all() as LotInShort[];

/** Those that lie in the drawer: not on the table, and of lines that go on. */
export const drawerLots = (db: Db): LotInShort[] =>
  prepared(
    db,
    `${inShort("AND k.onTable = 0 AND l.endedOn IS NULL")} ORDER BY k.gathered DESC, k.id DESC`,
  ).all() as LotInShort[];

/** Those of a line by a day of which nothing is doubted, what was gathered of one stand first, then the newest. */
export const lotsFor = (db: Db, lineId: Id, standId: Id, by: string): LotInShort[] =>
  prepared(
    db,
    `${inShort("AND k.lineId = :lineId AND k.gathered <= :by AND k.doubt IS NULL", "IN (SELECT id FROM lot WHERE lineId = :lineId)")}
     ORDER BY coalesce(k.motherStandId = :standId, 0) DESC, k.gathered DESC, k.id DESC`,
  ).all({ lineId, standId, by }) as LotInShort[];

/** Everything of some lots, by their ids. */
export function lotsById(db: Db, ids: Id[]): Map<Id, LotRow> {
  const among = "IN (SELECT value FROM json_each(:ids))";
  const rows = prepared(db, `${select(`WHERE lotId ${among}`)} WHERE k.id ${among}`).all({
    ids: JSON.stringify(ids),
  }) as LotRow[];
  return new Map(rows.map((row) => [row.id, row]));
}

/** Lots that sowings still ahead are to be sown of. */
export const lotsToSow = (db: Db, today: string): Pick<LotRow, "id" | "species" | "gathered">[] =>
  prepared(
    db,
    `SELECT DISTINCT k.id, l.species, k.gathered FROM stand s JOIN lot k ON k.id = s.lotId JOIN line l ON l.id = k.lineId
       WHERE s.planned = 1 OR s.sown > ?`,
  ).all(today) as Pick<LotRow, "id" | "species" | "gathered">[];

/** Lots on the table, the oldest first. */
export const lotsOnTable = (db: Db): LotRow[] =>
  prepared(
    db,
    `${select("WHERE lotId IN (SELECT id FROM lot WHERE onTable = 1)")} WHERE k.onTable = 1 AND k.endedOn IS NULL
       ORDER BY k.gathered, k.id`,
  ).all() as LotRow[];

/** Lots, newest first; those of one line when it is named. */
export function lots(db: Db, lineId: Id | null, limit: number): LotRow[] {
  return prepared(
    db,
    `${select("WHERE lotId IS NOT NULL")} WHERE :line IS NULL OR k.lineId = :line ORDER BY k.gathered DESC, k.id DESC LIMIT :limit`,
  ).all({ line: lineId, limit }) as LotRow[];
}

/**
 * Stands of a season that their own seed was saved of, as often as it was wanted. Fruit of a cross with another line is not theirs.
 */
export function standsWithSeed(db: Db, season: number): Set<Id> {
  const ids = prepared(
    db,
    `SELECT DISTINCT k.motherStandId FROM stand s JOIN lot k ON k.motherStandId = s.id
       WHERE s.season = ? AND (k.crossId IS NULL OR k.lineId = s.lineId)
         AND (s.passesWanted IS NULL OR s.releasedOn IS NOT NULL OR NOT EXISTS (SELECT 1 FROM pick p WHERE p.lotId = k.id)
           OR (SELECT count(DISTINCT p."on") FROM pick p WHERE p.standId = s.id AND p.verdict = 'matches') >= s.passesWanted)`,
  )
    .pluck()
    .all(season) as Id[];
  return new Set(ids);
}
