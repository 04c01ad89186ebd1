import { speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { mixedByGeneration } from "@/core/inheritance/heterozygosity";
import { groupBy } from "@/core/lists/groupBy";
import { type AskedOfList, NOTHING_ASKED } from "@/core/lists/listed";
import { type Progress, progressOf } from "@/core/selection/progress";
import { type Summary, summarise } from "@/core/selection/ranking";
import type { Db } from "@/db/open";
import type { Garden } from "@/records/garden/garden";
import { mothersOf } from "@/records/line/judged";
import type { Line } from "@/records/line/line";
import { lineBackcrosses } from "@/records/line/pedigree";
import {
  type GenerationRow,
  generationRows,
  type LookRow,
  lineByCode,
  lineById,
  looksOnYardsticks,
  type PartOfLine,
  partsOfLine,
  yardsticks,
} from "@/records/line/queries";
import { lociOfLine } from "@/records/locus/queries";
import { type LotRow, lots } from "@/records/lot/queries";
import { standsOfLine } from "@/records/stand/queries";
import { isMeasured } from "@/records/yardstick/rules";
import type { Yardstick } from "@/records/yardstick/yardstick";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";
import { lineList } from "./lineRows";
import type { ForecastStand } from "./outlook";
import { type PedigreeView, pedigreeView } from "./pedigree";
import { aimOfFigures, figureOf, shownOn, wordOf } from "./shown";
import { type OffTypesSeen, type TruenessView, truenessOf } from "./trueness";

export type Lines = { garden: Garden; band: Band } & ReturnType<typeof lineList>;

export function linesView(sky: Outlook, asked: AskedOfList = NOTHING_ASKED): Lines {
  const { garden, season } = sky;
  return { garden, band: band(sky, season, sky.standsOf(season)), ...lineList(sky, asked) };
}

export type Rung = GenerationRow & {
  /** Shares of selfed seed from F1 to this generation; the expected mixed share follows from them. */
  shares: number[];
  /** Expected, with the range that the outcrossing of open seed leaves. */
  mixed: { low: number; likely: number; high: number } | null;
  /** Looks at genes of which the mixed can be told by eye, and how many of them were mixed; null where there are none. */
  observed: { mixed: number; looks: number } | null;
  /** Plants that did not belong; null where nobody looked. */
  offTypes: OffTypesSeen | null;
};
export type YardstickLadder = {
  yardstick: Yardstick;
  points: { generation: number; seasons: string; summary: Summary }[];
  /** Share of the wanted word or of yes, for words. */
  shares: { generation: number; seasons: string; count: number; wanted: number }[];
  parents: { line: string; summary: Summary | null; count: number; wanted: number }[];
  /** Whether it gets anywhere; null where fewer than two generations were looked at. */
  progress: Progress | null;
};

export type LineView = {
  garden: Garden;
  band: Band;
  line: Line & { speciesName: string };
  mother: Line | null;
  father: Line | null;
  /** The line it is a part of, and all its parts; empty where it has none. */
  parts: PartOfLine[];
  rungs: Rung[];
  /** Sets of chromosomes of its kind. */
  ploidy: number;
  ladders: YardstickLadder[];
  /** How often its cross went back to one parent. */
  backcrosses: number;
  /** Where it comes from. */
  pedigree: PedigreeView;
  /** Whether it comes true. */
  trueness: TruenessView;
  ownYardsticks: boolean;
  stands: ForecastStand[];
  lots: LotRow[];
};

/**
 * Expected heterozygosity down the ladder. Open seed is selfed but for the share that its species outcrosses; a generation
 * whose seed's making is not on record counts as selfed.
 */
function rungsOf(
  rows: GenerationRow[],
  fixing: boolean,
  { outcrossing, ploidy }: Species,
): Omit<Rung, "offTypes" | "observed">[] {
  const byGeneration = new Map(rows.filter((r) => r.generation !== null).map((r) => [r.generation!, r]));
  return rows.map((row) => {
    if (!fixing || row.generation === null) return { ...row, shares: [], mixed: null };
    const selfed = (crossed: number) =>
      Array.from({ length: row.generation! - 1 }, (_, i) => {
        const step = byGeneration.get(i + 2);
        return step && step.sowedLots > 0 ? (step.selfedLots + step.openLots * (1 - crossed)) / step.sowedLots : 1;
      });
    const mixed = (crossed: number) => mixedByGeneration(selfed(crossed), ploidy).at(-1)!;
    const likely = middle(outcrossing);
    return {
      ...row,
      shares: selfed(likely),
      mixed: { low: mixed(outcrossing.low), likely: mixed(likely), high: mixed(outcrossing.high) },
    };
  });
}

/** What each plant shows of however many looks. */
const plantsOf = (looks: LookRow[], mark: Yardstick) =>
  [...groupBy(looks, ({ plantId }) => plantId).values()].map((own) => ({
    ...own.at(-1)!,
    ...shownOn(mark, own),
  }));

/** How many plants of each generation were seen to be mixed, on yardsticks of which that can be told by eye. */
function seenMixed(db: Db, line: Line, marks: Yardstick[], looked: LookRow[]): Map<number | null, Rung["observed"]> {
  const loci = lociOfLine(db, line.id);
  const looks = groupBy(looked, ({ yardstickId }) => yardstickId);
  const seen = new Map<number | null, { mixed: number; looks: number }>();
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

/** Generation by generation what its plants showed, those that seed was taken from, and known lines beside them. */
function progressBy(line: Line, mark: Yardstick, all: ReturnType<typeof plantsOf>, mothers: ReadonlySet<Id>) {
  const value = (s: (typeof all)[number]) => figureOf(mark, s)!;
  const own = all.filter((s) => s.lineId === line.id && s.checkOfId === null && s.generation !== null);
  const generations = [...groupBy(own, (s) => s.generation!)].sort(([a], [b]) => a - b);
  return progressOf(
    generations.map(([generation, list]) => {
      const seasons = new Set(list.map(({ season }) => season));
      const beside = all.filter((s) => seasons.has(s.season) && (s.lineId !== line.id || s.checkOfId !== null));
      return {
        generation,
        values: list.map(value),
        chosen: list.filter(({ plantId }) => mothers.has(plantId)).map(value),
        beside: Object.fromEntries(
          [...groupBy(beside, (s) => s.checkOfId ?? s.lineId)].map(([name, of]) => [name, of.map(value)]),
        ),
      };
    }),
    aimOfFigures(mark),
    !isMeasured(mark.kind),
  );
}

function laddersOf(
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
    const own = groupBy(
      all.filter((s) => s.lineId === line.id && s.generation !== null),
      (s) => s.generation!,
    );
    const numbers = (list: typeof all) => list.flatMap((s) => (s.number === null ? [] : [s.number]));
    const fits = (s: { word: string | null; number: number | null }) =>
      yardstick.kind === "category"
        ? s.word === yardstick.targetWord
        : s.number === (yardstick.wanted === "no" ? 0 : 1);
    const counted = yardstick.kind === "category" || yardstick.kind === "yes-no";
    const generations = [...own].sort(([a], [b]) => a - b);
    const seasonsOf = (list: typeof all) => [...new Set(list.map((s) => s.season))].sort().join(", ");
    return {
      yardstick,
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
          const list = all.filter((s) => s.lineId === parent.id);
          return {
            line: parent.name,
            summary: summarise(numbers(list)),
            count: list.length,
            wanted: list.filter(fits).length,
          };
        }),
      progress: progressBy(line, yardstick, all, mothers),
    };
  });
}

function partsOf(db: Db, line: Line): PartOfLine[] {
  const parts = partsOfLine(db, line);
  return parts.length > 1 ? parts : [];
}

/** @param whole its pedigree is drawn without folding */
export function lineView(sky: Outlook, code: string, whole = false): LineView | null {
  const { db } = sky;
  const line = lineByCode(db, code);
  if (!line) return null;
  const { id } = line;
  const { garden: place, season } = sky;
  const parent = (parentId: Id | null) => (parentId === null ? null : (lineById(db, parentId) ?? null));
  const [mother, father] = [parent(line.motherLineId), parent(line.fatherLineId)];
  const marks = yardsticks(db, id);
  const own = marks.filter((m) => m.lineId === id);
  const stands = standsOfLine(db, id).map((s) => sky.forecast(s));
  const looks = looksOnYardsticks(db, id);
  const rungs = rungsOf(generationRows(db, id, sky.today), line.school === "cross-and-fix", speciesById(line.species));
  const mixed = rungs.findLast((rung) => rung.mixed)?.mixed ?? null;
  const observed = seenMixed(db, line, own, looks);
  const { trueness, generations } = truenessOf(sky, line, stands, own, looks, mixed);
  return {
    garden: place,
    band: band(
      sky,
      season,
      stands.filter((s) => s.season === season),
    ),
    line: { ...line, speciesName: speciesById(line.species).name },
    mother,
    father,
    parts: partsOf(db, line),
    rungs: rungs.map((rung) => ({
      ...rung,
      offTypes: generations.get(rung.generation) ?? null,
      observed: observed.get(rung.generation) ?? null,
    })),
    ploidy: speciesById(line.species).ploidy,
    ladders: laddersOf(db, line, own, [mother, father], looks),
    backcrosses: lineBackcrosses(db)(id),
    pedigree: pedigreeView(sky, { lineId: id }, whole),
    trueness,
    ownYardsticks: own.length > 0,
    stands,
    lots: lots(db, id, 200),
  };
}
