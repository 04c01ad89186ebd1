import { speciesById } from "@/catalogue/catalogue";
import { type Caution, cautionsAt, isTasted } from "@/catalogue/hazards";
import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { servingOrder, type Tasted, type TastedSample, tasted } from "@/core/selection/tasting";
import { hasEnds } from "@/core/traits/kinds";
import { yardsticks } from "@/records/line/queries";
import type { Mark } from "@/records/plant/plant";
import { chosenPlants, plantsOfStand } from "@/records/plant/queries";
import { type StandRow, sistersOf, standByCode } from "@/records/stand/queries";
import { bitesOf, type ServedPlant, servingsOf, tastingsOf } from "@/records/tasting/queries";
import type { BiteRow, Tasting } from "@/records/tasting/tasting";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { type Band, band } from "./band";
import type { Outlook } from "./outlook";

type Scale = Pick<Yardstick, "id" | "name" | "lowEnd" | "highEnd" | "drawn">;

/** What was served, and what the tasters found of it. */
export type Served = {
  code: string;
  plant: number;
  stand: string;
  bites: number;
  bitter: number;
  found: TastedSample | null;
};

export type OneTasting = Pick<Tasting, "id" | "version" | "heldOn" | "tasters" | "note" | "closedOn"> & {
  scale: Scale;
  /** The best first; what nobody tasted last. */
  served: Served[];
  /** How many each taster has tasted. */
  progress: number[];
  /** The codes in the order in which each taster gets them. */
  orders: string[][];
} & Pick<Tasted, "agreement" | "apart" | "withOthers">;

/** What one taster gets: codes alone. */
export type TasterSheet = {
  taster: number;
  /** In their order, with what the taster said, and whether anyone found it bitter. */
  codes: { code: string; number: number | null; bitter: boolean; foundBitter: boolean }[];
};

export type Tastings = {
  band: Band;
  today: Day;
  stand: Pick<StandRow, "id" | "code" | "lineName" | "generation" | "backcrosses" | "lineCode">;
  hazards: Caution[];
  /** Bitter fruit of it is poisonous, and is told of. */
  bitterPoisons: boolean;
  /** Nobody is to taste it. */
  poisonous: boolean;
  scales: Scale[];
  /** Plants that can be served. */
  plants: { id: Id; number: number; code: string; mark: Mark }[];
  tastings: OneTasting[];
  /** The one asked for, and one taster of it. */
  of: OneTasting | null;
  sheet: TasterSheet | null;
};

export type AskedOfTasting = { of: Id | null; taster: number | null };

/** A family's tastings, one of them, or the sheet of one taster, which says nothing of plants. */
export function tastingView(sky: Outlook, code: string, asked: AskedOfTasting): Tastings | null {
  const { db } = sky;
  const stand = standByCode(db, code);
  if (!stand) return null;
  const all = yardsticks(db, stand.lineId);
  const { hazards } = speciesById(stand.species);
  const sisters = new Set(sistersOf(db, stand).map(({ id }) => id));
  const tastings = tastingsOf(db, stand.id);
  const asScale = ({ id, name, lowEnd, highEnd, drawn }: Yardstick): Scale => ({ id, name, lowEnd, highEnd, drawn });
  const scaleOf = (id: Id) => asScale(all.find((one) => one.id === id)!);
  const found = tastings.find(({ id }) => id === asked.of);
  const { taster } = asked;
  const read = found && readOf(sky, found);
  const sheet = read && taster !== null && taster >= 1 && taster <= found.tasters ? sheetOf(read, taster) : null;
  const of = read ? oneTasting(read, found, scaleOf(found.yardstickId)) : null;
  return {
    band: band(sky, stand.season, [sky.forecast(stand)]),
    today: sky.today,
    stand,
    hazards: cautionsAt(hazards, "eat", "taste"),
    bitterPoisons: hazards.includes("cucurbit"),
    poisonous: !isTasted(hazards),
    scales: all.filter((mark) => hasEnds(mark) && mark.retiredOn === null).map(asScale),
    plants: [
      ...plantsOfStand(db, stand.id).map(({ id, number, mark }) => ({ id, number, mark, code: stand.code })),
      ...chosenPlants(db, stand.season).filter(({ standId }) => sisters.has(standId)),
    ],
    tastings: found ? [] : tastings.map((one) => oneTasting(readOf(sky, one), one, scaleOf(one.yardstickId))),
    // A taster is told nothing of plants, nor of what others said.
    of: sheet && of ? { ...of, served: [], orders: [] } : of,
    sheet,
  };
}

const orderOf = (codes: string[], taster: number): string[] =>
  servingOrder(codes.length, taster - 1).map((place) => codes[place]!);

/** What was served at a tasting, and what was said of it. */
type Read = { servings: ServedPlant[]; bites: BiteRow[] };
const readOf = ({ db }: Outlook, { id }: Tasting): Read => ({ servings: servingsOf(db, id), bites: bitesOf(db, id) });

function oneTasting({ servings, bites }: Read, one: Tasting, scale: Scale): OneTasting {
  const places = new Map(servings.map(({ id }, i) => [id, i]));
  const { samples, ...said } = tasted(
    bites.flatMap(({ servingId, taster, number }) =>
      number === null ? [] : [{ sample: places.get(servingId)!, taster: taster - 1, value: number }],
    ),
    servings.length,
    one.tasters,
  );
  const codes = servings.map(({ code }) => code);
  const served = servings.map(({ id, code, plantNumber, standCode }, i): Served => {
    const own = bites.filter(({ servingId }) => servingId === id);
    const bitter = own.filter((bite) => bite.bitter).length;
    return { code, plant: plantNumber, stand: standCode, bites: own.length, bitter, found: samples[i]! };
  });
  const { id, version, heldOn, tasters, note, closedOn } = one;
  return {
    ...{ id, version, heldOn, tasters, note, closedOn, scale },
    served: served.sort((a, b) => (b.found?.value ?? 0) - (a.found?.value ?? 0)),
    progress: Array.from({ length: tasters }, (_, i) => bites.filter(({ taster }) => taster === i + 1).length),
    orders: Array.from({ length: tasters }, (_, i) => orderOf(codes, i + 1)),
    ...said,
  };
}

function sheetOf({ servings, bites }: Read, taster: number): TasterSheet {
  const byCode = new Map(servings.map(({ id, code }) => [code, bites.filter(({ servingId }) => servingId === id)]));
  return {
    taster,
    codes: orderOf(
      servings.map(({ code }) => code),
      taster,
    ).map((code) => {
      const all: BiteRow[] = byCode.get(code)!;
      const own = all.find((bite) => bite.taster === taster);
      return {
        code,
        number: own?.number ?? null,
        bitter: own?.bitter === 1,
        foundBitter: all.some((bite) => bite.bitter === 1),
      };
    }),
  };
}
