import { methodsOf, speciesById } from "@/catalogue/catalogue";
import { cautionsAt } from "@/catalogue/hazards";
import { flowerCode } from "@/core/custody/code";
import { effectiveSize } from "@/core/inheritance/smallPopulation";
import { type AskedOfList, type Listed, type Listing, NOTHING_ASKED } from "@/core/lists/listed";
import { byWords, inOrder } from "@/core/lists/order";
import { type Cut, LIST_PAGE, page } from "@/core/lists/page";
import { kinshipsOf } from "@/core/pedigree/pedigree";
import type { WayToMeet } from "@/core/pollination/meetInFlower";
import type { Protocol } from "@/core/pollination/protocol";
import { type Meeting, meeting } from "@/core/pollination/steps";
import { tally, UNDER_WAY } from "@/core/pollination/tally";
import { headOf } from "@/db/ops";
import { type CandidateRow, candidatesOf, candidatesOfFlowers } from "@/records/candidate/queries";
import { crossByCode, seasonsWithCrosses } from "@/records/cross/queries";
import { protocolOfCross } from "@/records/flower/commands";
import type { Flower } from "@/records/flower/flower";
import { flowersOfCross } from "@/records/flower/queries";
import type { Garden } from "@/records/garden/garden";
import { crossPedigrees, foundersInWords, individualOf } from "@/records/line/pedigree";
import { type LotRow, lotsOfCross } from "@/records/lot/queries";
import type { Plant } from "@/records/plant/plant";
import { plantsOfStand } from "@/records/plant/queries";
import { standById } from "@/records/stand/queries";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";
import { kinOf } from "./kin";
import { listOf } from "./list";
import { chanceToMeet, MEET_WANTED, meetWays } from "./meet";
import type { ForecastStand } from "./outlook";
import { type CrossState, crossesIn, crossState, hand } from "./pollination";

export type Crosses = {
  garden: Garden;
  band: Band;
  season: number;
  seasons: number[];
  list: Listed<CrossState, Show, Order>;
  /** Open crosses that still want flowers. */
  wanting: number;
  head: string | null;
};

type Show = "wants" | "underway" | "enough" | "closed";
type Order = "waits" | "mother" | "line" | "code";

const wants = ({ cross, toDo }: CrossState) => !cross.closed && toDo.likely > 0;
const byCode = (a: CrossState, b: CrossState) => inOrder(a.cross.code, b.cross.code);

/** What can still be done tonight first, then by the evenings left; then what is under way, what is closed last. */
const rank = (state: CrossState): number => {
  if (state.cross.closed) return 3;
  if (!wants(state)) return 2;
  return state.evenings?.tonight ? 0 : 1;
};

const LISTING: Listing<CrossState, Show, Order> = {
  wordsOf: ({ cross }) => `${cross.code} ${cross.motherName} ${cross.fatherName} ${cross.lineName}`,
  shows: {
    wants,
    underway: ({ tally: { covered, waiting } }) => covered + waiting > 0,
    enough: (state) => !state.cross.closed && !wants(state),
    closed: ({ cross }) => cross.closed === 1,
  },
  orders: {
    waits: (a, b) => rank(a) - rank(b) || a.eveningsLeft - b.eveningsLeft || byCode(a, b),
    mother: (a, b) => byWords(a.cross.motherName, b.cross.motherName) || byCode(a, b),
    line: (a, b) => byWords(a.cross.lineName, b.cross.lineName) || byCode(a, b),
    code: byCode,
  },
};

export function crossesView(sky: Outlook, wantedSeason: number | null, asked: AskedOfList = NOTHING_ASKED): Crosses {
  const { db, garden: place } = sky;
  const current = sky.season;
  const season = wantedSeason ?? current;
  const stands = sky.standsOf(season);
  const known = crossesIn(sky, season);
  const busy = new Set(known.flatMap(({ cross: x }) => (x.closed ? [] : [x.motherStandId, x.fatherStandId])));
  return {
    garden: place,
    band: band(sky, season, stands, (s) => busy.has(s.id)),
    season,
    seasons: [...new Set([season, current, ...seasonsWithCrosses(db)])].sort((a, b) => b - a),
    list: listOf(sky, `cross list ${season}`, () => crossesIn(sky, season).map(({ state }) => state), LISTING, asked),
    wanting: known.filter(({ state }) => wants(state)).length,
    head: headOf(db),
  };
}

const parentOf = ({ id, version, code, season, family }: ForecastStand) => ({ id, version, code, season, family });

export type FlowerAtStep = Pick<Flower, "id" | "number" | "state" | "fault" | "passes"> & { code: string };
export type FlowerRow = Flower & { code: string; plantNumber: number | null; fathers: CandidateRow[] };

export type CrossView = {
  garden: Garden;
  band: Band;
  state: CrossState;
  note: string;
  /** A stretch of its flowers, the last where none was asked for, and which stretch it is. */
  flowers: FlowerRow[];
  cut: Cut;
  /** Every flower that a step could be recorded of. */
  underWay: FlowerAtStep[];
  protocol: Protocol;
  methods: { id: string; name: string }[];
  meeting: Meeting;
  /** The chance that the parents are in flower together for some days, and what would raise it. */
  meets: number;
  meetWanted: number;
  ways: WayToMeet[];
  daysToRipe: { low: number; high: number };
  lots: LotRow[];
  hazards: { title: string; caution: string }[];
  /** Parents that are still to be sown, by name. */
  unsown: string[];
  today: string;
  parents: Record<"mother" | "father", Pick<ForecastStand, "id" | "version" | "code" | "season" | "family">>;
  fathers: CandidateRow[];
  /** The pedigree in slash notation, and the inbreeding of the offspring. */
  notation: string;
  inbreeding: number;
  /** As what plants are taken whose parents nobody recorded. */
  founders: string;
  /** Plants of the mother's stand that a flower can be on. */
  plants: Pick<Plant, "id" | "number">[];
  /** Males and females count both, where they are on plants of their own. */
  effective: { males: number; females: number; size: number } | null;
};

function effectiveOf(protocol: Protocol, flowers: Flower[]): CrossView["effective"] {
  if (protocol.unit !== "plant") return null;
  const shed = flowers.filter((f) => f.pollinatedOn && f.males);
  if (shed.length === 0) return null;
  const males = Math.max(...shed.map((f) => f.males!));
  const size = effectiveSize({ kind: "dioecious", males, females: shed.length }).effectiveSize;
  return { males, females: shed.length, size };
}

/** Where the list of a cross's flowers begins: as asked, at the flower that is opened, or with its last ones. */
function beginning(flowers: Flower[], from: number | null, opened: number | null): number {
  const at = opened === null ? -1 : flowers.findIndex((f) => f.number === opened);
  if (from !== null && at < 0) return from;
  const within = at < 0 ? flowers.length - 1 : at;
  return Math.max(0, Math.floor(within / LIST_PAGE) * LIST_PAGE);
}

/**
 * @param from where the list of flowers begins
 * @param opened the number of a flower that the list must show
 */
export function crossView(
  sky: Outlook,
  code: string,
  from: number | null = null,
  opened: number | null = null,
): CrossView | null {
  const { db } = sky;
  const cross = crossByCode(db, code);
  if (!cross) return null;
  const { id } = cross;
  const species = speciesById(cross.species);
  const flowers = flowersOfCross(db, id);
  const { items, cut } = page(flowers, beginning(flowers, from, opened));
  const [mother, father] = [cross.motherStandId, cross.fatherStandId].map((s) => sky.forecast(standById(db, s)!)) as [
    ForecastStand,
    ForecastStand,
  ];
  const stands = mother.id === father.id ? [mother] : [mother, father];
  const protocol = protocolOfCross(cross);
  const own = candidatesOfFlowers(db, id);
  const plants = plantsOfStand(db, mother.id);
  const numberOf = new Map(plants.map((p) => [p.id, p.number]));
  const one = { standId: mother.id, plantId: cross.motherPlantId };
  const other = { standId: father.id, plantId: cross.fatherPlantId };
  const second = mother.id === father.id && !cross.motherPlantId;
  const inbreeding = kinshipsOf(kinOf(db, [one, other], sky).tree)(individualOf(one), individualOf(other, second));
  return {
    garden: sky.garden,
    band: band(sky, cross.season, stands, (s) => s.id === mother.id),
    state: crossState(cross, tally(flowers), { mother, father }, hand(sky)),
    note: cross.note,
    flowers: items.map((f) => ({
      ...f,
      code: flowerCode(cross.code, f.number),
      plantNumber: f.plantId ? (numberOf.get(f.plantId) ?? null) : null,
      fathers: own.filter((c) => c.flowerId === f.id),
    })),
    cut,
    underWay: flowers
      .filter(({ state }) => UNDER_WAY.has(state) || state === "set")
      .map(({ id, number, state, fault, passes }) => ({
        id,
        number,
        state,
        fault,
        passes,
        code: flowerCode(cross.code, number),
      })),
    protocol,
    methods: methodsOf(species, cross.kind === "self", cross.motherAnthers).map((p) => ({ id: p.id, name: p.name })),
    meeting: meeting(mother.window.female, father.window.male),
    meets: chanceToMeet({ mother, father }),
    meetWanted: MEET_WANTED,
    ways: cross.closed || cross.storage ? [] : meetWays({ mother, father }, sky),
    daysToRipe: species.daysToRipe,
    lots: lotsOfCross(db, id),
    hazards: cautionsAt([...species.hazards, ...protocol.steps.flatMap((s) => s.hazards)], "touch", "fruit"),
    today: sky.today,
    unsown: stands.filter(({ planned }) => planned === 1).map(({ lineName }) => lineName),
    parents: { mother: parentOf(mother), father: parentOf(father) },
    fathers: candidatesOf(db, "cross", id).filter((c) => c.role === "father"),
    notation: crossPedigrees(db)(cross),
    inbreeding,
    founders: [...new Set([mother, father].map((s) => foundersInWords(s.species, s.status)))].join(", "),
    plants: plants.filter((p) => !p.removedOn).map((p) => ({ id: p.id, number: p.number })),
    effective: effectiveOf(protocol, flowers),
  };
}
