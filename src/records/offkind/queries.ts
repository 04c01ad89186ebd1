import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Offkind } from "./offkind";

export const offkindsOf = (db: Db, lineId: Id): Offkind[] =>
  prepared(db, "SELECT * FROM offkind WHERE lineId = ? ORDER BY name, id").all(lineId) as Offkind[];

/** Whether a line has another kind of off-type of a name. */
export const hasOffkind = (db: Db, lineId: Id, name: string, but: Id): boolean =>
  prepared(db, "SELECT 1 FROM offkind WHERE lineId = ? AND name = ? AND id <> ?").get(lineId, name, but) !== undefined;
