import { nameWithGeneration } from "@/core/custody/generation";
import { type AskedOfList, type Listed, type Listing, NOTHING_ASKED } from "@/core/lists/listed";
import { byWords, inOrder } from "@/core/lists/order";
import type { LifeState } from "@/core/seed/life";
import type { Garden } from "@/records/garden/garden";
import { lotsInStores, stores } from "@/records/store/queries";
import type { Store } from "@/records/store/store";
import { type Band, seasonBand } from "./band";
import { byState, type DrawerLot, type DyingLot, drawer, dyingLot, type WholeLot, wholeLots } from "./drawer";
import { harvestView } from "./harvest";
import { listOf } from "./list";
import type { Outlook } from "./outlook";
import { type Regrow, regrowList } from "./regrow";
import { type SeedCall, type Spell, seedCalls, spells, type TestCall, testsToSet } from "./seedCalls";
import { type SeedTable, seedTable } from "./seedTable";
import { openWork } from "./work";

/** A sowing that may be done now. */
export type SowNow = { key: string; what: string; name: string; code: string; best: string; last: string | null };

/** What needs me now, what is dying, what may be sown. */
export type Seed = {
  garden: Garden;
  band: Band;
  today: string;
  calls: SeedCall[];
  table: SeedTable;
  /** The drawer: how many lots of each state, and in all. */
  states: Record<LifeState, number>;
  total: number;
  /** Of lines that nothing is sown of, those that lose most by waiting, with their curves. */
  regrow: Regrow[];
  regrowMore: number;
  dying: DyingLot[];
  tests: TestCall[];
  testsMore: number;
  spells: Spell[];
  sow: SowNow[];
  /** Stands that may be ripe, and what is next. */
  ripe: { now: number; next: { name: string; on: string } | null };
};

/** Stands whose earliest ripe day is past, and the one that is next. */
function ripeNow(sky: Outlook): Seed["ripe"] {
  const { stands, ripe } = harvestView(sky);
  const next = stands.find(({ when }) => when === "soon" || when === "later");
  return {
    now: ripe,
    next: next ? { name: next.name, on: next.ripe.likely } : null,
  };
}

/** So many are shown of what may be many. */
const SHOWN = 4;

/** What hangs on the hour of the day is reckoned by itself. */
export const seedView = (sky: Outlook): Seed => ({
  ...sky.once("seed", () => lasting(sky)),
  calls: seedCalls(sky),
  table: seedTable(sky),
});

function lasting(sky: Outlook): Omit<Seed, "calls" | "table"> {
  const { garden, today } = sky;
  const lots = drawer(sky);
  const regrow = regrowList(sky);
  const byCode = new Map(lots.map((lot) => [lot.code, lot]));
  const tests = testsToSet(sky, SHOWN);
  return {
    garden,
    band: seasonBand(sky),
    today,
    states: byState(lots),
    total: lots.length,
    regrow: regrow.slice(0, SHOWN),
    regrowMore: Math.max(0, regrow.length - SHOWN),
    dying: regrow.slice(0, SHOWN).map(({ lot }) => dyingLot(sky, byCode.get(lot)!)),
    tests: tests.first,
    testsMore: tests.more,
    spells: spells(sky),
    ripe: ripeNow(sky),
    sow: openWork(sky)
      .filter(({ act, standing }) => act === "sow" && (standing === "due" || standing === "early"))
      .slice(0, SHOWN)
      .map(({ key, what, stand, best, last }) => ({
        key,
        what,
        name: nameWithGeneration(stand),
        code: stand.code,
        best,
        last,
      })),
  };
}

type DrawerOrder = "dies" | "name" | "gathered" | "code";

const DRAWER: Listing<DrawerLot, LifeState, DrawerOrder> = {
  wordsOf: ({ name, code, lineCode, gathered }) => `${name} ${code} ${lineCode} ${gathered}`,
  shows: {
    dead: ({ life }) => life.state === "dead",
    failing: ({ life }) => life.state === "failing",
    regrow: ({ life }) => life.state === "regrow",
    keeps: ({ life }) => life.state === "keeps",
  },
  orders: {
    dies: (a, b) => inOrder(a.life.until.likely ?? "", b.life.until.likely ?? "") || inOrder(a.code, b.code),
    name: (a, b) => byWords(a.name, b.name) || inOrder(a.code, b.code),
    gathered: (a, b) => inOrder(b.gathered, a.gathered) || inOrder(a.code, b.code),
    code: (a, b) => inOrder(a.code, b.code),
  },
};

export type DrawerPage = {
  garden: Garden;
  band: Band;
  today: string;
  lots: WholeLot[];
  list: Omit<Listed<DrawerLot, LifeState, DrawerOrder>, "items">;
  /** All lots by state, whatever was asked for. */
  states: Record<LifeState, number>;
  /** Places, with how many lots lie in each. */
  stores: (Store & { lots: number })[];
};

/** The drawer's lots as they are asked for; as it lies, what dies first stands first. */
export function drawerPage(sky: Outlook, asked: AskedOfList = NOTHING_ASKED): DrawerPage {
  const page = sky.once(`drawer page ${JSON.stringify(asked)}`, () => {
    const { items, ...list } = listOf(sky, "drawer list", () => drawer(sky), DRAWER, asked);
    return { lots: wholeLots(sky, items), list };
  });
  const lying = sky.once("lots in stores", () => lotsInStores(sky.db));
  return {
    garden: sky.garden,
    band: seasonBand(sky),
    today: sky.today,
    ...page,
    states: sky.once("drawer by state", () => byState(drawer(sky))),
    stores: stores(sky.db).map((store) => ({ ...store, lots: lying.get(store.id) ?? 0 })),
  };
}
