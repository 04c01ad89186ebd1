import { speciesById } from "@/catalogue/catalogue";
import { cautionsAt } from "@/catalogue/hazards";
import { usualYardsticks } from "@/catalogue/yardsticks";
import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { counted } from "@/core/lists/counted";
import { groupBy } from "@/core/lists/groupBy";
import { plantsInRow } from "@/core/selection/bench";
import { type Summary, summarise } from "@/core/selection/ranking";
import { type Repeatability, repeatability } from "@/core/selection/repeatability";
import { cameThrough, type Passing, passing } from "@/core/selection/survival";
import { isMeasured, kindOf } from "@/core/traits/kinds";
import { type Look, type ScoreValue, withRatios } from "@/core/traits/trait";
import { nextScoring, stageSpan, type ToScore } from "@/core/work/score";
import { headOf } from "@/db/ops";
import { type BedChoice, bedChoices } from "@/records/bed/queries";
import type { Garden } from "@/records/garden/garden";
import { type LookRow, lineNames, looksOnYardsticks, yardsticks } from "@/records/line/queries";
import { amountOf, takenFrom } from "@/records/lot/left";
import { type LotRow, lotById, lotsOfMothers, mothersSownFrom } from "@/records/lot/queries";
import type { Photo } from "@/records/photo/photo";
import { photosOfStands } from "@/records/photo/queries";
import type { Plant } from "@/records/plant/plant";
import { type ChosenPlant, chosenPlants, plantsOfStands, reasonsOf } from "@/records/plant/queries";
import { type PlantScore, scoresOfStands } from "@/records/score/queries";
import { type StandRow, sistersOf, standByCode } from "@/records/stand/queries";
import { type TrialOf, trialsOf } from "@/records/trial/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";
import { type LivedStand, livedStand } from "./lived";
import type { ForecastStand } from "./outlook";
import { type Raised, raisedOf } from "./raising";
import { shownOn, wordOf } from "./shown";
import { toKeepOf } from "./toKeep";

export type ParentFigure = { line: string; season: string; summary: Summary | null; words: string | null };
export type YardstickView = Yardstick & {
  words: string[];
  parents: ParentFigure[];
  family: Summary | null;
  /** Of words, and of yes or no: what most plants show. */
  mostly: string | null;
  /** How well looks at one plant agree, over all plants that were looked at twice. */
  repeats: Repeatability | null;
  /** Standing plants that it was not looked at on. */
  unscored: number;
};

/** What a plant shows on a yardstick, of however many looks; of several the last one is what a correction goes to. */
export type ScoreView = ScoreValue & { last?: ScoreValue; looks: number; version: Id };

/** A plant of the bench, with the code of its family. */
export type BenchPlant = Plant & { code: string };
/** A family's rows on the bench, by the number of the plant whose seed they are where it is of one. */
export type BenchPart = { code: string; mother: number | null; perRow: number; plants: BenchPlant[] };

export type Family = {
  garden: Garden;
  band: Band;
  stand: LivedStand;
  raised: Raised;
  plants: Plant[];
  /** Its rows and those of its sisters in the same bed: one walk. */
  bench: BenchPart[];
  /** What the family is to be scored on now, by name. */
  due: string[];
  /** Why plants of the line went out, the last one first. */
  reasons: string[];
  yardsticks: YardstickView[];
  /** Those that are not used any more; their scores are kept. */
  retired: Pick<Yardstick, "id" | "version" | "name">[];
  /** Names of the usual yardsticks of its kind that its line has none of. */
  usual: string[];
  /** By plant and yardstick. */
  scores: Record<Id, Record<Id, ScoreView>>;
  /** Pictures of its plants, by plant, the oldest first. */
  photos: Record<Id, Photo[]>;
  /** What it and its sisters came through, in the order of days. */
  trials: (TrialOf & { through: ReturnType<typeof cameThrough> })[];
  /** Held against thresholds alone. */
  passing: Passing;
  /** Seed of its plants, a lot a mother, with what is left of each; null where it was neither counted nor weighed. */
  mothers: { lotId: Id; code: string; number: number; left: number | null; gathered: Day }[];
  lot: LotRow | null;
  today: string;
  head: string | null;
  /** As how many plants should give the next generation's seed. */
  parentsWanted: "one" | "several" | "many";
  /** How many of them are kept where nobody says. */
  parentsToKeep: number;
  /** Families of its season and generation beside it. */
  sisters: number;
  /** Their plants that are kept. */
  sistersKept: ChosenPlant[];
  hazards: { title: string; caution: string }[];
  beds: BedChoice[];
};

/** What crosses among itself narrows; what is selfed still divides, until it is fixed. */
function parentsOf(sky: Outlook, row: StandRow): Pick<Family, "parentsWanted" | "parentsToKeep"> {
  const { count, selfed } = toKeepOf(sky, row);
  return {
    parentsWanted: !selfed ? "many" : row.generation === null || count === 1 ? "one" : "several",
    parentsToKeep: count,
  };
}

const commonest = (words: string[]): string | null => {
  const [first] = counted(words);
  return first ? `${first.word} (${first.count} of ${words.length})` : null;
};

type PlantLooks = { lineId: Id; season: number; looks: Look[] };

/** Looks gathered by plant. */
function byPlant(rows: LookRow[]): PlantLooks[] {
  return [...groupBy(rows, (row) => row.plantId).values()].map((looks) => ({ ...looks[0]!, looks }));
}

/** A parent's plants on a yardstick: those of the same season if scored, else of all seasons. */
function parentFigures(
  stand: ForecastStand,
  mark: Yardstick,
  of: (lineId: Id) => PlantLooks[],
  names: Map<Id, string>,
) {
  const parents = [stand.motherLineId, stand.fatherLineId].filter((id): id is Id => id !== null);
  return parents.map((parent): ParentFigure => {
    const all = of(parent);
    const same = all.filter((s) => s.season === stand.season);
    const values = (same.length ? same : all).map(({ looks }) => shownOn(mark, looks));
    return {
      line: names.get(parent) ?? "",
      season: same.length ? "this season" : "all seasons",
      summary: isMeasured(mark) ? summarise(values.flatMap(({ number }) => number ?? [])) : null,
      words: isMeasured(mark) ? null : commonest(values.map(wordOf)),
    };
  });
}

/** What each plant shows, by plant and yardstick, ratios too. */
function scoreViews(rows: PlantScore[], marks: Yardstick[]): Family["scores"] {
  const by = new Map(marks.map((mark) => [mark.id, mark]));
  const scores: Family["scores"] = {};
  for (const looks of groupBy(rows, (row) => `${row.plantId} ${row.yardstickId}`).values()) {
    const { plantId, yardstickId, number, word, version } = looks.at(-1)!;
    const mark = by.get(yardstickId);
    if (!mark) continue;
    scores[plantId] ??= {};
    scores[plantId][yardstickId] = {
      ...shownOn(mark, looks),
      ...(looks.length > 1 ? { last: { number, word } } : {}),
      looks: looks.length,
      version,
    };
  }
  const ratios = marks.filter((mark) => kindOf(mark).computed);
  if (ratios.length > 0)
    for (const own of Object.values(scores))
      for (const { id } of ratios) {
        const value = withRatios(own, ratios)[id];
        if (value) own[id] = { ...value, looks: 0, version: "" };
      }
  return scores;
}

/** What can be looked at now, and was not on every plant. */
function dueNames(stand: Parameters<typeof nextScoring>[0], marks: ToScore[], today: Day): string[] {
  const open = marks.filter(({ plants }) => plants > 0);
  const scoring = nextScoring(stand, open, today);
  const span = scoring && stageSpan(stand, scoring.stage);
  return span && span.from <= today ? scoring.names : [];
}

export function familyView(sky: Outlook, code: string): Family | null {
  const { db } = sky;
  const row = standByCode(db, code);
  if (!row) return null;
  const { id } = row;
  const { garden: place } = sky;
  const stand = sky.forecast(row);
  const sisterStands = sistersOf(db, row);
  // All of one bed are walked and scored together, in the order of their codes.
  const walked = [row, ...sisterStands.filter(({ bedId }) => bedId !== null && bedId === row.bedId)].sort((a, b) =>
    a.code.localeCompare(b.code),
  );
  const walkedIds = walked.map((one) => one.id);
  const byStand = groupBy(plantsOfStands(db, walkedIds), ({ standId }) => standId);
  const seedOf = mothersSownFrom(db, row.season);
  const bench = walked.flatMap((one): BenchPart[] => {
    const all = byStand.get(one.id) ?? [];
    if (all.length === 0) return [];
    const { code, rowCount } = one;
    return [
      {
        code,
        mother: seedOf.get(one.id) ?? null,
        perRow: plantsInRow(all.at(-1)!.number, rowCount),
        plants: all.map((plant) => ({ ...plant, code })),
      },
    ];
  });
  // The same objects, so that they go to the browser once.
  const plants = bench.find(({ code: of }) => of === row.code)?.plants ?? [];
  const all = yardsticks(db, row.lineId);
  const marks = all.filter(({ retiredOn }) => retiredOn === null);
  const scores = scoreViews(scoresOfStands(db, walkedIds), all);
  const standing = plants.filter((p) => p.removedOn === null && p.checkOfId === null);
  const lineId = marks[0]?.lineId ?? row.lineId;
  const looks = groupBy(looksOnYardsticks(db, lineId), (look) => look.yardstickId);
  const names = lineNames(db);
  const sisters = new Set(sisterStands.map((one) => one.id));
  const has = new Set(all.map(({ name }) => name));
  return {
    garden: place,
    band: band(sky, stand.season, [stand]),
    stand: livedStand(stand, sky),
    raised: raisedOf(sky, stand),
    plants,
    bench,
    due: dueNames(
      { ...stand, raising: speciesById(row.species).raise },
      marks.map(({ stage, name, id: yardstickId }) => ({
        stage,
        name,
        plants: standing.filter((p) => !scores[p.id]?.[yardstickId]).length,
      })),
      sky.today,
    ),
    reasons: reasonsOf(db, row.lineId).map(({ reason }) => reason),
    yardsticks: marks.map((mark): YardstickView => {
      const seen = byPlant(looks.get(mark.id) ?? []);
      const measured = isMeasured(mark);
      return {
        ...mark,
        words: JSON.parse(mark.categories) as string[],
        parents: parentFigures(stand, mark, (parent) => seen.filter((s) => s.lineId === parent), names),
        family: measured ? summarise(standing.flatMap((p) => scores[p.id]?.[mark.id]?.number ?? [])) : null,
        mostly: measured
          ? null
          : commonest(
              standing.flatMap((p) => {
                const value = scores[p.id]?.[mark.id];
                return value ? [wordOf(value)] : [];
              }),
            ),
        repeats:
          measured && mark.often === "once"
            ? repeatability(seen.map((plant) => plant.looks.flatMap(({ number }) => number ?? [])))
            : null,
        unscored: kindOf(mark).computed ? 0 : standing.filter((p) => !scores[p.id]?.[mark.id]).length,
      };
    }),
    retired: all
      .filter(({ retiredOn }) => retiredOn !== null)
      .map(({ id: yardstickId, version, name }) => ({ id: yardstickId, version, name })),
    usual: usualYardsticks(speciesById(row.species))
      .map(({ name }) => name)
      .filter((name) => !has.has(name)),
    scores,
    photos: Object.fromEntries(groupBy(photosOfStands(db, walkedIds), ({ plantId }) => plantId!)),
    trials: trialsOf(db, [id, ...sisters]).map((one) => ({ ...one, through: cameThrough(one.stood, one.lost) })),
    passing: passing(
      standing.map((one) => ({ id: one.id, scores: scores[one.id] ?? {} })),
      marks,
    ),
    mothers: lotsOfMothers(db, id).map((one) => {
      const amount = amountOf(one);
      const left = amount && Math.max(0, amount.low - takenFrom(one) - (one.reserve ?? 0));
      return { lotId: one.id, code: one.code, number: one.motherNumber!, left, gathered: one.gathered };
    }),
    lot: row.lotId ? (lotById(db, row.lotId) ?? null) : null,
    today: sky.today,
    head: headOf(db),
    sisters: sisters.size,
    ...parentsOf(sky, row),
    sistersKept: chosenPlants(db, row.season).filter(({ standId }) => sisters.has(standId)),
    hazards: cautionsAt(speciesById(row.species).hazards, "touch", "eat"),
    beds: bedChoices(db),
  };
}
