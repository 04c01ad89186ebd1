import { speciesById } from "@/catalogue/catalogue";
import { daysBetween } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { remembered } from "@/core/numbers/remembered";
import { aged, type SeedFacts } from "@/core/seed/ageing";
import { type Known, type Learned, learn, type Test } from "@/core/seed/alive";
import { type Life, type Limits, lifeOf, limitsOf } from "@/core/seed/life";
import type { LotRow } from "@/records/lot/queries";
import { type TestOfLot, tests } from "@/records/test/queries";
import { lainOf, seedFactsOf } from "./lain";
import type { Outlook } from "./outlook";

/** A test, how far its seed had aged by then, and whether its counts are all in. */
export type LotTest = TestOfLot & { aged: number; over: boolean };

/** A lot's life, and what it was reckoned from. */
export type LotLife = { life: Life; known: Known; tests: LotTest[] };

/** What was learned of a species: of each lot that was tested, and of the others. */
type Taught = { ofLot: Map<Id, Known>; untested: Known };

/** It is learned again only where tests of a species, or the ageing before them, have changed. */
const learned = remembered(({ facts, data }: { facts: SeedFacts; data: Test[][] }): Learned => learn(facts, data), 300);

/** Limits of what was learned, by the share wanted; they go with it. */
const limits = new WeakMap<Known, Map<number, Limits>>();

function limitsOnce(known: Known, wanted: number): Limits {
  const of = limits.get(known) ?? new Map<number, Limits>();
  limits.set(known, of);
  const made = of.get(wanted) ?? limitsOf(known, wanted);
  of.set(wanted, made);
  return made;
}

/** All that come up have come up: the test was ended, every seed is up, or its species' last day of counting is past. */
const isOver = ({ on, countedOn, endedOn, up, sown, species }: TestOfLot): boolean =>
  countedOn !== null &&
  (endedOn !== null || up === sown || daysBetween(on, countedOn) >= speciesById(species).seed.counts.high);

/** Every test up to the as-of day, the oldest first. */
export const allTests = (sky: Outlook): TestOfLot[] => sky.once("all tests", () => tests(sky.db, sky.today));

/** Every lot's tests. */
const testsByLot = (sky: Outlook): Map<Id, LotTest[]> =>
  sky.once("tests by lot", () => {
    const lain = lainOf(sky);
    const all = allTests(sky).map((test): LotTest => {
      const { stays, room } = lain(test.lotId, test.species);
      return { ...test, aged: aged(stays, room, test.gathered, test.on), over: isOver(test) };
    });
    return groupBy(all, ({ lotId }) => lotId);
  });

/** What the tests of a species' lots teach. */
function taught(species: string, lots: LotTest[][]): Taught {
  const told = lots.map((list) => list.filter(({ over }) => over)).filter(({ length }) => length > 0);
  const data = told.map((list) => list.map(({ aged: at, up, sown }) => ({ aged: at, germinated: up, sown })));
  const facts = seedFactsOf(species);
  const { lots: known, untested } = learned({ facts, data });
  return { ofLot: new Map(told.map(([first], i) => [first!.lotId, known[i]!])), untested };
}

/** How alive lots are: each by its own tests, those of its species, and how it lay. */
export const livesOf = (sky: Outlook): ((lot: Pick<LotRow, "id" | "species" | "gathered">) => LotLife) =>
  sky.once("lives", () => {
    const { today, garden } = sky;
    const lain = lainOf(sky);
    const byLot = testsByLot(sky);
    const bySpecies = groupBy([...byLot.values()], ([first]) => first!.species);
    const known = new Map<string, Taught>();
    const taughtOf = (species: string): Taught => {
      const made = known.get(species) ?? taught(species, bySpecies.get(species) ?? []);
      known.set(species, made);
      return made;
    };
    return ({ id, species, gathered }) => {
      const { ofLot, untested } = taughtOf(species);
      const of = ofLot.get(id) ?? untested;
      const until = limitsOnce(of, garden.aliveWanted);
      const own = byLot.get(id) ?? [];
      const life = lifeOf(until, { gathered, ...lain(id, species), testedOn: own.at(-1)?.on ?? null }, today);
      return { life, known: of, tests: own };
    };
  });
