import { methodsOf, speciesById } from "@/catalogue/catalogue";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { type Degree, degreeOf } from "@/core/isolation/crossing";
import { groupBy } from "@/core/lists/groupBy";
import { kinshipsOf } from "@/core/pedigree/pedigree";
import { headOf } from "@/db/ops";
import { seasonsWithCrosses } from "@/records/cross/queries";
import type { Garden } from "@/records/garden/garden";
import { individualOf } from "@/records/line/pedigree";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";
import { kinOf } from "./kin";
import { chanceToMeet } from "./meet";
import type { ForecastStand } from "./outlook";
import { crossesIn } from "./pollination";

/** What a mother and a father would make of each other. */
export type Relation = "self" | "sib" | "backcross" | "cross";

export type Cell = {
  /** Places of the two among the parents of the group. */
  mother: number;
  father: number;
  relation: Relation;
  degree: Degree;
  /** Whether a hand pollination is laid out for it. */
  possible: boolean;
  meets: number;
  /** Of the two, 0–1: the inbreeding of their offspring. */
  kinship: number;
  /** Flowers needed by the open crosses of the two, and done so far; null where none is planned. */
  planned: { codes: string[]; toDo: number; under: number; set: number; wanted: number } | null;
};

export type PlanParent = { id: Id; code: string; name: string; start: string };
export type PlanGroup = { group: string; parents: PlanParent[]; cells: Cell[]; hidden: number };

export type CrossPlan = {
  garden: Garden;
  band: Band;
  season: number;
  seasons: number[];
  groups: PlanGroup[];
  head: string | null;
};

/** A matrix wider than this can't be read; what flowers soonest stays. */
const WIDEST = 16;

function relationOf(mother: ForecastStand, father: ForecastStand): Relation {
  if (mother.id === father.id) return "self";
  if (mother.lineId === father.lineId) return "sib";
  const parentLine = (child: ForecastStand, other: ForecastStand) =>
    child.motherLineId === other.lineId || child.fatherLineId === other.lineId;
  return parentLine(mother, father) || parentLine(father, mother) ? "backcross" : "cross";
}

/** Stands that can give each other pollen, together; a species that crosses with none is left out unless it grows twice. */
function mateGroups(stands: ForecastStand[]): ForecastStand[][] {
  const byGroup = [...groupBy(stands, (s) => speciesById(s.species).crossingGroup).values()];
  const joined: ForecastStand[][] = [];
  for (const own of byGroup) {
    const species = speciesById(own[0]!.species);
    const known = joined.find((list) => degreeOf(speciesById(list[0]!.species), species) !== null);
    if (known) known.push(...own);
    else joined.push([...own]);
  }
  return joined;
}

/** Mothers against fathers of a season, with what each pair promises and what is done of it. */
export const crossPlanView = (sky: Outlook, wantedSeason: number | null): CrossPlan => {
  const season = wantedSeason ?? sky.season;
  return { ...sky.once(`plan ${season}`, () => planned(sky, season)), head: headOf(sky.db) };
};

function planned(sky: Outlook, season: number): Omit<CrossPlan, "head"> {
  const { db, garden: place } = sky;
  const stands = sky.standsOf(season).filter((s) => !s.outside);
  const known = crossesIn(sky, season);
  const byPair = groupBy(known, ({ cross: x }) => `${x.motherStandId} ${x.fatherStandId}`);
  const busy = new Set(known.flatMap(({ cross: x }) => [x.motherStandId, x.fatherStandId]));
  const name = (stand: ForecastStand, second: boolean) => individualOf({ standId: stand.id, plantId: null }, second);
  const shownOf = (list: ForecastStand[]) =>
    [...list]
      .sort((a, b) => Number(busy.has(b.id)) - Number(busy.has(a.id)) || a.window.start.localeCompare(b.window.start))
      .slice(0, WIDEST)
      .sort((a, b) => a.lineName.localeCompare(b.lineName) || a.code.localeCompare(b.code));
  const lists = mateGroups(stands).map((list) => ({ list, shown: shownOf(list) }));
  // The forebears of all are read once.
  const { tree } = kinOf(
    db,
    lists.flatMap(({ shown }) => shown.map((s) => ({ standId: s.id, plantId: null }))),
    sky,
  );
  const kinships = kinshipsOf(tree);
  const groups = lists.map(({ list, shown }): PlanGroup => {
    const pairs = shown.flatMap((m, i) => shown.map((f, j) => [m, f, i, j] as const));
    return {
      group: [...new Set(list.map((s) => speciesById(s.species).name))].join(", "),
      hidden: list.length - shown.length,
      parents: shown.map((one) => ({
        id: one.id,
        code: one.code,
        name: nameWithGeneration(one),
        start: one.window.start,
      })),
      cells: pairs.flatMap(([mother, father, motherAt, fatherAt]): Cell[] => {
        const [motherSpecies, fatherSpecies] = [speciesById(mother.species), speciesById(father.species)];
        const degree = degreeOf(motherSpecies, fatherSpecies);
        if (!degree) return [];
        const relation = relationOf(mother, father);
        const planned = (byPair.get(`${mother.id} ${father.id}`) ?? []).map(({ state }) => state);
        const sum = (of: (s: (typeof planned)[number]) => number) => planned.reduce((n, s) => n + of(s), 0);
        return [
          {
            mother: motherAt,
            father: fatherAt,
            relation,
            degree,
            possible: methodsOf(motherSpecies, relation === "self", mother.anthers).length > 0,
            meets: chanceToMeet({ mother, father }),
            // A plant selfed has itself for a mate: kinship with itself.
            kinship: kinships(name(mother, false), name(father, false)),
            planned: planned.length
              ? {
                  codes: planned.map((s) => s.cross.code),
                  toDo: sum((s) => (s.cross.closed ? 0 : s.toDo.likely)),
                  under: sum((s) => s.tally.covered + s.tally.waiting),
                  set: sum((s) => s.tally.set),
                  wanted: sum((s) => s.cross.fruitsWanted),
                }
              : null,
          },
        ];
      }),
    };
  });
  return {
    garden: place,
    band: band(sky, season, stands, (s) => busy.has(s.id)),
    season,
    seasons: [...new Set([season, sky.season, ...seasonsWithCrosses(db)])].sort((a, b) => b - a),
    groups: groups
      .filter((g) => g.parents.length > 0)
      .sort((a, b) => b.parents.length - a.parents.length || a.group.localeCompare(b.group)),
  };
}
