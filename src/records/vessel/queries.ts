import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Move, Vessel } from "./vessel";

/** A vessel with the lot in it, and the newest that was in it and not cleaned away. */
export type VesselRow = Vessel & {
  lotId: Id | null;
  lotCode: string | null;
  soiledId: Id | null;
  soiledCode: string | null;
};

const select = `SELECT v.*, k.id lotId, k.code lotCode, d.id soiledId, d.code soiledCode FROM vessel v
  LEFT JOIN lot k ON k.vesselId = v.id AND k.endedOn IS NULL
  LEFT JOIN lot d ON d.id = (SELECT m.lotId FROM move m WHERE m.toVesselId = v.id AND m.cleanedOn IS NULL
    ORDER BY m."on" DESC, m.id DESC LIMIT 1)`;

export const vesselById = (db: Db, id: Id): VesselRow | undefined =>
  prepared(db, `${select} WHERE v.id = ?`).get(id) as VesselRow | undefined;

export const vesselByCode = (db: Db, code: string): VesselRow | undefined =>
  prepared(db, `${select} WHERE v.code = ?`).get(code) as VesselRow | undefined;

/** Every vessel in use, by kind and name. */
export const vessels = (db: Db): VesselRow[] =>
  prepared(db, `${select} WHERE v.endedOn IS NULL ORDER BY v.kind, v.name, v.id`).all() as VesselRow[];

/** Moves into a vessel of which something may be left in it. */
export const leftBehindIn = (db: Db, vesselId: Id): Move[] =>
  prepared(db, 'SELECT * FROM move WHERE toVesselId = ? AND cleanedOn IS NULL ORDER BY "on", id').all(
    vesselId,
  ) as Move[];

/** A move with the names of its vessels. */
export type MoveRow = Move & { fromName: string | null; toName: string | null };

/** A lot's way, the first move first. */
export const movesOf = (db: Db, lotId: Id): MoveRow[] =>
  prepared(
    db,
    `SELECT m.*, f.name fromName, t.name toName FROM move m LEFT JOIN vessel f ON f.id = m.fromVesselId
     LEFT JOIN vessel t ON t.id = m.toVesselId WHERE m.lotId = ? ORDER BY m."on", coalesce(m.at, ''), m.id`,
  ).all(lotId) as MoveRow[];
