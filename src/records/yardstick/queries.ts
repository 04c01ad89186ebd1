import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";

/** The place behind a line's last yardstick. */
export function nextPosition(db: Db, lineId: Id): number {
  return prepared(db, "SELECT coalesce(max(position), 0) + 1 FROM yardstick WHERE lineId = ?")
    .pluck()
    .get(lineId) as number;
}

/** Whether a line has another yardstick of a name. */
export function hasYardstick(db: Db, lineId: Id, name: string, but: Id): boolean {
  return (
    prepared(db, "SELECT 1 FROM yardstick WHERE lineId = ? AND name = ? AND id <> ?").get(lineId, name, but) !==
    undefined
  );
}
