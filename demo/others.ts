import type { Id } from "@/core/custody/id";
import type { Beds } from "./ground";
import type { Grower } from "./season";

const line = (grower: Grower, input: object) => grower.record("line.add", { origin: "", year: 2020, ...input }).id;

/** Duskwing: kept pure by roguing scarlet flowers before they open to bees. One recessive off-type, kept low. */
export function duskwing(grower: Grower, beds: Beds): void {
  grower.on("2021-02-01");
  const bean = line(grower, {
    name: "Duskwing",
    species: "runner-bean",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "an old allotment, Tarnholt",
    description: "Bicolour flower, dusk and rose; stringless pod.",
  });
  const stringless = grower.record("yardstick.add", {
    lineId: bean,
    name: "Stringless pod",
    kind: "yes-no",
    wanted: "yes",
    weight: 2,
  }).id;
  const pod = grower.record("yardstick.add", {
    lineId: bean,
    name: "Pod length",
    kind: "number",
    unit: "cm",
    wanted: "high",
    weight: 1,
  }).id;
  let lot = grower.record("lot.receive", { lineId: bean, gathered: "2021-02-01", seeds: 120 }).id;
  let frequency = 0.32;
  for (let season = 2021; season <= 2027; season++) {
    const { stand, plants } = grower.family(bean, lot, beds.D!, `${season}-05-08`, 60, 52, 40);
    const offTypes = plants.filter(() => grower.luck.yes(frequency * frequency));
    const last = season === 2027;
    grower.on(`${season}-06-28`);
    if (offTypes.length > 0 && !last)
      grower.record("plant.remove", { ids: offTypes, reason: "scarlet flower bud, off-type" });
    if (last) {
      for (const id of plants.slice(11, 14))
        grower.record("plant.mark", { id, mark: "out", reason: "scarlet showing in the bud" });
    } else {
      grower.on(`${season}-08-20`);
      for (const id of plants.filter((p) => !offTypes.includes(p))) {
        grower.score(id, stringless, grower.luck.yes(0.55 + 0.06 * (season - 2021)) ? "y" : "n");
        grower.score(id, pod, grower.luck.normal(24 + 0.5 * (season - 2021), 3).toFixed(1));
      }
      grower.on(`${season}-09-24`);
      lot = grower.record("lot.save", { standId: stand, kind: "open", gathered: `${season}-09-24`, seeds: 140 }).id;
    }
    // Off-types taken out before they flower leave only mixed plants: q falls to q / (1 + q).
    frequency = frequency / (1 + frequency) + 0.01;
  }
}

/** Nine founders let mix, with weedy kin along the lane. */
export function orach(grower: Grower, beds: Beds): void {
  grower.on("2021-02-02");
  const mix = line(grower, {
    name: "Tarnholt mixed orach",
    species: "orach",
    school: "let-it-mix",
    status: "mix",
    origin: "nine founders, all colours",
    description: "Survival first, colour later.",
  });
  for (let season = 2023; season <= 2027; season++) {
    grower.on(`${season}-04-10`);
    const stand = grower.record("stand.add", {
      lineId: mix,
      bedId: beds.E,
      sown: `${season}-04-10`,
      plants: 34 + season - 2023,
    }).id;
    if (season === 2027) continue;
    grower.on(`${season}-09-10`);
    grower.record("lot.save", { standId: stand, kind: "open", gathered: `${season}-09-10`, mass: 30 });
  }
}

/** Slatefoot: second-year seed, half lifted, half under mulch; a hard winter took most of the mulched ones. */
export function leek(grower: Grower, beds: Beds): void {
  grower.on("2024-02-01");
  const slate = line(grower, {
    name: "Slatefoot",
    species: "leek",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "kept in the valley",
    description: "Blue-grey leaves, short thick shank, stands hard frost.",
  });
  const lot = grower.record("lot.receive", {
    lineId: slate,
    gathered: "2024-02-01",
    mass: 4,
    note: "second-year seed of 2023",
  }).id;
  grower.on("2026-03-28");
  const lifted = grower.record("stand.add", {
    lineId: slate,
    lotId: lot,
    bedId: beds.F,
    sown: "2026-03-28",
    sowedSeeds: 200,
    overwinter: "lifted",
  }).id;
  const mulched = grower.record("stand.add", {
    lineId: slate,
    lotId: lot,
    bedId: beds.M,
    sown: "2026-03-28",
    sowedSeeds: 120,
    overwinter: "left",
  }).id;
  grower.on("2026-06-01");
  grower.change(lifted, { cameUp: 150, plants: 40 });
  grower.change(mulched, { cameUp: 88, plants: 30 });
  grower.on("2027-03-20");
  grower.change(lifted, { plants: 34, plantedOut: "2027-03-20" });
  grower.change(mulched, { plants: 4 });
}

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
  }).id;
  const sweet = grower.record("yardstick.add", {
    lineId: ember,
    name: "Sweetness",
    kind: "scale",
    lowEnd: "grassy or hot",
    highEnd: "like fruit",
    wanted: "high",
    weight: 3,
  }).id;
  grower.on("2021-03-12");
  const bought = grower.record("stand.add", { lineId: ember, bedId: beds.B, sown: "2021-03-12", plants: 4 }).id;
  grower.on("2021-09-15");
  let lot = grower.record("lot.save", { standId: bought, kind: "self", gathered: "2021-09-15", seeds: 180 }).id;
  for (let season = 2022; season <= 2027; season++) {
    const { stand, plants } = grower.family(ember, lot, beds.B!, `${season}-03-10`, 20, 16, season === 2022 ? 16 : 12);
    if (season === 2024 || season === 2027)
      grower.record("stand.add", { lineId: hot, bedId: beds.A, sown: `${season}-04-12`, plants: 3, seedWanted: 0 });
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
        reason: "hot: one bite; Cinder Tooth stood two rows away in 2024",
      });
    }
    grower.record("plant.mark", { id: plants[1]!, mark: "seed-parent", reason: "thick wall, sweet, early" });
    grower.on(`${season}-09-20`);
    lot = grower.record("lot.save", {
      standId: stand,
      plantIds: [plants[1]!],
      kind: "self",
      gathered: `${season}-09-20`,
      seeds: 90,
    }).id;
  }
}

/** The rest of the drawer, and what else stands this season. */
export function drawer(grower: Grower, beds: Beds): void {
  grower.on("2021-03-01");
  const kiln = line(grower, {
    name: "Low Kiln",
    species: "tomato",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "from a friend",
  });
  const thimble = line(grower, {
    name: "Wren's Thimble",
    species: "tomato",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "found in a crate",
  });
  const brindle = line(grower, {
    name: "Brindle Lamp",
    species: "pepo-squash",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "the valley",
  });
  const tallow = line(grower, {
    name: "Tallow Root",
    species: "carrot",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "an old packet",
  });
  const receive = (lineId: Id, gathered: string, amount: object, note = "") => {
    if (gathered > grower.day) grower.on(gathered);
    return grower.record("lot.receive", { lineId, gathered, note, ...amount }).id;
  };
  receive(tallow, "2021-09-20", { mass: 3 });
  grower.on("2022-03-20");
  const between = [kiln, thimble].map(
    (lineId) => grower.record("stand.add", { lineId, bedId: beds.A, sown: "2022-03-20", plants: 2 }).id,
  );
  const dropped = receive(
    thimble,
    "2022-09-18",
    { mass: 0.6 },
    "berries dropped between Low Kiln and Wren's Thimble: mother uncertain",
  );
  const candidates = between.map((standId) => ({ standId, share: 0.5 }));
  grower.record("candidate.set", { of: "lot", id: dropped, role: "mother", candidates });
  const squash = receive(brindle, "2024-10-02", { seeds: 44 });
  const tomato = receive(kiln, "2025-09-11", { mass: 0.9 });
  grower.on("2027-03-20");
  grower.record("stand.add", {
    lineId: kiln,
    lotId: tomato,
    bedId: beds.A,
    sown: "2027-03-20",
    sowedSeeds: 24,
    plants: 10,
  });
  grower.record("stand.add", { lineId: thimble, bedId: beds.A, sown: "2027-03-22", plants: 3 });
  grower.on("2027-05-15");
  grower.record("stand.add", {
    lineId: brindle,
    lotId: squash,
    bedId: beds["far bed"],
    sown: "2027-05-15",
    sowedSeeds: 10,
    plants: 5,
  });
}

/** Other flowers than melons by hand this year: tomatoes in bud, peppers under bags, leek heads to be brushed. */
export function otherHands(grower: Grower, day: string): void {
  const { db } = grower;
  const stand = (name: string) =>
    db
      .prepare(
        `SELECT s.id FROM stand s JOIN line l ON l.id = s.lineId
         WHERE l.name = ? AND s.season = 2027 ORDER BY s.plants DESC LIMIT 1`,
      )
      .pluck()
      .get(name) as Id;
  const rates = { setLow: 0.3, setHigh: 0.7, confidence: 0.9 };
  const parents = (mother: string, father: string) => ({ motherStandId: stand(mother), fatherStandId: stand(father) });
  grower.on("2027-06-24");
  const tomatoes = grower.record("cross.plan", {
    ...parents("Low Kiln", "Wren's Thimble"),
    ...rates,
    lineName: "Kiln and Thimble",
    fruitsWanted: 5,
  }).id;
  grower.pollinate(tomatoes, "2027-06-26", 5);
  grower.pollinate(tomatoes, "2027-06-30", 4);
  grower.look(tomatoes, "2027-07-08", 0.5);
  grower.on("2027-07-07");
  grower.record("flower.cover", { crossId: tomatoes, flowers: 3, on: "2027-07-07" });
  const plant = db.prepare("SELECT id FROM plant WHERE standId = ? AND number = 3").pluck().get(stand("Ember-sweet"));
  const bagged = grower.record("cross.plan", {
    motherStandId: stand("Ember-sweet"),
    fatherStandId: stand("Ember-sweet"),
    motherPlantId: plant,
    fatherPlantId: plant,
    ...rates,
    fruitsWanted: 4,
  }).id;
  grower.record("flower.cover", { crossId: bagged, flowers: 6 });
  grower.on(day);
  grower.record("cross.plan", { ...parents("Slatefoot", "Slatefoot"), ...rates, fruitsWanted: 6 });
}

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
