import { speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import { goesOnSelfed, madeOf } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { EVEN } from "@/core/purity/evenness";
import { offTypeBound } from "@/core/purity/offTypes";
import type { SeasonCount } from "@/core/purity/offTypeTest";
import { alikeOf } from "@/core/purity/sameInSeasons";
import { SURE } from "@/core/purity/standing";
import { type Trueness, trueness } from "@/core/purity/trueness";
import {
  countsFrom,
  type JudgedAs,
  type Measured,
  OFF_TYPES_TAKEN,
  type SeedBehind,
  type TrueInput,
} from "@/core/purity/trueTests";
import { correlation } from "@/core/selection/correlation";
import { HARDSHIPS } from "@/core/selection/hardships";
import { isMeasured, kindOf } from "@/core/traits/kinds";
import { categoryWanted } from "@/core/traits/trait";
import type { Db } from "@/db/open";
import { type JudgedStand, judgedStands, markedOut, seedParents } from "@/records/line/judged";
import type { Line } from "@/records/line/line";
import type { LookRow } from "@/records/line/queries";
import { takenOutOfLine } from "@/records/line/rogued";
import { lossesOf } from "@/records/loss/queries";
import { lotById } from "@/records/lot/queries";
import { offkindsOf } from "@/records/offkind/queries";
import { offtypesOf } from "@/records/offtype/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { plantsToGoOn } from "./drawer";
import { foreseenOf } from "./foreseen";
import type { ForecastStand, Outlook } from "./outlook";
import { byLineBeside, figureOf, type ShownPlant, shownBy, wordOf } from "./shown";

/** What a line's plants of one season came to. */
export type SeasonSeen = SeasonCount & {
  undecided: number;
  /** Plants of it can't be judged yet. */
  underWay: boolean;
  /** Removed for a reason that is no off-type. */
  otherwise: number;
  /** Removed on walks that did not say how many plants they looked at. */
  uncounted: number;
  /** It counts towards the verdict: its plants are of a generation that may come true. */
  counts: boolean;
};

/** A reason for which plants were removed, that nobody has called an off-type or not. */
export type Undecided = { reason: string; plants: number };

export type TruenessView = Trueness & {
  seasons: SeasonSeen[];
  undecided: Undecided[];
  /** Reasons that are no off-types of the line. */
  losses: Undecided[];
};

/** Off-types of one generation, and the most that their share can be. */
export type OffTypesSeen = { seen: SeasonSeen; upper: number };

function judgedAs({ school, status, cloned }: Line, { breeding }: Species): JudgedAs {
  if (cloned) return "clone";
  if (school === "let-it-mix" || status === "mix") return "mix";
  return goesOnSelfed(breeding, school) ? "selfed" : "crossed";
}

/** Removed by what a trial put the plants through: no off-types, whatever line it is. */
const HARDSHIP = new Set<string>(HARDSHIPS.map((what) => `lost to ${what}`));

type Removed = "off-type" | "loss" | "undecided";

/** What a reason for which a plant was removed says of it. */
function reasonsOf(db: Db, line: Line, stands: JudgedStand[]) {
  const kinds = new Set(offkindsOf(db, line.id).map(({ name }) => name));
  const losses = lossesOf(db, line.id);
  const families = new Set(stands.filter(({ family }) => family === 1).map(({ id }) => id));
  return ({ standId, reason }: { standId: Id; reason: string }): Removed => {
    if (kinds.has(reason)) return "off-type";
    if (losses.has(reason) || HARDSHIP.has(reason)) return "loss";
    // What a walk removed from a planting without numbers, or was sorted out, did not belong.
    return families.has(standId) ? "undecided" : "off-type";
  };
}

const sum = (list: { plants: number }[]) => list.reduce((all, { plants }) => all + plants, 0);

/** Plants that were looked at in each season, those that did not belong, and what was removed otherwise. */
function whatWasSeen(sky: Outlook, line: Line, stands: JudgedStand[], forecasts: Map<Id, ForecastStand>) {
  const { db, today, season: now } = sky;
  const means = reasonsOf(db, line, stands);
  const gone = takenOutOfLine(db, line.id).filter(({ on }) => on <= today);
  // A plant that still stands is an off-type once it is called one; marked out for anything else it is only watched.
  const marked = markedOut(db, line.id).filter((one) => means(one) === "off-type");
  const out = [...gone, ...marked];
  const unready = ({ id, season, endedOn }: JudgedStand) =>
    season >= now && !endedOn && today <= (forecasts.get(id)?.window.end ?? "");
  const seenOf = (season: number, of: JudgedStand[]): SeasonSeen => {
    const unknown = new Set(of.flatMap(({ id, uncounted }) => (uncounted > 0 ? [id] : [])));
    const ids = new Set(of.map(({ id }) => id));
    const here = out.filter(({ standId }) => ids.has(standId) && !unknown.has(standId));
    const plantsOf = (what: Removed) => sum(here.filter((one) => means(one) === what));
    const [offTypes, otherwise, undecided] = [plantsOf("off-type"), plantsOf("loss"), plantsOf("undecided")];
    const uncounted = of.reduce((all, one) => all + one.uncounted, 0);
    const looked = of.reduce((all, one) => all + one.looked, 0);
    return {
      season,
      plants: Math.max(offTypes, looked - otherwise - undecided),
      offTypes,
      otherwise,
      undecided: undecided + uncounted,
      uncounted,
      underWay: of.some(unready),
      counts: of.every(({ generation }) => line.school !== "cross-and-fix" || countsFrom(generation)),
    };
  };
  const seasons = [...groupBy(stands, ({ season }) => season)].map(([season, of]) => {
    const may = of.filter(({ generation }) => line.school !== "cross-and-fix" || countsFrom(generation));
    return seenOf(season, may.length > 0 ? may : of);
  });
  const generations = new Map(
    [...groupBy(stands, ({ generation }) => generation)].map(([generation, of]) => {
      const seen = seenOf(of.at(-1)!.season, of);
      const upper = seen.plants > 0 ? offTypeBound({ ...seen, confidence: SURE }).upper : 1;
      return [generation, { seen, upper }];
    }),
  );
  const reasons = (what: Removed): Undecided[] =>
    [
      ...groupBy(
        gone.filter((one) => means(one) === what),
        ({ reason }) => reason,
      ),
    ].map(([reason, list]) => ({ reason, plants: sum(list) }));
  return {
    seasons: seasons.sort((a, b) => b.season - a.season),
    generations,
    undecided: reasons("undecided"),
    losses: reasons("loss"),
  };
}

type Seen = { shown: ShownPlant[]; line: Line; judged: ReadonlySet<number>; stands: Map<Id, JudgedStand> };

const isOwn = ({ row }: ShownPlant, line: Line) => row.lineId === line.id && row.checkOfId === null;

/** Of words that belong to the line: how many of each season's plants show another. */
function wordCounts({ shown, line, judged }: Seen, marks: Yardstick[]): TrueInput["words"] {
  return marks.flatMap((mark) => {
    const belongs = line.school === "cross-and-fix" || mark.must === 1;
    if (isMeasured(mark) || mark.retiredOn || !belongs) return [];
    const wanted = categoryWanted(mark);
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

function measuredOn({ shown, line, judged, stands }: Seen, mark: Yardstick): Measured | null {
  const figures = shown.flatMap((plant) => {
    const value = figureOf(mark, plant.values[mark.id]);
    return value === null ? [] : [{ ...plant.row, value, own: isOwn(plant, line) }];
  });
  const valuesOf = (list: typeof figures) => list.map(({ value }) => value);
  const own = figures.filter((one) => one.own && judged.has(one.season));
  const newest = Math.max(...own.map(({ season }) => season));
  if (own.length === 0) return null;
  const bySeason = [...groupBy(figures, ({ season }) => season)].sort(([a], [b]) => a - b);
  const counts = ({ standId, season }: (typeof figures)[number]) =>
    judged.has(season) && (line.school !== "cross-and-fix" || countsFrom(stands.get(standId)?.generation ?? null));
  const sown = [
    ...groupBy(
      own.filter(({ season }) => season === newest),
      ({ standId }) => stands.get(standId)?.sown ?? "",
    ),
  ].sort(([a], [b]) => (a < b ? -1 : 1));
  return {
    name: mark.name,
    unit: kindOf(mark).units(mark.unit).difference,
    step: kindOf(mark).step,
    limit: EVEN,
    wanted: line.school === "let-it-mix" ? wantedMove(mark) : null,
    grown: bySeason.map(([season, list]) => ({
      season,
      own: valuesOf(list.filter((one) => one.own && counts(one))),
      beside: byLineBeside(
        list.filter((one) => !one.own),
        ({ value }) => value,
      ),
    })),
    sowings: sown.length > 1 ? { newer: valuesOf(sown.at(-1)![1]), older: valuesOf(sown[0]![1]) } : null,
  };
}

/** Which way a mix is wanted to move. */
const wantedMove = ({ wanted }: Yardstick): Measured["wanted"] =>
  wanted === "high" ? "more" : wanted === "low" ? "less" : null;

/** How much two traits say the same of a plant by chance, over all pairs. */
function alike({ shown, line }: Seen, marks: Yardstick[]): number {
  const own = shown.filter((plant) => isOwn(plant, line));
  const seasons = [...groupBy(own, ({ row }) => row.season).values()];
  const apart = new Map(
    marks.map((mark) => [
      mark.id,
      new Map(
        seasons.flatMap((plants) => {
          const values = plants.flatMap((plant) => {
            const value = figureOf(mark, plant.values[mark.id]);
            return value === null ? [] : [[plant.row.plantId, value] as const];
          });
          const middle = values.reduce((all, [, value]) => all + value, 0) / Math.max(1, values.length);
          return values.map(([id, value]) => [id, value - middle] as const);
        }),
      ),
    ]),
  );
  const between = (one: Yardstick, other: Yardstick): number => {
    if (one === other) return 1;
    const others = apart.get(other.id)!;
    const pairs = [...apart.get(one.id)!].flatMap(([id, value]): [number, number][] =>
      others.has(id) ? [[value, others.get(id)!]] : [],
    );
    return correlation(pairs)?.r ?? 0;
  };
  return alikeOf(marks.map((one) => marks.map((other) => between(one, other))));
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
  const { seasons, generations, undecided, losses } = whatWasSeen(
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
  const measured = marks.filter((mark) => isMeasured(mark) && !mark.retiredOn);
  const counted = seasons.filter(({ season, counts }) => counts && seen.judged.has(season));
  const verdict = trueness({
    as,
    standard: line.purity === null ? OFF_TYPES_TAKEN[as][garden.care] : 1 - line.purity,
    error: 1 - SURE,
    looked: seasons.some(({ season, plants }) => seen.judged.has(season) && plants > 0),
    underWay: seasons.find(({ underWay }) => underWay)?.plants ?? null,
    counts: counted,
    words: wordCounts({ ...seen, judged: new Set(counted.map(({ season }) => season)) }, marks),
    measured: measured.flatMap((mark) => measuredOn(seen, mark) ?? []),
    alike: alike(seen, measured),
    mixed: as === "selfed" ? mixed : null,
    ploidy: species.ploidy,
    parents: seedParents(db, line.id),
    parentsWanted: plantsToGoOn(line.species),
    seed: seedBehind(sky, stands),
  });
  return { trueness: { ...verdict, seasons, undecided, losses }, generations };
}
