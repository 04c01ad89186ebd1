import { addDays, type Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { hygrometerLog } from "@/core/seed/hygrometer";
import type { VesselKind } from "@/core/seed/vessels";
import type { Grower } from "./season";

const lineId = ({ db }: Grower, name: string) =>
  db.prepare("SELECT id FROM line WHERE name = ?").pluck().get(name) as Id;
const lotsOf = (grower: Grower, name: string, by: Day = "2100-01-01") =>
  grower.db
    .prepare("SELECT id FROM lot WHERE lineId = ? AND gathered <= ? ORDER BY gathered, id")
    .pluck()
    .all(lineId(grower, name), by) as Id[];

/** Where seed lies in Tarnholt, and since when; the air a logger measured in one of the places. */
function places(grower: Grower, day: Day): void {
  grower.on("2024-11-02");
  const place = (name: string, temperature: number, humidity: number, desiccantEvery: number | null = null) =>
    grower.record("store.add", {
      name,
      temperature,
      humidity,
      desiccantEvery,
      desiccantOn: desiccantEvery && grower.day,
    }).id;
  const tin = place("Blue tin, cellar", 11, 30, 240);
  const shelf = place("Kitchen shelf", 20, 55);
  const put = (storeId: Id, names: string[]) => {
    const there = names.flatMap((name) => lotsOf(grower, name, grower.day));
    grower.record("lot.store", { storeId, lotIds: there });
  };
  put(tin, ["Ashlar Gold", "Nettle Moon", "Duskwing", "Slatefoot"]);
  put(shelf, ["Hollow Marl", "Tallow Root", "Wren's Thimble", "Brindle Lamp"]);
  grower.on("2026-11-20");
  const { version } = grower.db.prepare("SELECT version FROM store WHERE id = ?").get(tin) as { version: Id };
  grower.record("store.desiccant", { id: tin, version, on: "2026-11-20" });
  put(tin, ["Low Kiln", "Ember-sweet", "Lantern melon"]);
  grower.on(day);
  const log = hygrometerLog({ temperature: 20, humidity: 0.55 }, 11, addDays(day, -200), day, false);
  grower.record("air.read", { storeId: shelf, text: log });
}

/** A germination test, counted on its days. */
function test(grower: Grower, lotId: Id, on: Day, sown: number, counts: [number, number][], last = true): void {
  grower.on(on);
  const { id } = grower.record("test.set", { lotId, sown, warmth: 20 });
  for (const [i, [after, up]] of counts.entries()) {
    grower.on(addDays(on, after));
    grower.record("test.count", { testId: id, up, last: last && i === counts.length - 1 });
  }
}

/** Tests of four years: of what lives, of what is dying, and one that runs. */
function tests(grower: Grower, day: Day): void {
  const [tallow] = lotsOf(grower, "Tallow Root");
  const [thimble] = lotsOf(grower, "Wren's Thimble");
  const [brindle] = lotsOf(grower, "Brindle Lamp");
  const [kiln] = lotsOf(grower, "Low Kiln");
  const [leek] = lotsOf(grower, "Slatefoot");
  test(grower, tallow!, "2024-02-10", 40, [
    [7, 14],
    [14, 27],
  ]);
  test(grower, thimble!, "2025-02-14", 20, [
    [5, 9],
    [10, 18],
  ]);
  test(grower, brindle!, "2026-03-01", 10, [
    [4, 6],
    [8, 9],
  ]);
  test(grower, tallow!, "2026-02-12", 40, [
    [9, 8],
    [14, 14],
  ]);
  test(grower, kiln!, "2027-02-20", 30, [
    [5, 21],
    [9, 28],
  ]);
  // One that runs: its first count is due.
  test(grower, leek!, addDays(day, -8), 20, [[6, 5]], false);
}

/** The table in the middle of a run: a ferment at its end, seed that dries, a strainer nobody washed, fruit that waits. */
function table(grower: Grower, day: Day): void {
  grower.on("2026-08-01");
  const vessel = (kind: VesselKind, name: string) => grower.record("vessel.add", { kind, name }).id;
  const [cup2, cup4] = [vessel("cup", "Cup 2"), vessel("cup", "Cup 4")];
  const fine = vessel("strainer", "Fine strainer");
  vessel("strainer", "Coarse strainer");
  const [plate1, plate3] = [vessel("plate", "Plate 1"), vessel("plate", "Plate 3")];
  const crate = vessel("crate", "Crate A");
  const jar = vessel("tray", "Sieve tray");
  const fruit = (name: string, on: Day, fruits: number, note: string) => {
    grower.on(on);
    return grower.record("lot.receive", { lineId: lineId(grower, name), gathered: on, fruits, note }).id;
  };
  const at = (days: number, hour: string) => ({ on: addDays(day, days), at: hour });
  const does = (lotId: Id, act: string, days: number, hour: string, more: object = {}) => {
    grower.on(addDays(day, days));
    grower.record("table.do", { lotId, act, ...at(days, hour), ...more });
  };
  const thimble = fruit("Wren's Thimble", addDays(day, -8), 12, "from under a friend's glass");
  grower.record("table.begin", { lotId: thimble, way: "ferment", warmth: 24, vesselId: cup4, ...at(-8, "18:00") });
  does(thimble, "stir", -7, "19:00");
  does(thimble, "rinse", -5, "07:30", { value: 4, vesselId: fine, fromVesselId: cup4 });
  does(thimble, "float", -5, "07:45");
  does(thimble, "spread", -5, "08:00", { vesselId: plate3, fromVesselId: fine });
  grower.record("vessel.clean", { id: cup4, by: "T" });
  does(thimble, "weigh", -4, "08:00", { value: 9.4 });
  does(thimble, "turn", -3, "08:00");
  does(thimble, "weigh", -2, "08:00", { value: 6.9 });
  does(thimble, "turn", -1, "08:00");
  const kiln = fruit("Low Kiln", addDays(day, -3), 6, "the first, from under a friend's glass");
  grower.on(addDays(day, -2));
  grower.record("table.begin", { lotId: kiln, way: "ferment", warmth: 24, vesselId: cup2, ...at(-2, "07:00") });
  does(kiln, "stir", -1, "08:00");
  const brindle = fruit("Brindle Lamp", addDays(day, -4), 1, "kept whole over the winter");
  grower.record("table.begin", { lotId: brindle, way: "rinse", vesselId: jar, ...at(-4, "17:00") });
  does(brindle, "rinse", -4, "17:30", { value: 3 });
  does(brindle, "float", -4, "17:45");
  grower.record("table.split", {
    lotId: brindle,
    parts: [{ fraction: "second-best", share: 0.2 }],
    ...at(-4, "17:50"),
  });
  does(brindle, "spread", -4, "18:00", { vesselId: plate1 });
  const second = grower.db.prepare("SELECT lotId FROM part").pluck().get() as Id;
  does(second, "spread", -4, "18:05");
  for (const lot of [brindle, second]) does(lot, "turn", -2, "18:00");
  const waiting = fruit("Nettle Moon", day, 2, "forced under glass, handed over the fence");
  grower.record("table.move", { lotId: waiting, vesselId: crate });
  // An old accident: its labels say so for ever.
  const [old] = lotsOf(grower, "Wren's Thimble");
  grower.record("table.break", { lotId: old, why: "two cups stood without labels over a weekend in 2022" });
}

/** A swap in spring that is over, and one in autumn that people wish for. */
function swaps(grower: Grower, day: Day): void {
  const [kiln] = lotsOf(grower, "Low Kiln");
  const bean = lotsOf(grower, "Duskwing").at(-1)!;
  const orach = lotsOf(grower, "Tarnholt mixed orach").at(-1)!;
  grower.on("2027-03-06");
  const people = ["A. R.", "M 3", "M 7", "T. O."].map((name) => grower.record("member.add", { name }).id);
  const swap = (name: string, on: Day, offers: [Id, number, number][], wishes: Id[][]) => {
    const { id } = grower.record("sharing.add", { name, on, mostEach: 2 });
    for (const [lotId, packets, each] of offers)
      grower.record("sharing.offer", { sharingId: id, lotId, packets, each });
    for (const [i, lotIds] of wishes.entries())
      grower.record("sharing.wish", { sharingId: id, memberId: people[i], lotIds });
    return id;
  };
  const spring = swap(
    "Spring swap",
    "2027-03-06",
    [
      [kiln!, 2, 8],
      [orach, 6, 60],
    ],
    [[kiln!, orach], [kiln!], [kiln!, orach], []],
  );
  grower.record("sharing.allot", { sharingId: spring });
  grower.record("sharing.hand-out", { sharingId: spring });
  grower.on(day);
  swap(
    "Autumn swap",
    addDays(day, 99),
    [
      [bean, 3, 6],
      [orach, 4, 60],
    ],
    [[bean], [bean, orach], [bean], [orach, bean]],
  );
}

/** Seed as it lies and as it is worked on. */
export function seed(grower: Grower, day: Day): void {
  places(grower, day);
  tests(grower, day);
  table(grower, day);
  swaps(grower, day);
  const [kiln] = lotsOf(grower, "Low Kiln");
  grower.record("sample.add", { lotId: kiln, seeds: 100, mass: 0.29 });
  grower.record("packet.make", { lotId: kiln, packets: 3, each: 40, reserves: 1 });
}
