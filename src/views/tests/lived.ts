import type { Id } from "@/core/custody/id";
import { VALLEY } from "@/core/tests/place";
import { plot } from "@/records/tests/plot";

/**
 * A garden in its second season, small enough to be reckoned by hand: a cross of two melons made in 2027 and its family of
 * five beside both parents in 2028, a leek left in the ground over winter, orach for a mix, a neighbour's melons over the
 * fence, a hedge, seed of several ages. The day is 9 July 2028.
 */
export function lived() {
  const garden = plot();
  const { done, on, line } = garden;
  const months = (of: "min" | "max", list: number[]) =>
    Object.fromEntries(list.map((value, i) => [`${of}${i + 1}`, value]));
  done("climate.normals", { ...months("min", VALLEY.min), ...months("max", VALLEY.max) });
  done("bed.add", { name: "C", x: 0, y: 20, width: 6, length: 3 });
  done("bed.add", { name: "theirs", x: 70, y: 0, width: 5, length: 5, outside: 1 });

  const gold = line("Ashlar Gold", "melon");
  const moon = line("Nettle Moon", "melon", { purity: 0.95 });
  const leek = line("Slatefoot", "leek");
  const orach = line("Mixed orach", "orach", { school: "let-it-mix", status: "mix" });
  const mother = done("stand.add", { lineId: gold, bedId: 1, sown: "2027-04-24", plants: 6 }).id;
  const father = done("stand.add", { lineId: moon, bedId: 2, sown: "2027-04-28", plants: 6 }).id;

  // 2027: three flowers, two fruits, forty seeds; ten of them sown.
  const plan = { setLow: 0.3, setHigh: 0.5, confidence: 0.9, fruitsWanted: 2 };
  const first = done("cross.plan", { motherStandId: mother, fatherStandId: father, lineName: "Lantern", ...plan }).id;
  const { ids } = done("flower.cover", { crossId: first, flowers: 3, on: "2027-07-01" });
  const record = (crossId: Id, day: string, results: string[], flowers: Id[], more: object = {}) =>
    done("flower.record", {
      crossId,
      on: day,
      results: results.map((result, i) => ({ id: flowers[i], result })),
      ...more,
    });
  record(first, "2027-07-02", ["pollinated", "pollinated", "pollinated"], ids, { males: 2, at: "06:30" });
  record(first, "2027-07-09", ["set", "set", "failed"], ids);
  on("2027-08-25");
  const lot = done("cross.harvest", { crossId: first, fruits: 2, seeds: 40 }).id;
  const lantern = garden.row("lot", lot).lineId as Id;
  on("2027-10-01");
  done("lot.save", { standId: mother, kind: "open", gathered: "2027-09-20", mass: 12 });
  done("lot.receive", { lineId: leek, gathered: "2024-09-01", seeds: 80 });
  done("lot.receive", { lineId: orach, gathered: "2016-09-01", mass: 5 });

  // 2028: the family, both parents numbered beside it, and the rest.
  const leeks = done("stand.add", { lineId: leek, bedId: 3, sown: "2027-03-20", plants: 30, overwinter: "left" }).id;
  on("2028-05-10");
  const numbered = (lineId: Id, bedId: number, more: object, plants: number) => {
    const id = done("stand.add", { lineId, bedId, sown: "2028-05-02", family: 1, ...more }).id;
    done("stand.change", { id, version: 1, cameUp: plants + 1, plants });
    return { id, plants: garden.db.prepare("SELECT id FROM plant WHERE standId = ?").pluck().all(id) as Id[] };
  };
  const family = numbered(lantern, 1, { lotId: lot, sowedSeeds: 10 }, 5);
  const golds = numbered(gold, 1, { sowedSeeds: 6 }, 2);
  const moons = numbered(moon, 2, { sowedSeeds: 6 }, 2);
  const planted = { sown: "2028-04-10", plants: 30, spacing: 0.3, rowCount: 2 };
  const mix = done("stand.add", { lineId: orach, bedId: 3, ...planted }).id;
  done("stand.add", { lineId: gold, bedId: 4, sown: "2028-05-05", plants: 9, seedWanted: 0 });
  const path = [
    { x: 60, y: -50 },
    { x: 60, y: 50 },
  ];
  done("barrier.add", { name: "hedge", kind: "hedge", path });
  const field = { name: "field", kind: "field", species: "melon", plants: 900, presence: 0.6 };
  done("source.add", { ...field, distance: 150, bearing: 90, flowersFrom: "06-25", flowersTo: "07-20" });

  // The leeks go under a cage.
  done("stand.change", { id: leeks, version: 1, flowers: "covered", cover: "cage" });

  // What the family is like, and its parents.
  on("2028-07-01");
  const yardstick = (input: object) => done("yardstick.add", { lineId: lantern, ...input }).id;
  const brix = yardstick({ name: "Sweetness", kind: "number", unit: "°Bx", wanted: "high", weight: 2 });
  const flesh = yardstick({
    name: "Flesh",
    kind: "category",
    categories: "orange, white",
    wanted: "category",
    targetWord: "orange",
  });
  const bitter = yardstick({ name: "Bitter", kind: "yes-no", wanted: "no" });
  const score = (plants: Id[], yardstickId: Id, values: string[]) =>
    values.forEach((value, i) => {
      done("score.set", { plantId: plants[i], yardstickId, value });
    });
  score(family.plants, brix, ["10", "12", "14", "8"]);
  score(family.plants, flesh, ["orange", "white", "orange", "white", "orange"]);
  score(family.plants, bitter, ["n", "n", "n", "y"]);
  score(golds.plants, brix, ["9", "11"]);
  score(moons.plants, brix, ["15"]);
  score(moons.plants, flesh, ["orange", "white"]);
  done("plant.mark", { id: family.plants[2], mark: "keep", reason: "sweet" });
  done("plant.mark", { id: family.plants[3], mark: "out", reason: "bitter" });
  done("stand.first-flower", { id: golds.id, firstFlower: "2028-06-28" });

  // A cross back to the mother's line under way, one whose pollen is kept, one that is closed.
  const back = done("cross.plan", {
    motherStandId: family.id,
    motherPlantId: family.plants[2],
    fatherStandId: golds.id,
    lineName: "Lantern back",
    ...plan,
    fruitsWanted: 3,
  }).id;
  on("2028-07-09");
  done("climate.import", { text: "date;min;max\n2028-07-09;15;36\n" });
  const under = done("flower.cover", { crossId: back, flowers: 4, on: "2028-07-06", plantId: family.plants[2] });
  record(back, "2028-07-07", ["pollinated", "pollinated", "limp"], under.ids, { at: "05:40" });
  done("flower.cover", { crossId: back, flowers: 2, on: "2028-07-08" });
  const kept = done("cross.plan", {
    motherStandId: moons.id,
    fatherStandId: golds.id,
    lineName: "Moon by Gold",
    ...plan,
  }).id;
  done("cross.adjust", { id: kept, version: 1, storage: "freezer", note: "hers come late" });
  const self = done("cross.plan", { motherStandId: golds.id, fatherStandId: golds.id, ...plan, fruitsWanted: 1 }).id;
  done("cross.adjust", { id: self, version: 1, closed: 1 });

  // Own tasks: one done and due again on the 10th, one overdue, one for later.
  const traps = done("task.add", { title: "Empty the traps", due: "2028-07-07", every: 1 }).id;
  done("task.done", { id: traps, version: 1 });
  done("task.add", { title: "Mulch the leeks", due: "2028-07-05", note: "straw" });
  done("task.add", { title: "Order fleece", due: "2028-08-01" });
  return {
    ...garden,
    stands: { mother, family: family.id, golds: golds.id, moons: moons.id, leeks, mix },
    lot,
    lantern,
    crosses: { first, back, kept, self },
  };
}
