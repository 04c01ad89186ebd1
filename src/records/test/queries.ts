import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Test, TestCount } from "./test";

/** A test with its last count. */
export type TestRow = Test & { up: number; countedOn: string | null };
/** A test with what it is of. */
export type TestOfLot = TestRow & { lotCode: string; lineName: string; species: string; gathered: string };

const select = (more: string) => `SELECT t.*, coalesce(c.up, 0) up, c."on" countedOn${more} FROM test t
  JOIN lot k ON k.id = t.lotId JOIN line l ON l.id = k.lineId
  LEFT JOIN testCount c ON c.id = (SELECT id FROM testCount WHERE testId = t.id ORDER BY "on" DESC LIMIT 1)`;

export const testById = (db: Db, id: Id): TestRow | undefined =>
  prepared(db, `${select("")} WHERE t.id = ?`).get(id) as TestRow | undefined;

/** Every test up to a day, the oldest first. */
export function tests(db: Db, until: string): TestOfLot[] {
  const of = ", k.code lotCode, l.name lineName, l.species, k.gathered";
  return prepared(db, `${select(of)} WHERE t."on" <= ? ORDER BY t."on", t.id`).all(until) as TestOfLot[];
}

/** Counts of a test, in order of days. */
export const countsOf = (db: Db, testId: Id): TestCount[] =>
  prepared(db, 'SELECT * FROM testCount WHERE testId = ? ORDER BY "on"').all(testId) as TestCount[];
