import { SPECIES } from "@/catalogue/catalogue";
import { type About, addressOf } from "@/core/custody/address";
import { flowerCode } from "@/core/custody/code";
import { type Bred, nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { unmarked } from "@/core/writing/read";
import type { Db } from "@/db/open";
import { like, prepared } from "@/db/rows";
import { BACKCROSSES } from "../line/backcrosses";

/** Kinds of things that are found by words, as the index of words names them, and those worked out of them. */
export type FoundKind =
  | "line"
  | "stand"
  | "family"
  | "plant"
  | "cross"
  | "flower"
  | "lot"
  | "vessel"
  | "bed"
  | "store"
  | "source"
  | "barrier"
  | "task"
  | "note"
  | "sharing"
  | "yardstick"
  | "species";

export type Found = {
  kind: FoundKind;
  id: Id;
  /** The code of its tag, where it has one. */
  code: string | null;
  name: string;
  href: string;
};

/** What was found with what it is ranked by: its season, where it has one, and whether it is over. */
type Hit = Omit<Found, "href"> &
  Bred & {
    season: number | null;
    ended: 0 | 1;
    /** What its page is about, where that is not the thing itself. */
    ofKind: About["kind"] | null;
    ofCode: string | null;
    ofSeason: number | null;
    ofNumber: number | null;
  };

const ITS_OWN = { ofKind: null, ofCode: null, ofSeason: null, ofNumber: null };

/** Kinds that have no page of their own: what they are of has one. */
type OfAnother = "note" | "yardstick";

const addressOfHit = ({ kind, id, code, season, ofKind, ofCode, ofSeason, ofNumber }: Hit): string =>
  ofKind
    ? addressOf({ kind: ofKind, code: ofCode, season: ofSeason, number: ofNumber })
    : addressOf({ kind: kind as Exclude<FoundKind, OfAnother>, id, code, season });

/** So many are looked at of each kind, and shown in all. */
const OF_A_KIND = 12;
const SHOWN = 24;
const SHORTEST_PART = 3;

type WithWords = { id: Id; kind: string };

/** The rows whose words hold all of these; short ones are looked for row by row. */
function rowsWith(db: Db, words: string[]): WithWords[] {
  const long = words.filter((word) => word.length >= SHORTEST_PART);
  const short = JSON.stringify(words.filter((word) => word.length < SHORTEST_PART).map(like));
  if (long.length === 0)
    return prepared(
      db,
      `SELECT f.id, f.kind FROM findable f
       WHERE NOT EXISTS (SELECT 1 FROM json_each(:short) w WHERE f.words NOT LIKE w.value ESCAPE '\\') LIMIT 400`,
    ).all({ short }) as WithWords[];
  return prepared(
    db,
    `SELECT f.id, f.kind FROM findableWords JOIN findable f ON f.n = findableWords.rowid WHERE findableWords MATCH :match
       AND NOT EXISTS (SELECT 1 FROM json_each(:short) w WHERE f.words NOT LIKE w.value ESCAPE '\\') LIMIT 400`,
  ).all({ short, match: long.map((word) => `"${word.replaceAll('"', '""')}"`).join(" AND ") }) as WithWords[];
}

/** What was found as it is shown, and what hangs on the lines among it. */
const readOf = (db: Db, ids: Id[], lines: Id[]): Hit[] =>
  prepared(
    db,
    `WITH ids AS (SELECT value id FROM json_each(:ids)), lines AS (SELECT value id FROM json_each(:lines))
     SELECT 'line' kind, id, code, name, NULL generation, 0 backcrosses, NULL season, endedOn IS NOT NULL ended,
         NULL ofKind, NULL ofCode, NULL ofSeason, NULL ofNumber
       FROM line WHERE id IN (SELECT id FROM ids)
     UNION ALL SELECT * FROM (SELECT CASE WHEN s.family THEN 'family' ELSE 'stand' END, s.id, s.code, l.name, s.generation, ${BACKCROSSES}, s.season,
         s.endedOn IS NOT NULL, NULL, NULL, NULL, NULL
       FROM stand s JOIN line l ON l.id = s.lineId WHERE s.id IN (SELECT id FROM ids) OR s.lineId IN (SELECT id FROM lines)
       ORDER BY s.season DESC LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'cross', x.id, x.code, l.name, x.generation, ${BACKCROSSES}, x.season, 0, NULL, NULL, NULL, NULL
       FROM cross x JOIN line l ON l.id = x.lineId WHERE x.id IN (SELECT id FROM ids) OR x.lineId IN (SELECT id FROM lines)
       ORDER BY x.season DESC LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'lot', k.id, k.code, l.name, k.generation, ${BACKCROSSES}, CAST(substr(k.gathered, 1, 4) AS INTEGER),
         k.endedOn IS NOT NULL, NULL, NULL, NULL, NULL
       FROM lot k JOIN line l ON l.id = k.lineId WHERE k.id IN (SELECT id FROM ids) OR k.lineId IN (SELECT id FROM lines)
       ORDER BY k.gathered DESC LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'vessel', id, code, name, NULL, 0, NULL, 0, NULL, NULL, NULL, NULL FROM vessel
       WHERE endedOn IS NULL AND id IN (SELECT id FROM ids) ORDER BY name LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'bed', id, NULL, name, NULL, 0, NULL, 0, NULL, NULL, NULL, NULL FROM bed
       WHERE id IN (SELECT id FROM ids) ORDER BY name LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'store', id, NULL, name, NULL, 0, NULL, 0, NULL, NULL, NULL, NULL FROM store
       WHERE endedOn IS NULL AND id IN (SELECT id FROM ids) ORDER BY name LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'source', id, NULL, name, NULL, 0, NULL, 0, NULL, NULL, NULL, NULL FROM source
       WHERE id IN (SELECT id FROM ids) ORDER BY name LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'barrier', id, NULL, name, NULL, 0, NULL, 0, NULL, NULL, NULL, NULL FROM barrier
       WHERE id IN (SELECT id FROM ids) ORDER BY name LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'task', id, NULL, title, NULL, 0, NULL, doneOn IS NOT NULL, NULL, NULL, NULL, NULL FROM task
       WHERE id IN (SELECT id FROM ids) ORDER BY due DESC LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'sharing', id, NULL, name, NULL, 0, NULL, 0, NULL, NULL, NULL, NULL FROM sharing
       WHERE id IN (SELECT id FROM ids) ORDER BY "on" DESC LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'yardstick', y.id, NULL, y.name || ' of ' || l.name, NULL, 0, NULL, y.retiredOn IS NOT NULL,
         'line', l.code, NULL, NULL FROM yardstick y JOIN line l ON l.id = y.lineId WHERE y.id IN (SELECT id FROM ids) LIMIT :most)
     UNION ALL SELECT * FROM (SELECT 'note', n.id, NULL,
         CASE WHEN length(n.words) > 90 THEN substr(n.words, 1, 89) || '…' ELSE n.words END, NULL, 0, NULL, 0,
         CASE WHEN n.plantId IS NOT NULL THEN 'plant' WHEN n.standId IS NOT NULL THEN iif(s.family, 'family', 'stand')
           WHEN n.lotId IS NOT NULL THEN 'lot' WHEN n.crossId IS NOT NULL THEN 'cross' WHEN n.lineId IS NOT NULL THEN 'line'
           ELSE 'bed' END,
         coalesce(ps.code, s.code, k.code, x.code, l.code), s.season, p.number
       FROM note n LEFT JOIN stand s ON s.id = n.standId LEFT JOIN plant p ON p.id = n.plantId
         LEFT JOIN stand ps ON ps.id = p.standId LEFT JOIN lot k ON k.id = n.lotId LEFT JOIN cross x ON x.id = n.crossId
         LEFT JOIN line l ON l.id = n.lineId
       WHERE n.id IN (SELECT id FROM ids) ORDER BY n."on" DESC LIMIT :most)`,
  ).all({ ids: JSON.stringify(ids), lines: JSON.stringify(lines), most: OF_A_KIND }) as Hit[];

const named = (hit: Hit): string =>
  nameWithGeneration({ ...hit, lineName: hit.name }) +
  (hit.kind === "stand" || hit.kind === "family" ? `, ${hit.season}` : "");

/** Species by any of their names; Latin ones too. */
function speciesWith(words: string[]): Hit[] {
  return SPECIES.flatMap(({ id, name, crossingGroup: latin, names }) => {
    const all = [name, ...names, latin].map(unmarked);
    if (!words.every((word) => all.some((one) => one.includes(unmarked(word))))) return [];
    return [
      {
        kind: "species" as const,
        id,
        code: null,
        name: `${name}, ${latin}`,
        generation: null,
        backcrosses: 0,
        season: null,
        ended: 0 as const,
        ...ITS_OWN,
      },
    ];
  }).slice(0, OF_A_KIND);
}

/** Plants by a number after a family's code or a line's name; after "plant" alone, those of the families of the season. */
function plantsWith(db: Db, words: string, season: number): Hit[] {
  const match = /^(.*?)[\s./#-]*?(?:\bplant)?[\s./#-]+(\d{1,5})$/i.exec(` ${words}`);
  if (!match) return [];
  const of = match[1]!.trim();
  return prepared(
    db,
    `SELECT 'plant' kind, p.id, s.code || '.' || p.number code, l.name || ' plant ' || p.number name, NULL generation, 0 backcrosses, s.season,
         0 ended, 'plant' ofKind, s.code ofCode, NULL ofSeason, p.number ofNumber
       FROM stand s JOIN line l ON l.id = s.lineId JOIN plant p ON p.standId = s.id AND p.number = :number
       WHERE (:of = '' AND s.season = :season) OR (:of <> '' AND (s.code LIKE :like ESCAPE '\\'
         OR replace(s.code, '-', '') LIKE :like ESCAPE '\\' OR l.name LIKE :like ESCAPE '\\'))
       ORDER BY s.season DESC, s.code LIMIT :most`,
  ).all({ of, like: like(of), number: Number(match[2]), season, most: OF_A_KIND }) as Hit[];
}

/** What each kind is worth by itself: a line before its stands, a thing before what was noted of it. */
const WORTH: Record<FoundKind, number> = {
  species: 6,
  line: 8,
  family: 7,
  stand: 6,
  plant: 9,
  cross: 6,
  flower: 9,
  lot: 5,
  vessel: 5,
  bed: 6,
  store: 4,
  source: 4,
  barrier: 4,
  task: 3,
  note: 1,
  sharing: 3,
  yardstick: 2,
};

const compact = (text: string) => unmarked(text).replace(/[^\p{L}\p{N}]/gu, "");

/** How well words answer a code: the whole of it, its end, its beginning, a part. */
function byCode(code: string, wanted: string): number {
  if (code === wanted) return 100;
  if (code.endsWith(wanted)) return 60;
  if (code.startsWith(wanted)) return 30;
  return code.includes(wanted) ? 20 : 0;
}

/** And a name: the whole of it, its beginning, a word's beginning, a part. */
function byName(name: string, wanted: string): number {
  if (name === wanted) return 50;
  if (name.startsWith(wanted)) return 40;
  if (name.includes(` ${wanted}`)) return 25;
  return name.includes(wanted) ? 10 : 0;
}

/** This season's before the next one's, what has none, and the last ones'. */
function bySeason(its: number | null, season: number): number {
  if (its === null) return 8;
  if (its === season) return 12;
  return its === season + 1 ? 10 : Math.max(0, 6 - (season - its));
}

/** How well a hit answers, by its code, its name, its season, its kind. */
function worth(hit: Hit, words: string, season: number): number {
  const code = hit.code ? byCode(compact(hit.code), compact(words)) : 0;
  const name = byName(unmarked(named(hit)), unmarked(words));
  return code + name + bySeason(hit.season, season) + WORTH[hit.kind] - (hit.ended ? 6 : 0);
}

/**
 * Everything with a name, a code or a note that holds the words, best first: what answers them best, of this season, and
 * what hangs on a line that was found.
 */
export function find(db: Db, typed: string, season: number): Found[] {
  const text = typed.trim().replace(/\s+/g, " ");
  if (text === "") return [];
  const words = text.split(" ");
  const rows = rowsWith(db, words);
  const lines = rows.filter(({ kind }) => kind === "line").map(({ id }) => id);
  const hits = readOf(
    db,
    rows.map(({ id }) => id),
    lines.slice(0, OF_A_KIND),
  );
  return [...hits, ...plantsWith(db, text, season), ...speciesWith(words)]
    .map((hit) => ({ hit, worth: worth(hit, text, season) }))
    .sort((a, b) => b.worth - a.worth)
    .slice(0, SHOWN)
    .map(({ hit }) => ({ kind: hit.kind, id: hit.id, code: hit.code, name: named(hit), href: addressOfHit(hit) }));
}

/** What hangs on a tag, by name; null where no tag has that code. */
export function namedByCode(db: Db, code: string): string | null {
  const ids = rowsWith(db, [code]).map(({ id }) => id);
  const hit = readOf(db, ids, []).find((one) => one.code === code);
  return hit ? named(hit) : null;
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
      href: addressOf({ kind: known ? "flower" : "cross", code: crossCode, number }),
    },
  ];
}
