import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Lot } from "../lot/lot";
import { BACKCROSSES } from "./backcrosses";

/** Where seed comes from: the plants that bore it and shed its pollen, as far as anyone knows. */
type FromSeed = {
  lotCode: string | null;
  kind: Lot["kind"] | null;
  doubt: string | null;
  /** Fathers are several, or who was mother is not sure: its candidates tell. */
  crossId: Id | null;
  lotId: Id | null;
  motherStandId: Id | null;
  motherNumber: number | null;
  fatherStandId: Id | null;
  fatherNumber: number | null;
};

/** A stand with the seed that it was sown from. */
export type Descent = FromSeed & {
  id: Id;
  code: string;
  lineId: Id;
  lineName: string;
  backcrosses: number;
  lineCode: string;
  species: string;
  season: number;
  generation: number | null;
  family: 0 | 1;
  plants: number | null;
};

const SEED = `k.code lotCode, k.kind, k.doubt, k.crossId, k.id lotId, k.motherStandId, mp.number motherNumber,
    x.fatherStandId, fp.number fatherNumber`;
const PARENTS = `LEFT JOIN cross x ON x.id = k.crossId
    LEFT JOIN plant mp ON mp.id = k.motherPlantId LEFT JOIN plant fp ON fp.id = x.fatherPlantId`;

/** Every stand that was sown up to a day, the oldest first, with where its seed comes from. */
export const descents = (db: Db, today: string): Descent[] =>
  prepared(
    db,
    `SELECT s.id, s.code, s.lineId, l.name lineName, l.code lineCode, ${BACKCROSSES}, l.species, s.season, s.generation, s.family,
         s.plants, ${SEED}
       FROM stand s JOIN line l ON l.id = s.lineId LEFT JOIN lot k ON k.id = s.lotId ${PARENTS}
       WHERE s.sown <= ? AND s.planned = 0 ORDER BY s.season, s.sown, s.code`,
  ).all(today) as Descent[];

/** How many numbered plants some stands have, and how many of them are kept. */
export const plantCounts = (db: Db, standIds: Id[]): Map<Id, { numbered: number; kept: number }> =>
  new Map(
    (
      prepared(
        db,
        `SELECT standId, count(*) numbered, sum(mark IN ('keep', 'seed-parent') AND removedOn IS NULL) kept FROM plant
           WHERE standId IN (SELECT value FROM json_each(?)) GROUP BY standId`,
      ).all(JSON.stringify(standIds)) as { standId: Id; numbered: number; kept: number }[]
    ).map((one) => [one.standId, one]),
  );

/** A lot of seed with where it comes from. */
export type SeedDescent = FromSeed & {
  id: Id;
  code: string;
  lineId: Id;
  lineName: string;
  backcrosses: number;
  generation: number | null;
  gathered: string;
};

/** Lots of a line that nothing was sown from yet, the newest first; or one lot. */
export const seedDescents = (db: Db, of: { lineId: Id } | { lotId: Id }, today: string): SeedDescent[] =>
  prepared(
    db,
    `SELECT k.id, k.code, k.lineId, l.name lineName, ${BACKCROSSES}, k.generation, k.gathered, ${SEED}
       FROM lot k JOIN line l ON l.id = k.lineId ${PARENTS}
       WHERE k.gathered <= :today AND (k.id = :lotId OR (k.lineId = :lineId AND k.endedOn IS NULL
         AND NOT EXISTS (SELECT 1 FROM stand s WHERE s.lotId = k.id AND s.planned = 0)))
       ORDER BY k.gathered DESC, k.code`,
  ).all({ today, lotId: null, lineId: null, ...of }) as SeedDescent[];

/** Who may have been a parent of a cross's or a lot's seed, where that is not one. */
export type ParentMaybe = {
  crossId: Id | null;
  lotId: Id | null;
  role: "mother" | "father";
  standId: Id | null;
  plantId: Id | null;
  number: number | null;
  share: number;
};

export const parentsMaybe = (db: Db): ParentMaybe[] =>
  prepared(
    db,
    `SELECT c.crossId, c.lotId, c.role, c.standId, c.plantId, p.number, c.share FROM candidate c LEFT JOIN plant p ON p.id = c.plantId
       WHERE c.flowerId IS NULL ORDER BY c.share DESC, c.id`,
  ).all() as ParentMaybe[];

/** The plants that something is, or that its seed is of: of a line all its stands, of a lot its mother and its father. */
export const plantsBehind = (
  db: Db,
  of: { lineId: Id } | { standId: Id } | { lotId: Id },
  today: string,
): { standId: Id; plantId: Id | null }[] =>
  prepared(
    db,
    `SELECT id standId, NULL plantId FROM stand
         WHERE (lineId = :lineId OR id = :standId) AND sown <= :today AND planned = 0
     UNION SELECT motherStandId, motherPlantId FROM lot WHERE id = :lotId AND motherStandId IS NOT NULL
     UNION SELECT x.fatherStandId, x.fatherPlantId FROM lot k JOIN cross x ON x.id = k.crossId WHERE k.id = :lotId`,
  ).all({ today, lineId: null, standId: null, lotId: null, ...of }) as { standId: Id; plantId: Id | null }[];
