import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { addDays } from "@/core/calendar/day";
import { undo } from "@/records/command";
import type { LotRow } from "@/records/lot/queries";
import { family, fruited, type Plot, plot, twoMelons } from "@/records/tests/plot";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { CHOICES } from "../choices";
import { crossesView } from "../crosses";
import { familyView } from "../family";
import { type Figure, inAge } from "../figures";
import { harvestView } from "../harvest";
import { makingOf } from "../inheritance";
import { letterView } from "../letter";
import { pedigreeView } from "../pedigree";
import { surpriseView } from "../surprise";
import { tastingView } from "../tasting";
import { openWork } from "../work";
import { worksView } from "../works";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

test("a stand is picked soon for three weeks, now from its earliest day to three weeks past its latest", () => {
  twoMelons(garden);
  const on = (day: string) => {
    garden.on(day);
    return harvestView(garden.sky()).stands.find(({ name }) => name === "Ashlar Gold")!;
  };
  const { early, late } = on("2027-07-09").ripe;
  expect(
    [addDays(early, -22), addDays(early, -21), early, late, addDays(late, 21), addDays(late, 22)].map(
      (day) => on(day).when,
    ),
  ).toEqual(["later", "soon", "now", "now", "now", "past"]);
});

test("what was gathered may no more be ripe, is not counted as such, and can still be picked; undone it may again", () => {
  twoMelons(garden);
  const gold = () => harvestView(garden.sky()).stands.find(({ name }) => name === "Ashlar Gold")!;
  garden.on(gold().ripe.late);
  const before = harvestView(garden.sky()).ripe;
  const done = garden.done("deed.done", { standId: gold().id, act: "gather", on: gold().ripe.late });
  const after = harvestView(garden.sky());
  expect([gold().when, after.ripe, after.stands.at(-1)!.name]).toEqual(["in", before - 1, "Ashlar Gold"]);
  undo(garden.db, done.entry!);
  expect(gold().when).toBe("now");
  garden.done("lot.save", { standId: gold().id, kind: "open", gathered: gold().ripe.late, seeds: 40 });
  expect([gold().when, gold().id]).toEqual(["in", after.stands.at(-1)!.id]);
});

test("what works is told of the species with most flowers first", () => {
  const { plan } = twoMelons(garden);
  const pepper = garden.line("Cinder", "pepper");
  const peppers = garden.done("stand.add", { lineId: pepper, bedId: 1, sown: "2027-03-20", plants: 6 }).id;
  const flowers = (planned: object, count: number) => fruited(garden, garden.done("cross.plan", planned).id, count);
  flowers({ ...plan, motherStandId: peppers, fatherStandId: peppers, lineName: null }, 2);
  const told = () => worksView(garden.sky(), null).species.map(({ id, flowers: n }) => [id, n]);
  expect(told()).toEqual([["pepper", 2]]);
  flowers(plan, 3);
  expect(told()).toEqual([
    ["melon", 3],
    ["pepper", 2],
  ]);
});

describe("how seed was made", () => {
  const of = (lot: Partial<LotRow>, generation: number | null, species = "melon") =>
    makingOf(garden.db, { doubt: null, crossId: null, motherPlantId: null, ...lot } as LotRow, generation, species);
  const once = { kind: "selfed", times: 1 };

  test("selfed as often as it is generations from its cross, once where it is one plant's", () => {
    expect(of({ kind: "self" }, 2)).toEqual(once);
    expect(of({ kind: "self" }, 4)).toEqual({ kind: "selfed", times: 3 });
    expect(of({ kind: "self", motherPlantId: "p" }, 4)).toEqual(once);
    expect(of({ kind: "open" }, 4, "lettuce")).toEqual({ kind: "selfed", times: 3 });
    expect(of({ kind: "open" }, 4)).toBeNull();
  });

  test("of a line that is not counted from a cross only where one plant was selfed by hand", () => {
    for (const generation of [null, 1]) {
      expect(of({ kind: "self", motherPlantId: "p" }, generation)).toEqual(once);
      expect(of({ kind: "self" }, generation)).toBeNull();
      expect(of({ kind: "open", motherPlantId: "p" }, generation, "lettuce")).toBeNull();
    }
    expect(of({ kind: "self", motherPlantId: "p", doubt: "other" } as Partial<LotRow>, 4)).toBeNull();
  });
});

describe("figures held to one day", () => {
  const mark = { kind: "number", often: "once" } as Yardstick;
  const look = (standId: string, lookedOn: string | null, value: number): Figure => ({
    plantId: `${standId} ${lookedOn} ${value}`,
    standId,
    value,
    lookedOn,
  });
  // Three a day, and nothing else.
  const growing = Array.from({ length: 12 }, (_, i) => look("a", addDays("2027-07-01", i), 100 + 3 * i));

  test("what grows by the day is taken back to the middle day, and the day of the stand asked for is told", () => {
    const { age, adjusted } = inAge(growing, mark, "a");
    expect(age.perDay).toBeCloseTo(3, 6);
    // The middle of the twelve days is five and a half on.
    for (const { value } of adjusted) expect(value).toBeCloseTo(116.5, 6);
    expect(inAge(growing, mark, "b").age).toEqual({ explained: 0, perDay: 0 });
  });

  test("a stand of which one day is not known stays as it is, and so does what is no figure of a day", () => {
    const unknown = growing.map((one, i) => (i === 5 ? { ...one, lookedOn: null } : one));
    expect(inAge(unknown, mark, "a")).toEqual({ age: { explained: 0, perDay: 0 }, adjusted: unknown });
    const first = growing.map((one, i) => (i === 0 ? { ...one, lookedOn: null } : one));
    expect(inAge(first, mark, "a").adjusted).toEqual(first);
    for (const other of [
      { kind: "date", often: "once" },
      { kind: "number", often: "harvest" },
    ] as unknown as Yardstick[])
      expect(inAge(growing, other, "a").adjusted).toBe(growing);
  });
});

test("of a mother's seed so much is left as was not sown and is not kept in reserve", () => {
  const { stand, plants } = family(garden);
  garden.on("2028-09-20");
  const saved = { standId: stand, plantIds: [plants[1]], kind: "open", gathered: "2028-09-18", seeds: 60 };
  const lotId = garden.done("lot.save", saved).id;
  const left = () =>
    familyView(garden.sky(), garden.code("stand", stand))!.mothers.map((one) => [one.number, one.left]);
  expect(left()).toEqual([[2, 60]]);
  garden.done("lot.change", { id: lotId, version: 1, seeds: 60, reserve: 25 });
  expect(left()).toEqual([[2, 35]]);
  garden.on("2029-05-10");
  garden.done("stand.add", {
    lineId: garden.row("lot", lotId).lineId,
    lotId,
    bedId: 2,
    sown: "2029-05-10",
    sowedSeeds: 20,
  });
  expect(left()).toEqual([[2, 15]]);
});

test("crosses stand by what can be done tonight, then what is under way, what has enough, and what is closed", () => {
  const { plan } = twoMelons(garden);
  const planned = (more: object) => garden.done("cross.plan", { ...plan, ...more }).id;
  const closed = planned({ lineName: "One" });
  garden.done("cross.adjust", { id: closed, version: 1, closed: 1 });
  const enough = planned({ lineName: "Two", fruitsWanted: 1 });
  fruited(garden, enough, 8, 8);
  // Its mother flowers in August; the other one is open tonight.
  const late = { lineId: garden.line("Late", "melon"), bedId: 1, sown: "2027-06-20", plants: 6 };
  const later = planned({ lineName: "Later", motherStandId: garden.done("stand.add", late).id });
  const tonight = planned({ lineName: "Three" });
  const order = () => crossesView(garden.sky(), 2027).list.items.map(({ cross }) => cross.id);
  expect(order()).toEqual([tonight, later, enough, closed]);
});

test("a stand sown in its place is neither pricked out nor planted out, one sown in cells is not pricked out", () => {
  const lineId = garden.line("Lowland", "tomato");
  garden.on("2027-03-20");
  const acts = (more: object) => {
    const { id } = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-03-20", sowedSeeds: 20, ...more });
    garden.on("2027-04-25");
    const seen = openWork(garden.sky()).flatMap(({ act, stand }) => (stand.id === id ? [act] : []));
    garden.on("2027-03-20");
    return ["prick-out", "plant-out"].map((act) => seen.some((one) => one === act));
  };
  expect(acts({ sownIn: "tray" })).toEqual([true, true]);
  expect(acts({ sownIn: "cells" })).toEqual([false, true]);
  expect(acts({ sownIn: "ground" })).toEqual([false, false]);
});

test("what was served at a tasting stands from the best found on, once it is closed", () => {
  const { stand, lineId, plants } = family(garden);
  const scale = { lineId, name: "Flavour", kind: "scale", lowEnd: "bland", highEnd: "fine", wanted: "high" };
  const yardstickId = garden.done("yardstick.add", scale).id;
  garden.on("2028-08-20");
  const tastingId = garden.done("tasting.add", {
    standId: stand,
    yardstickId,
    tasters: 2,
    plantIds: plants.slice(0, 3),
  }).id;
  const codeOf = (plant: string) =>
    garden.db.prepare("SELECT code FROM serving WHERE tastingId = ? AND plantId = ?").pluck().get(tastingId, plant);
  for (const [i, number] of [3, 8, 5].entries())
    for (const taster of [1, 2]) garden.done("tasting.bite", { tastingId, code: codeOf(plants[i]!), taster, number });
  const { of } = tastingView(garden.sky(), garden.code("stand", stand), { of: tastingId, taster: null })!;
  expect(of!.served.map(({ plant }) => plant)).toEqual([2, 3, 1]);
});

test("a letter names what flowers first first", () => {
  const late = garden.line("Late gold", "melon");
  const early = garden.line("Early gold", "melon");
  garden.done("stand.add", { lineId: late, bedId: 1, sown: "2027-05-20", plants: 6 });
  garden.done("stand.add", { lineId: early, bedId: 2, sown: "2027-04-20", plants: 6 });
  const field = { name: "next door", kind: "neighbour", species: "melon", plants: 9, distance: 40, bearing: 90 };
  const id = garden.done("source.add", { ...field, presence: 1, flowersFrom: "06-25", flowersTo: "08-20" }).id;
  const named = letterView(garden.sky(), id)!.match(/Early gold|Late gold/g);
  expect(named).toEqual(["Early gold", "Late gold"]);
});

test("of seed of one line that lies in the drawer six lots are drawn", () => {
  const lineId = garden.line("Gold", "melon");
  const standId = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-04-24", plants: 6 }).id;
  garden.on("2027-10-01");
  for (let day = 10; day < 17; day++)
    garden.done("lot.save", { standId, kind: "open", gathered: `2027-09-${day}`, seeds: 50 });
  const lots = pedigreeView(garden.sky(), { lineId }, true).nodes.filter(({ kind }) => kind === "lot");
  expect(lots).toHaveLength(6);
});

test("ways to cross and to self are told apart, as the flowers of the line are made", () => {
  twoMelons(garden);
  const [parent] = CHOICES.parents(garden.sky(), 2027).parents;
  const ids = (of: "cross" | "self") => parent!.methods[of].map(({ id }) => id);
  expect(ids("cross")).toContain("separate-sex-emasculated");
  expect(ids("cross")).not.toContain("separate-sex-selfed");
  expect(ids("self")).toContain("separate-sex-selfed");
});

test("a surprise is held against those that went out for the same reason, and no others", () => {
  const { stand, plants } = family(garden);
  garden.on("2028-07-20");
  const out = (n: number, reason: string) => garden.done("plant.mark", { id: plants[n], mark: "out", reason });
  const odd = () => {
    const asked = { number: 1, inheritance: null, like: [], unlike: [] };
    return surpriseView(garden.sky(), garden.code("stand", stand), asked)!.counted;
  };
  expect(odd()).toEqual({ plants: 5, odd: 1 });
  out(0, "hot");
  expect(odd()).toEqual({ plants: 5, odd: 1 });
  out(1, "hot");
  out(2, "bitter");
  garden.done("plant.mark", { id: plants[3], mark: "keep", reason: "hot" });
  expect(odd()).toEqual({ plants: 5, odd: 2 });
  garden.done("plant.remove", { ids: [plants[4]], reason: "hot" });
  expect(odd()).toEqual({ plants: 5, odd: 3 });
});
