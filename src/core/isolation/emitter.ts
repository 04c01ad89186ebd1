import { dayNumber } from "../calendar/day";
import type { Id } from "../custody/id";
import { flowersAtAll, type Window } from "../flowering/facts";
import { cornersOf, type Point } from "../ground/shape";
import type { Days } from "./contamination";
import type { Harm, SceneSource, SceneStand } from "./scene";
import type { Share } from "./share";

/** Pollen that still gets through, by what keeps it in or out. Working values, all of them. */
export const LEAKS = {
  bags: 0.02,
  cage: 0.02,
  /** A cage opened every second day lets half of the rest of the world in. */
  "alternate-cages": 0.5,
  /** Two cages of a pair are never open on the same day; what insects carry over stays. */
  pair: 0.05,
  hand: 0.01,
} as const;

/**
 * The share of flowers that open between walks every so many days. Working value: a flower sheds within a few days.
 * @example missedBetweenWalks(7) // 0.503
 */
export const missedBetweenWalks = (days: number): number => 1 - Math.exp(-days / 10);

export type Emitter = {
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

/**
 * A window's likely days, numbered.
 * @example daysOf({ start: "1970-01-02", end: "1970-01-05" }) // { start: 1, end: 4 }
 */
export const daysOf = (window: Window): Days => ({ start: dayNumber(window.start), end: dayNumber(window.end) });

/**
 * Days by which a window may lie earlier or later than forecast.
 * @example doubtOf({ earliest: "2027-06-15", start: "2027-06-20", end: "2027-07-25", latest: "2027-08-01" }) // 6
 */
export const doubtOf = (window: Window): number =>
  (dayNumber(window.start) - dayNumber(window.earliest) + dayNumber(window.latest) - dayNumber(window.end)) / 2;

const even = (share: number): Share => ({ low: share, likely: share, high: share });

/**
 * What a stand sheds, in plants, by how its flowers are kept; null where nothing gets out.
 * @example standEmits(stand(1, { flowers: "covered", cover: "cage" }))?.strength // { low: 0.4, likely: 0.4, high: 0.4
 *   }
 */
export function standEmits(stand: SceneStand): Emitter | null {
  const leak = {
    open: 1,
    hand: 1,
    covered: LEAKS[stand.cover ?? "cage"],
    removed: stand.removeEvery ? missedBetweenWalks(stand.removeEvery) : 0,
  }[stand.flowers];
  if (leak === 0 || stand.plants === 0 || !flowersAtAll(stand.window)) return null;
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

/**
 * What a source beyond the fence sheds, in plants, by how sure it is that it is there and what was agreed.
 * @example sourceEmits(source(9, 30, { presence: 0.5 })).strength // { low: 0, likely: 15, high: 30 }
 */
export function sourceEmits(source: SceneSource): Emitter {
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
