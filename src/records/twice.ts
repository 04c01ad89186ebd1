import { prepared } from "@/db/rows";
import type { Context } from "./command";
import type { AnyRecord } from "./record";

/** A warning where another of a name is there already: two people may both mean theirs, so it is said and not refused. */
export function namedTwice({ db }: Pick<Context, "db">, { table }: AnyRecord, name: string): string[] {
  const known = prepared(db, `SELECT 1 FROM "${table}" WHERE name = ? LIMIT 1`).get(name);
  return known ? [`There is a ${table} named ${name} already; they are told apart by their place only.`] : [];
}
