import { speciesById } from "@/catalogue/catalogue";
import { type Day, daysBetween } from "@/core/calendar/day";
import { seasonOf } from "@/core/climate/season";
import { nameWithGeneration, type SeedCount } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import type { SowableLot } from "@/core/plans/chooseLots";
import type { Germination, Known } from "@/core/seed/alive";
import { germinationAfter } from "@/core/seed/alive";
import { curveOf, type Life, type LifeState } from "@/core/seed/life";
import { amountOf, mayHoldSeed, takenFrom } from "@/records/lot/left";
import { drawerLots, type LotInShort, type LotRow, lotsById } from "@/records/lot/queries";
import { type LotTest, livesOf } from "./alive";
import type { Outlook } from "./outlook";

/** How much is left of a lot, and how alive that is. */
type Judged = {
  name: string;
  /** Null for fruit whose seed was not counted yet. */
  amount: SeedCount | null;
  left: SeedCount | null;
  /** The likely number of those; null where nobody counted. */
  seedsLeft: number | null;
  life: Life;
};

/** A lot of the drawer: in short as lists of all are reckoned with, or whole as a page shows it. */
export type DrawerLot = LotInShort & Judged;
export type WholeLot = LotRow & Judged;

/** Years of a curve before today and after: what is shown of a lot's life. */
export type LifeCurve = {
  points: { year: number; low: number; likely: number; high: number }[];
  /** Years since it was gathered. */
  age: number;
  tests: { year: number; up: number; sown: number }[];
};

export function drawerLot<Of extends LotInShort>(lot: Of, life: Life): Of & Judged {
  const amount = amountOf(lot);
  const minus = (n: number) => Math.max(0, n - takenFrom(lot));
  const left = amount && { ...amount, likely: minus(amount.likely), low: minus(amount.low), high: minus(amount.high) };
  // A row of many columns is not copied for each of thousands of lots.
  return Object.assign(lot, {
    name: nameWithGeneration(lot),
    amount,
    left,
    seedsLeft: left?.likely ?? null,
    life,
  });
}

/** Every lot in the drawer of which something is left, the newest first. */
export const drawer = (sky: Outlook): DrawerLot[] =>
  sky.once("drawer", () => {
    const lifeOf = livesOf(sky);
    return drawerLots(sky.db)
      .filter((lot) => lot.gathered <= sky.today && mayHoldSeed(lot))
      .map((lot) => drawerLot(lot, lifeOf(lot).life));
  });

/** Some lots of the drawer, whole. */
export function wholeLots({ db }: Outlook, lots: DrawerLot[]): WholeLot[] {
  const rows = lotsById(
    db,
    lots.map(({ id }) => id),
  );
  return lots.map(({ id, life }) => drawerLot(rows.get(id)!, life));
}

export const byState = (lots: DrawerLot[]): Record<LifeState, number> => {
  const states = { keeps: 0, regrow: 0, failing: 0, dead: 0 };
  for (const { life } of lots) states[life.state]++;
  return states;
};

const yearsBetween = (from: Day, to: Day) => daysBetween(from, to) / 365.25;

/** Seed is drawn for at least so many years, and for some beyond the day it falls under the limit. */
const DRAWN = { least: 4, most: 15, beyond: 2 };
const POINTS_A_YEAR = 2;

/** A lot's life as a curve, with its tests. */
export function lifeCurve(
  sky: Outlook,
  lot: Pick<LotRow, "gathered">,
  life: Life,
  known: Known,
  tests: LotTest[],
): LifeCurve {
  const age = yearsBetween(lot.gathered, sky.today);
  const until = life.until.likely ? yearsBetween(lot.gathered, life.until.likely) : age;
  const years = Math.ceil(Math.max(DRAWN.least, age + 1, Math.min(DRAWN.most, until + DRAWN.beyond)));
  return {
    points: curveOf(known, life, age, years, POINTS_A_YEAR),
    age,
    tests: tests
      .filter(({ over }) => over)
      .map(({ on, up, sown }) => ({ year: yearsBetween(lot.gathered, on), up, sown })),
  };
}

/** A lot with its curve, as the drawer's page shows it. */
export type DyingLot = Pick<DrawerLot, "id" | "version" | "code" | "name" | "lineId" | "lineCode" | "gathered"> & {
  life: Life;
  now: Germination;
  curve: LifeCurve;
  seeds: number | null;
  /** The only living lot of its line. */
  last: boolean;
};

/** A lot as it is shown with its curve. */
export function dyingLot(sky: Outlook, lot: DrawerLot): DyingLot {
  const { id, version, code, name, lineId, lineCode, gathered, seedsLeft } = lot;
  const { life, known, tests } = livesOf(sky)(lot);
  const alone = livingOf(sky).get(lineId)?.length === 1;
  return {
    id,
    version,
    code,
    name,
    lineId,
    lineCode,
    gathered,
    life,
    now: germinationAfter(known, life.aged),
    curve: lifeCurve(sky, lot, life, known, tests),
    seeds: seedsLeft,
    last: alone,
  };
}

/** Lots of each line that are not dead. */
export const livingOf = (sky: Outlook): Map<Id, DrawerLot[]> =>
  sky.once("living", () =>
    groupBy(
      drawer(sky).filter(({ life }) => life.state !== "dead"),
      ({ lineId }) => lineId,
    ),
  );

/** Living lots of a line of which nothing is doubted. */
export const soundOf = (sky: Outlook, lineId: Id): DrawerLot[] =>
  (livingOf(sky).get(lineId) ?? []).filter(({ doubt }) => doubt === null);

const livesUntil = ({ life }: { life: Life }) => life.until.likely ?? "";

/** Of some lots the one whose seed lives longest, the first of equals. */
export const longestLived = <Of extends { life: Life }>(lots: Of[]): Of | undefined =>
  lots.reduce<Of | undefined>((best, lot) => (best && livesUntil(best) >= livesUntil(lot) ? best : lot), undefined);

/** The best of a line's living lots is under the limit in a year, or already. */
export const fades = (lots: DrawerLot[]): boolean => lots.every(({ life }) => life.state !== "keeps");

/** A lot as it may be sown: of which plant, gathered in which season, and what is left beside its reserve. */
export function sowableOf({ garden }: Outlook, lot: LotInShort): SowableLot {
  const { id, generation, gathered, motherPlantId: mother, reserve } = lot;
  const amount = amountOf(lot);
  const left = amount && Math.max(0, amount.likely - takenFrom(lot) - (reserve ?? 0));
  return { id, generation, season: seasonOf(gathered, garden.latitude), mother, left };
}

export const plantsToGoOn = (species: string): number => Math.ceil(speciesById(species).plants["keep going"].low);
