import type { Day } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { counted } from "@/core/lists/counted";
import { groupBy } from "@/core/lists/groupBy";
import { type Correlation, correlation } from "@/core/selection/correlation";
import { isKept } from "@/core/selection/marks";
import { type Summary, summarise } from "@/core/selection/ranking";
import { isMeasured } from "@/core/traits/kinds";
import type { ScoreValue } from "@/core/traits/trait";
import { headOf } from "@/db/ops";
import { lineNames, looksOnYardsticks, yardsticks } from "@/records/line/queries";
import type { Photo } from "@/records/photo/photo";
import { photosOfStands } from "@/records/photo/queries";
import { plantsOfStand } from "@/records/plant/queries";
import { type StandRow, sistersOf, standByCode, standsOfLine } from "@/records/stand/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { type Band, band } from "./band";
import { type InheritanceView, inheritanceOf } from "./inheritance";
import { type Leanings, leaningsOf } from "./leanings";
import type { Outlook } from "./outlook";
import { type ShownPlant, shownBy, wordOf } from "./shown";

/** Plants that are looked at together, on one yardstick. */
export type Group = {
  kind: "family" | "sister" | "parent" | "before";
  name: string;
  code: string | null;
  /** Figures of what is measured; of words, and of yes or no, what was seen and how often. */
  values: number[];
  summary: Summary | null;
  words: { word: string; count: number }[];
};
export type Compared = { yardstick: Yardstick; groups: Group[] };

export type Comparison = {
  band: Band;
  stand: Pick<StandRow, "id" | "code" | "lineName" | "lineCode" | "generation" | "backcrosses" | "season">;
  compared: Compared[];
  /** Measured yardsticks, by which two can be held against each other. */
  measured: Pick<Yardstick, "id" | "name" | "unit" | "kind">[];
  against: {
    x: Yardstick;
    y: Yardstick;
    points: { number: number; x: number; y: number; kept: boolean }[];
    correlation: Correlation | null;
  } | null;
  /** The journal as it was read: what is reckoned of it is reckoned anew when it has grown. */
  head: Id | null;
  /** By which ratios its words may be inherited. */
  inheritance: InheritanceView;
  /** What those who gave seed differ by from all who grew. */
  leanings: Leanings;
  /** Plants side by side: those asked for, else the kept ones. */
  chosen: { number: number; mark: string; values: Record<Id, ScoreValue>; photos: Photo[] }[];
  /** Days on which a picture was taken of them. */
  days: Day[];
};

function groupOf(
  kind: Group["kind"],
  name: string,
  code: string | null,
  mark: Yardstick,
  shown: ShownPlant["values"][],
): Group {
  const seen = shown.flatMap((values) => values[mark.id] ?? []);
  const values = isMeasured(mark) ? seen.flatMap(({ number }) => number ?? []) : [];
  const words = isMeasured(mark) ? [] : counted(seen.map(wordOf));
  return { kind, name, code, values, summary: summarise(values), words };
}

/** Two yardsticks to hold against each other: those asked for, else the two that weigh most. */
function twoOf(measured: Yardstick[], x: Id | null, y: Id | null): [Yardstick, Yardstick] | null {
  const byWeight = [...measured].sort((a, b) => b.weight - a.weight);
  const first = measured.find(({ id }) => id === x) ?? byWeight[0];
  const second = measured.find(({ id }) => id === y && id !== first?.id) ?? byWeight.find(({ id }) => id !== first?.id);
  return first && second ? [first, second] : null;
}

export type AskedOfComparison = { x: Id | null; y: Id | null; plants: number[] };

/** A family beside its sisters, its parents and the generation before, by yardstick, two against each other, and plant by plant. */
export function compareView(sky: Outlook, code: string, asked: AskedOfComparison): Comparison | null {
  const { db } = sky;
  const stand = standByCode(db, code);
  if (!stand) return null;
  const marks = yardsticks(db, stand.lineId).filter(({ retiredOn }) => retiredOn === null);
  const lineId = marks[0]?.lineId ?? stand.lineId;
  const looks = looksOnYardsticks(db, lineId);
  const shown = [...shownBy(looks, marks).values()];
  const kin = shown.filter(({ row }) => row.checkOfId === null);
  const ofStand = groupBy(kin, ({ row }) => row.standId);
  const checks = groupBy(
    shown.filter(({ row }) => row.standId === stand.id && row.checkOfId !== null),
    ({ row }) => row.checkOfId!,
  );
  const lines = standsOfLine(db, stand.lineId);
  const families = sistersOf(db, stand);
  const before = lines.filter(
    ({ generation, season }) =>
      stand.generation !== null && generation === stand.generation - 1 && season <= stand.season,
  );
  const beforeIds = new Set(before.map(({ id }) => id));
  const parents = [stand.motherLineId, stand.fatherLineId].filter((id): id is Id => id !== null);
  const own = ofStand.get(stand.id) ?? [];
  const names = lineNames(db);
  const valuesOf = (plants: typeof shown) => plants.map(({ values }) => values);
  const groupsOf = (mark: Yardstick): Group[] => [
    groupOf("family", nameWithGeneration(stand), stand.code, mark, valuesOf(own)),
    ...families.map((one) =>
      groupOf("sister", `sister ${one.code}`, one.code, mark, valuesOf(ofStand.get(one.id) ?? [])),
    ),
    ...[...checks].map(([line, of]) => groupOf("parent", `${names.get(line) ?? ""}, check`, null, mark, valuesOf(of))),
    ...parents.map((parent) => {
      const all = kin.filter(({ row }) => row.lineId === parent);
      const same = all.filter(({ row }) => row.season === stand.season);
      const name = names.get(parent) ?? "";
      return groupOf(
        "parent",
        same.length > 0 ? name : `${name}, all seasons`,
        null,
        mark,
        valuesOf(same.length > 0 ? same : all),
      );
    }),
    groupOf(
      "before",
      "the generation before",
      null,
      mark,
      valuesOf(kin.filter(({ row }) => beforeIds.has(row.standId))),
    ),
  ];
  const measured = marks.filter(isMeasured);
  const pair = twoOf(measured, asked.x, asked.y);
  const plants = plantsOfStand(db, stand.id).filter(({ checkOfId }) => checkOfId === null);
  const kept = new Set(plants.filter(({ mark }) => isKept(mark)).map(({ id }) => id));
  const numberOf = new Map(plants.map(({ id, number }) => [id, number]));
  const points = pair
    ? own.flatMap(({ row, values }) => {
        const [x, y] = [values[pair[0].id]?.number, values[pair[1].id]?.number];
        return x == null || y == null
          ? []
          : [{ number: numberOf.get(row.plantId)!, x, y, kept: kept.has(row.plantId) }];
      })
    : [];
  const byPlant = new Map(own.map(({ row, values }) => [row.plantId, values]));
  const byNumber = new Map(own.map(({ row, values }) => [numberOf.get(row.plantId)!, values]));
  const side = plants.filter(({ id, number, removedOn }) =>
    asked.plants.length > 0 ? asked.plants.includes(number) : removedOn === null && kept.has(id),
  );
  const photos = groupBy(photosOfStands(db, [stand.id]), ({ plantId }) => plantId!);
  const chosen = side.map(({ id, number, mark }) => ({
    number,
    mark,
    values: byNumber.get(number) ?? {},
    photos: photos.get(id) ?? [],
  }));
  return {
    band: band(sky, stand.season, [sky.forecast(stand)]),
    stand,
    compared: marks.map((yardstick) => ({
      yardstick,
      groups: groupsOf(yardstick).filter(({ values, words }) => values.length > 0 || words.length > 0),
    })),
    measured: measured.map(({ id, name, unit, kind }) => ({ id, name, unit, kind })),
    against: pair && { x: pair[0], y: pair[1], points, correlation: correlation(points.map(({ x, y }) => [x, y])) },
    head: headOf(db),
    inheritance: inheritanceOf(db, stand, marks, valuesOf(own)),
    leanings: leaningsOf(sky, stand, plants, marks, (id) => byPlant.get(id) ?? {}, looks),
    chosen,
    days: [...new Set(chosen.flatMap((one) => one.photos.map(({ takenOn }) => takenOn)))].sort(),
  };
}
