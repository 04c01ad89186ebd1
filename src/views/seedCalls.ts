import { speciesById } from "@/catalogue/catalogue";
import { addDays, type Day, daysBetween } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { type Excursion, excursions, ROOM } from "@/core/seed/ageing";
import { germinationAfter } from "@/core/seed/alive";
import { FEWEST_TESTED, testPlan } from "@/core/seed/germination";
import { airMeasured, stores } from "@/records/store/queries";
import type { Store } from "@/records/store/store";
import type { TestOfLot } from "@/records/test/queries";
import { allTests, livesOf } from "./alive";
import { type DrawerLot, drawer } from "./drawer";
import { airOf, seedFactsOf } from "./lain";
import type { Outlook } from "./outlook";
import { seedTable, type TableLotView, type TimedCall } from "./seedTable";

/** A call of the table. */
export type TableCallOn = { kind: "table"; lot: TableLotView; call: TimedCall };
/** A germination test whose seed is to be counted: from its species' first day on. */
export type CountCall = {
  kind: "count";
  test: Pick<TestOfLot, "id" | "lotId" | "lotCode" | "lineName" | "sown" | "up" | "on" | "countedOn">;
  /** The day of its last count. */
  last: Day;
  late: boolean;
};
/** Lots that a test would tell most of, and how many seeds each takes. */
export type TestCall = {
  id: Id;
  code: string;
  name: string;
  seeds: number;
  half: number;
  precious: boolean;
  wake: string | null;
};
export type DesiccantCall = { kind: "desiccant"; id: Id; version: Id; name: string; due: Day };
export type SeedCall = TableCallOn | CountCall | DesiccantCall;

/** A spell of bad air in a place, with what it cost the seed there that minds most. */
export type Spell = { id: Id; name: string; species: string; spell: Excursion };

/** Tests that run, with the day from which their seed is to be counted: once more on another day, until it is over. */
export const testsToCount = (sky: Outlook): { test: TestOfLot; from: Day; last: Day }[] =>
  allTests(sky).flatMap((test) => {
    const { endedOn, on, countedOn, up, sown } = test;
    const { low, high } = speciesById(test.species).seed.counts;
    const [first, last] = [addDays(on, low), addDays(on, high)];
    // Once its last day was counted it is over by itself.
    if (endedOn || up === sown || (countedOn !== null && countedOn >= last)) return [];
    return [{ test, from: countedOn !== null && countedOn >= first ? addDays(countedOn, 1) : first, last }];
  });

/** Places with the day on which their desiccant is to be changed. */
export const desiccantsToChange = ({ db }: Outlook): (Pick<Store, "id" | "version" | "name"> & { due: Day })[] =>
  stores(db).flatMap(({ id, version, name, desiccantOn, desiccantEvery }) =>
    desiccantOn && desiccantEvery ? [{ id, version, name, due: addDays(desiccantOn, desiccantEvery) }] : [],
  );

const counts = (sky: Outlook): CountCall[] =>
  testsToCount(sky)
    .filter(({ from }) => from <= sky.today)
    .map(({ test, last }) => {
      const { id, lotId, lotCode, lineName, sown, up, on, countedOn } = test;
      return {
        kind: "count",
        test: { id, lotId, lotCode, lineName, sown, up, on, countedOn },
        last,
        late: sky.today > last,
      };
    });

const desiccants = (sky: Outlook): DesiccantCall[] =>
  desiccantsToChange(sky)
    .filter(({ due }) => due <= sky.today)
    .map((place) => ({ kind: "desiccant", ...place }));

/** Everything that seed calls for today, the soonest impossible first. */
export const seedCalls = (sky: Outlook): SeedCall[] => {
  const { now } = seedTable(sky);
  return sky.once(`seed calls ${now.clock}`, () => {
    const table = seedTable(sky)
      .lots.flatMap((lot) => lot.calls.map((call): TableCallOn => ({ kind: "table", lot, call })))
      .filter(({ call }) => call.standing === "due" || call.standing === "late")
      .sort(
        (a, b) =>
          (a.call.last?.hours ?? Infinity) - (b.call.last?.hours ?? Infinity) || a.call.best.hours - b.call.best.hours,
      );
    return [...table, ...counts(sky), ...desiccants(sky)];
  });
};

/** Lots that a test is asked for now, those nearest their limit first. */
export const testsToSet = (sky: Outlook, shown: number): { first: TestCall[]; more: number } =>
  sky.once(`tests to set ${shown}`, () => {
    const { today } = sky;
    const running = new Set(
      allTests(sky)
        .filter(({ endedOn }) => !endedOn)
        .map(({ lotId }) => lotId),
    );
    const lives = livesOf(sky);
    const asked = drawer(sky)
      .filter(({ id, life, seedsLeft }) => {
        const enough = seedsLeft === null || seedsLeft >= FEWEST_TESTED;
        return enough && life.testOn !== null && life.testOn <= today && !running.has(id);
      })
      .sort((a, b) => Math.abs(Math.log(a.life.way)) - Math.abs(Math.log(b.life.way)) || a.code.localeCompare(b.code));
    const first = asked.slice(0, shown).map((lot) => {
      const { likely } = germinationAfter(lives(lot).known, lot.life.aged);
      return testCall(lot, testPlan(likely, lot.seedsLeft)!);
    });
    return { first, more: asked.length - first.length };
  });

const testCall = (lot: DrawerLot, plan: { seeds: number; half: number; precious: boolean }): TestCall => ({
  id: lot.id,
  code: lot.code,
  name: nameWithGeneration(lot),
  ...plan,
  wake: speciesById(lot.species).seed.wake,
});

/** Spells are told of for so many days after they end. */
const TOLD = 120;

/** Spells of bad air in the places where seed lies. */
export const spells = (sky: Outlook): Spell[] =>
  sky.once("spells", () => {
    // The seed that ages fastest in the room minds bad air most.
    const [species] = [...new Set(drawer(sky).map((lot) => lot.species))].sort(
      (a, b) => speciesById(a).shelfYears.low - speciesById(b).shelfYears.low,
    );
    return species ? spellsFor(sky, species) : [];
  });

/** Spells of bad air, by what they cost seed of one species. */
const spellsFor = (sky: Outlook, species: string): Spell[] =>
  sky.once(`spells ${species}`, () => {
    const { db, today } = sky;
    const measured = groupBy(airMeasured(db, today), ({ storeId }) => storeId);
    return stores(db).flatMap((store) =>
      excursions(
        seedFactsOf(species),
        airOf(store) ?? ROOM,
        (measured.get(store.id) ?? []).map((day) => ({ on: day.on, ...airOf(day) })),
      )
        .filter(({ to }) => daysBetween(to, today) <= TOLD)
        .map((spell) => ({ id: store.id, name: store.name, species: speciesById(species).name, spell })),
    );
  });
