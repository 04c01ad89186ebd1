import { flowerCode } from "@/core/custody/code";
import type { Db } from "@/db/open";

export type JournalEntry = {
  id: number;
  at: string;
  day: string;
  command: string;
  summary: string;
  undoes: number | null;
  undone: 0 | 1;
};

/** Journal entries, newest first, below `before` when paging. */
export function journal(db: Db, before: number | null, limit: number): JournalEntry[] {
  return db
    .prepare(
      `SELECT id, at, day, command, summary, undoes, undone FROM journal
       WHERE :before IS NULL OR id < :before ORDER BY id DESC LIMIT :limit`,
    )
    .all({ before, limit }) as JournalEntry[];
}

export type Found = {
  kind: "line" | "stand" | "family" | "cross" | "lot" | "plant" | "flower";
  id: number;
  code: string;
  name: string;
  href: string;
};

/** Everything with a code or a name that holds the words, ten of each kind, best first. */
export function find(db: Db, words: string): Found[] {
  const like = `%${words.replaceAll(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const plantWords = /^(.*?)[\s./#-]+(\d{1,5})$/.exec(words);
  const rows = db
    .prepare(
      `SELECT * FROM (SELECT 'line' kind, id, code, name, '/lines/' || id href FROM line
         WHERE code LIKE :like ESCAPE '\\' OR name LIKE :like ESCAPE '\\' ORDER BY name LIMIT 10)
       UNION ALL SELECT * FROM (SELECT CASE WHEN s.code GLOB 'F*' THEN 'family' ELSE 'stand' END, s.id, s.code,
           l.name || coalesce(' F' || s.generation, '') || ', ' || s.season,
           CASE WHEN s.code GLOB 'F*' THEN '/nursery/' ELSE '/ground?stand=' END || s.id
         FROM stand s JOIN line l ON l.id = s.lineId
         WHERE s.code LIKE :like ESCAPE '\\' OR l.name LIKE :like ESCAPE '\\' ORDER BY s.season DESC LIMIT 10)
       UNION ALL SELECT * FROM (SELECT 'cross', x.id, x.code, l.name || ' F' || x.generation, '/crosses/' || x.id
         FROM cross x JOIN line l ON l.id = x.lineId
         WHERE x.code LIKE :like ESCAPE '\\' OR l.name LIKE :like ESCAPE '\\' ORDER BY x.season DESC LIMIT 10)
       UNION ALL SELECT * FROM (SELECT 'lot', k.id, k.code, l.name || coalesce(' F' || k.generation, ''), '/seed/' || k.id
         FROM lot k JOIN line l ON l.id = k.lineId
         WHERE k.code LIKE :like ESCAPE '\\' OR l.name LIKE :like ESCAPE '\\' ORDER BY k.gathered DESC LIMIT 10)`,
    )
    .all({ like }) as Found[];
  if (!plantWords) return rows;
  const plants = db
    .prepare(
      `SELECT 'plant' kind, p.id, s.code || '.' || p.number code, l.name || ' plant ' || p.number name,
         '/nursery/' || s.id || '?plant=' || p.number href
       FROM stand s JOIN line l ON l.id = s.lineId JOIN plant p ON p.standId = s.id AND p.number = :number
       WHERE s.code LIKE :like ESCAPE '\\' OR l.name LIKE :like ESCAPE '\\' ORDER BY s.season DESC LIMIT 10`,
    )
    .all({ like: `%${plantWords[1]!.trim()}%`, number: Number(plantWords[2]) }) as Found[];
  return [...plants, ...rows];
}

/** The flower that a tag names: its cross's page, opened at it. A tag printed ahead leads to the cross. */
export function findFlower(db: Db, crossCode: string, number: number): Found[] {
  const cross = db
    .prepare(
      `SELECT x.id, l.name, (SELECT f.id FROM flower f WHERE f.crossId = x.id AND f.number = :number) flowerId
       FROM cross x JOIN line l ON l.id = x.lineId WHERE x.code = :crossCode`,
    )
    .get({ crossCode, number }) as { id: number; name: string; flowerId: number | null } | undefined;
  if (!cross) return [];
  const known = cross.flowerId !== null;
  return [
    {
      kind: "flower",
      id: cross.flowerId ?? cross.id,
      code: flowerCode(crossCode, number),
      name: `${cross.name}, flower ${number}${known ? "" : ", not covered yet"}`,
      href: `/crosses/${cross.id}${known ? `?flower=${number}` : ""}`,
    },
  ];
}
