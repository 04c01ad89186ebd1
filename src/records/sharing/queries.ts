import type { Bred } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { BACKCROSSES } from "../line/backcrosses";
import type { Member, Offer, Sharing, WishRow } from "./sharing";

export const sharings = (db: Db): Sharing[] =>
  prepared(db, 'SELECT * FROM sharing ORDER BY "on" DESC, id DESC').all() as Sharing[];

export const sharingById = (db: Db, id: Id): Sharing | undefined =>
  prepared(db, "SELECT * FROM sharing WHERE id = ?").get(id) as Sharing | undefined;

/** Members who have not left, by name. */
export const members = (db: Db): Member[] =>
  prepared(db, "SELECT * FROM member WHERE endedOn IS NULL ORDER BY name, id").all() as Member[];

/** An offer with what it is of. */
export type OfferRow = Offer & { lotCode: string; lineName: string; species: string } & Bred;

export const offersOf = (db: Db, sharingId: Id): OfferRow[] =>
  prepared(
    db,
    `SELECT o.*, k.code lotCode, l.name lineName, l.species, k.generation, ${BACKCROSSES} FROM offer o JOIN lot k ON k.id = o.lotId
     JOIN line l ON l.id = k.lineId WHERE o.sharingId = ? ORDER BY l.name, k.code`,
  ).all(sharingId) as OfferRow[];

/** A wish with whose it is and what of. */
export type WishOf = WishRow & { memberName: string; lotCode: string; lineName: string };

export const wishesOf = (db: Db, sharingId: Id): WishOf[] =>
  prepared(
    db,
    `SELECT w.*, m.name memberName, k.code lotCode, l.name lineName FROM wish w JOIN member m ON m.id = w.memberId
     JOIN lot k ON k.id = w.lotId JOIN line l ON l.id = k.lineId
     WHERE w.sharingId = ? ORDER BY m.name, w.memberId, w.rank`,
  ).all(sharingId) as WishOf[];

/** Seeds that are promised of a lot on days that are not over yet; or on all but one of them. */
export const promised = (db: Db, lotId: Id, but: Id | null = null): number =>
  prepared(
    db,
    `SELECT coalesce(sum(o.packets * o.each), 0) FROM offer o JOIN sharing s ON s.id = o.sharingId
     WHERE o.lotId = :lotId AND s.closedOn IS NULL AND (:but IS NULL OR o.id <> :but)`,
  )
    .pluck()
    .get({ lotId, but }) as number;
