import { seasonOf } from "@/core/climate/season";
import type { Db } from "@/db/open";
import type { Garden } from "@/records/garden/queries";
import { type JournalEntry, journal } from "@/records/history/queries";
import { type Band, band } from "./band";
import { outlook } from "./outlook";

const base = (db: Db) => {
  const sky = outlook(db);
  const { garden: place } = sky;
  return { garden: place, band: band(sky, seasonOf(sky.today, place.latitude), []) };
};

export type Shed = { garden: Garden; band: Band; path: string; counts: { name: string; count: number }[] };

export function shedView(db: Db): Shed {
  const counts = db
    .prepare(
      `SELECT 'lines' name, count(*) count FROM line UNION ALL SELECT 'stands', count(*) FROM stand
       UNION ALL SELECT 'plants', count(*) FROM plant UNION ALL SELECT 'scores', count(*) FROM score
       UNION ALL SELECT 'crosses', count(*) FROM cross UNION ALL SELECT 'seed lots', count(*) FROM lot
       UNION ALL SELECT 'history entries', count(*) FROM journal`,
    )
    .all() as Shed["counts"];
  return { ...base(db), path: db.name, counts };
}

const PAGE = 60;

export type History = { garden: Garden; band: Band; entries: JournalEntry[]; older: number | null };

export function historyView(db: Db, before: number | null): History {
  const entries = journal(db, before, PAGE);
  return { ...base(db), entries, older: entries.length === PAGE ? entries.at(-1)!.id : null };
}
