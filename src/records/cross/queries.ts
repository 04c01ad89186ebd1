import type { Anthers } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { BACKCROSSES } from "../line/backcrosses";
import type { Cross } from "./cross";

export type CrossRow = Cross & {
  lineName: string;
  backcrosses: number;
  motherCode: string;
  motherName: string;
  motherLineId: Id;
  motherBedId: Id | null;
  motherBed: string | null;
  motherNumber: number | null;
  motherAnthers: Anthers;
  fatherCode: string;
  fatherName: string;
  fatherLineId: Id;
  fatherBedId: Id | null;
  fatherBed: string | null;
  fatherNumber: number | null;
  /** Fathers beside the first, whose pollen is mixed in. */
  moreFathers: number;
  species: string;
  motherSown: string;
};

const SELECT = `SELECT x.*, l.name lineName, l.species, ${BACKCROSSES},
    m.code motherCode, ml.name motherName, m.lineId motherLineId, m.bedId motherBedId, mb.name motherBed,
    mp.number motherNumber, ml.anthers motherAnthers,
    f.code fatherCode, fl.name fatherName, f.lineId fatherLineId, f.bedId fatherBedId, fb.name fatherBed,
    fp.number fatherNumber,
    (SELECT count(*) FROM candidate c WHERE c.crossId = x.id AND c.role = 'father') moreFathers,
    m.sown motherSown
  FROM cross x JOIN line l ON l.id = x.lineId
  JOIN stand m ON m.id = x.motherStandId JOIN line ml ON ml.id = m.lineId
  JOIN stand f ON f.id = x.fatherStandId JOIN line fl ON fl.id = f.lineId
  LEFT JOIN bed mb ON mb.id = m.bedId LEFT JOIN bed fb ON fb.id = f.bedId
  LEFT JOIN plant mp ON mp.id = x.motherPlantId LEFT JOIN plant fp ON fp.id = x.fatherPlantId`;

export function crossById(db: Db, id: Id): CrossRow | undefined {
  return prepared(db, `${SELECT} WHERE x.id = ?`).get(id) as CrossRow | undefined;
}

export function crossesOfSeason(db: Db, season: number): CrossRow[] {
  return prepared(db, `${SELECT} WHERE x.season = ? ORDER BY x.closed, x.code`).all(season) as CrossRow[];
}

/** Stands of a season that are the mother of a cross. */
export const mothersOfSeason = (db: Db, season: number): Set<Id> =>
  new Set(prepared(db, "SELECT DISTINCT motherStandId FROM cross WHERE season = ?").pluck().all(season) as Id[]);

/** Lines that a cross of a season or later is to give, or gives, seed of. */
export const linesCrossed = (db: Db, season: number): Set<Id> =>
  new Set(
    prepared(db, "SELECT DISTINCT lineId FROM cross WHERE season >= ? AND closed = 0").pluck().all(season) as Id[],
  );

/** Every season that has crosses, newest first. */
export function seasonsWithCrosses(db: Db): number[] {
  return prepared(db, "SELECT DISTINCT season FROM cross ORDER BY season DESC").pluck().all() as number[];
}

export function crossByCode(db: Db, code: string): CrossRow | undefined {
  return prepared(db, `${SELECT} WHERE x.code = ?`).get(code) as CrossRow | undefined;
}

/** Whether a stand's own seed is to be made by hand: its plants are selfed, or crossed among themselves. */
export const makesOwnSeed = (db: Db, standId: Id): boolean =>
  prepared(db, "SELECT 1 FROM cross WHERE motherStandId = ? AND closed = 0 AND kind <> 'cross'").get(standId) !==
  undefined;

/** Crosses that a stand is the mother of and that are not closed. */
export function openCrossesOfMother(db: Db, standId: Id): { id: Id }[] {
  return prepared(db, "SELECT id FROM cross WHERE motherStandId = ? AND closed = 0").all(standId) as { id: Id }[];
}
