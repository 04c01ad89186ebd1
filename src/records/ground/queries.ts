import type { Point } from "@/core/ground/shape";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { BarrierKept } from "../barrier/barrier";
import type { SourceKept } from "../source/source";
import { pointsOf } from "./points";

export type BarrierRow = Omit<BarrierKept, "path"> & { path: Point[] };
export type SourceRow = Omit<SourceKept, "outline"> & { outline: Point[] };

export function barriers(db: Db): BarrierRow[] {
  const rows = prepared(db, "SELECT * FROM barrier ORDER BY name, id").all() as BarrierKept[];
  return rows.map((row) => ({ ...row, path: pointsOf(row.path) }));
}

export function sources(db: Db): SourceRow[] {
  const rows = prepared(db, "SELECT * FROM source ORDER BY name, id").all() as SourceKept[];
  return rows.map((row) => ({ ...row, outline: pointsOf(row.outline) }));
}

/** Sources whose neighbour is to be asked, or was and has not answered. */
export const sourcesToAsk = (db: Db): SourceKept[] =>
  prepared(db, "SELECT * FROM source WHERE askSeason IS NOT NULL ORDER BY name, id").all() as SourceKept[];
