import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { BACKCROSSES } from "../line/backcrosses";
import type { Line } from "../line/line";
import type { Stand } from "./stand";

/** Of a stand's line, as every screen needs it beside the stand. */
type OfLine = Pick<
  Line,
  "species" | "school" | "status" | "purity" | "harm" | "anthers" | "motherLineId" | "fatherLineId"
>;

export type StandRow = Stand &
  OfLine & {
    lineName: string;
    lineCode: string;
    backcrosses: number;
    lotCode: string | null;
    bedName: string | null;
    x: number | null;
    y: number | null;
    width: number | null;
    length: number | null;
    turn: number | null;
    outside: 0 | 1 | null;
    /** Plants with a number of their own. */
    numbered: number;
  };

const SELECT = `SELECT s.*, l.name lineName, l.code lineCode, l.species, l.school, l.status, l.purity, l.harm, l.anthers,
    l.motherLineId, l.fatherLineId, ${BACKCROSSES}, k.code lotCode,
    b.name bedName, b.x, b.y, b.width, b.length, b.turn, b.outside,
    (SELECT count(*) FROM plant p WHERE p.standId = s.id) numbered
  FROM stand s JOIN line l ON l.id = s.lineId
  LEFT JOIN lot k ON k.id = s.lotId LEFT JOIN bed b ON b.id = s.bedId`;

export function standById(db: Db, id: Id): StandRow | undefined {
  return prepared(db, `${SELECT} WHERE s.id = ?`).get(id) as StandRow | undefined;
}

export function standByCode(db: Db, code: string): StandRow | undefined {
  return prepared(db, `${SELECT} WHERE s.code = ?`).get(code) as StandRow | undefined;
}

/** Every stand of every season. */
export function allStands(db: Db): StandRow[] {
  return prepared(db, `${SELECT} ORDER BY s.season, s.code`).all() as StandRow[];
}

/** How many plants of a stand carry numbers. */
export function numberedPlants(db: Db, id: Id): number {
  return prepared(db, "SELECT count(*) FROM plant WHERE standId = ?").pluck().get(id) as number;
}

export function standsOfSeason(db: Db, season: number): StandRow[] {
  return prepared(db, `${SELECT} WHERE s.season = ? ORDER BY l.name, s.code`).all(season) as StandRow[];
}

export function standsOfLine(db: Db, lineId: Id): StandRow[] {
  return prepared(db, `${SELECT} WHERE s.lineId = ? ORDER BY s.season DESC, s.code`).all(lineId) as StandRow[];
}

/** Sowings that are planned of some lots. */
export const plannedOfLots = (db: Db, lotIds: Id[]): { code: string; lineName: string }[] =>
  prepared(
    db,
    `SELECT s.code, l.name lineName FROM stand s JOIN line l ON l.id = s.lineId
       WHERE s.planned = 1 AND s.endedOn IS NULL AND s.lotId IN (SELECT value FROM json_each(?)) ORDER BY s.code`,
  ).all(JSON.stringify(lotIds)) as { code: string; lineName: string }[];

/** The codes of a line's other plantings of a season or later that go on. */
export const othersGrowing = (db: Db, { id, lineId, season }: StandRow): string[] =>
  prepared(
    db,
    "SELECT code FROM stand WHERE lineId = ? AND season >= ? AND id <> ? AND endedOn IS NULL AND planned = 0 ORDER BY code",
  )
    .pluck()
    .all(lineId, season, id) as string[];

/** Families of the same line, season and generation beside one. */
export const sistersOf = (db: Db, { id, lineId, season, generation }: StandRow): StandRow[] =>
  prepared(
    db,
    // Parts of one line are sisters too: they are kept apart to be compared.
    `${SELECT} WHERE s.lineId IN (SELECT part.id FROM line own JOIN line part
         ON coalesce(part.subOfId, part.id) = coalesce(own.subOfId, own.id) WHERE own.id = ?)
       AND s.season = ? AND s.generation IS ? AND s.family = 1 AND s.planned = 0 AND s.id <> ?
       ORDER BY s.code`,
  ).all(lineId, season, generation, id) as StandRow[];

/** Stands whose plants are numbered, newest season first. */
export function families(db: Db): StandRow[] {
  return prepared(db, `${SELECT} WHERE s.family = 1 ORDER BY s.season DESC, l.name, s.code`).all() as StandRow[];
}

/** Seasons that have stands, newest first. */
export function seasonsWithStands(db: Db): number[] {
  return prepared(db, "SELECT DISTINCT season FROM stand ORDER BY season DESC").pluck().all() as number[];
}

/** What was sown of a line for one season and generation, or is planned to be. */
export type GrownOfLine = {
  lineId: Id;
  generation: number | null;
  season: number;
  planned: 0 | 1;
  stands: number;
  /** The first of them, by its code. */
  code: string;
  bedId: Id | null;
  family: 0 | 1;
  sown: string;
  plants: number;
  wanted: number;
  kept: number;
  removed: number;
  /** How many of them have not ended, and how many were lost. */
  standing: number;
  lost: number;
  /** Those whose flowers may give seed of their own. */
  forSeed: number;
};

/** Of every line what was sown and is planned, season by season. */
export const grownOfLines = (db: Db): GrownOfLine[] =>
  prepared(
    db,
    `SELECT s.lineId, s.generation, s.season, s.planned, count(*) stands, min(s.code) code, min(s.bedId) bedId, max(s.family) family, min(s.sown) sown,
         sum(coalesce(p.numbered, s.plants, 0)) plants, sum(coalesce(s.wanted, 0)) wanted, sum(coalesce(p.kept, 0)) kept,
         sum(coalesce(p.removed, 0)) removed, sum(s.endedOn IS NULL) standing, sum(coalesce(s.ending = 'lost', 0)) lost,
         sum(s.endedOn IS NULL AND s.seedWanted = 1 AND s.flowers <> 'removed') forSeed
       FROM stand s
       LEFT JOIN (SELECT standId, count(*) numbered, sum(mark IN ('keep', 'seed-parent') AND removedOn IS NULL) kept,
                         sum(removedOn IS NOT NULL) removed
                  FROM plant GROUP BY standId) p ON p.standId = s.id
       GROUP BY s.lineId, s.generation, s.season, s.planned ORDER BY s.season, s.generation`,
  ).all() as GrownOfLine[];

/** What stood in beds: whatever was sown or planned there and did not fail. */
export type BedCrop = Pick<StandRow, "id" | "season" | "species" | "lineName"> & { bedId: Id };

export const bedCrops = (db: Db): BedCrop[] =>
  prepared(
    db,
    `SELECT s.id, s.season, s.bedId, l.species, l.name lineName FROM stand s JOIN line l ON l.id = s.lineId
       WHERE s.bedId IS NOT NULL ORDER BY s.season DESC, s.code`,
  ).all() as BedCrop[];

/** The code of the stand that a stand's plants live on in; undefined where they do not. */
export const standGoingOn = (db: Db, id: Id): string | undefined =>
  prepared(db, "SELECT code FROM stand WHERE continuesId = ?").pluck().get(id) as string | undefined;

/** A sowing as its counts tell of it, for what raising its line loses. */
export type RaisedStand = Pick<
  Stand,
  "lineId" | "sownIn" | "plants" | "spare" | "perCell" | "wanted" | "overwinter"
> & {
  species: string;
  sowedSeeds: number;
  cameUp: number;
};

/** All sowings until a day of which it was counted what came up. */
export const raisedStands = (db: Db, until: string): RaisedStand[] =>
  prepared(
    db,
    `SELECT s.lineId, s.sownIn, s.plants, s.spare, s.perCell, s.wanted, s.overwinter, l.species, s.sowedSeeds, s.cameUp
       FROM stand s JOIN line l ON l.id = s.lineId
       WHERE s.planned = 0 AND s.cameUp IS NOT NULL AND s.sowedSeeds IS NOT NULL AND s.sown <= ?`,
  ).all(until) as RaisedStand[];

/** A sowing of which it was counted what came up. */
export type Sowing = {
  id: Id;
  code: string;
  family: 0 | 1;
  season: number;
  lineName: string;
  lotId: Id | null;
  lotCode: string | null;
  lotKind: string | null;
  sown: string;
  upOn: string | null;
  seeds: number;
  up: number;
};

/** Sowings of a species of which it was counted what came up, the newest first. */
export const sowingsOf = (db: Db, species: string, until: string): Sowing[] =>
  prepared(
    db,
    `SELECT s.id, s.code, s.family, s.season, l.name lineName, s.lotId, k.code lotCode, k.kind lotKind, s.sown, s.upOn, s.sowedSeeds seeds,
       s.cameUp up
     FROM stand s JOIN line l ON l.id = s.lineId LEFT JOIN lot k ON k.id = s.lotId
     WHERE l.species = ? AND s.planned = 0 AND s.cameUp IS NOT NULL AND s.sowedSeeds IS NOT NULL AND s.sown <= ?
     ORDER BY s.sown DESC, s.id LIMIT 400`,
  ).all(species, until) as Sowing[];

/** The day on which each line was sown last, what is only planned or was lost left out. */
export const lastSowings = (db: Db): Map<Id, string> =>
  new Map(
    prepared(
      db,
      "SELECT lineId, max(sown) FROM stand WHERE planned = 0 AND coalesce(ending, '') <> 'lost' GROUP BY lineId",
    )
      .raw()
      .all() as [Id, string][],
  );

/** Seeds that a lot's sowings gave, where both were counted: those sown, and those of the lots that came of them. */
export const seedReturn = (db: Db, lineId: Id): { sown: number; given: number } =>
  prepared(
    db,
    `SELECT coalesce(sum(s.sowedSeeds), 0) sown, coalesce(sum(g.given), 0) given FROM stand s
     JOIN (SELECT motherStandId, sum(seeds) given FROM lot WHERE seeds IS NOT NULL GROUP BY motherStandId) g
       ON g.motherStandId = s.id
     WHERE s.lineId = ? AND s.sowedSeeds IS NOT NULL`,
  ).get(lineId) as { sown: number; given: number };
