import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { type Progress, progressOf } from "@/core/selection/progress";
import { type Summary, summarise } from "@/core/selection/ranking";
import { isMeasured } from "@/core/traits/kinds";
import type { Db } from "@/db/open";
import { mothersOf } from "@/records/line/judged";
import type { Line } from "@/records/line/line";
import type { LookRow } from "@/records/line/queries";
import { lociOfLine } from "@/records/locus/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { aimOfFigures, byLineBeside, figureOf, lineBeside, shownOn, wordOf } from "./shown";

export type YardstickLadder = {
  yardstick: Yardstick;
  /** By which rungs it climbs: of a line whose generations nobody counts, a mix say, by seasons. */
  by: "generation" | "season";
  points: { generation: number; seasons: string; summary: Summary }[];
  /** Share of the wanted word or of yes, for words. */
  shares: { generation: number; seasons: string; count: number; wanted: number }[];
  parents: { line: string; summary: Summary | null; count: number; wanted: number }[];
  /** Whether it gets anywhere; null where fewer than two generations were looked at. */
  progress: Progress | null;
};

/** Looks at genes of which the mixed can be told by eye, and how many of them were mixed. */
export type SeenMixed = { mixed: number; looks: number };

/** What each plant shows of however many looks. */
const plantsOf = (looks: LookRow[], mark: Yardstick) =>
  [...groupBy(looks, ({ plantId }) => plantId).values()].map((own) => ({
    ...own.at(-1)!,
    ...shownOn(mark, own),
  }));

/** How many plants of each generation were seen to be mixed, on yardsticks of which that can be told by eye. */
export function seenMixed(db: Db, line: Line, marks: Yardstick[], looked: LookRow[]): Map<number | null, SeenMixed> {
  const loci = lociOfLine(db, line.id);
  const looks = groupBy(looked, ({ yardstickId }) => yardstickId);
  const seen = new Map<number | null, SeenMixed>();
  for (const mark of marks) {
    const locus = loci.get(mark.id);
    if (locus?.way !== "between") continue;
    const [one, mixed, other] = JSON.parse(locus.words) as string[];
    for (const plant of plantsOf(looks.get(mark.id) ?? [], mark)) {
      const word = wordOf(plant);
      if (plant.lineId !== line.id || plant.checkOfId !== null || ![one, mixed, other].includes(word)) continue;
      const known = seen.get(plant.generation) ?? { mixed: 0, looks: 0 };
      seen.set(plant.generation, { mixed: known.mixed + Number(word === mixed), looks: known.looks + 1 });
    }
  }
  return seen;
}

/** Generations where they are counted, else seasons. */
const rungOf = (by: YardstickLadder["by"]) => (plant: { generation: number | null; season: number }) =>
  by === "season" ? plant.season : plant.generation;

/** Generation by generation what its plants showed, those that seed was taken from, and known lines beside them. */
function progressBy(
  line: Line,
  mark: Yardstick,
  all: ReturnType<typeof plantsOf>,
  mothers: ReadonlySet<Id>,
  rung: ReturnType<typeof rungOf>,
) {
  const value = (s: (typeof all)[number]) => figureOf(mark, s)!;
  const own = all.filter((s) => s.lineId === line.id && s.checkOfId === null && rung(s) !== null);
  const generations = [...groupBy(own, (s) => rung(s)!)].sort(([a], [b]) => a - b);
  return progressOf(
    generations.map(([generation, list]) => {
      const seasons = new Set(list.map(({ season }) => season));
      const beside = all.filter((s) => seasons.has(s.season) && (s.lineId !== line.id || s.checkOfId !== null));
      return {
        generation,
        values: list.map(value),
        chosen: list.filter(({ plantId }) => mothers.has(plantId)).map(value),
        beside: byLineBeside(beside, value),
      };
    }),
    aimOfFigures(mark),
    !isMeasured(mark),
  );
}

/** What the plants of a line showed on its yardsticks, generation by generation, and its parents beside them. */
export function laddersOf(
  db: Db,
  line: Line,
  marks: Yardstick[],
  parents: (Line | null)[],
  looked: LookRow[],
): YardstickLadder[] {
  const looks = groupBy(looked, (s) => s.yardstickId);
  const mothers = mothersOf(db, line.id);
  return marks.map((yardstick) => {
    const all = plantsOf(looks.get(yardstick.id) ?? [], yardstick);
    const mine = all.filter((s) => s.lineId === line.id && s.checkOfId === null);
    const by = mine.some(({ generation }) => generation !== null) ? "generation" : "season";
    const rung = rungOf(by);
    const own = groupBy(
      mine.filter((s) => rung(s) !== null),
      (s) => rung(s)!,
    );
    const numbers = (list: typeof all) => list.flatMap((s) => (s.number === null ? [] : [s.number]));
    const fits = (s: { word: string | null; number: number | null }) =>
      s.word === null ? s.number === (yardstick.wanted === "no" ? 0 : 1) : s.word === yardstick.targetWord;
    const counted = !isMeasured(yardstick);
    const generations = [...own].sort(([a], [b]) => a - b);
    const seasonsOf = (list: typeof all) => [...new Set(list.map((s) => s.season))].sort().join(", ");
    return {
      yardstick,
      by,
      points: counted
        ? []
        : generations.flatMap(([generation, list]) => {
            const summary = summarise(numbers(list));
            return summary ? [{ generation, seasons: seasonsOf(list), summary }] : [];
          }),
      shares: counted
        ? generations.map(([generation, list]) => ({
            generation,
            seasons: seasonsOf(list),
            count: list.length,
            wanted: list.filter(fits).length,
          }))
        : [],
      parents: parents
        .filter((p) => p !== null)
        .map((parent) => {
          const list = all.filter((s) => lineBeside(s) === parent.id);
          return {
            line: parent.name,
            summary: summarise(numbers(list)),
            count: list.length,
            wanted: list.filter(fits).length,
          };
        }),
      progress: progressBy(line, yardstick, all, mothers, rung),
    };
  });
}
