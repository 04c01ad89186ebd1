import type { Id } from "../custody/id";
import type { Window } from "../flowering/facts";
import { type Cloud, type Days, mix } from "./contamination";
import { DEGREES, degreeOf } from "./crossing";
import { daysOf, doubtOf, type Emitter, sourceEmits, standEmits } from "./emitter";
import { KERNELS, reach } from "./kernel";
import {
  bearsSeed,
  isKin,
  type Meeting,
  meet,
  minds,
  movedBy,
  type Pair,
  type Reaching,
  receptorLeak,
  seedOutline,
  wayBetween,
} from "./meeting";
import type { Scene, SceneStand } from "./scene";
import { type Arrival, ordered, type Share, type SourceShare, type Ways } from "./share";

function cloudOf(
  { emitter, way, factor, doubt }: Pair,
  end: keyof Share,
  female: Days,
  scale: number,
  shape: number,
): Cloud {
  const metres = end === "low" ? way.far : end === "high" ? way.near : way.middle;
  const male = end === "likely" ? emitter.male : movedBy(emitter.male, female, doubt, end === "high" ? 1 : -1);
  return { ...male, strength: emitter.strength[end] * factor * reach(metres, scale, shape) };
}

function shareWith(end: keyof Share, { stand, kin, strangers, female, ownMale, kernel }: Meeting) {
  const scale = end === "likely" ? kernel.scale : kernel[end];
  const outcrossing =
    end === "likely"
      ? (stand.species.outcrossing.low + stand.species.outcrossing.high) / 2
      : stand.species.outcrossing[end];
  const own: Cloud = { ...ownMale, strength: Math.max(1, stand.plants) * reach(stand.spacing, scale, kernel.shape) };
  const cloud = (pair: Pair) => cloudOf(pair, end, female, scale, kernel.shape);
  const mixed = mix(female, [own, ...kin.map(cloud)], strangers.map(cloud));
  return {
    whole: outcrossing * mixed.foreign,
    bySource: mixed.bySource.map((share) => share * outcrossing),
    pollinatedShare: mixed.pollinatedShare,
  };
}

// Field by field: spreading the share here took most of a recalculation's time.
function sourceShare({ emitter, way, degree }: Pair, share: Share, female: Days): SourceShare {
  return {
    low: share.low,
    likely: share.likely,
    high: share.high,
    key: emitter.key,
    kind: emitter.kind,
    id: emitter.id,
    name: emitter.name,
    harm: emitter.harm,
    way,
    days: meet(emitter.male, female),
    degree,
    sheds: emitter.strength.likely,
    male: emitter.window,
  };
}

/** Everything that sheds pollen, by species that it can reach. */
export type Air = {
  emitters: Emitter[];
  bySpecies: Map<string, Reaching[]>;
};

/**
 * All that sheds pollen in a scene; what reaches which species is found as it is asked for.
 * @example airOver(scene([stand(1)], { sources: [source(9, 30)] })).emitters.map((e) => e.key) // ["stand 1", "source
 *   9"]
 */
export function airOver(scene: Scene): Air {
  const emitters = [...scene.stands.map(standEmits).filter((e) => e !== null), ...scene.sources.map(sourceEmits)];
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

/** What meets at a stand's flowers, with windows that may move by their doubt, or as they are likeliest. */
function meetingAt(scene: Scene, stand: SceneStand, air: Air, ways: Ways, doubtful: boolean): Meeting {
  const female = daysOf(stand.window.female);
  const ownDoubt = doubtful ? doubtOf(stand.window.female) : 0;
  const candidates = reaching(air, stand);
  const outline = seedOutline(stand, candidates);
  const whole = outline.length > 1;
  const wind = stand.species.vector === "wind";
  const kin: Pair[] = [];
  const strangers: Pair[] = [];
  for (const { emitter, degree, factor } of candidates) {
    const own = isKin(stand, emitter);
    if (!own && !minds(stand, emitter)) continue;
    const doubt = own || !doubtful ? 0 : Math.hypot(emitter.doubt, ownDoubt);
    if (emitter.male.start - doubt > female.end || emitter.male.end + doubt < female.start) continue;
    const key = `${emitter.place}|${stand.bed.id}|${stand.species.vector}`;
    const known = whole ? ways.get(key) : undefined;
    const way = known ?? wayBetween(scene, emitter, outline, wind);
    if (whole && !known) ways.set(key, way);
    const through = factor * way.wind * way.barrier * receptorLeak(stand, emitter);
    (own ? kin : strangers).push({ emitter, degree, way, doubt, factor: through });
  }
  return { stand, kin, strangers, female, ownMale: daysOf(stand.window.male), kernel: KERNELS[stand.species.vector] };
}

/**
 * The share of a stand's seed that strangers may father, whole and by source, each with its low–high range.
 *
 * `contamination` of methods, with the kernel of the species' vector, distances between middles (low: far edges, high:
 * near edges), windows moved apart or together as far as their forecasts leave open, the outcrossing share's range, and
 * a source's presence (low: there only if sure; likely: in proportion; high: there). An order of magnitude.
 * @param ways kept by the caller between calls while nothing on the ground moves
 * @example arrivalAt(scene([stand(1)], { sources: [source(9, 30)] }), stand(1)).bySource.map((s) => s.days) // [31]
 */
export function arrivalAt(scene: Scene, stand: SceneStand, air: Air = airOver(scene), ways: Ways = new Map()): Arrival {
  const meeting = meetingAt(scene, stand, air, ways, true);
  const [likely, low, high] = [shareWith("likely", meeting), shareWith("low", meeting), shareWith("high", meeting)];
  return {
    ...ordered(low.whole, likely.whole, high.whole),
    pollinatedShare: likely.pollinatedShare,
    bySource: meeting.strangers
      .map((pair, i) =>
        sourceShare(pair, ordered(low.bySource[i]!, likely.bySource[i]!, high.bySource[i]!), meeting.female),
      )
      .sort((a, b) => b.likely - a.likely || b.high - a.high),
  };
}

/**
 * The likely share alone, a third of the work: what a search over many plans runs on.
 * @example likelyShare(scene([stand(1)]), stand(1), airOver(scene([stand(1)])), new Map()) // 0
 */
export const likelyShare = (scene: Scene, stand: SceneStand, air: Air, ways: Ways): number =>
  shareWith("likely", meetingAt(scene, stand, air, ways, false)).whole;

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
export function arrivals(scene: Scene, ways: Ways = new Map()): Map<Id, Arrival> {
  const air = airOver(scene);
  return new Map(scene.stands.filter(bearsSeed).map((stand) => [stand.id, arrivalAt(scene, stand, air, ways)]));
}
