import { flowersAtAll } from "../flowering/facts";
import { positions } from "../ground/planting";
import { bearingTo, cornersOf, distance, gap, meetsPath, middleOf, type Point } from "../ground/shape";
import type { Days } from "./contamination";
import type { Degree } from "./crossing";
import { coverLeaks, type Emitter, LEAKS, meanPlants } from "./emitter";
import { type KernelRange, windFactor } from "./kernel";
import type { Scene, SceneStand } from "./scene";
import type { Way } from "./share";
import { type Spread, spreadBetween } from "./spread";

export type Reaching = { emitter: Emitter; degree: Degree; factor: number };

/**
 * Where seed is taken: the whole bed, or the plants farthest from the strongest source.
 * @example seedOutline(stand(1), []).length // 4
 */
export function seedOutline(stand: SceneStand, candidates: Reaching[]): Point[] {
  const outline = cornersOf(stand.bed);
  if (!stand.saveFrom || stand.saveFrom >= stand.plants) return outline;
  const emitters = candidates.map((c) => c.emitter).filter((emitter) => minds(stand, emitter));
  if (emitters.length === 0) return outline;
  const pull = (e: Emitter) => meanPlants(e) / Math.max(1, distance(middleOf(e.outline), middleOf(outline))) ** 2;
  const strongest = emitters.reduce((a, b) => (pull(b) > pull(a) ? b : a));
  const from = middleOf(strongest.outline);
  const spots = positions(stand.plants, stand.bed).sort((a, b) => distance(b, from) - distance(a, from));
  return [middleOf(spots.slice(0, Math.max(1, Math.round((spots.length * stand.saveFrom) / stand.plants))))];
}

/**
 * What lies between a source and where seed is taken: metres, the wind's factor where wind carries it, and barriers.
 * @example wayBetween(scene([], { barriers: [hedge(1)] }), { outline: [{ x: 0, y: 0 }] }, [{ x: 3, y: 4 }], false)
 *   .between // ["hedge 1"]
 */
export function wayBetween(
  scene: Pick<Scene, "barriers" | "windFrom">,
  from: Emitter,
  to: Point[],
  wind: boolean,
): Way {
  const near = gap(from.outline, to);
  const [a, b] = [middleOf(from.outline), middleOf(to)];
  const middle = Math.max(near, distance(a, b));
  const crossed = scene.barriers.filter((barrier) => meetsPath(a, b, barrier.path));
  return {
    near,
    middle,
    wind: wind ? windFactor(scene.windFrom, bearingTo(a, b)) : 1,
    barrier: crossed.reduce((factor, barrier) => factor * barrier.factor, 1),
    between: crossed.map((barrier) => barrier.name),
    spread: spreadBetween(from.outline, to),
  };
}

/**
 * Whether an emitter is another stand of the same line: its pollen is the stand's own.
 * @example isKin(stand(1, { lineId: "a" }), { lineId: "a", key: "stand 2" }) // true
 */
export const isKin = (stand: SceneStand, emitter: Emitter): boolean =>
  emitter.lineId === stand.lineId && emitter.key !== `stand ${stand.id}`;

/**
 * Whether pollen of an emitter is unwanted on a stand: a mix minds only what does harm.
 * @example minds(stand(1, { school: "let-it-mix" }), { lineId: "b", harm: "none" }) // false
 */
export const minds = (stand: SceneStand, emitter: Emitter): boolean =>
  emitter.lineId !== stand.lineId &&
  (stand.school !== "let-it-mix" || (emitter.harm !== "none" && emitter.harm !== stand.harm));

/** Whether a stand's seed is asked about at all. @example bearsSeed(stand(1, { flowers: "removed" })) // false */
export const bearsSeed = (stand: SceneStand): boolean =>
  stand.seedWanted && !stand.bed.outside && stand.flowers !== "removed" && flowersAtAll(stand.window);

/**
 * The share of an emitter's pollen that gets at a stand's flowers, by how they are kept.
 * @example receptorLeak(stand(1, { flowers: "covered", cover: "alternate-cages" }), { alternate: true }) // 0.1
 */
export const receptorLeak = (stand: SceneStand, emitter: Emitter): number => {
  if (stand.flowers === "hand") return LEAKS.hand;
  if (stand.flowers !== "covered") return 1;
  if (stand.cover === "alternate-cages" && emitter.alternate) return LEAKS.pair / LEAKS.opened;
  return coverLeaks(stand);
};

/** Days that two numbered spans share. @example meet({ start: 1, end: 5 }, { start: 4, end: 9 }) // 2 */
export const meet = (a: Days, b: Days): number => Math.max(0, Math.min(a.end, b.end) - Math.max(a.start, b.start) + 1);

export type Pair = { emitter: Emitter; degree: Degree; way: Way; factor: number };

/** All that meets at a stand's flowers: its own line's other stands count as its own pollen. */
export type Meeting = {
  stand: SceneStand;
  /** The column of the stand's own luck. */
  column: number;
  kin: Pair[];
  strangers: Pair[];
  female: Days;
  ownMale: Days;
  /** Days by which its own flowering may err. */
  doubt: number;
  /** The ways between its own plants. */
  own: Spread;
  kernel: KernelRange;
};
