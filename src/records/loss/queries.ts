import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";

/** Reasons that are no off-types of a line. */
export const lossesOf = (db: Db, lineId: Id): Set<string> =>
  new Set(prepared(db, "SELECT reason FROM loss WHERE lineId = ?").pluck().all(lineId) as string[]);

/** Whether a line has another entry of a reason. */
export const hasLoss = (db: Db, lineId: Id, reason: string, but: Id): boolean =>
  prepared(db, "SELECT 1 FROM loss WHERE lineId = ? AND reason = ? AND id <> ?").get(lineId, reason, but) !== undefined;
