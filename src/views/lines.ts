import { speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { mixedByGeneration } from "@/core/inheritance/heterozygosity";
import { type AskedOfList, NOTHING_ASKED } from "@/core/lists/listed";
import type { Db } from "@/db/open";
import type { Garden } from "@/records/garden/garden";
import type { Line } from "@/records/line/line";
import {
  backcrossesOf,
  type GenerationRow,
  generationRows,
  lineByCode,
  lineById,
  looksOnYardsticks,
  type PartOfLine,
  partsOfLine,
  yardsticks,
} from "@/records/line/queries";
import { type LotRow, lots } from "@/records/lot/queries";
import { standsOfLine } from "@/records/stand/queries";
import type { Outlook } from "@/views/outlook";
import { type Band, band, seasonBand } from "./band";
import { laddersOf, type SeenMixed, seenMixed, type YardstickLadder } from "./ladders";
import { type LineStanding, lineStandings } from "./linePlan";
import { lineList } from "./lineRows";
import type { ForecastStand } from "./outlook";
import { type PedigreeView, pedigreeView } from "./pedigree";
import { type OffTypesSeen, type TruenessView, truenessOf } from "./trueness";

export type Lines = { garden: Garden; band: Band } & ReturnType<typeof lineList>;

export function linesView(sky: Outlook, asked: AskedOfList = NOTHING_ASKED): Lines {
  const { garden } = sky;
  return { garden, band: seasonBand(sky), ...lineList(sky, asked) };
}

export type Rung = GenerationRow & {
  /** Shares of selfed seed from F1 to this generation; the expected mixed share follows from them. */
  shares: number[];
  /** Expected, with the range that the outcrossing of open seed leaves. */
  mixed: { low: number; likely: number; high: number } | null;
  /** Looks at genes of which the mixed can be told by eye, and how many of them were mixed; null where there are none. */
  observed: SeenMixed | null;
  /** Plants that did not belong; null where nobody looked. */
  offTypes: OffTypesSeen | null;
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
  /** Its way: what was grown, and what is planned. */
  standing: LineStanding;
  /** Its traits that are scored, by name. */
  traits: string[];
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

function partsOf(db: Db, line: Line): PartOfLine[] {
  const parts = partsOfLine(db, line);
  return parts.length > 1 ? parts : [];
}

/** How a line stands: its own yardsticks and all looks on them, its stands, its generations, and whether it comes true. */
export function standingOf(sky: Outlook, line: Line) {
  const { db } = sky;
  const marks = yardsticks(db, line.id).filter((mark) => mark.lineId === line.id);
  const looks = looksOnYardsticks(db, line.id);
  const stands = standsOfLine(db, line.id).map((stand) => sky.forecast(stand));
  const rows = generationRows(db, line.id, sky.today);
  const rungs = rungsOf(rows, line.school === "cross-and-fix", speciesById(line.species));
  const mixed = rungs.findLast((rung) => rung.mixed)?.mixed ?? null;
  const now = band(
    sky,
    sky.season,
    stands.filter(({ season }) => season === sky.season),
  );
  return { band: now, marks, looks, stands, rungs, ...truenessOf(sky, line, stands, marks, looks, mixed) };
}

/** @param whole its pedigree is drawn without folding */
export function lineView(sky: Outlook, code: string, whole = false): LineView | null {
  const { db } = sky;
  const line = lineByCode(db, code);
  if (!line) return null;
  const { id } = line;
  const parent = (parentId: Id | null) => (parentId === null ? null : (lineById(db, parentId) ?? null));
  const [mother, father] = [parent(line.motherLineId), parent(line.fatherLineId)];
  const { band: now, marks, looks, stands, rungs, trueness, generations } = standingOf(sky, line);
  const observed = seenMixed(db, line, marks, looks);
  return {
    garden: sky.garden,
    band: now,
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
    ladders: laddersOf(db, line, marks, [mother, father], looks),
    backcrosses: backcrossesOf(db, id),
    pedigree: pedigreeView(sky, { lineId: id }, whole),
    trueness,
    ownYardsticks: marks.length > 0,
    standing: lineStandings(sky).get(id)!,
    traits: yardsticks(db, id).flatMap(({ name, retiredOn }) => (retiredOn === null ? [name] : [])),
    stands,
    lots: lots(db, id, 200),
  };
}
