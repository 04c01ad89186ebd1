import { speciesById } from "@/catalogue/catalogue";
import { cautionsAt } from "@/catalogue/hazards";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { type AskedOfList, type Listed, type Listing, NOTHING_ASKED } from "@/core/lists/listed";
import { byWords, inOrder } from "@/core/lists/order";
import { type Ranked, rankPlants, type ScoreValue, type Summary, summarise } from "@/core/selection/ranking";
import type { Db } from "@/db/open";
import { headOf } from "@/db/ops";
import { type BedChoice, bedChoices } from "@/records/bed/queries";
import type { Garden } from "@/records/garden/garden";
import { lineNames, scoresOnYardsticks, yardsticks } from "@/records/line/queries";
import { type LotRow, lotById } from "@/records/lot/queries";
import type { Plant } from "@/records/plant/plant";
import { type PlantTally, plantsOfStand, plantTallies, reasonsOf } from "@/records/plant/queries";
import { scoresOfStand } from "@/records/score/queries";
import { families, type StandRow, standByCode } from "@/records/stand/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";
import { listOf } from "./list";
import { type LivedStand, livedStand } from "./lived";
import type { ForecastStand } from "./outlook";
import { type Raised, raisedOf } from "./raising";
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
  wordsOf: ({ lineName, code, lotCode, bedName, generation, season }) =>
    `${nameWithGeneration(lineName, generation)} ${code} ${lotCode ?? ""} ${bedName ?? ""} ${season}`,
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
  head: string | null;
  beds: BedChoice[];
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
  const { db, garden: place, season } = sky;
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
    head: headOf(db),
    beds: bedChoices(db),
  };
}

export type ParentFigure = { line: string; season: string; summary: Summary | null; words: string | null };
export type YardstickView = Yardstick & { words: string[]; parents: ParentFigure[]; family: Summary | null };

export type Family = {
  garden: Garden;
  band: Band;
  stand: LivedStand;
  raised: Raised;
  plants: Plant[];
  /** Why plants of the line went out, the last one first. */
  reasons: string[];
  yardsticks: YardstickView[];
  /** Those that are not used any more; their scores are kept. */
  retired: Pick<Yardstick, "id" | "version" | "name">[];
  /** By plant and yardstick, with the version of each. */
  scores: Record<Id, Record<Id, ScoreValue & { version: Id }>>;
  ranks: Record<Id, Ranked>;
  lot: LotRow | null;
  today: string;
  hazards: { title: string; caution: string }[];
  beds: BedChoice[];
};

const commonest = (words: string[]): string | null => {
  const counted = [...groupBy(words, (w) => w)].map(([word, list]) => ({ word, count: list.length }));
  counted.sort((a, b) => b.count - a.count);
  return counted[0] ? `${counted[0].word} (${counted[0].count} of ${words.length})` : null;
};

/** A parent's plants on a yardstick: those of the same season if scored, else of all seasons. */
function parentFigures(db: Db, stand: ForecastStand, marks: Yardstick[]): Map<Id, ParentFigure[]> {
  const parents = [stand.motherLineId, stand.fatherLineId].filter((id): id is Id => id !== null);
  if (parents.length === 0) return new Map();
  const names = lineNames(db);
  const rows = groupBy(
    scoresOnYardsticks(db, stand.lineId).filter((s) => parents.includes(s.lineId)),
    (s) => s.yardstickId,
  );
  return new Map(
    marks.map((mark) => [
      mark.id,
      parents.map((parent) => {
        const all = (rows.get(mark.id) ?? []).filter((s) => s.lineId === parent);
        const same = all.filter((s) => s.season === stand.season);
        const used = same.length ? same : all;
        return {
          line: names.get(parent) ?? "",
          season: same.length ? "this season" : "all seasons",
          summary: summarise(used.flatMap((s) => (s.number === null ? [] : [s.number]))),
          words: commonest(used.flatMap((s) => (s.word === null ? [] : [s.word]))),
        };
      }),
    ]),
  );
}

export function familyView(sky: Outlook, code: string): Family | null {
  const { db } = sky;
  const row = standByCode(db, code);
  if (!row) return null;
  const { id } = row;
  const { garden: place } = sky;
  const stand = sky.forecast(row);
  const plants = plantsOfStand(db, id);
  const all = yardsticks(db, row.lineId);
  const marks = all.filter(({ retiredOn }) => retiredOn === null);
  const scores: Family["scores"] = {};
  for (const { plantId, yardstickId, number, word, version } of scoresOfStand(db, id)) {
    scores[plantId] ??= {};
    scores[plantId][yardstickId] = { number, word, version };
  }
  const standing = plants.filter((p) => p.removedOn === null);
  const ranked = rankPlants(
    standing.map((p) => ({ id: p.id, scores: scores[p.id] ?? {} })),
    marks,
  );
  const figures = parentFigures(db, stand, marks);
  return {
    garden: place,
    band: band(sky, stand.season, [stand]),
    stand: livedStand(stand, sky),
    raised: raisedOf(sky, stand),
    plants,
    reasons: reasonsOf(db, row.lineId).map(({ reason }) => reason),
    yardsticks: marks.map((mark) => ({
      ...mark,
      words: JSON.parse(mark.categories) as string[],
      parents: figures.get(mark.id) ?? [],
      family: summarise(standing.flatMap((p) => scores[p.id]?.[mark.id]?.number ?? [])),
    })),
    retired: all
      .filter(({ retiredOn }) => retiredOn !== null)
      .map(({ id: yardstickId, version, name }) => ({ id: yardstickId, version, name })),
    scores,
    ranks: Object.fromEntries(ranked.map((r) => [r.id, r])),
    lot: row.lotId ? (lotById(db, row.lotId) ?? null) : null,
    today: sky.today,
    hazards: cautionsAt(speciesById(row.species).hazards, "touch", "eat"),
    beds: bedChoices(db),
  };
}
