import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { type PedigreeTree, writePedigree } from "@/core/pedigree/notation";
import type { Individual } from "@/core/pedigree/pedigree";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";

type StandParents = {
  id: Id;
  lineId: Id;
  species: string;
  kind: string | null;
  motherStandId: Id | null;
  motherPlantId: Id | null;
  fatherStandId: Id | null;
  fatherPlantId: Id | null;
};

/** A parent as crosses name it: any plant of a stand, or one of its plants. */
export type ParentId = { standId: Id; plantId: Id | null };

/** The name of a parent's individual; `second` is another plant of the same stand. */
export const individualOf = ({ standId, plantId }: ParentId, second = false): string =>
  plantId ? `plant ${plantId}` : `stand ${standId}${second ? " second" : ""}`;

/**
 * The forebears of some parents as the records know them, each before its children: a plant of a stand is the child of
 * the lot's mother and father. Plants of a line that was bought or received are taken as near as its breeding makes them
 * (ours): of one pure line where the species selfs, as full sibs where it does both, as half sibs where it outcrosses.
 * Pollen of an open-pollinated lot is unknown, and so is which of several fathers of mixed pollen a seed has.
 */
export function forebears(db: Db, parents: ParentId[]): Individual[] {
  const stands = new Map(
    (
      prepared(
        db,
        `SELECT s.id, s.lineId, l.species, k.kind, k.motherStandId, k.motherPlantId,
             CASE WHEN k.doubt IS NULL AND NOT mixed THEN x.fatherStandId END fatherStandId,
             CASE WHEN k.doubt IS NULL AND NOT mixed THEN x.fatherPlantId END fatherPlantId
           FROM stand s JOIN line l ON l.id = s.lineId
           LEFT JOIN lot k ON k.id = s.lotId LEFT JOIN (
             SELECT id, fatherStandId, fatherPlantId,
               EXISTS (SELECT 1 FROM candidate c WHERE c.crossId = cross.id AND c.role = 'father') mixed
             FROM cross) x ON x.id = k.crossId`,
      ).all() as StandParents[]
    ).map((s) => [s.id, s]),
  );
  const made = new Map<string, Individual>();
  const add = (parent: ParentId, second: boolean): string => {
    const id = individualOf(parent, second);
    if (made.has(id)) return id;
    const stand = stands.get(parent.standId)!;
    made.set(id, { id, ...parentsOf(stand) });
    return id;
  };
  const founder = ({ lineId, species }: StandParents): Omit<Individual, "id"> => {
    const { breeding } = speciesById(species);
    const id = `line ${lineId}`;
    if (!made.has(id)) made.set(id, { id, inbreeding: breeding === "selfing" ? 1 : 0 });
    return breeding === "outcrossing" ? { mother: id } : { mother: id, father: id };
  };
  const parentsOf = (stand: StandParents): Omit<Individual, "id"> => {
    const { kind, motherStandId, motherPlantId, fatherStandId, fatherPlantId } = stand;
    if (!motherStandId || kind === "received") return founder(stand);
    const mother = add({ standId: motherStandId, plantId: motherPlantId }, false);
    if (kind === "self") return { mother, father: mother };
    if (!fatherStandId) return { mother };
    const own = fatherStandId === motherStandId && !fatherPlantId && !motherPlantId;
    return { mother, father: add({ standId: fatherStandId, plantId: fatherPlantId }, own) };
  };
  for (const parent of parents) {
    add(parent, false);
    if (!parent.plantId) add(parent, true);
  }
  // A parent is made while its child's entry waits: put parents first.
  return parentsFirst([...made.values()]);
}

function parentsFirst(individuals: Individual[]): Individual[] {
  const byId = new Map(individuals.map((i) => [i.id, i]));
  const ordered = new Map<string, Individual>();
  const place = (id: string | null | undefined) => {
    if (!id || ordered.has(id)) return;
    const own = byId.get(id)!;
    place(own.mother);
    place(own.father);
    ordered.set(id, own);
  };
  for (const { id } of individuals) place(id);
  return [...ordered.values()];
}

type LineParents = { id: Id; name: string; motherLineId: Id | null; fatherLineId: Id | null };

/** Crosses one above the other that are written out; older ones are named. */
const DEEPEST = 6;

/** Pedigrees of lines, back to those that were not crossed here. */
function lineTrees(db: Db): (lineId: Id) => PedigreeTree {
  const lines = new Map(
    (prepared(db, "SELECT id, name, motherLineId, fatherLineId FROM line").all() as LineParents[]).map((l) => [
      l.id,
      l,
    ]),
  );
  const tree = (id: Id, depth: number): PedigreeTree => {
    const { name, motherLineId, fatherLineId } = lines.get(id)!;
    if (!motherLineId || !fatherLineId || depth >= DEEPEST) return name;
    return { mother: tree(motherLineId, depth + 1), father: tree(fatherLineId, depth + 1) };
  };
  return (lineId) => tree(lineId, 0);
}

type LinesOfCross = { lineId: Id; motherLineId: Id; fatherLineId: Id };

/** Pedigrees of crosses in slash notation: of the two lines, or of their own where both are one. */
export function crossPedigrees(db: Db): (cross: LinesOfCross) => string {
  const tree = lineTrees(db);
  return ({ lineId, motherLineId, fatherLineId }) =>
    writePedigree(
      motherLineId === fatherLineId ? tree(lineId) : { mother: tree(motherLineId), father: tree(fatherLineId) },
    );
}
