import type { Id } from "@/core/custody/id";
import type { Beds } from "./ground";
import { line } from "./line";
import type { Grower } from "./season";

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
  const marl = line(grower, {
    name: "Hollow Marl",
    species: "parsnip",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "an old packet",
  });
  receive(marl, "2021-09-18", { mass: 1.2 });
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
  grower.on("2027-03-22");
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
