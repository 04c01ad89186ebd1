import { told as written } from "@/core/tests/told";
import type { Db } from "@/db/open";
import { RECORDS } from "@/records/records";

/** Lists and things that other tests are about, or that are the catalogue's own words. */
const LEFT_OUT = new Set([
  "garden",
  "band",
  "protocol",
  "protocols",
  "species",
  "hazards",
  "daysToRipe",
  "methods",
  "step",
]);

/** Where in the journal something stands: no screen says it, and it moves with every press before. */
const POSITIONS = /^(head|sequence|entry)$|[vV]ersion$/;

/** Ids as the table's name and the place of the row in it. */
function namesOf(db: Db): Map<string, string> {
  const tables = [...RECORDS.map(({ table }) => table as string), "op"];
  return new Map(
    tables.flatMap((table) =>
      (db.prepare(`SELECT id FROM "${table}" ORDER BY rowid`).pluck().all() as string[]).map(
        (id, i) => [id, `${table} ${i + 1}`] as const,
      ),
    ),
  );
}

/** What a view gives, in lines that a person can read through: ids by name. */
export function told(db: Db, view: unknown): string {
  const names = namesOf(db);
  return written(
    view,
    (key, inner) => !POSITIONS.test(key) && (typeof inner !== "object" || !LEFT_OUT.has(key)),
    (text) => text.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, (id) => names.get(id) ?? "nobody"),
  );
}
