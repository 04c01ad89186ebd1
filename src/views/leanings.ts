import { type Day, daysBetween } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { seeded } from "@/core/numbers/chance";
import { sampledPedigree } from "@/core/pedigree/pedigree";
import { placeOf, plantsInRow } from "@/core/selection/bench";
import { hiddenSelection, type Leaning } from "@/core/selection/hidden";
import { isKept } from "@/core/selection/marks";
import { goodness } from "@/core/selection/ranking";
import type { ScoreValue } from "@/core/selection/yardsticks";
import type { Db } from "@/db/open";
import { forebears, individualOf } from "@/records/line/pedigree";
import type { LookRow } from "@/records/line/queries";
import { pickedOf } from "@/records/pick/queries";
import type { Plant } from "@/records/plant/plant";
import { plantsThatGaveSeed } from "@/records/plant/queries";
import type { StandRow } from "@/records/stand/queries";
import { isMeasured } from "@/records/yardstick/rules";
import type { Yardstick } from "@/records/yardstick/yardstick";
import type { Outlook } from "./outlook";
import { aimOfFigures, figureOf } from "./shown";
import { guessOf } from "./worth";

/** A leaning with whether it goes where the aim points, and what it does to the next generation where it is inherited. */
export type LeaningView = Leaning & {
  unit: string;
  kind: "aim" | "against" | "beside" | "place";
  /** Change of the next generation's mean by what is guessed to be inherited; null of a place. */
  next: { low: number; high: number } | null;
};

export type Leanings = {
  /** How many gave seed, or are kept for it where none did yet. */
  chosen: number;
  gave: boolean;
  all: number;
  list: LeaningView[];
};

/** Whether the chosen lie nearer to what is wanted than all do, by their means. */
function towards(mark: Yardstick, { chosen, all }: Leaning): LeaningView["kind"] {
  if (mark.wanted === "none") return "beside";
  const aim = aimOfFigures(mark);
  const good = (value: number) => goodness(aim, { number: value, word: null });
  return good(chosen) >= good(all) ? "aim" : "against";
}

const LOOKED = "day it was looked at";
/** The pass in which its fruit was taken: late passes make late lines. */
const PICKED = "day its fruit was picked";
/** How much of the days that plants differ by is inherited. */
const DAYS = guessOf({ kind: "date", inherited: null });
/** Of an F2, of which guesses are said, half of the base's variance is among sibs. */
const AMONG_SIBS = 0.5;

/** How much is inherited here of what was guessed for an F2's sibs: as much less as the family is fixed. */
function inheritedHere(db: Db, plants: Plant[]): (share: number) => number {
  if (plants.length === 0) return (share) => share;
  const asked = plants.map(({ id: plantId, standId }) => ({ plantId, standId }));
  const tree = forebears(db, asked);
  const { sampled } = sampledPedigree(tree);
  const places = new Map(tree.map(({ id }, i) => [id, i]));
  const among = asked.reduce((sum, plant) => sum + sampled[places.get(individualOf(plant))!]!, 0) / asked.length;
  const left = among / AMONG_SIBS;
  return (share) => (share * left) / (share * left + 1 - share);
}

/** Plants beside it in its row that are gone. */
function gapsBeside(plants: Plant[], at: number, perRow: number): number {
  const { row } = placeOf(plants[at]!.number, perRow);
  return [at - 1, at + 1].filter((i) => {
    const beside = plants[i];
    return beside !== undefined && placeOf(beside.number, perRow).row === row && beside.removedOn !== null;
  }).length;
}

/** For each plant the mean of some days, from sowing. */
function daysOf<T extends { plantId: Id }>(
  plants: Plant[],
  rows: T[],
  sown: Day,
  dayOf: (row: T) => Day,
): (number | null)[] {
  const byPlant = groupBy(rows, ({ plantId }) => plantId);
  return plants.map(({ id }) => {
    const own = byPlant.get(id) ?? [];
    return own.length === 0 ? null : own.reduce((sum, row) => sum + daysBetween(sown, dayOf(row)), 0) / own.length;
  });
}

/** What those who gave seed differ by from all who grew: on everything that was scored, and by where they stood, when they were looked at and picked. */
export function leaningsOf(
  sky: Outlook,
  stand: StandRow,
  plants: Plant[],
  marks: Yardstick[],
  valuesOf: (plantId: Id) => Record<Id, ScoreValue>,
  looks: Pick<LookRow, "plantId" | "scoredOn">[],
): Leanings {
  const mothers = plantsThatGaveSeed(sky.db, stand.id);
  const gave = mothers.size > 0;
  const chosen = plants.map(({ id, mark, removedOn }) => (gave ? mothers.has(id) : removedOn === null && isKept(mark)));
  const perRow = plantsInRow(plants.at(-1)?.number ?? 0, stand.rowCount);
  const places = plants.map(({ number }) => placeOf(number, perRow));
  const rows = new Set(places.map(({ row }) => row)).size;
  const watched = [
    ...marks.map((mark) => ({
      mark,
      name: mark.name,
      values: plants.map(({ id }) => figureOf(mark, valuesOf(id)[mark.id])),
    })),
    { mark: null, name: "place along the row", values: places.map(({ at }) => at + 1) },
    ...(rows > 1 ? [{ mark: null, name: "row", values: places.map(({ row }) => row + 1) }] : []),
    {
      mark: null,
      name: "end of a row",
      values: places.map(({ at }, i) => Number(at === 0 || at === perRow - 1 || i === places.length - 1)),
    },
    { mark: null, name: "gaps beside it", values: plants.map((_, i) => gapsBeside(plants, i, perRow)) },
    { mark: null, name: LOOKED, values: daysOf(plants, looks, stand.sown, ({ scoredOn }) => scoredOn) },
    { mark: null, name: PICKED, values: daysOf(plants, pickedOf(sky.db, stand.id), stand.sown, ({ on }) => on) },
  ];
  const scale = inheritedHere(sky.db, plants);
  const by = new Map(watched.map(({ name, mark }) => [name, mark]));
  const list = hiddenSelection(chosen, watched, seeded(plants.length)).map((leaning): LeaningView => {
    const mark = by.get(leaning.name);
    const change = (range: { low: number; high: number }) => ({
      low: scale(range.low) * leaning.differential,
      high: scale(range.high) * leaning.differential,
    });
    if (leaning.name === PICKED) return { ...leaning, unit: "days", kind: "beside", next: change(DAYS) };
    if (!mark) return { ...leaning, unit: leaning.name === LOOKED ? "days" : "", kind: "place", next: null };
    return {
      ...leaning,
      unit: mark.kind === "date" ? "days" : isMeasured(mark.kind) ? mark.unit : "%",
      kind: towards(mark, leaning),
      next: change(guessOf(mark)),
    };
  });
  return { chosen: chosen.filter(Boolean).length, gave, all: plants.length, list };
}
