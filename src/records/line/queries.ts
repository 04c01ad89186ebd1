import type { Anthers } from "@/catalogue/catalogue";
import type { Harm, School } from "@/core/isolation/scene";
import type { Db } from "@/db/open";

export type Status = "open-pollinated" | "f1-hybrid" | "breeding-line" | "mix" | "wild";

export type Line = {
  id: number;
  code: string;
  name: string;
  species: string;
  school: School;
  status: Status;
  origin: string;
  year: number | null;
  description: string;
  /** The share of true seed wanted, 0–1; null where the level of care decides. */
  purity: number | null;
  harm: Exclude<Harm, "wild">;
  /** Whether its fruiting flowers carry anthers, where those of its species may. */
  anthers: Anthers;
  motherLineId: number | null;
  fatherLineId: number | null;
  version: number;
};

export type YardstickKind = "number" | "scale" | "category" | "yes-no" | "date";
export type YardstickRow = {
  id: number;
  lineId: number;
  position: number;
  name: string;
  kind: YardstickKind;
  unit: string;
  lowEnd: string;
  highEnd: string;
  /** JSON list of words, for a category. */
  categories: string;
  wanted: "high" | "low" | "target" | "category" | "yes" | "no";
  target: number | null;
  targetWord: string | null;
  weight: number;
  version: number;
};

export function lineById(db: Db, id: number): Line | undefined {
  return db.prepare("SELECT * FROM line WHERE id = ?").get(id) as Line | undefined;
}

export type LineSummary = Line & { stands: number; lots: number; lastSeason: number | null };

export type LineChoice = Pick<Line, "id" | "name" | "species">;

/** Every line, as a form offers it. */
export function lineChoices(db: Db): LineChoice[] {
  return db.prepare("SELECT id, name, species FROM line ORDER BY name").all() as LineChoice[];
}

/** Every line with how many stands and lots it has. */
export function lines(db: Db): LineSummary[] {
  return db
    .prepare(
      `SELECT l.*, coalesce(s.stands, 0) stands, s.lastSeason, coalesce(k.lots, 0) lots
       FROM line l
       LEFT JOIN (SELECT lineId, count(*) stands, max(season) lastSeason FROM stand GROUP BY lineId) s ON s.lineId = l.id
       LEFT JOIN (SELECT lineId, count(*) lots FROM lot GROUP BY lineId) k ON k.lineId = l.id
       ORDER BY l.name`,
    )
    .all() as LineSummary[];
}

/** A line's yardsticks; a parent line is measured with those of its offspring when it has none. */
export function yardsticks(db: Db, lineId: number): YardstickRow[] {
  return db
    .prepare(
      `SELECT y.* FROM yardstick y WHERE y.lineId = :line
       UNION ALL
       SELECT y.* FROM line l JOIN yardstick y ON y.lineId = l.id
       WHERE (l.motherLineId = :line OR l.fatherLineId = :line)
         AND NOT EXISTS (SELECT 1 FROM yardstick own WHERE own.lineId = :line)
       ORDER BY lineId, position, id`,
    )
    .all({ line: lineId }) as YardstickRow[];
}

export type GenerationRow = {
  generation: number | null;
  stands: number;
  grown: number;
  kept: number;
  removed: number;
  seasons: string;
  sowedLots: number;
  selfedLots: number;
};

/** Per generation of a line: plants grown, kept, removed, and of how many sown lots the seed was selfed. */
export function generationRows(db: Db, lineId: number): GenerationRow[] {
  return db
    .prepare(
      `SELECT s.generation, count(*) stands,
              sum(coalesce(p.numbered, s.plants, 0)) grown,
              sum(coalesce(p.kept, 0)) kept, sum(coalesce(p.removed, 0)) removed,
              group_concat(DISTINCT s.season) seasons,
              count(k.id) sowedLots, sum(coalesce(k.kind = 'self', 0)) selfedLots
       FROM stand s
       LEFT JOIN (SELECT standId, count(*) numbered, sum(mark IN ('keep', 'seed-parent') AND removedOn IS NULL) kept,
                         sum(removedOn IS NOT NULL) removed
                  FROM plant WHERE standId IN (SELECT id FROM stand WHERE lineId = :line) GROUP BY standId) p
         ON p.standId = s.id
       LEFT JOIN lot k ON k.id = s.lotId
       WHERE s.lineId = :line
       GROUP BY s.generation ORDER BY s.generation`,
    )
    .all({ line: lineId }) as GenerationRow[];
}

export type ScoreRow = {
  lineId: number;
  generation: number | null;
  season: number;
  yardstickId: number;
  number: number | null;
  word: string | null;
};

/** Every score on a line's yardsticks, its parents' plants included. */
export function scoresOnYardsticks(db: Db, lineId: number): ScoreRow[] {
  return db
    .prepare(
      `SELECT s.lineId, s.generation, s.season, c.yardstickId, c.number, c.word
       FROM yardstick y JOIN score c ON c.yardstickId = y.id
       JOIN plant p ON p.id = c.plantId JOIN stand s ON s.id = p.standId
       WHERE y.lineId = ?`,
    )
    .all(lineId) as ScoreRow[];
}
