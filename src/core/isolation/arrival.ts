import { quantileSorted } from "simple-statistics";
import type { Id } from "../custody/id";
import type { Window } from "../flowering/facts";
import { mix } from "./contamination";
import { DEGREES, degreeOf } from "./crossing";
import { DRAWS } from "./draws";
import { daysOf, doubtOf, type Emitter, meanPlants, placeOf, sourceEmits, standEmits } from "./emitter";
import type { KernelRange } from "./kernel";
import {
  bearsSeed,
  isKin,
  type Meeting,
  meet,
  minds,
  type Pair,
  type Reaching,
  receptorLeak,
  seedOutline,
  wayBetween,
} from "./meeting";
import { drawnShares, shareOver } from "./sampled";
import type { Scene, SceneStand } from "./scene";
import { type Arrival, newWays, type SourceShare, type Ways } from "./share";
import { likelySum, type Spread, sameAs, spreadWithin } from "./spread";

/** What the engine needs of a scene. */
export type Place = Pick<Scene, "stands" | "sources" | "barriers" | "windFrom" | "kernels">;

/** Everything that sheds pollen, by species that it can reach. */
export type Air = {
  emitters: Emitter[];
  bySpecies: Map<string, Reaching[]>;
};

/** Stands and sources keep their luck apart; nobody has so many stands. */
const SOURCE_COLUMNS = 100_000;

/** Stands of one sowing of a line have the same weather and the same luck: the column of the first of them. */
const luckOf = ({ stands }: Pick<Scene, "stands">, { lineId, sowing }: SceneStand): number =>
  stands.findIndex((other) => other.lineId === lineId && other.sowing.sown === sowing.sown);

/**
 * All that sheds pollen in a scene; what reaches which species is found as it is asked for.
 * @example airOver(scene([stand(1)], { sources: [source(9, 30)] })).emitters.map((e) => e.key) // ["stand 1", "source
 *   9"]
 */
export function airOver(scene: Pick<Scene, "stands" | "sources">): Air {
  const emitters = [
    ...scene.stands.map((stand) => standEmits(stand, luckOf(scene, stand))).filter((e) => e !== null),
    ...scene.sources.map((source, i) => sourceEmits(source, SOURCE_COLUMNS + i)),
  ];
  return { emitters, bySpecies: new Map() };
}

function reaching(air: Air, stand: SceneStand) {
  const known = air.bySpecies.get(stand.species.id);
  if (known) return known;
  const found = air.emitters.flatMap((emitter) => {
    const degree = degreeOf(stand.species, emitter.species);
    return degree ? [{ emitter, degree, factor: DEGREES[degree] }] : [];
  });
  air.bySpecies.set(stand.species.id, found);
  return found;
}

function ownSpread({ bed, plants, spacing, species }: SceneStand, { within }: Ways): Spread {
  const key = `${bed.width} ${bed.length} ${plants} ${spacing} ${species.refuses}`;
  const known = within.get(key) ?? spreadWithin(plants, spacing, bed, species.refuses);
  within.set(key, known);
  return known;
}

/** A flowering that errs by more than this many times its doubt is not waited for: one in fifty does. */
const FARTHEST_ERROR = 1.25;

/** What meets at a stand's flowers, or may where a forecast errs. */
function meetingAt(scene: Place, stand: SceneStand, air: Air, ways: Ways): Meeting {
  const female = daysOf(stand.window.female);
  const doubt = doubtOf(stand.window.female);
  const candidates = reaching(air, stand);
  const outline = seedOutline(stand, candidates);
  const wind = stand.species.vector === "wind";
  const here = placeOf(outline);
  const kin: Pair[] = [];
  const strangers: Pair[] = [];
  for (const { emitter, degree, factor } of candidates) {
    const own = isKin(stand, emitter);
    if (!own && !minds(stand, emitter)) continue;
    const errs = FARTHEST_ERROR * Math.hypot(emitter.doubt, doubt);
    if (emitter.male.start - errs > female.end || emitter.male.end + errs < female.start) continue;
    const key = `${emitter.place}|${here}|${stand.species.vector}`;
    const known = ways.between.get(key);
    const way = known ?? wayBetween(scene, emitter, outline, wind);
    if (!known) ways.between.set(key, way);
    const through = factor * way.wind * way.barrier * receptorLeak(stand, emitter);
    (own ? kin : strangers).push({ emitter, degree, way, factor: through });
  }
  return {
    stand,
    column: luckOf(scene, stand),
    kin,
    strangers,
    female,
    ownMale: daysOf(stand.window.male),
    doubt,
    own: ownSpread(stand, ways),
    kernel: scene.kernels[stand.species.vector],
  };
}

/** The shares as everything is likeliest: sources in proportion to how sure it is that they are there. */
function likelyOf({ stand, kin, strangers, female, ownMale, own, kernel }: Meeting) {
  const cloud = ({ emitter, way, factor }: Pair) => ({
    ...emitter.male,
    strength: meanPlants(emitter) * factor * likelySum(way.spread, kernel),
  });
  const mixed = mix(
    female,
    [{ ...ownMale, strength: likelySum(own, kernel) }, ...kin.map(cloud)],
    strangers.map(cloud),
  );
  const outcrossing = (stand.species.outcrossing.low + stand.species.outcrossing.high) / 2;
  return {
    whole: outcrossing * mixed.foreign,
    bySource: mixed.bySource.map((share) => share * outcrossing),
    pollinatedShare: mixed.pollinatedShare,
  };
}

// Field by field: spreading the way here took most of a recalculation's time.
function sourceShare({ emitter, way, degree }: Pair, likely: number, { female, kernel }: Meeting): SourceShare {
  const { near, middle, wind, barrier, between } = way;
  return {
    likely,
    key: emitter.key,
    kind: emitter.kind,
    id: emitter.id,
    name: emitter.name,
    harm: emitter.harm,
    way: { near, middle, wind, barrier, between, as: sameAs(likelySum(way.spread, kernel), kernel) },
    days: meet(emitter.male, female),
    degree,
    sheds: meanPlants(emitter),
    male: emitter.window,
  };
}

const held = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/**
 * The share of a stand's seed that strangers may father, whole and by source: as everything is likeliest, the range of
 * nine tenths, and the chance that it exceeds what the line takes.
 *
 * `contamination` of methods, with the kernel of the species' vector summed over where plants stand. An order of
 * magnitude.
 * @param ways kept by the caller between calls while barriers and wind stay
 * @example arrivalAt(scene([stand(1)], { sources: [source(9, 30)] }), stand(1)).bySource.map((s) => s.days) // [31]
 */
export function arrivalAt(scene: Place, stand: SceneStand, air: Air = airOver(scene), ways: Ways = newWays()): Arrival {
  const meeting = meetingAt(scene, stand, air, ways);
  const likely = likelyOf(meeting);
  const { own, kernel } = meeting;
  const drawn = meeting.strangers.length > 0 ? drawnShares(meeting, stand.limit) : new Float64Array(1);
  const chanceOver = shareOver(drawn, stand.limit);
  const sorted = [...drawn].sort((a, b) => a - b);
  const [low, high] = [quantileSorted(sorted, 0.05), quantileSorted(sorted, 0.95)];
  return {
    low,
    likely: held(likely.whole, low, high),
    high,
    chanceOver,
    pollinatedShare: likely.pollinatedShare,
    ownAs: sameAs(likelySum(own, kernel) / Math.max(1, stand.plants), kernel),
    bySource: meeting.strangers
      .map((pair, i) => sourceShare(pair, likely.bySource[i]!, meeting))
      .sort((a, b) => b.likely - a.likely),
  };
}

/**
 * All that an arrival at a stand follows from, as plain data: where this is the same, so is the arrival.
 * @example groundsOf(scene([stand(1), stand(2)]), stand(1), airOver(scene([stand(2)]))).emitters.map((e) => e.key)
 *   // ["stand 2"]
 */
export const groundsOf = (place: Place, stand: SceneStand, air: Air) => ({
  stand,
  column: luckOf(place, stand),
  emitters: reaching(air, stand).map(({ emitter }) => emitter),
  kernel: place.kernels[stand.species.vector],
  barriers: place.barriers,
  windFrom: place.windFrom,
});

/**
 * The likely share alone, a small part of the work: what follows a finger, or leads a search over many plans.
 * @example likelyShare(scene([stand(1)]), stand(1), airOver(scene([stand(1)])), newWays()) // 0
 */
export const likelyShare = (scene: Scene, stand: SceneStand, air: Air, ways: Ways): number =>
  likelyOf(meetingAt(scene, stand, air, ways)).whole;

/** Of crossed seed the share by who fathered it: the stand itself, other stands of its line by their id, and all others. */
export type Fathers = { own: number; kin: Record<Id, number>; strangers: number };

/**
 * Who fathers a stand's crossed seed, as everything is likeliest: by the pollen that arrives at its open flowers from its own
 * plants, from other stands of its line, and from strangers.
 * @returns shares that sum to 1; all its own where no pollen meets it
 * @example fathersAt(scene([stand(1)]), stand(1)) // { own: 1, kin: {}, strangers: 0 }
 */
export function fathersAt(scene: Place, stand: SceneStand, air: Air = airOver(scene), ways: Ways = newWays()): Fathers {
  const { kin, strangers, female, ownMale, own, kernel } = meetingAt(scene, stand, air, ways);
  const cloud = ({ emitter, way, factor }: Pair) => ({
    ...emitter.male,
    strength: meanPlants(emitter) * factor * likelySum(way.spread, kernel),
  });
  const all = [{ ...ownMale, strength: likelySum(own, kernel) }, ...kin.map(cloud), ...strangers.map(cloud)];
  const { bySource, pollinatedShare } = mix(female, [], all);
  if (pollinatedShare === 0) return { own: 1, kin: {}, strangers: 0 };
  return {
    own: bySource[0]!,
    kin: Object.fromEntries(kin.map(({ emitter }, i) => [emitter.id, bySource[1 + i]!])),
    strangers: bySource.slice(1 + kin.length).reduce((a, b) => a + b, 0),
  };
}

/**
 * The shares that strangers father in the gardens drawn, were pollen to reach as a kernel says.
 * @example sharesReached(scene([stand(1)]), stand(1), { scale: 5, low: 5, high: 5, shape: 1.1 }, airOver(scene([])), newWays()).length
 *   // 1
 */
export function sharesReached(
  scene: Place,
  stand: SceneStand,
  kernel: KernelRange,
  air: Air,
  ways: Ways,
): Float64Array {
  const kernels = { ...scene.kernels, [stand.species.vector]: kernel };
  const meeting = meetingAt({ ...scene, kernels }, stand, air, ways);
  return meeting.strangers.length > 0 ? drawnShares(meeting, 1) : new Float64Array(1);
}

/** A way out is enough where the share exceeds what the line takes with no more than this chance. */
export const CHANCE_TAKEN = 0.1;

/** Draws of a first look, for a search over many plans. */
const FIRST_LOOK = 40;

/**
 * The likely share of a stand, whether it keeps its limit in nine gardens of ten, and how far it is from that where it
 * doesn't: a risk of 0, or the chance that it exceeds the limit as far as it was followed, above a tenth.
 * @param quick believe a first look, in which a likely share over the limit is a risk of 1
 * @example lookAt(scene([stand(1)]), stand(1), airOver(scene([stand(1)])), newWays()) // { share: 0, risk: 0 }
 */
export function lookAt(
  scene: Scene,
  stand: SceneStand,
  air: Air,
  ways: Ways,
  quick = false,
): { share: number; risk: number } {
  const meeting = meetingAt(scene, stand, air, ways);
  const share = likelyOf(meeting).whole;
  if (meeting.strangers.length === 0) return { share, risk: 0 };
  // Where the likely share is over so are most gardens.
  if (quick && share > stand.limit) return { share, risk: 1 };
  const draws = quick ? FIRST_LOOK : DRAWS;
  const most = Math.floor(CHANCE_TAKEN * draws);
  const drawn = drawnShares(meeting, stand.limit, most + 1, draws);
  const chance = shareOver(drawn, stand.limit);
  return { share, risk: chance * drawn.length <= most ? 0 : chance };
}

/**
 * Sources that could cross with a stand but shed no pollen while it may be open, with their days.
 * @example ((s) => apartFrom(s, s.stands[0], arrivalAt(s, s.stands[0])))(scene([stand(1), stand(2, { sowing: { sown:
 *   "2027-08-15" } })]))[0]?.name // "line 2"
 */
export function apartFrom(scene: Scene, stand: SceneStand, arrival: Arrival): { name: string; window: Window }[] {
  const met = new Set(arrival.bySource.map((s) => s.key));
  return reaching(airOver(scene), stand)
    .filter(({ emitter }) => minds(stand, emitter) && !met.has(emitter.key))
    .map(({ emitter }) => ({ name: emitter.name, window: emitter.window }));
}

/**
 * The arrival at every stand that bears seed.
 * @example [...arrivals(scene([stand(1), stand(2, { seedWanted: false })])).keys()] // ["1"]
 */
export function arrivals(scene: Place, ways: Ways = newWays()): Map<Id, Arrival> {
  const air = airOver(scene);
  return new Map(scene.stands.filter(bearsSeed).map((stand) => [stand.id, arrivalAt(scene, stand, air, ways)]));
}
