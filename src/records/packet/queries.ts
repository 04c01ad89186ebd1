import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Packet } from "./packet";

/** Packets of a lot, by number. */
export const packetsOf = (db: Db, lotId: Id): Packet[] =>
  prepared(db, "SELECT * FROM packet WHERE lotId = ? ORDER BY number").all(lotId) as Packet[];

export const packetById = (db: Db, id: Id): Packet | undefined =>
  prepared(db, "SELECT * FROM packet WHERE id = ?").get(id) as Packet | undefined;
