import type { Id } from "@/core/custody/id";
import { seeded } from "@/core/numbers/chance";
import { placeOf, plantsInRow } from "@/core/selection/bench";
import { hiddenSelection, type Leaning } from "@/core/selection/hidden";
import { isKept } from "@/core/selection/marks";
import { goodness } from "@/core/selection/ranking";
import type { ScoreValue } from "@/core/selection/yardsticks";
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

/** What those who gave seed differ by from all who grew: on everything that was scored, and by where they stood. */
export function leaningsOf(
  sky: Outlook,
  stand: StandRow,
  plants: Plant[],
  marks: Yardstick[],
  valuesOf: (plantId: Id) => Record<Id, ScoreValue>,
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
  ];
  const by = new Map(watched.map(({ name, mark }) => [name, mark]));
  const list = hiddenSelection(chosen, watched, seeded(plants.length)).map((leaning): LeaningView => {
    const mark = by.get(leaning.name);
    if (!mark) return { ...leaning, unit: "", kind: "place", next: null };
    const { low, high } = guessOf(mark);
    return {
      ...leaning,
      unit: mark.kind === "date" ? "days" : isMeasured(mark.kind) ? mark.unit : "%",
      kind: towards(mark, leaning),
      next: { low: low * leaning.differential, high: high * leaning.differential },
    };
  });
  return { chosen: chosen.filter(Boolean).length, gave, all: plants.length, list };
}
