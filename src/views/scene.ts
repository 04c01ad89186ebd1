import { hash } from "node:crypto";
import { LRUCache } from "lru-cache";
import { sceneKin, sceneSpecies, speciesById } from "@/catalogue/catalogue";
import { addDays, yearOf } from "@/core/calendar/day";
import { inSeason } from "@/core/climate/season";
import type { Id } from "@/core/custody/id";
import { flowersAtAll, type Window } from "@/core/flowering/facts";
import { typicalFlowering } from "@/core/flowering/typical";
import {
  airOver,
  arrivalAt,
  type Fathers,
  fathersAt,
  groundsOf,
  type Place,
  sharesReached,
} from "@/core/isolation/arrival";
import { UNSEEN } from "@/core/isolation/background";
import { KERNELS, type KernelRange, type Kernels, type Vector } from "@/core/isolation/kernel";
import { type CountedLot, learnedKernel } from "@/core/isolation/learning";
import { bearsSeed } from "@/core/isolation/meeting";
import type { Scene, SceneSource, SceneStand } from "@/core/isolation/scene";
import { type Arrival, newWays, type Ways } from "@/core/isolation/share";
import { remembered } from "@/core/numbers/remembered";
import { beds } from "@/records/bed/queries";
import type { Garden } from "@/records/garden/garden";
import { barriers, type SourceRow, sources } from "@/records/ground/queries";
import { newestSeed } from "@/records/lot/queries";
import { countsOfOpenLots } from "@/records/offtype/queries";
import type { StandRow } from "@/records/stand/queries";
import type { ForecastStand, Outlook } from "./outlook";

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

/** Ways over the ground under one wind, between the same hedges: so many that a large garden's fit in. */
const waysOver = remembered(
  (_: Pick<Place, "barriers" | "windFrom">): Ways => ({
    between: new LRUCache({ max: 10_000 }),
    within: new LRUCache({ max: 2000 }),
  }),
  2,
);

const digestOf = (value: unknown): string => hash("sha1", JSON.stringify(value), "base64");

/** What an arrival follows from, in short; emitters that many stands have are put in short once. */
function grounds(place: Place) {
  const air = airOver(place);
  const { barriers, windFrom } = place;
  const under = digestOf({ barriers, windFrom });
  const short = new Map(air.emitters.map((emitter) => [emitter, digestOf(emitter)]));
  return {
    air,
    keyOf: (at: SceneStand) => {
      const { stand, column, kernel, emitters } = groundsOf(place, at, air);
      return digestOf([under, stand, column, kernel, emitters.map((emitter) => short.get(emitter))]);
    },
  };
}

type Grounds = ReturnType<typeof grounds>;
const placeAround = (place: Place) => ({ place, around: grounds(place) });

const keptArrivals = new LRUCache<string, Arrival>({ max: 3000 });

/** What arrives at a stand of a place; reckoned anew only where what can reach it has changed. */
function arrivalsAt(place: Place): { at: (stand: SceneStand) => Arrival; ways: Ways } {
  const ways = waysOver({ barriers: place.barriers, windFrom: place.windFrom });
  const { air, keyOf } = grounds(place);
  const at = (stand: SceneStand): Arrival => {
    const key = keyOf(stand);
    const arrival = keptArrivals.get(key) ?? arrivalAt(place, stand, air, ways);
    keptArrivals.set(key, arrival);
    return arrival;
  };
  return { at, ways };
}

/** What arrives at every stand that bears seed. */
export function arrivedAt(place: Place): { arrived: Map<Id, Arrival>; ways: Ways } {
  const { at, ways } = arrivalsAt(place);
  return { arrived: new Map(place.stands.filter(bearsSeed).map((stand) => [stand.id, at(stand)])), ways };
}

/** What arrives at every stand of a season, and the ways between them that it was reckoned with. */
export const arrivalsOf = (sky: Outlook, season: number): { arrived: Map<Id, Arrival>; ways: Ways } =>
  sky.once(`arrivals ${season}`, () => arrivedAt(placeOf(sceneOf(sky, season))));

/** What arrived at one stand, without reckoning its season's others; null where it bears no seed or stands in no bed. */
export const arrivalOf = (sky: Outlook, { id, season }: Pick<StandRow, "id" | "season">): Arrival | null =>
  sky.once(`arrival ${id}`, () => {
    const place = placeOf(sceneOf(sky, season));
    const stand = place.stands.find((one) => one.id === id);
    return stand && bearsSeed(stand) ? arrivalsAt(place).at(stand) : null;
  });

/** Who fathers a stand's crossed seed; all its own where it stands in no bed. What nobody saw coming is a stranger's too. */
export const fathersOf = (sky: Outlook, { id, season }: Pick<StandRow, "id" | "season">): Fathers =>
  sky.once(`fathers ${id}`, () => {
    const place = placeOf(sceneOf(sky, season));
    const stand = place.stands.find((one) => one.id === id);
    if (!stand || !bearsSeed(stand)) return { own: 1, kin: {}, strangers: 0 };
    const ways = waysOver({ barriers: place.barriers, windFrom: place.windFrom });
    const { own, kin, strangers } = fathersAt(place, stand, airOver(place), ways);
    const seen = 1 - UNSEEN;
    return {
      own: own * seen,
      kin: Object.fromEntries(Object.entries(kin).map(([key, share]) => [key, share * seen])),
      strangers: strangers * seen + UNSEEN,
    };
  });

/** A reach that comes out the same is the same object: what a way lets over is kept under it. */
const sameObject = remembered((reach: KernelRange) => reach, 20);

/** Shares that a stand would have got, by what could reach it and how far pollen were to reach. */
const keptReaches = new LRUCache<string, Map<number, Float64Array>>({ max: 100 });

function sharesBy(place: Place, { air, keyOf }: Grounds, stand: SceneStand): CountedLot["sharesAt"] {
  const key = keyOf(stand);
  const known = keptReaches.get(key) ?? new Map<number, Float64Array>();
  keptReaches.set(key, known);
  const ways = newWays();
  return (kernel) => {
    const shares = known.get(kernel.scale) ?? sharesReached(place, stand, kernel, air, ways);
    known.set(kernel.scale, shares);
    return shares;
  };
}

/**
 * How far pollen reaches in this garden: working values, corrected by what was counted in the offspring of open lots whose
 * year is known.
 */
const kernelsOf = (sky: Outlook): Kernels =>
  sky.once("kernels", () => {
    const counted = new Map<Vector, CountedLot[]>();
    const places = new Map<number, { place: Place; around: Grounds }>();
    for (const { season, motherStandId, plants, strange } of countsOfOpenLots(sky.db)) {
      const known = places.get(season) ?? placeAround(placeOf(sceneWith(sky, season, KERNELS)));
      places.set(season, known);
      const { place, around } = known;
      const stand = place.stands.find(({ id }) => id === motherStandId);
      if (!stand || !flowersAtAll(stand.window)) continue;
      const { vector } = stand.species;
      counted.set(vector, [
        ...(counted.get(vector) ?? []),
        { plants, strange, sharesAt: sharesBy(place, around, stand) },
      ]);
    }
    return Object.fromEntries(
      Object.entries(KERNELS).map(([vector, kernel]) => [
        vector,
        sameObject(learnedKernel(kernel, counted.get(vector as Vector) ?? [])),
      ]),
    ) as Kernels;
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
