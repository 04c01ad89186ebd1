import { dayNumber } from "../calendar/day";
import type { Id } from "../custody/id";
import { flowersAtAll, type Window } from "../flowering/facts";
import { cornersOf, type Point } from "../ground/shape";
import type { Days } from "./contamination";
import type { Harm, Mesh, SceneSource, SceneStand } from "./scene";

/** Pollen that still gets through, by what keeps it in or out. Working values, all of them. */
export const LEAKS = {
  /** Bags, and cages that hold back what would carry the pollen. */
  cover: 0.02,
  /** Insect net passes grains that the wind carries, 20 to 100 µm across: about half of them. */
  netInWind: 0.5,
  /** A cage opened every second day lets half of the rest of the world in. */
  opened: 0.5,
  /** Two cages of a pair are never open on the same day; what insects carry over stays. */
  pair: 0.05,
  hand: 0.01,
} as const;

/**
 * The share of pollen that a stand's cover lets through. Of a cage nobody said of what, net is believed: it holds less.
 * @example coverLeaks({ cover: "cage", mesh: null, species: { vector: "wind" } }) // 0.5
 */
export function coverLeaks({ cover, mesh, species }: Pick<SceneStand, "cover" | "mesh" | "species">): number {
  if (cover === "bags") return LEAKS.cover;
  const cage = species.vector === "wind" && mesh !== "cloth" ? LEAKS.netInWind : LEAKS.cover;
  return cover === "alternate-cages" ? Math.max(LEAKS.opened, cage) : cage;
}

/**
 * The share of flowers that open between walks every so many days. Working value: a flower sheds within a few days.
 * @example missedBetweenWalks(7) // 0.503
 */
export const missedBetweenWalks = (days: number): number => 1 - Math.exp(-days / 10);

/**
 * What a cage must be hung with to hold what carries a stand's pollen.
 * @example meshFor(stand(1)) // "net"
 */
export const meshFor = ({ species }: Pick<SceneStand, "species">): Mesh =>
  species.vector === "wind" ? "cloth" : "net";

export type Emitter = {
  key: string;
  /** Where it stands, in short: what the ways from it are kept under. */
  place: string;
  kind: "stand" | "source";
  id: Id;
  lineId: Id | null;
  name: string;
  harm: Harm;
  species: SceneStand["species"];
  outline: Point[];
  /** The column of what may come about otherwise for it. */
  column: number;
  /** Plants that shed, what keeps their pollen in counted. */
  plants: number;
  /** How sure it is that they are there. */
  presence: number;
  agreed: boolean;
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

/**
 * A place in short, the same for the same ground.
 * @param outline corners in order
 * @example placeOf([{ x: 0, y: 1 }, { x: 2, y: 3 }]) // "0,1 2,3"
 */
export const placeOf = (outline: Point[]): string => outline.map(({ x, y }) => `${x},${y}`).join(" ");

/**
 * What a stand sheds, in plants, by how its flowers are kept; null where nothing gets out.
 * @example standEmits(stand(1, { flowers: "covered", cover: "cage" }))?.plants // 0.4
 */
export function standEmits(stand: SceneStand, column = 0): Emitter | null {
  const leak = {
    open: 1,
    hand: 1,
    covered: coverLeaks(stand),
    removed: stand.removeEvery ? missedBetweenWalks(stand.removeEvery) : 0,
  }[stand.flowers];
  if (leak === 0 || stand.plants === 0 || !flowersAtAll(stand.window)) return null;
  const outline = cornersOf(stand.bed);
  return {
    key: `stand ${stand.id}`,
    place: placeOf(outline),
    kind: "stand",
    id: stand.id,
    lineId: stand.lineId,
    name: stand.name,
    harm: stand.harm,
    species: stand.species,
    outline,
    column,
    plants: stand.plants * leak,
    presence: 1,
    agreed: false,
    male: daysOf(stand.window.male),
    window: stand.window.male,
    doubt: doubtOf(stand.window.male),
    alternate: stand.flowers === "covered" && stand.cover === "alternate-cages",
  };
}

/**
 * What a neighbour's promise may come to: kept by half of those who gave one, half forgotten by three in ten, who leave
 * this share of their flowers on, forgotten by the rest. Working values.
 */
const PROMISE = { kept: 0.5, half: 0.8, leaves: 0.3 };

/**
 * The share of a source that flowers all the same where something was agreed.
 * @param luck 0–1
 * @example [0.2, 0.6, 0.9].map(promiseLeaves) // [0, 0.3, 1]
 */
export const promiseLeaves = (luck: number): number =>
  luck < PROMISE.kept ? 0 : luck < PROMISE.half ? PROMISE.leaves : 1;

/** The same in the mean. */
const PROMISE_LEAVES = (PROMISE.half - PROMISE.kept) * PROMISE.leaves + (1 - PROMISE.half);

/**
 * Plants that shed, in the mean over whether they are there and what a promise comes to.
 * @example meanPlants({ plants: 30, presence: 0.5, agreed: false }) // 15
 */
export const meanPlants = ({ plants, presence, agreed }: Pick<Emitter, "plants" | "presence" | "agreed">): number =>
  plants * presence * (agreed ? PROMISE_LEAVES : 1);

/**
 * What a source beyond the fence sheds.
 * @example meanPlants(sourceEmits(source(9, 30, { presence: 0.5 }))) // 15
 */
export function sourceEmits(source: SceneSource, column = 0): Emitter {
  return {
    key: `source ${source.id}`,
    place: placeOf(source.outline),
    kind: "source",
    id: source.id,
    lineId: null,
    name: source.name,
    harm: source.harm,
    species: source.species,
    outline: source.outline,
    column,
    plants: source.plants,
    presence: source.presence,
    agreed: source.agreed,
    male: daysOf(source.male),
    window: source.male,
    doubt: doubtOf(source.male),
    alternate: false,
  };
}
