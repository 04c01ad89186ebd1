import { beforeAll, describe, expect, test } from "vitest";
import { addDays, type Day, daysBetween } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Act } from "@/core/work/work";
import { openWork } from "@/views/work";
import { CROPS, NORTH, type Place } from "./crops";
import { plot } from "./plot";

/** The south's frosts are the north's, 182 days on. */
const SOUTH: Place = {
  latitude: -48.6,
  longitude: 168.7,
  timezone: "Pacific/Auckland",
  lastFrost: "11-12",
  firstFrost: "04-06",
};

/** Looked at again and again while it is stored; everything else is asked for once. */
const AGAIN: Act = "look-store";

type Asked = { species: string; act: Act; day: Day };

/** All that is asked of a garden from its first sowing on, done on the day it is due, until every crop's seed is put away. */
function lived(half: Place): Asked[] {
  const garden = plot();
  garden.done("garden.change", { version: 1, name: "Plot", units: "metric", ...half });
  const frost: Day = `2027-${half.lastFrost}`;
  const from = addDays(frost, -100);
  garden.on(from);
  const speciesOf = new Map<Id, string>();
  for (const [i, [species, before, overwinter]] of CROPS.entries()) {
    const bedId = garden.done("bed.add", { name: `bed ${i}`, x: 40 * i, y: 40, width: 10, length: 4 }).id;
    const sown = { lineId: garden.line(`Own ${species}`, species), sown: addDays(frost, -before), plants: 20 };
    const { id } = garden.done("stand.add", { bedId, ...sown, ...(overwinter && { overwinter }) });
    speciesOf.set(id, species);
  }
  const asked: Asked[] = [];
  const kept = () => asked.filter(({ act }) => act === "keep").length;
  for (let day = from; day < addDays(from, 700) && kept() < CROPS.length; day = addDays(day, 1)) {
    garden.on(day);
    for (let due = true; due; ) {
      const works = openWork(garden.sky());
      const missed = works.filter(({ standing }) => standing === "missed");
      expect(missed.map(({ act, stand }) => `${day} ${speciesOf.get(stand.id)}: ${act}`)).toEqual([]);
      const now = works.filter(({ standing }) => standing === "due");
      for (const { act, stand } of now) {
        asked.push({ species: speciesOf.get(stand.id)!, act, day });
        if (act === "keep") garden.done("lot.save", { standId: stand.id, kind: "open", gathered: day, seeds: 100 });
        else garden.done("deed.done", { standId: stand.id, act });
      }
      due = now.length > 0;
      // Nine crops have some hundred pieces of work: what is done stays done.
      expect(asked.length).toBeLessThan(200);
    }
  }
  garden.close();
  return asked;
}

describe("a garden from sowing to the drawer, everything done on the day it is due", () => {
  let north: Asked[];
  beforeAll(() => {
    north = lived(NORTH);
  });
  const of = (asked: Asked[], crop: string) => asked.filter(({ species }) => species === crop);
  const acts = (asked: Asked[]) => asked.map(({ act }) => act).filter((act) => act !== AGAIN);

  test("asks of each crop what its way of growing needs, in order, and nothing twice", () => {
    expect(Object.fromEntries(CROPS.map(([crop]) => [crop, acts(of(north, crop)).join(" ")]))).toEqual({
      // In the ground from a row: thinned, staked where it climbs, its sexes told where they stand apart.
      pea: "sow look-up thin stake rogue first-flower gather keep",
      spinach: "sow look-up thin look-around rogue first-flower sexes males-out gather keep",
      maize: "sow look-up thin look-around rogue first-flower gather keep",
      // From trays; what selfs asks for no look around, a melon has its pot to itself from the start.
      lettuce: "sow look-up prick-out harden plant-out rogue first-flower gather keep",
      melon: "sow look-up harden plant-out look-around rogue first-flower gather keep",
      tomato: "sow look-up prick-out harden rogue plant-out first-flower gather keep",
      // Over a winter, stored or mulched; what bolts before it is out.
      leek: "sow look-up harden plant-out bolters lift replant look-around rogue first-flower gather keep",
      beet: "sow look-up thin bolters lift replant look-around rogue first-flower gather keep",
      cabbage:
        "sow look-up prick-out harden plant-out bolters mulch look-around rogue count-living first-flower gather keep",
    });
  });

  test("looks through a store every four weeks from the lifting to the replanting", () => {
    for (const crop of ["leek", "beet"]) {
      const days = of(north, crop).flatMap(({ act, day }) => (act === AGAIN || act === "lift" ? [day] : []));
      expect(days.slice(1).map((day, i) => daysBetween(days[i]!, day))).toEqual(Array(7).fill(28));
    }
  });

  test("asks the same half a year later in the south, across New Year", () => {
    const south = lived(SOUTH);
    for (const [crop] of CROPS) {
      const once = (asked: Asked[]) => of(asked, crop).filter(({ act }) => act !== AGAIN);
      const later = once(south);
      expect(acts(later), crop).toEqual(acts(of(north, crop)));
      // The halves of a year are a day apart.
      for (const [i, { day }] of once(north).entries()) expect([182, 183]).toContain(daysBetween(day, later[i]!.day));
    }
  });
});
