import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Plan } from "./plan";

/** A line's plan as somebody made it, season by season; empty where it goes on as usual. */
export const planOfLine = (db: Db, lineId: Id): Plan[] =>
  prepared(db, "SELECT * FROM plan WHERE lineId = ? ORDER BY season, id").all(lineId) as Plan[];

/** The plans of all lines. */
export const allPlans = (db: Db): Plan[] =>
  prepared(db, "SELECT * FROM plan ORDER BY lineId, season, id").all() as Plan[];
