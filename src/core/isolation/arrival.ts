import { dayNumber } from "../calendar/day";
import type { Id } from "../custody/id";
import type { Window } from "../flowering/forecast";
import { positions } from "../ground/planting";
import { bearingTo, cornersOf, distance, gap, meetsPath, middleOf, type Point } from "../ground/shape";
import { type Cloud, type Days, mix } from "./contamination";
import { DEGREES, type Degree, degreeOf } from "./crossing";
import { KERNELS, type KernelRange, reach, windFactor } from "./kernel";
import type { Harm, Scene, SceneSource, SceneStand } from "./scene";

/** A share with the range that uncertain windows, distances, kernel and presence give it, 0–1. */
export type Share = { low: number; likely: number; high: number };

/** A share whose ends may have come out the wrong way round. */
const ordered = (low: number, likely: number, high: number): Share => ({
  low: Math.min(low, likely, high),
  likely,
  high: Math.max(low, likely, high),
});

/** What lies between a stand and a source. */
export type Way = { near: number; middle: number; far: number; wind: number; barrier: number; between: string[] };

/** Ways that were reckoned once, by the places at both ends; kept by the caller while nothing on the ground moves. */
export type Ways = Map<string, Way>;

export type SourceShare = Share & {
  /** `stand 3` or `source 2`. */
  key: string;
  kind: "stand" | "source";
  id: Id;
  name: string;
  harm: Harm;
  way: Way;
  /** Days that its pollen and the stand's open stigmas share, by the likely windows. */
  days: number;
  degree: Degree;
  /** Plants that shed, what keeps pollen in and the odds of their being there counted. */
  sheds: number;
  male: { start: string; end: string };
};

export type Arrival = Share & { bySource: SourceShare[]; pollinatedShare: number };

/** Pollen that still gets through, by what keeps it in or out. Working values, all of them. */
const LEAKS = {
  bags: 0.02,
  cage: 0.02,
  /** A cage opened every second day lets half of the rest of the world in. */
  "alternate-cages": 0.5,
  /** Two cages of a pair are never open on the same day; what insects carry over stays. */
  pair: 0.05,
  hand: 0.01,
} as const;

/** The share of flowers that open between walks every so many days. Working value: a flower sheds within a few days. */
export const missedBetweenWalks = (days: number): number => 1 - Math.exp(-days / 10);

type Emitter = {
  key: string;
  place: string;
  kind: "stand" | "source";
  id: Id;
  lineId: Id | null;
  name: string;
  harm: Harm;
  species: SceneStand["species"];
  outline: Point[];
  strength: Share;
  male: Days;
  window: Window;
  doubt: number;
  alternate: boolean;
};

const daysOf = (window: Window): Days => ({ start: dayNumber(window.start), end: dayNumber(window.end) });
/** Days by which a window may lie earlier or later than forecast. */
const doubtOf = (window: Window): number =>
  (dayNumber(window.start) - dayNumber(window.earliest) + dayNumber(window.latest) - dayNumber(window.end)) / 2;

const even = (share: number): Share => ({ low: share, likely: share, high: share });

function standEmits(stand: SceneStand): Emitter | null {
  const leak = {
    open: 1,
    hand: 1,
    covered: LEAKS[stand.cover ?? "cage"],
    removed: stand.removeEvery ? missedBetweenWalks(stand.removeEvery) : 0,
  }[stand.flowers];
  if (leak === 0 || stand.plants === 0) return null;
  return {
    key: `stand ${stand.id}`,
    place: `bed ${stand.bed.id}`,
    kind: "stand",
    id: stand.id,
    lineId: stand.lineId,
    name: stand.name,
    harm: stand.harm,
    species: stand.species,
    outline: cornersOf(stand.bed),
    strength: even(stand.plants * leak),
    male: daysOf(stand.window.male),
    window: stand.window.male,
    doubt: doubtOf(stand.window.male),
    alternate: stand.flowers === "covered" && stand.cover === "alternate-cages",
  };
}

/** From this certainty on a source counts as there even at the low end. */
const SURE = 0.95;
/** What a neighbour's promise may leave: kept, half kept, forgotten. Working values. */
const PROMISE: Share = { low: 0, likely: 0.3, high: 1 };

function sourceEmits(source: SceneSource): Emitter {
  const { plants, presence } = source;
  const promise = source.agreed ? PROMISE : even(1);
  return {
    key: `source ${source.id}`,
    place: `source ${source.id}`,
    kind: "source",
    id: source.id,
    lineId: null,
    name: source.name,
    harm: source.harm,
    species: source.species,
    outline: source.outline,
    strength: {
      low: presence >= SURE ? plants * promise.low : 0,
      likely: plants * presence * promise.likely,
      high: presence > 0 ? plants * promise.high : 0,
    },
    male: daysOf(source.male),
    window: source.male,
    doubt: doubtOf(source.male),
    alternate: false,
  };
}

/** Where seed is taken: the whole bed, or the plants farthest from the strongest source. */
function seedOutline(stand: SceneStand, candidates: Reaching[]): Point[] {
  const outline = cornersOf(stand.bed);
  if (!stand.saveFrom || stand.saveFrom >= stand.plants) return outline;
  const emitters = candidates.map((c) => c.emitter).filter((emitter) => minds(stand, emitter));
  if (emitters.length === 0) return outline;
  const pull = (e: Emitter) => e.strength.likely / Math.max(1, distance(middleOf(e.outline), middleOf(outline))) ** 2;
  const strongest = emitters.reduce((a, b) => (pull(b) > pull(a) ? b : a));
  const from = middleOf(strongest.outline);
  const spots = positions(stand.plants, stand.bed).sort((a, b) => distance(b, from) - distance(a, from));
  return [middleOf(spots.slice(0, Math.max(1, Math.round((spots.length * stand.saveFrom) / stand.plants))))];
}

function wayBetween(scene: Scene, from: Emitter, to: Point[], wind: boolean): Way {
  const near = gap(from.outline, to);
  const [a, b] = [middleOf(from.outline), middleOf(to)];
  const middle = Math.max(near, distance(a, b));
  const crossed = scene.barriers.filter((barrier) => meetsPath(a, b, barrier.path));
  return {
    near,
    middle,
    far: 2 * middle - near,
    wind: wind ? windFactor(scene.windFrom, bearingTo(a, b)) : 1,
    barrier: crossed.reduce((factor, barrier) => factor * barrier.factor, 1),
    between: crossed.map((barrier) => barrier.name),
  };
}

/** Whether an emitter is another stand of the same line: its pollen is the stand's own. */
const isKin = (stand: SceneStand, emitter: Emitter): boolean =>
  emitter.lineId === stand.lineId && emitter.key !== `stand ${stand.id}`;

/** Whether pollen of an emitter is unwanted on a stand: a mix minds only what does harm. */
const minds = (stand: SceneStand, emitter: Emitter): boolean =>
  emitter.lineId !== stand.lineId &&
  (stand.school !== "let-it-mix" || (emitter.harm !== "none" && emitter.harm !== stand.harm));

/** Whether a stand's seed is asked about at all. */
export const bearsSeed = (stand: SceneStand): boolean =>
  stand.seedWanted && !stand.bed.outside && stand.flowers !== "removed";

const receptorLeak = (stand: SceneStand, emitter: Emitter): number => {
  if (stand.flowers === "hand") return LEAKS.hand;
  if (stand.flowers !== "covered") return 1;
  if (stand.cover === "alternate-cages" && emitter.alternate) return LEAKS.pair / LEAKS["alternate-cages"];
  return LEAKS[stand.cover ?? "cage"];
};

const meet = (a: Days, b: Days): number => Math.max(0, Math.min(a.end, b.end) - Math.max(a.start, b.start) + 1);

/** The window moved towards the stand's (by +1) or away from it (by −1) as far as both forecasts leave open. */
function movedBy(male: Days, female: Days, doubt: number, towards: 1 | -1): Days {
  const between = (female.start + female.end - male.start - male.end) / 2;
  const by = towards > 0 ? Math.sign(between) * Math.min(Math.abs(between), doubt) : between > 0 ? -doubt : doubt;
  const days = Math.round(by);
  return { start: male.start + days, end: male.end + days };
}

type Pair = { emitter: Emitter; degree: Degree; way: Way; factor: number; doubt: number };

/** All that meets at a stand's flowers: its own line's other stands count as its own pollen. */
type Meeting = {
  stand: SceneStand;
  kin: Pair[];
  strangers: Pair[];
  female: Days;
  ownMale: Days;
  kernel: KernelRange;
};

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

type Reaching = { emitter: Emitter; degree: Degree; factor: number };

/** Everything that sheds pollen, by species that it can reach. */
export type Air = {
  emitters: Emitter[];
  bySpecies: Map<string, Reaching[]>;
};

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

/** The likely share alone, a third of the work: what a search over many plans runs on. */
export const likelyShare = (scene: Scene, stand: SceneStand, air: Air, ways: Ways): number =>
  shareWith("likely", meetingAt(scene, stand, air, ways, false)).whole;

/** Sources that could cross with a stand but shed no pollen while it may be open, with their days. */
export function apartFrom(scene: Scene, stand: SceneStand, arrival: Arrival): { name: string; window: Window }[] {
  const met = new Set(arrival.bySource.map((s) => s.key));
  return reaching(airOver(scene), stand)
    .filter(({ emitter }) => minds(stand, emitter) && !met.has(emitter.key))
    .map(({ emitter }) => ({ name: emitter.name, window: emitter.window }));
}

/** The arrival at every stand that bears seed. */
export function arrivals(scene: Scene, ways: Ways = new Map()): Map<Id, Arrival> {
  const air = airOver(scene);
  return new Map(scene.stands.filter(bearsSeed).map((stand) => [stand.id, arrivalAt(scene, stand, air, ways)]));
}
