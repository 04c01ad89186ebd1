import { nameWithGeneration } from "@/core/custody/generation";
import { groupBy } from "@/core/lists/groupBy";
import { type AskedOfList, type Listed, type Listing, NOTHING_ASKED } from "@/core/lists/listed";
import { byWords, inOrder } from "@/core/lists/order";
import type { Garden } from "@/records/garden/garden";
import { type PlantTally, plantTallies } from "@/records/plant/queries";
import { families, type StandRow } from "@/records/stand/queries";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";
import { listOf } from "./list";
import { type Regrow, regrowView } from "./regrow";
import { type Due, dueOf, dueWork } from "./work";

/** A family with what it asks for, and how far it is decided. */
export type FamilyRow = StandRow & {
  due: Due | null;
  tally: Omit<PlantTally, "standId"> | null;
};

type Show = "waits" | "open" | "decided" | "trays" | "past";
type Order = "waits" | "line" | "newest" | "code";

const LATER = "9999";
const newest = (a: FamilyRow, b: FamilyRow) => b.season - a.season || byLine(a, b);
const byLine = (a: FamilyRow, b: FamilyRow) => byWords(a.lineName, b.lineName) || inOrder(a.code, b.code);

/** @param season the one under way: what stood before is past */
const listing = (season: number): Listing<FamilyRow, Show, Order> => ({
  wordsOf: (row) => `${nameWithGeneration(row)} ${row.code} ${row.lotCode ?? ""} ${row.bedName ?? ""} ${row.season}`,
  shows: {
    waits: ({ due }) => due !== null,
    open: (row) => !isPast(row, season) && row.tally !== null && row.tally.open > 0,
    decided: (row) => !isPast(row, season) && row.tally !== null && row.tally.open === 0,
    trays: (row) => !isPast(row, season) && row.plants === null,
    past: (row) => isPast(row, season),
  },
  orders: {
    waits: (a, b) =>
      Number(a.due === null) - Number(b.due === null) ||
      inOrder(a.due?.last ?? LATER, b.due?.last ?? LATER) ||
      newest(a, b),
    line: byLine,
    newest,
    code: (a, b) => inOrder(a.code, b.code),
  },
});

const isPast = ({ season, endedOn }: FamilyRow, now: number) => season < now || endedOn !== null;

export type Nursery = {
  garden: Garden;
  band: Band;
  season: number;
  list: Listed<FamilyRow, Show, Order>;
  /** Families that ask for something, and of this season those with plants nobody has decided on. */
  waiting: number;
  undecided: { families: number; plants: number };
  /** Lines whose next generation is to be sown. */
  next: Pick<Regrow, "code" | "name">[];
};

const familyRows = (sky: Outlook): FamilyRow[] =>
  sky.once("families", () => {
    const work = groupBy(dueWork(sky), ({ stand }) => stand.id);
    const tallies = new Map(plantTallies(sky.db).map(({ standId, ...tally }) => [standId, tally]));
    return families(sky.db).map((row) => {
      const due = work.get(row.id);
      return { ...row, due: due ? dueOf(due) : null, tally: tallies.get(row.id) ?? null };
    });
  });

export function nurseryView(sky: Outlook, asked: AskedOfList = NOTHING_ASKED): Nursery {
  const { garden: place, season } = sky;
  const ways = listing(season);
  return {
    garden: place,
    band: band(
      sky,
      season,
      sky.standsOf(season).filter((s) => s.family === 1),
    ),
    season,
    list: listOf(sky, "family list", () => familyRows(sky), ways, asked),
    ...sky.once("families counted", () => {
      const rows = familyRows(sky);
      const open = rows.filter(ways.shows.open);
      return {
        waiting: rows.filter(ways.shows.waits).length,
        undecided: { families: open.length, plants: open.reduce((sum, { tally }) => sum + tally!.open, 0) },
      };
    }),
    next: regrowView(sky)
      .filter(({ why }) => why === "next")
      .map(({ code, name }) => ({ code, name })),
  };
}
