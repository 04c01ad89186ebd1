import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Bed } from "./bed";

export function beds(db: Db): Bed[] {
  return prepared(db, "SELECT * FROM bed ORDER BY outside, name, id").all() as Bed[];
}

export type BedChoice = Pick<Bed, "id" | "name">;

/** The garden's own beds, to choose one from. */
export function bedChoices(db: Db): BedChoice[] {
  return prepared(db, "SELECT id, name FROM bed WHERE outside = 0 ORDER BY name, id").all() as BedChoice[];
}

export function bedById(db: Db, id: Id): Bed | undefined {
  return prepared(db, "SELECT * FROM bed WHERE id = ?").get(id) as Bed | undefined;
}

/** How many stands grew in a bed, of all seasons. */
export function standsInBed(db: Db, id: Id): number {
  return prepared(db, "SELECT count(*) FROM stand WHERE bedId = ?").pluck().get(id) as number;
}
