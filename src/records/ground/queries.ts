import type { Point } from "@/core/ground/shape";
import type { BarrierKind } from "@/core/isolation/barrier";
import type { Harm, SceneSource } from "@/core/isolation/scene";
import type { Db } from "@/db/open";

export type BarrierRow = {
  id: number;
  name: string;
  kind: BarrierKind;
  path: Point[];
  factor: number;
  version: number;
};

export type SourceRow = {
  id: number;
  name: string;
  kind: SceneSource["kind"];
  species: string;
  outline: Point[];
  plants: number;
  presence: number;
  harm: Harm;
  flowersFrom: string | null;
  flowersTo: string | null;
  agreedSeason: number | null;
  version: number;
};

/** Points as the tables keep them. */
export const pointsToText = (points: Point[]): string => JSON.stringify(points.map(({ x, y }) => [x, y]));
const pointsOf = (text: string): Point[] => (JSON.parse(text) as [number, number][]).map(([x, y]) => ({ x, y }));

export function barriers(db: Db): BarrierRow[] {
  const rows = db.prepare("SELECT * FROM barrier ORDER BY name").all() as (Omit<BarrierRow, "path"> & {
    path: string;
  })[];
  return rows.map((row) => ({ ...row, path: pointsOf(row.path) }));
}

export function sources(db: Db): SourceRow[] {
  const rows = db.prepare("SELECT * FROM source ORDER BY name").all() as (Omit<SourceRow, "outline"> & {
    outline: string;
  })[];
  return rows.map((row) => ({ ...row, outline: pointsOf(row.outline) }));
}
