import { flowerCode } from "@/core/custody/code";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import type { StoredOp } from "@/db/ops";
import { prepared } from "@/db/rows";
import { undoneOps } from "@/db/undo";

/** An op as the history lists it. */
export type Entry = Pick<StoredOp, "id" | "clock" | "at" | "day" | "command" | "summary" | "undoes"> & {
  undone: boolean;
};

function withUndone(db: Db, rows: Omit<Entry, "undone">[]): Entry[] {
  if (rows.length === 0) return [];
  const undone = undoneOps(db);
  return rows.map((row) => ({ ...row, undone: undone.has(row.id) }));
}

/** Ops, newest first, before one of them when paging. */
export function entries(db: Db, before: Id | null, limit: number): Entry[] {
  const rows = prepared(
    db,
    `SELECT id, clock, at, day, command, summary, undoes FROM op
       WHERE :before IS NULL OR clock < (SELECT clock FROM op WHERE id = :before) ORDER BY clock DESC LIMIT :limit`,
  ).all({ before, limit }) as Omit<Entry, "undone">[];
  return withUndone(db, rows);
}

/** The ops of one command, newest first. */
export function entriesOf(db: Db, command: string): Entry[] {
  const rows = prepared(
    db,
    "SELECT id, clock, at, day, command, summary, undoes FROM op WHERE command = ? ORDER BY clock DESC",
  ).all(command) as Omit<Entry, "undone">[];
  return withUndone(db, rows);
}

/** How many rows there are of the records a grower counts, and of the history. */
export function counts(db: Db): { name: string; count: number }[] {
  return prepared(
    db,
    `SELECT 'lines' name, count(*) count FROM line UNION ALL SELECT 'stands', count(*) FROM stand
       UNION ALL SELECT 'plants', count(*) FROM plant UNION ALL SELECT 'scores', count(*) FROM score
       UNION ALL SELECT 'crosses', count(*) FROM cross UNION ALL SELECT 'seed lots', count(*) FROM lot
       UNION ALL SELECT 'history entries', count(*) FROM op`,
  ).all() as { name: string; count: number }[];
}

/** So many presses were written. */
export const opCount = (db: Db): number => prepared(db, "SELECT count(*) FROM op").pluck().get() as number;

export type Found = {
  kind: "line" | "stand" | "family" | "cross" | "lot" | "plant" | "flower" | "vessel";
  id: Id;
  code: string;
  name: string;
  href: string;
};

/** Everything with a code or a name that holds the words, ten of each kind, best first. */
export function find(db: Db, words: string): Found[] {
  const like = `%${words.replaceAll(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const plantWords = /^(.*?)[\s./#-]+(\d{1,5})$/.exec(words);
  const rows = prepared(
    db,
    `SELECT * FROM (SELECT 'line' kind, id, code, name, '/lines/' || code href FROM line
         WHERE code LIKE :like ESCAPE '\\' OR name LIKE :like ESCAPE '\\' ORDER BY name LIMIT 10)
       UNION ALL SELECT * FROM (SELECT CASE WHEN s.family THEN 'family' ELSE 'stand' END, s.id, s.code,
           l.name || coalesce(' F' || s.generation, '') || ', ' || s.season,
           CASE WHEN s.family THEN '/nursery/' ELSE '/ground?season=' || s.season || '&stand=' END || s.code
         FROM stand s JOIN line l ON l.id = s.lineId
         WHERE s.code LIKE :like ESCAPE '\\' OR l.name LIKE :like ESCAPE '\\' ORDER BY s.season DESC LIMIT 10)
       UNION ALL SELECT * FROM (SELECT 'cross', x.id, x.code, l.name || coalesce(' F' || x.generation, ''), '/crosses/' || x.code
         FROM cross x JOIN line l ON l.id = x.lineId
         WHERE x.code LIKE :like ESCAPE '\\' OR l.name LIKE :like ESCAPE '\\' ORDER BY x.season DESC LIMIT 10)
       UNION ALL SELECT * FROM (SELECT 'lot', k.id, k.code, l.name || coalesce(' F' || k.generation, ''), '/seed/' || k.code
         FROM lot k JOIN line l ON l.id = k.lineId
         WHERE k.code LIKE :like ESCAPE '\\' OR l.name LIKE :like ESCAPE '\\' ORDER BY k.gathered DESC LIMIT 10)
       UNION ALL SELECT * FROM (SELECT 'vessel', v.id, v.code, v.name, '/seed' FROM vessel v
         WHERE v.endedOn IS NULL AND (v.code LIKE :like ESCAPE '\\' OR v.name LIKE :like ESCAPE '\\') ORDER BY v.name LIMIT 10)`,
  ).all({ like }) as Found[];
  if (!plantWords) return rows;
  const plants = prepared(
    db,
    `SELECT 'plant' kind, p.id, s.code || '.' || p.number code, l.name || ' plant ' || p.number name,
         '/nursery/' || s.code || '?plant=' || p.number href
       FROM stand s JOIN line l ON l.id = s.lineId JOIN plant p ON p.standId = s.id AND p.number = :number
       WHERE s.code LIKE :like ESCAPE '\\' OR l.name LIKE :like ESCAPE '\\' ORDER BY s.season DESC LIMIT 10`,
  ).all({ like: `%${plantWords[1]!.trim()}%`, number: Number(plantWords[2]) }) as Found[];
  return [...plants, ...rows];
}

/** The flower that a tag names: its cross's page, opened at it. A tag printed ahead leads to the cross. */
export function findFlower(db: Db, crossCode: string, number: number): Found[] {
  const cross = prepared(
    db,
    `SELECT x.id, l.name, (SELECT f.id FROM flower f WHERE f.crossId = x.id AND f.number = :number) flowerId
       FROM cross x JOIN line l ON l.id = x.lineId WHERE x.code = :crossCode`,
  ).get({ crossCode, number }) as { id: Id; name: string; flowerId: Id | null } | undefined;
  if (!cross) return [];
  const known = cross.flowerId !== null;
  return [
    {
      kind: "flower",
      id: cross.flowerId ?? cross.id,
      code: flowerCode(crossCode, number),
      name: `${cross.name}, flower ${number}${known ? "" : ", not covered yet"}`,
      href: `/crosses/${crossCode}${known ? `?flower=${number}` : ""}`,
    },
  ];
}
