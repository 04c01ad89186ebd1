import { mean } from "simple-statistics";
import { type Day, daysBetween } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { seeded } from "@/core/numbers/chance";
import { sampledPedigree } from "@/core/pedigree/pedigree";
import { placeOf, plantsInRow } from "@/core/selection/bench";
import { guessOf, inheritedAmong } from "@/core/selection/heritability";
import { hiddenSelection, type Leaning, type Watched } from "@/core/selection/hidden";
import { isKept } from "@/core/selection/marks";
import { goodness } from "@/core/selection/ranking";
import { isMeasured, kindOf, TRAIT_KINDS } from "@/core/traits/kinds";
import type { ScoreValue } from "@/core/traits/trait";
import type { Db } from "@/db/open";
import type { LookRow } from "@/records/line/queries";
import { pickedOf } from "@/records/pick/queries";
import type { Plant } from "@/records/plant/plant";
import { plantsThatGaveSeed } from "@/records/plant/queries";
import type { StandRow } from "@/records/stand/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { kinOf } from "./kin";
import type { Outlook } from "./outlook";
import { aimOfFigures, figureOf } from "./shown";

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

/** How much of the days that plants differ by is inherited. */
const DAYS = TRAIT_KINDS.date.heritability;

/** How much of the base's variance is among some plants, by their pedigree, in the mean. */
function amongThem(db: Db, plants: Plant[]): number {
  const asked = plants.map(({ id: plantId, standId }) => ({ plantId, standId }));
  const { tree, at } = kinOf(db, asked);
  const { sampled } = sampledPedigree(tree);
  return mean(asked.map((plant) => sampled[at(plant)]!));
}

/** Something that is known of plants, how it is told, and how much of it is inherited; null of what is not. */
type Known = Watched & {
  unit: string;
  kind: (leaning: Leaning) => LeaningView["kind"];
  inherited: { low: number; high: number } | null;
};

/** Where plants stand, or when they were looked at. */
const place = (name: string, values: Watched["values"], unit = ""): Known => ({
  ...{ name, values, unit },
  kind: () => "place",
  inherited: null,
});

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
    return own.length === 0 ? null : mean(own.map((row) => daysBetween(sown, dayOf(row))));
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
  const watched: Known[] = [
    ...marks.map(
      (mark): Known => ({
        name: mark.name,
        values: plants.map(({ id }) => figureOf(mark, valuesOf(id)[mark.id])),
        unit: isMeasured(mark) ? kindOf(mark).units(mark.unit).value : "%",
        kind: (leaning) => towards(mark, leaning),
        inherited: guessOf(mark),
      }),
    ),
    place(
      "place along the row",
      places.map(({ at }) => at + 1),
    ),
    ...(rows > 1
      ? [
          place(
            "row",
            places.map(({ row }) => row + 1),
          ),
        ]
      : []),
    place(
      "end of a row",
      places.map(({ at }, i) => Number(at === 0 || at === perRow - 1 || i === places.length - 1)),
    ),
    place(
      "gaps beside it",
      plants.map((_, i) => gapsBeside(plants, i, perRow)),
    ),
    place(
      "day it was looked at",
      daysOf(plants, looks, stand.sown, ({ scoredOn }) => scoredOn),
      "days",
    ),
    {
      // The pass in which its fruit was taken: late passes make late lines.
      name: "day its fruit was picked",
      values: daysOf(plants, pickedOf(sky.db, stand.id), stand.sown, ({ on }) => on),
      unit: "days",
      kind: () => "beside",
      inherited: DAYS,
    },
  ];
  const leanings = hiddenSelection(chosen, watched, seeded(plants.length));
  const by = new Map(watched.map((one) => [one.name, one]));
  const among = leanings.length > 0 ? amongThem(sky.db, plants) : 0;
  const list = leanings.map((leaning): LeaningView => {
    const { unit, kind, inherited } = by.get(leaning.name)!;
    const change = (share: number) => inheritedAmong(share, among) * leaning.differential;
    const next = inherited && { low: change(inherited.low), high: change(inherited.high) };
    return { ...leaning, unit, kind: kind(leaning), next };
  });
  return { chosen: chosen.filter(Boolean).length, gave, all: plants.length, list };
}
