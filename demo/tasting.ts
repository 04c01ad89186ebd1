import type { Id } from "@/core/custody/id";
import { chance } from "./random";
import type { Grower } from "./season";

const DAY = "2025-09-22";
const TASTERS = 4;
const SERVED = 6;

/** Melons of two years ago, cut for neighbours who did not know which was which. */
export function tasting(grower: Grower): void {
  const { db } = grower;
  const plants = db
    .prepare(
      `SELECT p.id, s.id standId, y.id yardstickId, avg(c.number) flavour
         FROM plant p JOIN stand s ON s.id = p.standId JOIN line l ON l.id = s.lineId
         JOIN yardstick y ON y.lineId = l.id AND y.name = 'Flavour' JOIN score c ON c.plantId = p.id AND c.yardstickId = y.id
         WHERE l.species = 'melon' AND s.season = 2025 AND p.removedOn IS NULL
         GROUP BY p.id HAVING s.code = (SELECT min(o.code) FROM stand o JOIN plant q ON q.standId = o.id AND q.mark = 'seed-parent'
           WHERE o.season = 2025 AND o.lineId = s.lineId) ORDER BY p.mark = 'seed-parent' DESC, p.number LIMIT ${SERVED}`,
    )
    .all() as { id: Id; standId: Id; yardstickId: Id; flavour: number }[];
  grower.on(DAY);
  const [{ standId, yardstickId }] = plants as [(typeof plants)[number]];
  const note = "cut in wedges, at room warmth";
  const plantIds = plants.map(({ id }) => id);
  const { id } = grower.record("tasting.add", { standId, yardstickId, tasters: TASTERS, plantIds, note });
  const codes = db.prepare("SELECT code FROM serving WHERE tastingId = ? AND plantId = ?").pluck();
  const luck = chance(25);
  const mild = [0.8, -0.7, 0.2, -0.3];
  for (const plant of plants)
    for (const [i, level] of mild.entries()) {
      const number = Math.min(9, Math.max(1, Math.round(plant.flavour + level + luck.normal(0, 0.9))));
      const code = codes.get(id, plant.id);
      grower.record("tasting.bite", { tastingId: id, taster: i + 1, code, number });
    }
  const version = db.prepare("SELECT version FROM tasting WHERE id = ?").pluck().get(id) as Id;
  grower.record("tasting.close", { id, version });
}
