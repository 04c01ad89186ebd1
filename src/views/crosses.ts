import { protocolOf, speciesById } from "@/catalogue/catalogue";
import { HAZARDS } from "@/catalogue/hazards";
import { seasonOf } from "@/core/climate/season";
import { nameWithGeneration } from "@/core/custody/generation";
import { flowering } from "@/core/flowering/forecast";
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
import { asOfDay, type Garden, garden } from "@/records/garden/queries";
import { type LotRow, lots } from "@/records/lot/queries";
import { type KeptPlant, keptPlants } from "@/records/plant/queries";
import { standById, standsOfSeason } from "@/records/stand/queries";
import { type Band, band, forecast } from "./band";
import { type CrossState, crossState } from "./today";

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
  const place = garden(db);
  const day = asOfDay(place);
  const current = seasonOf(day, place.latitude);
  const season = wantedSeason ?? current;
  const stands = standsOfSeason(db, season).map((s) => forecast(s, place));
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
    band: band(place, season, stands, (s) => busy.has(s.id)),
    season,
    seasons: [...new Set([season, current, ...seasonsWithCrosses(db)])].sort((a, b) => b - a),
    crosses: rows.map((x) => crossState(x, flowers.get(x.id) ?? [], place, day)),
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
  const place = garden(db);
  const day = asOfDay(place);
  const species = speciesById(cross.species);
  const flowers = flowersOfCross(db, id);
  const [mother, father] = [standById(db, cross.motherStandId)!, standById(db, cross.fatherStandId)!];
  const windows = [mother, father].map((s) => flowering(s.sown, speciesById(s.species), s.firstFlower)) as [
    ReturnType<typeof flowering>,
    ReturnType<typeof flowering>,
  ];
  const parents = mother.id === father.id ? [mother] : [mother, father];
  return {
    garden: place,
    band: band(
      place,
      cross.season,
      parents.map((s) => forecast(s, place)),
      (s) => s.id === mother.id,
    ),
    state: crossState(cross, flowers, place, day),
    flowers,
    protocol: protocolOf(species),
    meeting: meeting(...windows),
    daysToRipe: species.daysToRipe,
    lots: lots(db, cross.lineId, 500).filter((lot) => lot.crossId === id),
    hazards: species.hazards.map((h) => HAZARDS[h]!),
    today: day,
    parents: { mother: mother.id, father: father.id },
  };
}
