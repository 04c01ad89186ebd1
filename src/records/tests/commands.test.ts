import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { perform, undo } from "../command";
import { COMMANDS } from "../commands";
import { RECORDS } from "../records";
import { family, madeOnce, type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

/** Every record as it stands, but for the versions, which only rise. */
const contents = () =>
  RECORDS.map(({ table }) =>
    (garden.db.prepare(`SELECT * FROM "${table}" ORDER BY id`).all() as Record<string, unknown>[]).map(
      ({ version: _, ...row }) => row,
    ),
  );

const HEDGE = {
  name: "the hedge",
  kind: "hedge",
  path: [
    { x: 0, y: -4 },
    { x: 30, y: -4 },
  ],
};
const BEANS = {
  name: "melons next door",
  kind: "neighbour",
  species: "melon",
  plants: 20,
  presence: 0.9,
  distance: 80,
  bearing: 90,
};
const PLANNED = { generation: 2, season: 2029, act: "select-self", plants: 48, mothers: 1, kept: 6, guard: "hand" };
const MONTHS = Array.from({ length: 12 }, (_, i) => i + 1);
const NORMALS = Object.fromEntries(
  MONTHS.flatMap((m) => [
    [`min${m}`, 2 * m],
    [`max${m}`, 2 * m + 9],
  ]),
);
const FIELD = {
  type: "Feature",
  properties: { name: "field of melons", species: "melon", plants: 4000 },
  geometry: {
    type: "Polygon",
    coordinates: [
      [
        [9.302, 48.6],
        [9.304, 48.6],
        [9.304, 48.601],
        [9.302, 48.601],
        [9.302, 48.6],
      ],
    ],
  },
};

/** A yardstick of words. */
const flesh = (lineId: string) =>
  garden.done("yardstick.add", {
    lineId,
    name: "Flesh",
    kind: "category",
    categories: "orange, pale, white",
    wanted: "none",
  }).id;

type Made = ReturnType<typeof family> & {
  yardstick: string;
  open: string;
  waiting: string[];
  covered: string[];
  fruits: string[];
  day: string;
};

const everything = madeOnce(oneOfEach, "2028-07-20");

/** A garden with one of everything, so that each command has something to act on. */
function withEverything(): Made {
  const { garden: whole, made } = everything(garden);
  garden = whole;
  return made;
}

function oneOfEach(): Made {
  const made = family(garden);
  const yardstick = garden.done("yardstick.add", {
    lineId: made.lineId,
    name: "Mass",
    kind: "number",
    wanted: "high",
  }).id;
  garden.done("score.set", { plantId: made.plants[0], yardstickId: yardstick, value: "1.1" });
  garden.on("2028-07-20");
  const open = garden.done("cross.next-generation", {
    standId: made.stand,
    plantIds: [made.plants[0]],
    how: "self",
    fruitsEach: 2,
  }).ids[0]!;
  const waiting = garden.done("flower.cover", { crossId: open, flowers: 2, on: "2028-07-10" }).ids;
  garden.done("flower.record", {
    crossId: open,
    on: "2028-07-11",
    results: waiting.map((id) => ({ id, result: "pollinated" })),
  });
  const covered = garden.done("flower.cover", { crossId: open, flowers: 2, on: "2028-07-19" }).ids;
  garden.done("barrier.add", HEDGE);
  garden.done("source.add", BEANS);
  garden.done("task.add", { title: "Empty the traps", due: "2028-07-18", every: 3 });
  garden.done("member.add", { name: "M1" });
  const days = ["Winter", "Spring"].map((name) => {
    const day = garden.done("sharing.add", { name, on: "2028-07-20", mostEach: 2 }).id;
    garden.done("sharing.offer", { sharingId: day, lotId: made.lot, packets: 2, each: 2 });
    garden.done("sharing.wish", { sharingId: day, memberId: 1, lotIds: [made.lot] });
    garden.done("sharing.allot", { sharingId: day });
    if (name === "Winter") garden.done("sharing.hand-out", { sharingId: day });
    return day;
  });
  garden.db.prepare("UPDATE source SET askSeason = 2028").run();
  garden.done("line.end", { id: 2, version: version("line", 2), ending: "lost", on: "2028-07-01" });
  garden.done("note.add", { bedId: 1, words: "stony" });
  garden.done("store.add", {
    name: "Tin",
    temperature: 12,
    humidity: 30,
    desiccantOn: "2028-01-01",
    desiccantEvery: 90,
  });
  garden.done("store.add", { name: "Shelf", temperature: 20, humidity: 55 });
  const set = garden.done("test.set", { lotId: made.lot, sown: 5, on: "2028-07-01" }).id;
  garden.done("test.count", { testId: set, up: 2, on: "2028-07-05" });
  garden.done("sample.add", { lotId: made.lot, seeds: 10, mass: 0.3 });
  garden.done("packet.make", { lotId: made.lot, packets: 2, each: 5, reserves: 1 });
  for (const kind of ["cup", "strainer", "plate"]) garden.done("vessel.add", { kind, name: `the ${kind}` });
  const fruits = [3, 2].map(
    (n) => garden.done("lot.receive", { lineId: made.lineId, gathered: "2028-07-15", fruits: n }).id,
  );
  garden.done("table.move", { lotId: fruits[0], vesselId: 1, on: "2028-07-16" });
  garden.done("table.move", { lotId: fruits[0], fromVesselId: 1, vesselId: 3, on: "2028-07-16" });
  garden.done("stand.end", { id: 1, version: 1, ending: "pulled", on: "2027-10-01" });
  return { ...made, yardstick, open, waiting, covered, fruits, day: days[1]! };
}

const version = (table: string, id: string | number) => garden.version(table, id);
const code = (table: string, id: string) => garden.code(table, id);
const flowerNumber = (id: string) =>
  garden.db.prepare("SELECT number FROM flower WHERE id = ?").pluck().get(id) as number;
const place = { name: "Moved", latitude: -10, longitude: 9.3, timezone: "UTC", units: "imperial", care: "strict" };

const openLot = (standId: string) =>
  garden.done("lot.save", { standId, kind: "open", gathered: "2028-07-20", seeds: 12 }).id;

const scale = (lineId: string) =>
  garden.done("yardstick.add", {
    lineId,
    name: "Taste",
    kind: "scale",
    lowEnd: "bland",
    highEnd: "fine",
    wanted: "high",
  }).id;
/** A tasting of two plants, and a code of it. */
const served = ({ stand, plants, lineId }: Made) => {
  const plantIds = plants.slice(0, 2);
  const tastingId = garden.done("tasting.add", { standId: stand, yardstickId: scale(lineId), tasters: 2, plantIds }).id;
  return {
    tastingId,
    code: garden.db.prepare("SELECT code FROM serving WHERE tastingId = ?").pluck().get(tastingId) as string,
  };
};

/** One use of every command there is. */
const USES: [string, (made: Made) => object][] = [
  ["garden.change", () => ({ ...place, version: version("garden", 1) })],
  ["bed.add", () => ({ name: "New", x: 1, y: 2, width: 3, length: 4 })],
  ["bed.change", () => ({ id: 1, version: version("bed", 1), name: "Other", x: 9, y: 9, width: 3, length: 4 })],
  ["bed.move", () => ({ id: 2, version: 1, x: 44, y: 5.5, turn: 30, width: 6 })],
  ["barrier.add", () => ({ ...HEDGE, name: "another", kind: "wall", factor: 0.2 })],
  ["barrier.change", () => ({ ...HEDGE, id: 1, version: 1, name: "beech hedge" })],
  ["barrier.remove", () => ({ id: 1, version: 1 })],
  ["source.add", () => ({ ...BEANS, name: "another", across: 30, flowersFrom: "06-20", flowersTo: "07-30" })],
  ["source.change", () => ({ ...BEANS, id: 1, version: 1, plants: 9 })],
  ["source.remove", () => ({ id: 1, version: 1 })],
  [
    "ground.move",
    () => ({ id: garden.row("source", 1).id, version: version("source", 1), kind: "source", east: 5, north: -2.5 }),
  ],
  ["ground.import", () => ({ text: JSON.stringify(FIELD) })],
  ["climate.normals", () => NORMALS],
  ["climate.import", () => ({ text: "date,min,max\n2027-01-01,-3,2.5\n2027-01-02,-1,4" })],
  ["line.add", () => ({ name: "New", species: "tomato", school: "let-it-mix", status: "mix" })],
  [
    "line.change",
    () => ({
      id: 1,
      version: version("line", 1),
      name: "Renamed",
      species: "melon",
      school: "keep-pure",
      status: "open-pollinated",
    }),
  ],
  [
    "yardstick.add",
    ({ lineId }) => ({ lineId, name: "Taste", kind: "scale", lowEnd: "poor", highEnd: "fine", wanted: "high" }),
  ],
  ["yardstick.weigh", ({ yardstick }) => ({ weights: [{ id: yardstick, weight: 7 }] })],
  [
    "yardstick.aim",
    ({ yardstick }) => ({ id: yardstick, version: version("yardstick", yardstick), wanted: "range", low: 1, high: 2 }),
  ],
  ["yardstick.change", ({ yardstick }) => ({ id: yardstick, version: version("yardstick", yardstick), unit: "g" })],
  ["yardstick.take", ({ lineId }) => ({ lineId, usual: ["Vigour", "Health"], own: [] })],
  ["stand.add", ({ lineId, lot }) => ({ lineId, lotId: lot, sown: "2028-05-20", sowedSeeds: 5, family: 1, plants: 3 })],
  [
    "stand.change",
    ({ stand, counts }) => ({ id: stand, version: version("stand", stand), ...counts, cameUp: 9, plants: 8 }),
  ],
  ["stand.first-flower", ({ stand }) => ({ id: stand, firstFlower: "2028-07-12" })],
  [
    "stand.remedy",
    ({ stand }) => ({
      season: 2028,
      changes: [
        { kind: "remove", standId: stand, every: 2 },
        { kind: "agree", sourceId: 1 },
      ],
    }),
  ],
  ["plant.mark", ({ plants }) => ({ id: plants[1], mark: "out", reason: "late" })],
  ["plant.marks", ({ plants }) => ({ ids: [plants[1], plants[2]], mark: "watch" })],
  ["plant.remove", ({ plants }) => ({ ids: [plants[1], plants[2]], reason: "split" })],
  ["score.set", ({ plants, yardstick }) => ({ plantId: plants[0], yardstickId: yardstick, value: "" })],
  ["cross.plan", ({ plan }) => ({ ...plan, lineName: "Once more" })],
  ["cross.pairs", ({ plants: [one, two] }) => ({ pairs: [{ motherPlantId: one, fatherPlantId: two }], fruitsEach: 2 })],
  [
    "cross.next-generation",
    ({ stand, plants }) => ({ standId: stand, plantIds: plants, how: "intercross", fruitsEach: 1 }),
  ],
  ["cross.adjust", ({ open }) => ({ id: open, version: version("cross", open), fruitsWanted: 1, closed: 1 })],
  ["flower.cover", ({ open }) => ({ crossId: open, flowers: 4 })],
  [
    "flower.record",
    ({ open, covered, waiting }) => ({
      crossId: open,
      results: [
        { id: covered[0], result: "limp" },
        { id: waiting[0], result: "set" },
      ],
    }),
  ],
  ["cross.cut-back", ({ open }) => ({ crossId: open, parent: "mother", on: "2028-07-25" })],
  ["cross.sow-again", ({ plan }) => ({ crossId: garden.done("cross.plan", plan).id, sown: "2028-08-01" })],
  [
    "cross.import",
    ({ open, covered }) => ({
      text: `cross,flower,covered,state,fault,flowerNote\n${code("cross", open)},${flowerNumber(covered[0]!)},2028-07-01,unusable,limp,=told`,
    }),
  ],
  [
    "candidate.set",
    ({ waiting, stand }) => ({
      of: "flower",
      id: waiting[0],
      role: "father",
      candidates: [{ standId: stand, share: 0.75 }, { share: 0.25 }],
    }),
  ],
  ["lot.receive", ({ lineId }) => ({ lineId, gathered: "2028-01-01", mass: 1.5, note: "from a friend" })],
  [
    "lot.save",
    ({ stand, plants }) => ({
      standId: stand,
      plantIds: plants.slice(0, 2),
      kind: "self",
      gathered: "2028-07-20",
      seeds: 12,
    }),
  ],
  ["task.add", () => ({ title: "Order fleece", due: "2028-08-01", note: "ten metres" })],
  ["task.change", () => ({ id: 1, version: 1, title: "Empty all traps", every: 5 })],
  ["task.done", () => ({ id: 1, version: 1 })],
  ["task.put-off", () => ({ id: 1, version: 1, due: "2028-07-25" })],
  ["task.remove", () => ({ id: 1, version: 1 })],
  ["deed.done", ({ stand }) => ({ standId: stand, act: "look-up", counted: 9, on: "2028-05-20" })],
  ["deed.done-together", ({ stand }) => ({ act: "rogue", works: [{ standId: stand, counted: 2 }] })],
  ["deed.put-off", ({ stand }) => ({ standIds: [stand], act: "rogue", until: "2028-07-25" })],
  ["deed.leave", ({ stand }) => ({ standIds: [stand], act: "rogue", how: "cannot", why: "too wet" })],
  ["deed.missed", ({ stand }) => ({ works: [{ standId: stand, act: "rogue" }] })],
  ["stand.end", ({ stand }) => ({ id: stand, version: 1, ending: "lost", why: "slugs" })],
  ["stand.bring-back", () => ({ id: 1, version: 1 })],
  ["cross.males", ({ cross }) => ({ crossId: cross, step: "cover", males: 6, on: "2028-07-19" })],
  ["flower.missed", ({ covered }) => ({ flowerIds: covered })],
  ["source.ask", () => ({ id: 1, version: version("source", 1), answer: "agreed" })],
  ["lot.change", () => ({ id: 1, version: version("lot", 1), seeds: 41, note: "counted again" })],
  ["line.end", () => ({ id: 1, version: version("line", 1), ending: "given-up", why: "too late here" })],
  ["line.bring-back", () => ({ id: 2, version: version("line", 2) })],
  ["yardstick.retire", ({ yardstick }) => ({ id: yardstick, version: version("yardstick", yardstick) })],
  ["stand.go-on", ({ stand }) => ({ id: stand, version: version("stand", stand), wintering: "house" })],
  ["stand.copy", ({ stand }) => ({ standIds: [stand], turn: true })],
  ["store.add", () => ({ name: "Fridge", temperature: 5, humidity: 40 })],
  ["store.change", () => ({ id: 1, version: 1, name: "Blue tin", humidity: 25 })],
  ["store.desiccant", () => ({ id: 1, version: 1, on: "2028-07-01" })],
  ["store.end", () => ({ id: 2, version: version("store", 2) })],
  ["lot.store", ({ lot }) => ({ lotIds: [lot], storeId: 1, since: "2028-02-01" })],
  ["air.read", () => ({ storeId: 1, text: "2028-07-01T06:00,12,33\n2028-07-01T18:00,14,35" })],
  ["test.set", ({ lot }) => ({ lotId: lot, sown: 10, warmth: 22, woken: 1 })],
  ["test.change", () => ({ id: 1, version: version("test", 1), sown: 6, note: "six after all" })],
  ["test.count", () => ({ testId: 1, up: 4, last: true })],
  ["test.end", () => ({ id: 1, version: version("test", 1) })],
  ["test.drop", () => ({ id: 1, version: version("test", 1) })],
  ["lot.end", ({ lot }) => ({ id: lot, version: version("lot", lot), ending: "dead" })],
  ["vessel.add", () => ({ kind: "tray", name: "the long tray" })],
  ["vessel.clean", () => ({ id: 1, by: "R" })],
  ["vessel.end", () => ({ id: 2, version: version("vessel", 2) })],
  ["table.bring", ({ lot }) => ({ lotId: lot, vesselId: 2 })],
  [
    "table.begin",
    ({ fruits }) => ({ lotId: fruits[0], way: "ferment", warmth: 24, starter: 1, vesselId: 2, at: "07:30" }),
  ],
  [
    "table.do",
    ({ fruits }) => {
      garden.done("table.begin", { lotId: fruits[0], way: "rinse", warmth: null });
      return { lotId: fruits[0], act: "rinse", value: 3, vesselId: 2 };
    },
  ],
  ["table.move", ({ fruits }) => ({ lotId: fruits[0], fromVesselId: 3, vesselId: 2, at: "18:00" })],
  [
    "table.split",
    ({ fruits }) => ({
      lotId: fruits[0],
      parts: [
        { fraction: "sunk", share: 0.8 },
        { fraction: "floated", share: 0.2, vesselId: garden.row("vessel", 2).id },
      ],
    }),
  ],
  ["table.merge", ({ fruits }) => ({ lotIds: fruits })],
  ["table.break", ({ fruits }) => ({ lotId: fruits[1], why: "the label fell off" })],
  ["sample.add", ({ lot }) => ({ lotId: lot, seeds: 10, mass: 0.31, whole: 1.2 })],
  ["sample.drop", () => ({ id: 1, version: version("sample", 1) })],
  ["packet.make", ({ fruits }) => ({ lotId: fruits[0], packets: 1, seeds: 30, storeId: 1 })],
  ["packet.give", () => ({ id: 2, version: version("packet", 2), to: "M 7" })],
  ["member.add", () => ({ name: "M2" })],
  ["member.end", () => ({ id: 1, version: version("member", 1) })],
  ["sharing.add", () => ({ name: "Autumn", on: "2028-10-01", mostEach: 4 })],
  ["sharing.offer", ({ day, lot }) => ({ sharingId: day, lotId: lot, packets: 3, each: 2 })],
  ["sharing.withdraw", ({ day, lot }) => ({ sharingId: day, lotId: lot })],
  ["sharing.wish", ({ day }) => ({ sharingId: day, memberId: 1, lotIds: [] })],
  [
    "sharing.allot",
    ({ day, lot }) => {
      garden.done("sharing.wish", { sharingId: day, memberId: 1, lotIds: [lot] });
      return { sharingId: day };
    },
  ],
  ["sharing.hand-out", ({ day }) => ({ sharingId: day })],
  ["sharing.return", () => ({ id: garden.row("wish", 1).id, version: version("wish", 1), seeds: 30 })],
  [
    "passport.import",
    () => ({ text: "GENUS,SPECIES,ACCENAME,ACQDATE\nDaucus,carota,Tallow Root,202609--", seedsEach: 20 }),
  ],
  [
    "pick.add",
    ({ stand, plants }) => ({
      standId: stand,
      plantIds: plants.slice(0, 2),
      fruits: 2,
      state: "soft",
      verdict: "matches",
    }),
  ],
  ["pick.passes", ({ stand }) => ({ id: stand, version: version("stand", stand), passesWanted: 3 })],
  ["pick.release", ({ stand }) => ({ id: stand, version: version("stand", stand), released: 1 })],
  ["offkind.add", ({ lineId }) => ({ lineId, name: "scarlet", look: "red in the bud", inheritance: "recessive" })],
  ["loss.add", ({ lineId }) => ({ lineId, reason: "slugs" })],
  [
    "offkind.change",
    ({ lineId }) => {
      const { id } = garden.done("offkind.add", { lineId, name: "scarlet" });
      return { id, version: version("offkind", id), inheritance: "dominant" };
    },
  ],
  [
    "tasting.add",
    ({ stand, plants, lineId }) => ({
      standId: stand,
      yardstickId: scale(lineId),
      tasters: 2,
      plantIds: plants.slice(0, 3),
      note: "cut in wedges",
    }),
  ],
  ["tasting.bite", (made) => ({ ...served(made), taster: 2, number: 7 })],
  [
    "tasting.close",
    (made) => {
      const { tastingId, code: first } = served(made);
      garden.done("tasting.bite", { tastingId, code: first, taster: 1, number: 6 });
      return { id: tastingId, version: version("tasting", tastingId) };
    },
  ],
  [
    "tasting.drop",
    (made) => {
      const { tastingId, code: first } = served(made);
      garden.done("tasting.bite", { tastingId, code: first, taster: 1, bitter: true });
      return { id: tastingId, version: version("tasting", tastingId) };
    },
  ],
  ["plant.sort", ({ plants: [one, two, three] }) => ({ small: [one], fit: [two], large: [three] })],
  ["sorting.add", ({ stand }) => ({ standId: stand, moment: "lift", fit: 4, small: 1 })],
  [
    "sorting.change",
    ({ stand }) => {
      const { id } = garden.done("sorting.add", { standId: stand, moment: "lift", fit: 4, small: 1 });
      return { id, version: version("sorting", id), split: 2 };
    },
  ],
  [
    "lot.bulk",
    ({ stand }) => ({
      lots: [openLot(stand), openLot(stand)].map((lotId) => ({ lotId, seeds: 5 })),
      note: "equal parts",
    }),
  ],
  [
    "stand.sow",
    ({ stand }) => ({
      lots: [openLot(stand), openLot(stand)].map((lotId) => ({ lotId, seeds: 4, wanted: 3 })),
      sown: "2028-07-20",
    }),
  ],
  [
    "start.begin",
    () => ({
      start: "cross",
      species: "melon",
      name: "Ember",
      father: "Frost",
      bedId: 1,
      sown: "2028-07-20",
      wanted: 6,
      width: 1.5,
      length: 5,
    }),
  ],
  [
    "stand.sow-season",
    ({ stand }) => ({
      sowings: [3, 4].map((seeds) => ({
        lots: [{ lotId: openLot(stand), seeds, wanted: 2 }],
        bedId: 1,
        sown: "2028-07-20",
        seedWanted: 0,
      })),
    }),
  ],
  ["line.part", ({ stand, lineId }) => ({ id: lineId, name: "Lantern, pale", lotIds: [openLot(stand)] })],
  [
    "trial.add",
    ({ stand, plants }) => ({
      standId: stand,
      what: "drought",
      lostIds: plants.slice(0, 2),
      words: "five weeks without rain",
    }),
  ],
  [
    "trial.drop",
    ({ stand }) => {
      const { id } = garden.done("trial.add", { standId: stand, what: "frost" });
      return { id, version: version("trial", id) };
    },
  ],
  [
    "locus.define",
    ({ lineId }) => ({ yardstickId: flesh(lineId), way: "between", words: ["orange", "pale", "white"] }),
  ],
  [
    "locus.drop",
    ({ lineId }) => {
      const told = { yardstickId: flesh(lineId), way: "dominant", words: ["pale", "orange"] };
      const { id } = garden.done("locus.define", told);
      return { id, version: version("locus", id) };
    },
  ],
  [
    "surprise.decide",
    ({ plants }) => ({ plantId: plants[3], cause: "pollen", sourceName: "the mill", plants: 12, odd: 1, words: "" }),
  ],
  [
    "surprise.drop",
    ({ plants }) => {
      const { id } = garden.done("surprise.decide", { plantId: plants[3], cause: "slip", plants: 12, odd: 1 });
      return { id, version: version("surprise", id) };
    },
  ],
  ["line.pedigree", () => ({ species: "melon", text: "Lantern two = Own A/Own B" })],
  [
    "plan.adopt",
    ({ lineId }) => ({
      lineId,
      way: "full-sib",
      generations: [
        { ...PLANNED, act: "pair", backcrosses: 0 },
        { ...PLANNED, generation: 3, season: 2030, act: "compare", backcrosses: 0 },
      ],
    }),
  ],
  ["plan.take", ({ lineId }) => ({ lineId, way: "pedigree", generations: [PLANNED] })],
  [
    "plan.change",
    ({ lineId }) => {
      garden.done("plan.take", { lineId, way: "pedigree", generations: [PLANNED] });
      const id = garden.db.prepare("SELECT id FROM plan").pluck().get() as string;
      return { id, version: garden.version("plan", id), plants: 60, kept: 6 };
    },
  ],
  [
    "plan.drop",
    ({ lineId }) => {
      garden.done("plan.take", { lineId, way: "pedigree", generations: [PLANNED] });
      return { lineId };
    },
  ],
  [
    "seedlook.count",
    () => {
      const pea = { name: "Pea", species: "pea", school: "keep-pure", status: "open-pollinated" };
      const lineId = garden.done("line.add", pea).id;
      const standId = garden.done("stand.add", { lineId, sown: "2028-04-01", plants: 9 }).id;
      const lotId = garden.done("lot.save", { standId, kind: "open", gathered: "2028-07-18", seeds: 90 }).id;
      const about = { lineId, name: "Seed leaf", kind: "category", categories: "yellow, green", wanted: "none" };
      const yardstickId = garden.done("yardstick.add", about).id;
      const told = { lotId, yardstickId };
      garden.done("seedlook.count", { ...told, counts: [{ word: "yellow", seeds: 50 }] });
      return {
        ...told,
        counts: [
          { word: "green", seeds: 60 },
          { word: "yellow", seeds: 0 },
        ],
      };
    },
  ],
  [
    "line.release",
    ({ lineId }) => ({ id: lineId, version: version("line", lineId), name: "Lampion", description: "" }),
  ],
  ["plant.check", ({ plants, lineId }) => ({ ids: plants.slice(1, 3), checkOfId: lineId })],
  ["photo.add", ({ plants }) => ({ plantId: plants[0], words: "the first fruit", takenOn: "2028-07-18" })],
  [
    "photo.change",
    ({ plants }) => {
      const { id } = garden.done("photo.add", { plantId: plants[0] });
      return { id, version: version("photo", id), words: "netted" };
    },
  ],
  [
    "photo.remove",
    ({ plants }) => {
      const { id } = garden.done("photo.add", { plantId: plants[0] });
      return { id, version: version("photo", id) };
    },
  ],
  [
    "offkind.drop",
    ({ lineId }) => {
      const { id } = garden.done("offkind.add", { lineId, name: "scarlet" });
      return { id, version: version("offkind", id) };
    },
  ],
  ["offtype.count", ({ stand }) => ({ lotId: openLot(stand), plants: 40, strange: 2 })],
  [
    "offtype.drop",
    ({ stand }) => {
      const { id } = garden.done("offtype.count", { lotId: openLot(stand), plants: 40, strange: 2 });
      return { id, version: version("offtype", id) };
    },
  ],
  ["note.add", ({ stand }) => ({ standId: stand, words: "slow in the cold corner" })],
  ["note.change", () => ({ id: 1, version: 1, words: "slow, then quick" })],
  ["note.remove", () => ({ id: 1, version: 1 })],
];

describe("every command", () => {
  test("is in the table below, so that none escapes it", () => {
    // A garden is begun, a bed taken off, a cross harvested and a sowing moved in tests of their own.
    expect(
      new Set([
        ...USES.map(([name]) => name),
        "garden.begin",
        "bed.remove",
        "cross.harvest",
        "cross.sow-on",
        "lot.bring-back",
      ]),
    ).toEqual(new Set(COMMANDS.keys()));
  });

  test.each(USES)("%s changes something, is undone without a trace, and done again alike", (name, input) => {
    const made = withEverything();
    const sent = input(made);
    const before = contents();
    const { entry, message } = garden.done(name, sent);
    const after = contents();
    expect(after).not.toEqual(before);
    expect(message).toMatch(/\S/);
    const back = undo(garden.db, entry);
    if (!back.ok) throw new Error(back.message);
    expect(contents()).toEqual(before);
    const again = undo(garden.db, back.entry!);
    expect(again.ok).toBe(true);
    expect(contents()).toEqual(after);
  });

  test.each(USES)("%s refuses a field it does not know, and what is no object", (name) => {
    for (const input of [{ surprise: 1 }, null, "x", [1]]) {
      const outcome = perform(garden.db, COMMANDS.get(name)!, input);
      expect(outcome).toMatchObject({ ok: false, kind: "invalid" });
    }
  });
});

describe("beds", () => {
  test("an empty bed is taken off and comes back by undo; one that bore a stand stays", () => {
    const { entry } = garden.done("bed.remove", { id: 2, version: 1 });
    expect(garden.db.prepare("SELECT count(*) FROM bed").pluck().get()).toBe(1);
    expect(undo(garden.db, entry).ok).toBe(true);
    twoMelons(garden);
    expect(garden.refused("bed.remove", { id: 2, version: 1 }).message).toContain("1 stand grew in this bed");
  });

  test("a move that moves nothing leaves no entry", () => {
    expect(garden.done("bed.move", { id: 1, version: 1, x: 0, y: 0 }).entry).toBe("");
  });
});

describe("harvest", () => {
  test("is undone fruit by fruit, with its lot, and made again under the same code", () => {
    const { waiting, open } = withEverything();
    garden.done("flower.record", { crossId: open, results: waiting.map((id) => ({ id, result: "set" })) });
    garden.on("2028-09-10");
    const { id, entry, warnings } = garden.done("cross.harvest", { crossId: open, fruits: 1, seeds: 90 });
    expect(warnings).toEqual([]);
    const code = garden.db.prepare("SELECT code FROM lot WHERE id = ?").pluck().get(id);
    const states = () =>
      garden.db.prepare("SELECT state FROM flower WHERE crossId = ? ORDER BY number LIMIT 2").pluck().all(open);
    expect(states()).toEqual(["harvested", "set"]);
    const back = undo(garden.db, entry);
    expect(states()).toEqual(["set", "set"]);
    if (back.ok) undo(garden.db, back.entry!);
    expect(garden.db.prepare("SELECT code FROM lot WHERE id = ?").pluck().get(id)).toBe(code);
  });

  test("of fruit too young is warned about, not refused", () => {
    const { waiting, open } = withEverything();
    garden.done("flower.record", { crossId: open, results: [{ id: waiting[0], result: "set" }] });
    garden.on("2028-08-01");
    expect(garden.done("cross.harvest", { crossId: open, fruits: 1, seeds: 9 }).warnings[0]).toContain("21 days old");
    expect(garden.refused("cross.harvest", { crossId: open, fruits: 1, seeds: 9 }).fields).toHaveProperty("fruits");
    expect(garden.refused("cross.harvest", { crossId: open }).fields).toHaveProperty("fruits");
  });
});

describe("stands", () => {
  test("raising the number planted gives the new plants numbers; numbers are never taken away", () => {
    const { stand, counts, plants } = family(garden);
    garden.done("stand.change", { id: stand, version: version("stand", stand), ...counts, cameUp: 8, plants: 7 });
    const numbers = garden.db.prepare("SELECT number FROM plant WHERE standId = ? ORDER BY number").pluck().all(stand);
    expect(numbers).toEqual([1, 2, 3, 4, 5, 6, 7]);
    expect(plants).toHaveLength(5);
    const fewer = { id: stand, version: version("stand", stand), ...counts, cameUp: 8, plants: 4 };
    expect(garden.refused("stand.change", fewer).fields.plants).toContain("7 plants carry numbers");
  });

  test("sowing more of a lot afterwards is held to what the lot has", () => {
    const { stand, counts } = family(garden);
    const change = (sowedSeeds: number) => ({
      id: stand,
      version: version("stand", stand),
      ...counts,
      sowedSeeds,
      cameUp: 6,
      plants: 5,
    });
    garden.done("stand.change", change(40));
    expect(garden.refused("stand.change", change(41)).fields.sowedSeeds).toContain("40 seeds");
    expect(garden.refused("stand.change", { ...change(10), sown: "2027-01-01" }).fields).toHaveProperty("sown");
  });

  test("a new sowing day moves a stand to the season it then flowers in", () => {
    twoMelons(garden);
    const change = { id: 1, version: 1, sown: "2027-11-15", plants: 6, bedId: 1, flowers: "open", seedWanted: 1 };
    garden.done("stand.change", change);
    expect(garden.db.prepare("SELECT season FROM stand WHERE rowid = 1").pluck().get()).toBe(2028);
  });

  test("in the south a season spans New Year", () => {
    garden.done("garden.change", {
      ...place,
      latitude: -37,
      lastFrost: "09-20",
      firstFrost: "05-10",
      version: version("garden", 1),
    });
    const { id } = garden.done("line.add", { name: "Southern", species: "melon", school: "keep-pure", status: "mix" });
    const sow = (sown: string) => garden.done("stand.add", { lineId: id, sown, plants: 5 }).id;
    const seasons = [sow("2026-10-20"), sow("2026-12-20"), sow("2027-01-15")].map((stand) =>
      garden.db.prepare("SELECT season FROM stand WHERE id = ?").pluck().get(stand),
    );
    expect(seasons).toEqual([2026, 2026, 2026]);
  });

  test("a first flower far from any forecast is questioned", () => {
    const { mother } = twoMelons(garden);
    garden.on("2028-01-30");
    expect(
      garden.refused("stand.first-flower", { id: mother, firstFlower: "2028-01-20" }).fields.firstFlower,
    ).toContain("twice");
  });

  test("a way out that no longer fits is refused", () => {
    twoMelons(garden);
    const wrong = (change: object) => garden.refused("stand.remedy", { season: 2027, changes: [change] }).fields;
    expect(wrong({ kind: "move", standId: 1, bedId: 99 })).toHaveProperty("bedId");
    expect(wrong({ kind: "move", standId: 1 })).toHaveProperty(["changes.0.bedId"]);
    expect(wrong({ kind: "resow", standId: 1 })).toHaveProperty(["changes.0.sown"]);
    expect(wrong({ kind: "pray", standId: 1 })).toHaveProperty(["changes.0.kind"]);
    expect(wrong({ kind: "hand", standId: 1, every: 2 })).toHaveProperty(["changes.0.every"]);
    expect(wrong({ kind: "save-from", standId: 1, plants: 50 })).toHaveProperty("saveFrom");
  });

  test("of several changes all are made or none", () => {
    twoMelons(garden);
    const changes = [
      { kind: "hand", standId: 1 },
      { kind: "hand", standId: 77 },
    ];
    expect(garden.refused("stand.remedy", { season: 2027, changes }).fields).toHaveProperty("standId");
  });

  test.each<[object, string]>([
    [{ plantedOut: "2027-04-01" }, "plantedOut"],
    [{ overwinter: "left" }, "overwinter"],
    [{ rowCount: 9 }, "rowCount"],
    [{ saveFrom: 7 }, "saveFrom"],
    [{ spacing: 0 }, "spacing"],
    [{ sownIn: "ground", trays: 2 }, "trays"],
    [{ sownIn: "tray", perCell: 2 }, "perCell"],
    [{ perCell: 2 }, "perCell"],
    [{ sownIn: "cells", perCell: 21 }, "perCell"],
    [{ sowedSeeds: 8, sownIn: "pots", perCell: 9 }, "perCell"],
    [{ sowedSeeds: 8, trays: 9 }, "trays"],
    [{ potted: 6, crates: 7 }, "crates"],
    [{ sowedSeeds: 20, cameUp: 10, potted: 11 }, "potted"],
    [{ sowedSeeds: 20, cameUp: 10, potted: 5 }, "plants"],
    [{ sowedSeeds: 20, cameUp: 10, spare: 5 }, "spare"],
    [{ spare: 1 }, "spare"],
    [{ potted: -1 }, "potted"],
  ])("a stand planted as %j is refused by %s", (more, field) => {
    twoMelons(garden);
    const change = { id: 1, version: 1, sown: "2027-05-01", plants: 6, bedId: 1, flowers: "open", seedWanted: 1 };
    expect(garden.refused("stand.change", { ...change, ...more }).fields).toHaveProperty(field);
  });
});

describe("lines and yardsticks", () => {
  test("a species in use can't change", () => {
    twoMelons(garden);
    const change = { id: 1, version: 1, name: "Ashlar Gold", species: "pepper", school: "keep-pure", status: "mix" };
    expect(garden.refused("line.change", change).fields).toHaveProperty("species");
  });

  test.each<[object, string]>([
    [{ kind: "scale", wanted: "high", lowEnd: "poor" }, "highEnd"],
    [{ kind: "scale", wanted: "high", highEnd: "fine" }, "lowEnd"],
    [{ kind: "category", wanted: "category", categories: "one" }, "categories"],
    [{ kind: "category", wanted: "category", categories: "one, two", targetWord: "three" }, "targetWord"],
    [{ kind: "number", wanted: "yes" }, "wanted"],
    [{ kind: "yes-no", wanted: "high" }, "wanted"],
    [{ kind: "number", wanted: "target" }, "target"],
    [{ kind: "number", wanted: "high", weight: 11 }, "weight"],
    [{ kind: "number", wanted: "high", lineId: 99 }, "lineId"],
  ])("a yardstick %j is refused by %s", (more, field) => {
    twoMelons(garden);
    expect(garden.refused("yardstick.add", { lineId: 1, name: "Y", ...more }).fields).toHaveProperty(field);
  });

  test("two yardsticks of one name would be confused", () => {
    twoMelons(garden);
    const mark = { lineId: 1, name: "Mass", kind: "number", wanted: "high" };
    garden.done("yardstick.add", mark);
    expect(garden.refused("yardstick.add", mark).fields).toHaveProperty("name");
  });

  test("a parent's plants are scored on the yardsticks of its offspring, a stranger's are not", () => {
    const { lineId } = family(garden);
    const yardstickId = garden.done("yardstick.add", { lineId, name: "Mass", kind: "number", wanted: "high" }).id;
    const plantOf = (line: string | number) => {
      const stand = garden.done("stand.add", { lineId: line, sown: "2028-05-01", plants: 1, family: 1 }).id;
      return garden.db.prepare("SELECT id FROM plant WHERE standId = ?").pluck().get(stand);
    };
    garden.done("score.set", { plantId: plantOf(1), yardstickId, value: "2" });
    const stranger = garden.done("line.add", {
      name: "Stranger",
      species: "melon",
      school: "keep-pure",
      status: "mix",
    }).id;
    expect(garden.refused("score.set", { plantId: plantOf(stranger), yardstickId, value: "2" }).fields).toHaveProperty(
      "yardstickId",
    );
  });
});
