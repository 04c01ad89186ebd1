import type { Id } from "@/core/custody/id";
import type { Beds } from "./ground";
import type { Grower } from "./season";

/** Next year as it is planned in the middle of this one: two melons and two tomatoes that would meet, and the rest. */
export function nextSeason(grower: Grower, beds: Beds, day: string): void {
  grower.on(day);
  const lineId = (name: string) => grower.db.prepare("SELECT id FROM line WHERE name = ?").pluck().get(name) as Id;
  const newest = grower.db.prepare("SELECT id FROM lot WHERE lineId = ? ORDER BY gathered DESC LIMIT 1").pluck();
  const plan = (name: string, bed: string, sown: string, plants: number, more: object = {}) => {
    const lotId = newest.get(lineId(name)) as Id | undefined;
    const seed = lotId ? { lotId, sowedSeeds: plants } : {};
    return grower.record("stand.add", { lineId: lineId(name), bedId: beds[bed], sown, plants, ...seed, ...more });
  };
  plan("Ashlar Gold", "H", "2028-05-04", 8);
  plan("Nettle Moon", "J", "2028-05-04", 8);
  plan("Duskwing", "D", "2028-05-08", 40);
  plan("Tarnholt mixed orach", "E", "2028-04-10", 36, { spacing: 0.3, rowCount: 1 });
  plan("Ember-sweet", "B", "2028-03-10", 12);
  plan("Cinder Tooth", "A", "2028-03-12", 6);
  plan("Low Kiln", "M", "2028-03-20", 10);
  plan("Wren's Thimble", "M", "2028-03-22", 6);
}
