import { speciesById } from "@/catalogue/catalogue";
import { isSelfed, type SeedKind } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { groupBy } from "@/core/lists/groupBy";
import { type PedigreeTree, writePedigree } from "@/core/pedigree/notation";
import type { Individual } from "@/core/pedigree/pedigree";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { allParts } from "../lot/parts";
import { type ParentMaybe, parentsMaybe } from "./descent";
import type { Status } from "./line";

type StandParents = {
  id: Id;
  season: number;
  lineId: Id;
  species: string;
  lotId: Id | null;
  status: Status;
  /** That stand, or were numbered there, and were not taken out; null where nobody counted. */
  plants: number | null;
  motherLineId: Id | null;
  fatherLineId: Id | null;
};

/** Less pollen than this from another stand is none worth its forebears. */
const LEAST = 1e-4;

/** Individuals of which one is meant, each with its share. */
type Several = { id: string; share: number }[];

/** Whom a lot's seed is of. */
type SeedParents = {
  id: Id;
  kind: SeedKind;
  motherStandId: Id | null;
  motherPlantId: Id | null;
  fatherStandId: Id | null;
  fatherPlantId: Id | null;
  /** The cross whose fathers are several. */
  mixedCrossId: Id | null;
};

/** How plants of a line that was bought or received are taken to be kin, where nobody tells more. */
export function foundersInWords(species: string, status: Status): string {
  if (status === "f1-hybrid") return "plants of a bought F1 hybrid as full sibs of two pure lines";
  const { breeding } = speciesById(species);
  if (status === "mix")
    return `plants of a received mix as not related${breeding === "selfing" ? ", each a pure line" : ""}`;
  if (breeding === "selfing") return "plants of a received line as one pure line";
  return breeding === "mixed" ? "plants of a received line as full sibs" : "plants of a received line as half sibs";
}

/** A parent as crosses name it: any plant of a stand, or one of its plants. */
export type ParentId = { standId: Id; plantId: Id | null };

/** The name of a parent's individual; `second` is another plant of the same stand, any of them being `stand … all`. */
export const individualOf = ({ standId, plantId }: ParentId, second = false): string =>
  plantId ? `plant ${plantId}` : `stand ${standId}${second ? " second" : ""}`;

/** Who fathers a stand's crossed seed: its own plants, other stands of its line, and the rest from strangers. */
export type Fathered = { own: number; kin: Record<Id, number> };

/** Pollen that nobody chose: a draw from the plants around, of which so much came from strangers; or nothing is said of it. */
export type OpenPollen = { fathers: (mothers: { id: Id; season: number }) => Fathered } | "left";

/**
 * The forebears of some parents as the records know them, each before its children: a plant of a stand is the child of
 * the lot's mother and father. Plants of a line that was bought or received are taken as near as its breeding makes them
 * (ours; `foundersInWords` says it): of one pure line where the species selfs, as full sibs where it does both, as half
 * sibs where it outcrosses; those of a mix as not related at all; those of a bought F1 hybrid as children of two pure lines. Open seed of what mostly selfs is
 * taken as selfed. Other open pollen is a draw: as much as the species selfs from the mother herself, the rest from the stand
 * she grew in, from other stands of its line that met in flower, and from strangers, who are kin to nobody. Seed of a whole stand, open or crossed by hand among its plants, has
 * mothers and fathers drawn from as many as stood there. Where several fathers' pollen was mixed, the father is their mean by
 * their shares; seed of several lots, or of one of several mothers, is of any of them by theirs.
 */
export function forebears(db: Db, parents: ParentId[], open: OpenPollen): Individual[] {
  const stands = new Map(
    (
      prepared(
        db,
        `SELECT s.id, s.season, s.lineId, l.species, s.lotId, l.status, l.motherLineId, l.fatherLineId,
             coalesce(n.plants, s.plants) plants
           FROM stand s JOIN line l ON l.id = s.lineId
           LEFT JOIN (SELECT standId, count(*) plants FROM plant WHERE removedOn IS NULL AND checkOfId IS NULL
             GROUP BY standId) n ON n.standId = s.id`,
      ).all() as StandParents[]
    ).map((s) => [s.id, s]),
  );
  const lots = new Map(
    (
      prepared(
        db,
        `SELECT k.id, k.kind, k.motherStandId, k.motherPlantId,
             CASE WHEN k.doubt IS NULL AND NOT mixed THEN x.fatherStandId END fatherStandId,
             CASE WHEN k.doubt IS NULL AND NOT mixed THEN x.fatherPlantId END fatherPlantId,
             CASE WHEN k.doubt IS NULL AND mixed THEN x.id END mixedCrossId
           FROM lot k LEFT JOIN (
             SELECT id, fatherStandId, fatherPlantId,
               EXISTS (SELECT 1 FROM candidate c WHERE c.crossId = cross.id AND c.role = 'father') mixed
             FROM cross) x ON x.id = k.crossId`,
      ).all() as SeedParents[]
    ).map((k) => [k.id, k]),
  );
  const partsOf = groupBy(allParts(db), ({ lotId }) => lotId);
  const maybe = groupBy(parentsMaybe(db), ({ crossId, lotId, role }) => `${role} ${crossId ?? lotId}`);
  /** Those of several that stood somewhere; a stranger is kin to nobody. */
  const severalOf = (role: ParentMaybe["role"], of: Id) =>
    (maybe.get(`${role} ${of}`) ?? []).flatMap(({ standId, plantId, share }) =>
      standId ? { standId, plantId, share } : [],
    );
  const made = new Map<string, Individual>();
  const once = (id: string, of: () => Omit<Individual, "id">): string => {
    if (!made.has(id)) made.set(id, { id, ...of() });
    return id;
  };
  const add = (parent: ParentId, second: boolean): string =>
    once(individualOf(parent, second), () => parentsOf(stands.get(parent.standId)!));
  const ancestor = (id: string, inbreeding: number): string => once(id, () => ({ inbreeding }));
  const founder = ({ lineId, species, status, ...told }: StandParents): Omit<Individual, "id"> => {
    if (status === "f1-hybrid")
      return {
        mother: ancestor(told.motherLineId ? `line ${told.motherLineId}` : `mother of line ${lineId}`, 1),
        father: ancestor(told.fatherLineId ? `line ${told.fatherLineId}` : `father of line ${lineId}`, 1),
      };
    const { breeding } = speciesById(species);
    if (status === "mix") return { inbreeding: breeding === "selfing" ? 1 : 0 };
    if (breeding === "selfing") return { mother: ancestor(`line ${lineId}`, 1), father: `line ${lineId}` };
    const mother = ancestor(`line ${lineId}`, 0);
    return breeding === "mixed" ? { mother, father: ancestor(`second of line ${lineId}`, 0) } : { mother };
  };
  /** Pollen of one for one seed and of another for the next: their mean. */
  const pollen = (id: string, of: Omit<Individual, "id">): string =>
    once(id, () => ({ ...of, plants: Number.POSITIVE_INFINITY }));
  /** One of several by their shares, two at a time. */
  const among = (several: Several): Omit<Individual, "id"> => {
    const [first, ...rest] = several as [Several[number], ...Several];
    if (rest.length === 0) return { mother: first.id, father: first.id, among: true };
    const part = first.share / several.reduce((sum, { share }) => sum + share, 0);
    return { mother: first.id, father: oneOf(rest), shares: [part, 1 - part], among: true };
  };
  const oneOf = (several: Several): string =>
    several.length === 1
      ? several[0]!.id
      : pollen(`one of ${several.map(({ id, share }) => `${id} ${share}`).join(", ")}`, among(several));
  /** Of open seed, and of seed that was crossed by hand among the plants of one stand; null where nobody counted them. */
  const drawn = (kind: SeedKind, mothers: StandParents, plantId: Id | null): Omit<Individual, "id"> | null => {
    const { id: standId, plants } = mothers;
    if (open === "left" || !plants) return null;
    const allOf = (stand: StandParents): string =>
      once(`stand ${stand.id} all`, () => ({ ...parentsOf(stand), plants: stand.plants! }));
    const all = allOf(mothers);
    const mother = plantId ? add({ standId, plantId }, false) : all;
    if (kind === "intercross") return { mother, father: all };
    const selfed = 1 - middle(speciesById(mothers.species).outcrossing);
    const { own, kin } = open.fathers(mothers);
    // Stands whose plants nobody counted are left out: what they father counts as its own.
    const beside = Object.entries(kin).filter(([id, share]) => share > LEAST && stands.get(id as Id)?.plants);
    const known = beside.reduce((sum, [, share]) => sum + share, 0);
    const ours = own + Object.values(kin).reduce((a, b) => a + b, 0) - known;
    const crossed = (1 - selfed) * (ours + known);
    const fathers = oneOf([
      { id: all, share: ours },
      ...beside.map(([id, share]) => ({ id: allOf(stands.get(id as Id)!), share })),
    ]);
    if (!plantId) {
      const father =
        beside.length === 0
          ? all
          : oneOf([
              { id: all, share: selfed },
              { id: fathers, share: crossed },
            ]);
      return { mother, father, shares: [0.5, (selfed + crossed) / 2], selfed };
    }
    return {
      mother,
      father: pollen(`pollen ${standId} ${plantId}`, { mother, father: fathers, shares: [selfed, crossed] }),
    };
  };
  const parentsOf = (stand: StandParents): Omit<Individual, "id"> => {
    const lot = stand.lotId && lots.get(stand.lotId);
    return lot ? seedOf(lot, stand) : founder(stand);
  };
  const seedOf = (lot: SeedParents, stand: StandParents): Omit<Individual, "id"> => {
    const { id, kind, motherStandId, motherPlantId, fatherStandId, fatherPlantId, mixedCrossId } = lot;
    if (kind === "received") return founder(stand);
    const parts = partsOf.get(id) ?? [];
    // Seed of several mothers of one stand that was put together knows them still.
    if (!motherStandId || (!motherPlantId && parts.length > 1)) {
      const many = (of: string, seed: SeedParents) => pollen(`seed ${of}`, seedOf(seed, stand));
      const mothers = severalOf("mother", id);
      const several =
        mothers.length > 0
          ? mothers.map(({ standId, plantId, share }) => {
              const of = { ...lot, motherStandId: standId, motherPlantId: plantId };
              return { id: many(`${id} ${plantId ?? standId}`, of), share };
            })
          : parts.map(({ fromId, share }) => ({ id: many(fromId, lots.get(fromId)!), share }));
      return several.length > 0 ? among(several) : founder(stand);
    }
    const selfed = isSelfed(kind, speciesById(stand.species).breeding);
    const amongThem = !mixedCrossId && !fatherPlantId && fatherStandId === motherStandId;
    const anyOf = kind === "open" || (kind === "intercross" && amongThem);
    const draw = anyOf && !selfed ? drawn(kind, stands.get(motherStandId)!, motherPlantId) : null;
    if (draw) return draw;
    const mother = add({ standId: motherStandId, plantId: motherPlantId }, false);
    if (selfed) return { mother, father: mother };
    if (mixedCrossId) {
      const fathers = severalOf("father", mixedCrossId).map(({ standId, plantId, share }) => ({
        id: add({ standId, plantId }, standId === motherStandId),
        share,
      }));
      return fathers.length > 0 ? { mother, father: oneOf(fathers) } : { mother };
    }
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

/** A line with the lines it was crossed from. */
export type LineParents = {
  id: Id;
  code: string;
  name: string;
  status: Status;
  motherLineId: Id | null;
  fatherLineId: Id | null;
};

/** Every line with the lines it was crossed from, by its id. */
export const linesWithParents = (db: Db): Map<Id, LineParents> =>
  new Map(
    (prepared(db, "SELECT id, code, name, status, motherLineId, fatherLineId FROM line").all() as LineParents[]).map(
      (line) => [line.id, line],
    ),
  );

/** Crosses one above the other that are written out; older ones are named. */
const DEEPEST = 6;

/** Pedigrees of lines, back to those that were not crossed here. */
function lineTrees(lines: Map<Id, LineParents>): (lineId: Id) => PedigreeTree {
  const tree = (id: Id, depth: number): PedigreeTree => {
    const { name, motherLineId, fatherLineId } = lines.get(id)!;
    if (!motherLineId || !fatherLineId || depth >= DEEPEST) return name;
    return { mother: tree(motherLineId, depth + 1), father: tree(fatherLineId, depth + 1) };
  };
  return (lineId) => tree(lineId, 0);
}

/** A line's pedigree in slash notation: its name where it was not crossed here. */
export function linePedigree(db: Db): (lineId: Id) => string {
  const tree = lineTrees(linesWithParents(db));
  return (lineId) => writePedigree(tree(lineId));
}

type LinesOfCross = { lineId: Id; motherLineId: Id; fatherLineId: Id };

/** Pedigrees of crosses in slash notation: of the two lines, or of their own where both are one. */
export function crossPedigrees(db: Db): (cross: LinesOfCross) => string {
  const tree = lineTrees(linesWithParents(db));
  return ({ lineId, motherLineId, fatherLineId }) =>
    writePedigree(
      motherLineId === fatherLineId ? tree(lineId) : { mother: tree(motherLineId), father: tree(fatherLineId) },
    );
}
