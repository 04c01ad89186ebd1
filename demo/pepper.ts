import type { Beds } from "./ground";
import { line } from "./line";
import type { Grower } from "./season";

/** Ember-sweet: a bought hybrid undone by single-seed descent; a hot stray two rows away in 2024. */
export function pepper(grower: Grower, beds: Beds): void {
  grower.on("2021-02-03");
  const ember = line(grower, {
    name: "Ember-sweet",
    species: "pepper",
    school: "cross-and-fix",
    status: "f1-hybrid",
    origin: "a bought F1 hybrid",
    description: "Aim: sweet, thick-walled, ripe in August.",
  });
  const hot = line(grower, {
    name: "Cinder Tooth",
    harm: "hot",
    species: "pepper",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "a gift",
  });
  const wall = grower.record("yardstick.add", {
    lineId: ember,
    name: "Wall",
    kind: "number",
    unit: "mm",
    wanted: "high",
    weight: 2,
    stage: "harvest",
  }).id;
  const sweet = grower.record("yardstick.add", {
    lineId: ember,
    name: "Sweetness",
    kind: "scale",
    lowEnd: "grassy or hot",
    highEnd: "like fruit",
    wanted: "high",
    weight: 3,
    floor: 3,
    stage: "harvest",
  }).id;
  grower.record("offkind.add", {
    lineId: ember,
    name: "hot",
    look: "One bite tells: lick the cut, wait ten seconds, spit it out.",
    inheritance: "dominant",
  });
  grower.on("2021-03-12");
  const bought = grower.record("stand.add", { lineId: ember, bedId: beds.B, sown: "2021-03-12", plants: 4 }).id;
  grower.on("2021-09-15");
  let lot = grower.record("lot.save", { standId: bought, kind: "open", gathered: "2021-09-15", seeds: 180 }).id;
  for (let season = 2022; season <= 2027; season++) {
    const { stand, plants } = grower.family(ember, lot, beds.B!, `${season}-03-10`, 20, 16, season === 2022 ? 16 : 12);
    if (season === 2024 || season === 2027) {
      grower.on(`${season}-04-12`);
      grower.record("stand.add", { lineId: hot, bedId: beds.A, sown: `${season}-04-12`, plants: 3, seedWanted: 0 });
    }
    if (season === 2027) return;
    grower.on(`${season}-09-05`);
    const spread = 1.6 / 2 ** ((season - 2022) / 2);
    for (const id of plants) {
      grower.score(id, wall, Math.max(2, grower.luck.normal(4.6 + 0.25 * (season - 2022), spread)).toFixed(1));
      grower.score(
        id,
        sweet,
        Math.round(Math.min(9, Math.max(2, grower.luck.normal(5.5 + 0.3 * (season - 2022), spread)))),
      );
    }
    if (season === 2025) {
      grower.score(plants[4]!, sweet, 1);
      grower.record("plant.remove", {
        ids: [plants[4]!],
        reason: "hot",
      });
    }
    grower.record("plant.mark", { id: plants[1]!, mark: "seed-parent", reason: "thick wall, sweet, early" });
    grower.on(`${season}-09-20`);
    lot = grower.record("lot.save", {
      standId: stand,
      plantIds: [plants[1]!],
      kind: "open",
      gathered: `${season}-09-20`,
      seeds: 90,
    }).id;
  }
}
