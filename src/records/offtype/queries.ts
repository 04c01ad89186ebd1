import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Offtype } from "./offtype";

/** What was counted in a lot's offspring, the newest first. */
export const offtypesOf = (db: Db, lotId: Id): Offtype[] =>
  prepared(db, `SELECT * FROM offtype WHERE lotId = ? ORDER BY "on" DESC, id DESC`).all(lotId) as Offtype[];

export type CountOfOpenLot = Pick<Offtype, "plants" | "strange" | "on"> & { motherStandId: Id; season: number };

/** Counts of lots that were gathered from open flowers of a known stand, which tell how far pollen reaches. */
export const countsOfOpenLots = (db: Db): CountOfOpenLot[] =>
  prepared(
    db,
    `SELECT o.plants, o.strange, o."on", s.id motherStandId, s.season FROM offtype o
     JOIN lot k ON k.id = o.lotId JOIN stand s ON s.id = k.motherStandId
     WHERE k.kind = 'open' ORDER BY o."on", o.id`,
  ).all() as CountOfOpenLot[];
