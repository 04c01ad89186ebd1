import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { BACKCROSSES } from "../line/backcrosses";
import type { CrossKind } from "./cross";

/** A cross with what became of its flowers, as a line of the cross book. */
export type BookRow = {
  id: Id;
  code: string;
  season: number;
  kind: CrossKind;
  species: string;
  line: string;
  lineId: Id;
  generation: number | null;
  backcrosses: number;
  method: string | null;
  motherLineId: Id;
  motherName: string;
  motherNumber: number | null;
  fatherLineId: Id;
  fatherName: string;
  fatherNumber: number | null;
  moreFathers: number;
  wanted: number;
  closed: 0 | 1;
  note: string;
  covered: number;
  pollinated: number;
  set: number;
  doubtful: number;
  lost: number;
  waiting: number;
  first: string | null;
  last: string | null;
  lots: number;
  seeds: number | null;
};

const ENTRIES = `SELECT x.id, x.code, x.season, x.kind, l.species, l.name line, x.lineId, x.generation, ${BACKCROSSES}, x.method,
    ml.id motherLineId, ml.name motherName, mp.number motherNumber,
    fl.id fatherLineId, fl.name fatherName, fp.number fatherNumber,
    (SELECT count(*) FROM candidate c WHERE c.crossId = x.id AND c.role = 'father') moreFathers,
    x.fruitsWanted wanted, x.closed, x.note,
    coalesce(w.covered, 0) covered, coalesce(w.pollinated, 0) pollinated, coalesce(w."set", 0) "set",
    coalesce(w.doubtful, 0) doubtful, coalesce(w.lost, 0) lost, coalesce(w.waiting, 0) waiting, w.first, w.last,
    coalesce(k.lots, 0) lots, k.seeds
  FROM cross x JOIN line l ON l.id = x.lineId
  JOIN stand m ON m.id = x.motherStandId JOIN line ml ON ml.id = m.lineId
  JOIN stand f ON f.id = x.fatherStandId JOIN line fl ON fl.id = f.lineId
  LEFT JOIN plant mp ON mp.id = x.motherPlantId LEFT JOIN plant fp ON fp.id = x.fatherPlantId
  LEFT JOIN (SELECT crossId, count(*) covered, sum(pollinatedOn IS NOT NULL) pollinated,
      sum(state IN ('set', 'harvested') AND fault IS NULL) "set",
      sum(fault IS NOT NULL AND state NOT IN ('unusable', 'failed', 'lost')) doubtful,
      sum(state IN ('unusable', 'failed', 'lost')) lost,
      sum(state IN ('covered', 'gathered', 'pollinated', 'uncovered') AND fault IS NULL) waiting,
      min(pollinatedOn) first, max(pollinatedOn) last
    FROM flower GROUP BY crossId) w ON w.crossId = x.id
  LEFT JOIN (SELECT crossId, count(*) lots, sum(seeds) seeds FROM lot WHERE doubt IS NULL AND crossId IS NOT NULL
    GROUP BY crossId) k ON k.crossId = x.id
  ORDER BY x.season DESC, x.code DESC`;

/** Every cross with what became of it, the newest first. */
export const bookEntries = (db: Db): BookRow[] => prepared(db, ENTRIES).all() as BookRow[];
