import type { Anthers } from "@/catalogue/catalogue";
import type { Overwintering } from "@/core/flowering/forecast";
import type { Cover, FlowerCare, Harm, School } from "@/core/isolation/scene";
import type { Db } from "@/db/open";
import type { Status } from "../line/queries";

export type Stand = {
  id: number;
  code: string;
  lineId: number;
  lotId: number | null;
  bedId: number | null;
  season: number;
  generation: number | null;
  sown: string;
  sowedSeeds: number | null;
  cameUp: number | null;
  plants: number | null;
  firstFlower: string | null;
  plantedOut: string | null;
  overwinter: Overwintering | null;
  spacing: number | null;
  rowCount: number | null;
  flowers: FlowerCare;
  seedWanted: 0 | 1;
  cover: Cover | null;
  removeEvery: number | null;
  saveFrom: number | null;
  cutBack: string | null;
  version: number;
};

export type StandRow = Stand & {
  lineName: string;
  lineCode: string;
  species: string;
  school: School;
  status: Status;
  purity: number | null;
  harm: Exclude<Harm, "wild">;
  anthers: Anthers;
  motherLineId: number | null;
  fatherLineId: number | null;
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
    l.motherLineId, l.fatherLineId, k.code lotCode,
    b.name bedName, b.x, b.y, b.width, b.length, b.turn, b.outside,
    (SELECT count(*) FROM plant p WHERE p.standId = s.id) numbered
  FROM stand s JOIN line l ON l.id = s.lineId
  LEFT JOIN lot k ON k.id = s.lotId LEFT JOIN bed b ON b.id = s.bedId`;

export function standById(db: Db, id: number): StandRow | undefined {
  return db.prepare(`${SELECT} WHERE s.id = ?`).get(id) as StandRow | undefined;
}

export function standsOfSeason(db: Db, season: number): StandRow[] {
  return db.prepare(`${SELECT} WHERE s.season = ? ORDER BY l.name, s.code`).all(season) as StandRow[];
}

export function standsOfLine(db: Db, lineId: number): StandRow[] {
  return db.prepare(`${SELECT} WHERE s.lineId = ? ORDER BY s.season DESC, s.code`).all(lineId) as StandRow[];
}

/** Stands whose plants are numbered, newest season first. */
export function families(db: Db): StandRow[] {
  return db.prepare(`${SELECT} WHERE s.code GLOB 'F*' ORDER BY s.season DESC, l.name, s.code`).all() as StandRow[];
}

/** Seasons that have stands, newest first. */
export function seasonsWithStands(db: Db): number[] {
  return db.prepare("SELECT DISTINCT season FROM stand ORDER BY season DESC").pluck().all() as number[];
}
