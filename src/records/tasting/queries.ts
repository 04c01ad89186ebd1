import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { BACKCROSSES } from "../line/backcrosses";
import type { BiteRow, Serving, Tasting } from "./tasting";

export const tastingById = (db: Db, id: Id): Tasting | undefined =>
  prepared(db, "SELECT * FROM tasting WHERE id = ?").get(id) as Tasting | undefined;

/** The tastings of a stand, the last first. */
export const tastingsOf = (db: Db, standId: Id): Tasting[] =>
  prepared(db, "SELECT * FROM tasting WHERE standId = ? ORDER BY heldOn DESC, id DESC").all(standId) as Tasting[];

/** A tasting that is not closed yet: of what, and how much of it was tasted. */
export type OpenTasting = Pick<Tasting, "id" | "heldOn" | "tasters"> & {
  code: string;
  lineName: string;
  generation: number | null;
  backcrosses: number;
  yardstick: string;
  /** Servings, each for every taster; and scores given. */
  servings: number;
  tasted: number;
};

/** Tastings that are open on a day, the earliest first. */
export const openTastings = (db: Db, today: Day): OpenTasting[] =>
  prepared(
    db,
    `SELECT t.id, t.heldOn, t.tasters, s.code, l.name lineName, s.generation, ${BACKCROSSES}, y.name yardstick,
         (SELECT count(*) FROM serving v WHERE v.tastingId = t.id) servings,
         (SELECT count(*) FROM bite b JOIN serving v ON v.id = b.servingId WHERE v.tastingId = t.id) tasted
       FROM tasting t JOIN stand s ON s.id = t.standId JOIN line l ON l.id = s.lineId
       JOIN yardstick y ON y.id = t.yardstickId
       WHERE t.closedOn IS NULL AND t.heldOn <= ? ORDER BY t.heldOn, t.id`,
  ).all(today) as OpenTasting[];

/** What is served, in the order of its codes. */
export type ServedPlant = Serving & { plantNumber: number; standCode: string };

export const servingsOf = (db: Db, tastingId: Id): ServedPlant[] =>
  prepared(
    db,
    `SELECT v.*, p.number plantNumber, s.code standCode FROM serving v JOIN plant p ON p.id = v.plantId
       JOIN stand s ON s.id = p.standId WHERE v.tastingId = ? ORDER BY v.code`,
  ).all(tastingId) as ServedPlant[];

export const bitesOf = (db: Db, tastingId: Id): BiteRow[] =>
  prepared(
    db,
    `SELECT b.* FROM bite b JOIN serving v ON v.id = b.servingId WHERE v.tastingId = ? ORDER BY v.code, b.taster`,
  ).all(tastingId) as BiteRow[];

export const servingByCode = (db: Db, tastingId: Id, code: string): Serving | undefined =>
  prepared(db, "SELECT * FROM serving WHERE tastingId = ? AND code = ?").get(tastingId, code) as Serving | undefined;

export const biteOf = (db: Db, servingId: Id, taster: number): BiteRow | undefined =>
  prepared(db, "SELECT * FROM bite WHERE servingId = ? AND taster = ?").get(servingId, taster) as BiteRow | undefined;

/** How many tasters the tasting of a serving has. */
export const tastersOf = (db: Db, servingId: Id): number | undefined =>
  prepared(db, "SELECT t.tasters FROM serving v JOIN tasting t ON t.id = v.tastingId WHERE v.id = ?")
    .pluck()
    .get(servingId) as number | undefined;
