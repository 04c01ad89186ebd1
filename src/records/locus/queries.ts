import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Locus } from "./locus";

/** How a line's yardsticks are inherited, by yardstick. */
export const lociOfLine = (db: Db, lineId: Id): Map<Id, Locus> =>
  new Map(
    (
      prepared(
        db,
        "SELECT l.* FROM locus l JOIN yardstick y ON y.id = l.yardstickId WHERE y.lineId = ? ORDER BY l.id",
      ).all(lineId) as Locus[]
    ).map((one) => [one.yardstickId, one]),
  );

export const locusOfYardstick = (db: Db, yardstickId: Id): Locus | undefined =>
  prepared(db, "SELECT * FROM locus WHERE yardstickId = ? ORDER BY id DESC LIMIT 1").get(yardstickId) as
    | Locus
    | undefined;
