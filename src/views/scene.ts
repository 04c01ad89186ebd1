import { sceneKin, sceneSpecies, speciesById } from "@/catalogue/catalogue";
import { addDays, yearOf } from "@/core/calendar/day";
import { inSeason } from "@/core/climate/season";
import type { Id } from "@/core/custody/id";
import { flowersAtAll, type Window } from "@/core/flowering/facts";
import { typicalFlowering } from "@/core/flowering/typical";
import { arrivals, type Place, sharesReached } from "@/core/isolation/arrival";
import { KERNELS, type KernelRange, type Kernels, type Vector } from "@/core/isolation/kernel";
import { type CountedLot, learnedKernel } from "@/core/isolation/learning";
import type { Scene, SceneSource, SceneStand } from "@/core/isolation/scene";
import { type Arrival, newWays, type Ways } from "@/core/isolation/share";
import { beds } from "@/records/bed/queries";
import type { Garden } from "@/records/garden/garden";
import { barriers, type SourceRow, sources } from "@/records/ground/queries";
import { newestSeed } from "@/records/lot/queries";
import { type CountOfOpenLot, countsOfOpenLots } from "@/records/offtype/queries";
import type { ForecastStand, Outlook } from "./outlook";
import { remembered } from "./remembered";

/** The share of strange fathers taken where a line does not say: by the garden's level of care. */
const LIMITS: Record<Garden["care"], number> = { relaxed: 0.05, usual: 0.01, strict: 0.002 };

/** Days by which days that a neighbour told may still be wrong. Working value. */
const TOLD_DOUBT = 4;

function sourceWindow(source: SourceRow, season: number, { climate, garden }: Outlook): Window {
  if (!source.flowersFrom || !source.flowersTo)
    return typicalFlowering(sceneSpecies(speciesById(source.species)), season, climate);
  const start = inSeason(source.flowersFrom, season, garden.latitude);
  const told = inSeason(source.flowersTo, season, garden.latitude);
  const end = told < start ? start : told;
  return { start, end, earliest: addDays(start, -TOLD_DOUBT), latest: addDays(end, TOLD_DOUBT) };
}

function sceneSource(source: SourceRow, season: number, sky: Outlook): SceneSource {
  const { id, name, kind, outline, plants, presence, harm } = source;
  return {
    id,
    name,
    kind,
    outline,
    plants,
    presence,
    harm,
    species: sceneKin(source.species, source.wild),
    male: sourceWindow(source, season, sky),
    agreed: source.agreedSeason === season,
    asked: source.askSeason === season,
  };
}

type Placed = ForecastStand & { x: number; y: number; width: number; length: number; turn: number; bedId: Id };

/** A stand in a bed; one that ended before it flowered sheds nothing and asks for nothing. */
const isPlaced = (stand: ForecastStand): stand is Placed =>
  stand.x !== null && stand.bedId !== null && !(stand.endedOn && stand.endedOn < stand.window.earliest);

/** Plants as counted, else the most that is known of them, else as few as a line is kept going with. */
export const reckonedPlants = ({ plants, wanted, cameUp, sowedSeeds, species }: ForecastStand): number =>
  plants ?? wanted ?? cameUp ?? sowedSeeds ?? speciesById(species).plants["keep going"].low;

function sceneStand(stand: Placed, { garden, today, correction }: Outlook, newest: Map<Id, string>): SceneStand {
  const species = speciesById(stand.species);
  const { id, lineId, school, flowers, cover, removeEvery, saveFrom, window } = stand;
  const gathered = newest.get(lineId);
  const { x, y, width, length, turn, bedId, bedName, outside } = stand;
  const { sown, plantedOut, firstFlower, firstSex, overwinter } = stand;
  return {
    id,
    lineId,
    name: stand.lineName,
    school,
    flowers,
    cover,
    mesh: stand.mesh,
    removeEvery,
    saveFrom,
    window,
    species: sceneSpecies(species),
    harm: stand.status === "wild" ? "wild" : stand.harm,
    bed: { id: bedId, name: bedName!, x, y, width, length, turn, outside: outside === 1 },
    plants: reckonedPlants(stand),
    spacing: stand.spacing ?? (species.plantSpacing.low + species.plantSpacing.high) / 2,
    sowing: { sown, plantedOut, firstFlower, firstSex, overwinter, cutBack: stand.cutBack },
    correction: correction(lineId),
    seedWanted: stand.seedWanted === 1,
    limit: stand.purity === null ? LIMITS[garden.care] : 1 - stand.purity,
    isolation: species.isolation[garden.care].low,
    seedLasts: gathered ? Math.max(0, Math.floor(species.shelfYears.low) - (yearOf(today) - yearOf(gathered))) : null,
  };
}

const placeOf = ({ stands, sources, barriers, windFrom, kernels }: Scene): Place => ({
  stands,
  sources,
  barriers,
  windFrom,
  kernels,
});

const arrivedAt = remembered((place: Place): { arrived: Map<Id, Arrival>; ways: Ways } => {
  const ways = newWays();
  return { arrived: arrivals(place, ways), ways };
}, 8);

/** What arrives at every stand of a season, and the ways between them that it was reckoned with. */
export const arrivalsOf = (sky: Outlook, season: number): { arrived: Map<Id, Arrival>; ways: Ways } =>
  sky.once(`arrivals ${season}`, () => arrivedAt(placeOf(sceneOf(sky, season))));

type Counts = { places: Record<number, Place>; counts: CountOfOpenLot[] };

const learnedFrom = remembered(({ places, counts }: Counts): Kernels => {
  const counted = new Map<Vector, CountedLot[]>();
  for (const { season, motherStandId, plants, strange } of counts) {
    const stand = places[season]!.stands.find(({ id }) => id === motherStandId);
    if (!stand || !flowersAtAll(stand.window)) continue;
    const ways = newWays();
    const sharesAt = (kernel: KernelRange) => sharesReached(places[season]!, stand, kernel, ways);
    const { vector } = stand.species;
    counted.set(vector, [...(counted.get(vector) ?? []), { plants, strange, sharesAt }]);
  }
  return Object.fromEntries(
    Object.entries(KERNELS).map(([vector, kernel]) => [
      vector,
      learnedKernel(kernel, counted.get(vector as Vector) ?? []),
    ]),
  ) as Kernels;
}, 4);

/**
 * How far pollen reaches in this garden: working values, corrected by what was counted in the offspring of open lots whose
 * year is known.
 */
const kernelsOf = (sky: Outlook): Kernels =>
  sky.once("kernels", () => {
    const counts = countsOfOpenLots(sky.db);
    const seasons = [...new Set(counts.map(({ season }) => season))];
    const places = seasons.map((season) => [season, placeOf(sceneWith(sky, season, KERNELS))]);
    return learnedFrom({ places: Object.fromEntries(places), counts });
  });

/** A season as the isolation engine sees it: stands in beds, sources, barriers, climate; plain data. */
export const sceneOf = (sky: Outlook, season: number): Scene =>
  sky.once(`scene ${season}`, () => sceneWith(sky, season, kernelsOf(sky)));

function sceneWith(sky: Outlook, season: number, kernels: Kernels): Scene {
  const { db } = sky;
  const newest = newestSeed(db);
  return {
    stands: sky
      .standsOf(season)
      .filter(isPlaced)
      .map((stand) => sceneStand(stand, sky, newest)),
    sources: sources(db).map((source) => sceneSource(source, season, sky)),
    barriers: barriers(db).map(({ id, name, path, factor }) => ({ id, name, path, factor })),
    beds: beds(db).map(({ version: _, note: __, ...bed }) => ({ ...bed, outside: bed.outside === 1 })),
    windFrom: sky.garden.windFrom,
    kernels,
    climate: sky.climate,
    ripeWanted: sky.garden.ripeWanted,
    today: sky.today,
  };
}
