import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Seedlook } from "./seedlook";

export const seedlooksOf = (db: Db, lotId: Id): Seedlook[] =>
  prepared(db, "SELECT * FROM seedlook WHERE lotId = ? ORDER BY seeds DESC, word").all(lotId) as Seedlook[];

/** Seeds of one plant as they were counted by a word, and whose pollen they are of, where a plant is known. */
export type SeedsOfPlant = Pick<Seedlook, "lotId" | "word" | "seeds"> & {
  code: string;
  kind: "cross" | "self" | "intercross" | "open";
  species: string;
  motherStandId: Id;
  motherPlantId: Id;
  fatherStandId: Id | null;
  fatherPlantId: Id | null;
};

/** What was counted on a yardstick in seed whose mother is known for sure; of several fathers none is told. */
export const seedsOfPlants = (db: Db, yardstickId: Id): SeedsOfPlant[] =>
  prepared(
    db,
    `SELECT o.lotId, o.word, o.seeds, k.code, k.kind, l.species, k.motherStandId, k.motherPlantId, x.fatherStandId, x.fatherPlantId
       FROM seedlook o JOIN lot k ON k.id = o.lotId JOIN line l ON l.id = k.lineId
       LEFT JOIN cross x ON x.id = k.crossId
         AND NOT EXISTS (SELECT 1 FROM candidate c WHERE c.crossId = x.id AND c.role = 'father')
       WHERE o.yardstickId = ? AND k.motherPlantId IS NOT NULL AND k.doubt IS NULL AND k.kind <> 'received'
       ORDER BY o.lotId, o.word`,
  ).all(yardstickId) as SeedsOfPlant[];
