import { protocolOf, speciesById } from "@/catalogue/catalogue";
import { HAZARDS } from "@/catalogue/hazards";
import { seasonOf } from "@/core/climate/season";
import { nameWithGeneration } from "@/core/custody/generation";
import { type Meeting, meeting, type Protocol } from "@/core/pollination/steps";
import type { Db } from "@/db/open";
import {
  crossById,
  crossesOfSeason,
  type Flower,
  flowersOfCross,
  flowersOfSeason,
  seasonsWithCrosses,
} from "@/records/cross/queries";
import type { Garden } from "@/records/garden/queries";
import { type LotRow, lotsOfCross } from "@/records/lot/queries";
import { type KeptPlant, keptPlants } from "@/records/plant/queries";
import { standById, standsOfSeason } from "@/records/stand/queries";
import { type Band, band } from "./band";
import { type ForecastStand, outlook } from "./outlook";
import { type CrossState, crossState, parentsIn } from "./today";

export type ParentChoice = {
  id: number;
  code: string;
  name: string;
  lineId: number;
  species: string;
  start: string;
  end: string;
  handSet: { low: number; high: number };
  seedsPerFruit: { low: number; high: number } | null;
  protocol: boolean;
  group: string;
};

export type Crosses = {
  garden: Garden;
  band: Band;
  season: number;
  seasons: number[];
  crosses: CrossState[];
  parents: ParentChoice[];
  kept: KeptPlant[];
  /** Lines that a pair of lines was crossed into before, as "mother-father". */
  knownPairs: string[];
};

export function crossesView(db: Db, wantedSeason: number | null): Crosses {
  const sky = outlook(db);
  const { garden: place } = sky;
  const day = sky.today;
  const current = seasonOf(day, place.latitude);
  const season = wantedSeason ?? current;
  const stands = standsOfSeason(db, season).map((s) => sky.forecast(s));
  const parents = parentsIn(db, sky, stands);
  const flowers = flowersOfSeason(db, season);
  const rows = crossesOfSeason(db, season);
  const busy = new Set(rows.filter((x) => !x.closed).flatMap((x) => [x.motherStandId, x.fatherStandId]));
  const pairs = db
    .prepare(
      "SELECT motherLineId || '-' || fatherLineId FROM line WHERE motherLineId IS NOT NULL AND fatherLineId IS NOT NULL",
    )
    .pluck()
    .all() as string[];
  return {
    garden: place,
    band: band(sky, season, stands, (s) => busy.has(s.id)),
    season,
    seasons: [...new Set([season, current, ...seasonsWithCrosses(db)])].sort((a, b) => b - a),
    crosses: rows.map((x) => crossState(x, flowers.get(x.id) ?? [], parents(x), sky)),
    parents: stands
      .filter((s) => !s.outside)
      .map((s) => {
        const species = speciesById(s.species);
        return {
          id: s.id,
          code: s.code,
          name: nameWithGeneration(s.lineName, s.generation),
          lineId: s.lineId,
          species: species.name,
          start: s.window.start,
          end: s.window.end,
          handSet: species.handSet,
          seedsPerFruit: species.seedsPerFruit,
          protocol: protocolOf(species) !== null,
          group: species.crossingGroup,
        };
      }),
    kept: keptPlants(db, season),
    knownPairs: pairs,
  };
}

export type CrossView = {
  garden: Garden;
  band: Band;
  state: CrossState;
  flowers: Flower[];
  protocol: Protocol | null;
  meeting: Meeting;
  daysToRipe: { low: number; high: number };
  lots: LotRow[];
  hazards: { title: string; caution: string }[];
  today: string;
  parents: { mother: number; father: number };
};

export function crossView(db: Db, id: number): CrossView | null {
  const cross = crossById(db, id);
  if (!cross) return null;
  const sky = outlook(db);
  const { garden: place } = sky;
  const day = sky.today;
  const species = speciesById(cross.species);
  const flowers = flowersOfCross(db, id);
  const [mother, father] = [cross.motherStandId, cross.fatherStandId].map((s) => sky.forecast(standById(db, s)!)) as [
    ForecastStand,
    ForecastStand,
  ];
  const parents = mother.id === father.id ? [mother] : [mother, father];
  return {
    garden: place,
    band: band(sky, cross.season, parents, (s) => s.id === mother.id),
    state: crossState(cross, flowers, { mother, father }, sky),
    flowers,
    protocol: protocolOf(species),
    meeting: meeting(mother.window.female, father.window.male),
    daysToRipe: species.daysToRipe,
    lots: lotsOfCross(db, id),
    hazards: species.hazards.map((h) => HAZARDS[h]!),
    today: day,
    parents: { mother: mother.id, father: father.id },
  };
}
