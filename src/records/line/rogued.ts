import type { Id } from "@/core/custody/id";
import { SORTED_OUT } from "@/core/selection/lifting";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";

/** A stand of a line, with how many plants were looked over; and one plant that was taken out of it, with why and when. */
export type RoguedStand = {
  id: Id;
  code: string;
  season: number;
  generation: number | null;
  family: 0 | 1;
  grown: number;
};
export type TakenOut = { standId: Id; on: string; reason: string; plants: number };

/** Stands of a line that were grown up to a day, the newest last. */
export const roguedStands = (db: Db, lineId: Id, today: string): RoguedStand[] =>
  prepared(
    db,
    `SELECT s.id, s.code, s.season, s.generation, s.family,
         coalesce((SELECT nullif(count(*), 0) FROM plant p WHERE p.standId = s.id),
           (SELECT o.fit + o.small + o.large + o.split + o.odd + o.bolted + o.rotten FROM sorting o
             WHERE o.standId = s.id AND o.moment = 'lift'), s.plants, 0) grown
       FROM stand s WHERE s.lineId = ? AND s.sown <= ? AND s.planned = 0 ORDER BY s.season, s.code`,
  ).all(lineId, today) as RoguedStand[];

/** What is sorted out as not of the line: what is too small, large enough to eat or rotten says nothing of that. */
const NOT_OF_IT = (["split", "odd", "bolted"] as const).map(
  (why) => `UNION ALL SELECT s.id, o.sortedOn, '${SORTED_OUT[why].toLowerCase()}', o.${why}
       FROM stand s JOIN sorting o ON o.standId = s.id AND o.${why} > 0 WHERE s.lineId = :lineId AND s.family = 0`,
);

/** Plants taken out of a line's stands: numbered ones each with its reason, others as they were counted or sorted out. */
export const takenOutOfLine = (db: Db, lineId: Id): TakenOut[] =>
  prepared(
    db,
    `SELECT s.id standId, p.removedOn "on", p.reason, 1 plants
       FROM stand s JOIN plant p ON p.standId = s.id WHERE s.lineId = :lineId AND p.removedOn IS NOT NULL
     UNION ALL SELECT s.id, d."on", coalesce(f.reason, d.why), coalesce(f.plants, d.counted)
       FROM stand s JOIN deed d ON d.standId = s.id AND d.act = 'rogue' AND d.how = 'done' AND d.counted > 0
       LEFT JOIN found f ON f.deedId = d.id
       WHERE s.lineId = :lineId AND s.family = 0
     ${NOT_OF_IT.join("\n     ")}
     ORDER BY 2, 1`,
  ).all({ lineId }) as TakenOut[];
