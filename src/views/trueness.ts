import { speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import { madeOf } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import type { Grown } from "@/core/purity/agreement";
import { offTypeBound } from "@/core/purity/offTypes";
import type { SeasonCount } from "@/core/purity/offTypeTest";
import { SURE } from "@/core/purity/standing";
import { type Trueness, trueness } from "@/core/purity/trueness";
import {
  type JudgedAs,
  type Measured,
  OFF_TYPES_TAKEN,
  type SeedBehind,
  type TrueInput,
} from "@/core/purity/trueTests";
import { unitOfDifference } from "@/core/selection/yardsticks";
import { type JudgedStand, judgedStands, markedOut, seedParents } from "@/records/line/judged";
import type { Line } from "@/records/line/line";
import type { LookRow } from "@/records/line/queries";
import { takenOutOfLine } from "@/records/line/rogued";
import { lotById } from "@/records/lot/queries";
import { offkindsOf } from "@/records/offkind/queries";
import { offtypesOf } from "@/records/offtype/queries";
import { isMeasured } from "@/records/yardstick/rules";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { plantsToGoOn } from "./drawer";
import { foreseenOf } from "./foreseen";
import type { ForecastStand, Outlook } from "./outlook";
import { byLineBeside, figureOf, lineBeside, type ShownPlant, shownBy, wordOf } from "./shown";

/** What a line's plants of one season came to. */
export type SeasonSeen = SeasonCount & {
  /** Plants of it can't be judged yet. */
  underWay: boolean;
  /** Taken out for another reason than that they do not belong. */
  otherwise: number;
};

export type TruenessView = Trueness & {
  seasons: SeasonSeen[];
  /** Reasons for which plants were taken out that are no off-types of the line as far as it is described. */
  otherReasons: { reason: string; plants: number }[];
};

/** Off-types of one generation, and the most that their share can be. */
export type OffTypesSeen = { seen: SeasonSeen; upper: number };

function judgedAs({ school, status, cloned }: Line, { breeding }: Species): JudgedAs {
  if (cloned) return "clone";
  if (school === "let-it-mix" || status === "mix") return "mix";
  return breeding === "selfing" || school === "cross-and-fix" ? "selfed" : "crossed";
}

/** Plants that were seen of each season, those that did not belong, and what went out otherwise. */
function whatWasSeen(sky: Outlook, line: Line, stands: JudgedStand[], forecasts: Map<Id, ForecastStand>) {
  const { db, today, season: now } = sky;
  const kinds = new Set(offkindsOf(db, line.id).map(({ name }) => name));
  const families = new Set(stands.filter(({ family }) => family === 1).map(({ id }) => id));
  // What is walked out of a stand without numbers was walked out because it did not belong.
  const isOff = ({ standId, reason }: { standId: Id; reason: string }) => kinds.has(reason) || !families.has(standId);
  const gone = takenOutOfLine(db, line.id).filter(({ on }) => on <= today);
  const out = [...gone, ...markedOut(db, line.id).filter(isOff)];
  const sum = (list: { plants: number }[]) => list.reduce((all, { plants }) => all + plants, 0);
  const unready = ({ id, season, endedOn }: JudgedStand) =>
    season >= now && !endedOn && today <= (forecasts.get(id)?.window.end ?? "");
  const seenOf = (season: number, of: JudgedStand[]): SeasonSeen => {
    const ids = new Set(of.flatMap(({ id, looked }) => (looked ? [id] : [])));
    const here = out.filter(({ standId }) => ids.has(standId));
    const offTypes = sum(here.filter(isOff));
    const otherwise = sum(here.filter((one) => !isOff(one)));
    const grown = of.reduce((all, one) => all + (one.looked ? one.grown : 0), 0);
    return {
      season,
      plants: Math.max(offTypes, grown - otherwise),
      offTypes,
      otherwise,
      underWay: of.some(unready),
    };
  };
  const seasons = [...groupBy(stands, ({ season }) => season)].map(([season, of]) => seenOf(season, of));
  const generations = new Map(
    [...groupBy(stands, ({ generation }) => generation)].map(([generation, of]) => {
      const seen = seenOf(of.at(-1)!.season, of);
      const upper = seen.plants > 0 ? offTypeBound({ ...seen, confidence: SURE }).upper : 1;
      return [generation, { seen, upper }];
    }),
  );
  const reasons = groupBy(
    out.filter((one) => !isOff(one)),
    ({ reason }) => reason || "no reason given",
  );
  return {
    seasons: seasons.sort((a, b) => b.season - a.season),
    generations,
    otherReasons: [...reasons].map(([reason, list]) => ({ reason, plants: sum(list) })),
  };
}

type Seen = { shown: ShownPlant[]; line: Line; judged: ReadonlySet<number>; stands: Map<Id, JudgedStand> };

const isOwn = ({ row }: ShownPlant, line: Line) => row.lineId === line.id && row.checkOfId === null;

/** Of words that belong to the line: how many of each season's plants show another. */
function wordCounts({ shown, line, judged }: Seen, marks: Yardstick[]): TrueInput["words"] {
  return marks.flatMap((mark) => {
    const belongs = line.school === "cross-and-fix" || mark.must === 1;
    if (isMeasured(mark.kind) || mark.retiredOn || !belongs) return [];
    const wanted = mark.kind === "category" ? mark.targetWord : mark.wanted === "none" ? null : mark.wanted;
    if (!wanted) return [];
    const own = shown.filter((plant) => isOwn(plant, line) && judged.has(plant.row.season) && plant.values[mark.id]);
    const counts = [...groupBy(own, ({ row }) => row.season)].map(([season, plants]) => ({
      season,
      plants: plants.length,
      offTypes: plants.filter(({ values }) => wordOf(values[mark.id]!) !== wanted).length,
    }));
    return [{ name: mark.name, wanted, counts }];
  });
}

/** Marks are read to whole days, counts and steps of a scale; what is measured, finer. */
const stepOf = ({ kind }: Yardstick): number => (kind === "number" || kind === "ratio" ? 0 : 1);

function measuredOn({ shown, line, judged, stands }: Seen, mark: Yardstick): Measured | null {
  const figures = shown.flatMap((plant) => {
    const value = figureOf(mark, plant.values[mark.id]);
    return value === null ? [] : [{ ...plant.row, value, own: isOwn(plant, line) }];
  });
  const valuesOf = (list: typeof figures) => list.map(({ value }) => value);
  const own = figures.filter((one) => one.own && judged.has(one.season));
  const bySeason = [...groupBy(own, ({ season }) => season)].sort(([a], [b]) => b - a);
  const [newest, before] = bySeason;
  if (!newest) return null;
  const besides = figures.filter((one) => !one.own);
  const grown = ([season, list]: (typeof bySeason)[number]): Grown => ({
    own: valuesOf(list),
    beside: byLineBeside(
      besides.filter((one) => one.season === season),
      ({ value }) => value,
    ),
  });
  const known = [...groupBy(besides, (one) => `${one.standId} ${lineBeside(one)}`).values()].map(valuesOf);
  // What is still dividing was no more even before.
  const earlier = line.school === "cross-and-fix" ? [] : bySeason.slice(2).map(([, list]) => valuesOf(list));
  const sown = [...groupBy(newest[1], ({ standId }) => stands.get(standId)?.sown ?? "")].sort(([a], [b]) =>
    a < b ? -1 : 1,
  );
  const sowing = (list: typeof figures): Grown => ({ own: valuesOf(list), beside: {} });
  return {
    name: mark.name,
    unit: unitOfDifference(mark),
    step: stepOf(mark),
    own: [valuesOf(newest[1])],
    known: known.length > 0 ? known : earlier,
    knownAre: known.length > 0 ? "lines" : "earlier",
    seasons: before ? { newer: grown(newest), older: grown(before) } : null,
    sowings: sown.length > 1 ? { newer: sowing(sown.at(-1)![1]), older: sowing(sown[0]![1]) } : null,
  };
}

function seedBehind(sky: Outlook, stands: JudgedStand[]): SeedBehind[] {
  const newest = stands.at(-1)?.season;
  const lots = new Map(
    stands.flatMap((one) => (one.season === newest && one.lotId ? [[one.lotId, one] as const] : [])),
  );
  return [...lots].map(([id, { kind, doubt, brokenWhy, lotCode }]) => {
    const made = madeOf(kind!);
    const counts = offtypesOf(sky.db, id);
    const of = (what: "plants" | "strange") => counts.reduce((sum, one) => sum + one[what], 0);
    return {
      code: lotCode!,
      made,
      doubt: doubt ?? (brokenWhy ? `its chain is broken: ${brokenWhy}` : null),
      strangers: made === "open" ? foreseenOf(sky, lotById(sky.db, id)!) : null,
      counted: counts.length > 0 ? { plants: of("plants"), strange: of("strange") } : null,
    };
  });
}

/** Whether a line comes true, from all that was seen of it. */
export function truenessOf(
  sky: Outlook,
  line: Line,
  forecasts: ForecastStand[],
  marks: Yardstick[],
  looks: LookRow[],
  mixed: TrueInput["mixed"],
): { trueness: TruenessView; generations: Map<number | null, OffTypesSeen> } {
  const { db, garden, today } = sky;
  const species = speciesById(line.species);
  const stands = judgedStands(db, line.id, today);
  const { seasons, generations, otherReasons } = whatWasSeen(
    sky,
    line,
    stands,
    new Map(forecasts.map((one) => [one.id, one])),
  );
  const seen: Seen = {
    shown: [...shownBy(looks, marks).values()],
    line,
    judged: new Set(seasons.filter(({ underWay }) => !underWay).map(({ season }) => season)),
    stands: new Map(stands.map((one) => [one.id, one])),
  };
  const as = judgedAs(line, species);
  const verdict = trueness({
    as,
    standard: line.purity === null ? OFF_TYPES_TAKEN[as][garden.care] : 1 - line.purity,
    underWay: seasons.find(({ underWay }) => underWay)?.plants ?? null,
    counts: seasons.filter(({ season }) => seen.judged.has(season)),
    words: wordCounts(seen, marks),
    measured: marks.flatMap((mark) => (isMeasured(mark.kind) && !mark.retiredOn ? (measuredOn(seen, mark) ?? []) : [])),
    mixed: as === "selfed" ? mixed : null,
    ploidy: species.ploidy,
    parents: seedParents(db, line.id),
    parentsWanted: plantsToGoOn(line.species),
    seed: seedBehind(sky, stands),
  });
  return { trueness: { ...verdict, seasons, otherReasons }, generations };
}
