import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { inOrder } from "@/core/lists/order";
import { alike } from "@/core/writing/alike";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Yardstick } from "../yardstick/yardstick";
import { BACKCROSSES } from "./backcrosses";
import type { Line } from "./line";

export function lineById(db: Db, id: Id): Line | undefined {
  return prepared(db, "SELECT * FROM line WHERE id = ?").get(id) as Line | undefined;
}

export function lineByCode(db: Db, code: string): Line | undefined {
  return prepared(db, "SELECT * FROM line WHERE code = ?").get(code) as Line | undefined;
}

export const backcrossesOf = (db: Db, id: Id): number =>
  prepared(db, `SELECT ${BACKCROSSES} FROM line l WHERE l.id = ?`).pluck().get(id) as number;

/** The first line of a name and species. */
export function lineOfName(db: Db, name: string, species: string): Line | undefined {
  return prepared(db, "SELECT * FROM line WHERE name = ? AND species = ? ORDER BY id LIMIT 1").get(name, species) as
    | Line
    | undefined;
}

/** The line that a mother and a father were crossed into before, the first one. */
export function lineOfParents(db: Db, motherLineId: Id, fatherLineId: Id): Line | undefined {
  return prepared(db, "SELECT * FROM line WHERE motherLineId = ? AND fatherLineId = ? ORDER BY id LIMIT 1").get(
    motherLineId,
    fatherLineId,
  ) as Line | undefined;
}

/** A line that is part of another with its whole, the whole with all its parts: code and name, the whole first. */
export type PartOfLine = Pick<Line, "id" | "code" | "name" | "subOfId" | "endedOn">;

export const partsOfLine = (db: Db, { id, subOfId }: Pick<Line, "id" | "subOfId">): PartOfLine[] =>
  prepared(
    db,
    `SELECT id, code, name, subOfId, endedOn FROM line WHERE id = :whole OR subOfId = :whole
       ORDER BY subOfId IS NOT NULL, name, id`,
  ).all({ whole: subOfId ?? id }) as PartOfLine[];

/** Pairs of lines that were crossed before, as "mother-father". */
export function crossedPairs(db: Db): string[] {
  return prepared(
    db,
    "SELECT motherLineId || '-' || fatherLineId FROM line WHERE motherLineId IS NOT NULL AND fatherLineId IS NOT NULL",
  )
    .pluck()
    .all() as string[];
}

/** Every line of a species, the first that was made first. */
export const linesOfSpecies = (db: Db, species: string): Line[] =>
  prepared(db, "SELECT * FROM line WHERE species = ? ORDER BY id").all(species) as Line[];

/** Lines of a species with a name that would be taken for another one's, itself left out, by their names. */
export const namedAlike = (db: Db, id: Id, species: string, wanted: string): Pick<Line, "code" | "name">[] =>
  linesOfSpecies(db, species)
    .filter((line) => line.id !== id && alike(line.name, wanted))
    .map(({ code, name }) => ({ code, name }))
    .sort((a, b) => inOrder(a.name, b.name));

/** The names of lines by id. */
export function lineNames(db: Db): Map<Id, string> {
  return new Map(prepared(db, "SELECT id, name FROM line").raw().all() as [Id, string][]);
}

/** The species of which there are lines. */
export function speciesGrown(db: Db): string[] {
  return prepared(db, "SELECT DISTINCT species FROM line").pluck().all() as string[];
}

/** Whether stands or seed are kept under a line. */
export function lineInUse(db: Db, id: Id): boolean {
  return (
    prepared(db, "SELECT 1 FROM stand WHERE lineId = :id UNION SELECT 1 FROM lot WHERE lineId = :id").get({ id }) !==
    undefined
  );
}

/** How each line is described. */
export const lineDescriptions = (db: Db): Map<Id, string> =>
  new Map(prepared(db, "SELECT id, description FROM line WHERE description <> ''").raw().all() as [Id, string][]);

/** How many lines that go on come from each line, as mother or father. */
export function lineDependants(db: Db): Map<Id, number> {
  const rows = prepared(
    db,
    `SELECT parent, count(DISTINCT id) FROM (
         SELECT id, motherLineId parent FROM line WHERE endedOn IS NULL
         UNION ALL SELECT id, fatherLineId FROM line WHERE endedOn IS NULL)
       WHERE parent IS NOT NULL AND parent <> id GROUP BY parent`,
  )
    .raw()
    .all() as [Id, number][];
  return new Map(rows);
}

export type LineSummary = Line & {
  backcrosses: number;
  stands: number;
  lots: number;
  /** The last one that was sown for; what is only planned was not grown. */
  lastSeason: number | null;
  /** The soonest day on which it is to be sown. */
  planned: Day | null;
};

export type LineChoice = Pick<Line, "id" | "name" | "species">;

/** Every line that goes on, as a form offers it. */
export function lineChoices(db: Db): LineChoice[] {
  return prepared(db, "SELECT id, name, species FROM line WHERE endedOn IS NULL ORDER BY name").all() as LineChoice[];
}

/** Every line with how many stands it was grown in up to a day, how many lots it has, and when it is to be sown. */
export function lines(db: Db, today: Day): LineSummary[] {
  return prepared(
    db,
    `SELECT l.*, ${BACKCROSSES}, coalesce(s.stands, 0) stands, s.lastSeason, coalesce(k.lots, 0) lots, p.planned
       FROM line l
       LEFT JOIN (SELECT lineId, count(*) stands, max(season) lastSeason FROM stand WHERE sown <= :today AND planned = 0 GROUP BY lineId) s ON s.lineId = l.id
       LEFT JOIN (SELECT lineId, count(*) lots FROM lot GROUP BY lineId) k ON k.lineId = l.id
       LEFT JOIN (SELECT lineId, min(sown) planned FROM stand
         WHERE (sown > :today OR planned = 1) AND endedOn IS NULL GROUP BY lineId) p ON p.lineId = l.id
       ORDER BY l.endedOn IS NOT NULL, l.name`,
  ).all({ today }) as LineSummary[];
}

/** A line's yardsticks, those that are retired among them; a parent line is measured with those of its offspring when it has none, a part of a line with its whole's. */
export function yardsticks(db: Db, lineId: Id): Yardstick[] {
  return prepared(
    db,
    `SELECT y.* FROM yardstick y WHERE y.lineId = :line
       UNION ALL
       SELECT y.* FROM line l JOIN yardstick y ON y.lineId = l.id
       WHERE (l.motherLineId = :line OR l.fatherLineId = :line)
         AND NOT EXISTS (SELECT 1 FROM yardstick own WHERE own.lineId = :line)
       UNION ALL
       SELECT y.* FROM line l JOIN yardstick y ON y.lineId = l.subOfId
       WHERE l.id = :line AND NOT EXISTS (SELECT 1 FROM yardstick own WHERE own.lineId = :line)
       ORDER BY lineId, position, id`,
  ).all({ line: lineId }) as Yardstick[];
}

export type GenerationRow = {
  generation: number | null;
  stands: number;
  grown: number;
  chosen: number;
  removed: number;
  seasons: string;
  sowedLots: number;
  selfedLots: number;
  openLots: number;
};

/** Per generation of a line as sown up to a day: plants grown, kept, removed, and of how many lots the seed was selfed. */
export function generationRows(db: Db, lineId: Id, today: Day): GenerationRow[] {
  return prepared(
    db,
    `SELECT s.generation, count(*) stands,
              sum(coalesce(p.numbered, s.plants, 0)) grown,
              sum(coalesce(p.chosen, 0)) chosen, sum(coalesce(p.removed, 0)) removed,
              group_concat(DISTINCT s.season) seasons,
              count(k.id) sowedLots, sum(coalesce(k.kind = 'self', 0)) selfedLots,
              sum(coalesce(k.kind = 'open', 0)) openLots
       FROM stand s
       LEFT JOIN (SELECT standId, count(*) numbered, sum(mark IN ('keep', 'seed-parent') AND removedOn IS NULL) chosen,
                         sum(removedOn IS NOT NULL) removed
                  FROM plant WHERE standId IN (SELECT id FROM stand WHERE lineId = :line) GROUP BY standId) p
         ON p.standId = s.id
       LEFT JOIN lot k ON k.id = s.lotId
       WHERE s.lineId = :line AND s.sown <= :today AND s.planned = 0
       GROUP BY s.generation ORDER BY s.generation`,
  ).all({ line: lineId, today }) as GenerationRow[];
}

/** One look at one plant of a line or its parents' lines, with where it stood. */
export type LookRow = {
  yardstickId: Id;
  plantId: Id;
  standId: Id;
  plantNumber: number;
  lineId: Id;
  generation: number | null;
  season: number;
  bedId: Id | null;
  number: number | null;
  word: string | null;
  scoredOn: Day;
  /** The line it is of, where it stands among a family as a check. */
  checkOfId: Id | null;
};

/** Every look on a line's yardsticks, its parents' plants included, in the order of days. */
export function looksOnYardsticks(db: Db, lineId: Id): LookRow[] {
  return prepared(
    db,
    `SELECT c.yardstickId, c.plantId, p.standId, p.number plantNumber, s.lineId, s.generation, s.season, s.bedId, c.number, c.word, c.scoredOn, p.checkOfId
       FROM yardstick y JOIN score c ON c.yardstickId = y.id
       JOIN plant p ON p.id = c.plantId JOIN stand s ON s.id = p.standId
       WHERE y.lineId = ? ORDER BY c.scoredOn, c.look`,
  ).all(lineId) as LookRow[];
}
