import { addDays, type Day } from "../calendar/day";
import type { Frosts } from "../climate/frost";
import { frostBefore, nextFrost } from "../climate/season";
import type { Id } from "../custody/id";
import type { Flowering, Overwintering, Range } from "../flowering/facts";
import type { Ripening } from "../flowering/ripening";
import type { Cover, FlowerCare } from "../isolation/scene";
import type { RaisingStages } from "../seed/sowing";
import type { StageOfLife } from "../traits/trait";
import type { Act, Work } from "./work";

/** How a species is raised; days count from sowing. */
export type Raising = {
  how: "tray" | "ground";
  up: Range;
  prickOut: Range | null;
  /** Null for what is sown where it stays. */
  plantOut: Range | null;
  /** Share of good seed that comes up, 0–1. */
  emergence: Range;
};

/** What is to be scored next: at one stage, by name, and how many plants at the most. */
export type Scoring = { stage: StageOfLife; names: string[]; plants: number };

/** Plants to be kept in all rows of a generation, those that are, in how many rows, and those of this row. */
export type Choosing = { wanted: number; kept: number; rows: number; own: number };

/** What the engine of the work knows of a stand that lives, or is planned. */
export type LivingStand = {
  id: Id;
  /** Its sowing is not done yet, whatever day was meant for it. */
  planned: boolean;
  sown: Day;
  /** Plants wanted of a sowing, and those that stand. */
  wanted: number | null;
  plants: number | null;
  /** Males counted, where they are plants of their own. */
  males: number | null;
  sowedSeeds: number | null;
  /** Seeds that share a cell. */
  perCell: number;
  cameUp: number | null;
  upOn: Day | null;
  pottedOn: Day | null;
  plantedOut: Day | null;
  liftedOn: Day | null;
  replantedOn: Day | null;
  firstFlower: Day | null;
  overwinter: Overwintering | null;
  /** Its plants are those of the season before, and this is where they come through the winter. */
  wintering: "house" | "outside" | null;
  /** It flowers after a winter. */
  secondYear: boolean;
  tender: boolean;
  /** It needs a stake, a string or a net to stand upright. */
  staked: boolean;
  /** Its seed is in flesh that frost spoils. */
  fleshy: boolean;
  /** Males and females open on flowers of their own. */
  separateSexes: boolean;
  /** Males and females are plants of their own. */
  separatePlants: boolean;
  /** Its fruit is eaten, and is tasted before mothers are chosen. */
  tasted: boolean;
  ripeSign: string;
  seedWanted: boolean;
  /** A mix keeps what lives: nothing is rogued. */
  mix: boolean;
  /** An F1 or F2: its plants differ by the cross that they come of, and are scored and chosen among. */
  allDiffer: boolean;
  flowers: FlowerCare;
  cover: Cover | null;
  /** Its chosen plants are to be selfed or crossed among themselves by hand, and no such cross is planned yet. */
  fixing: boolean;
  /** Of a dividing family whose plants self by themselves what is chosen in it; null where nobody is to choose. */
  choosing: Choosing | null;
  /** It sets seed by itself, without insects or wind. */
  selfs: boolean;
  /** Within what distance, in words, to look for what else flowers: asked of one stand of each kind; null of the others. */
  around: string | null;
  removeEvery: number | null;
  /** Some of its flowers were handled already: that it flowers is known. */
  handled: boolean;
  /** Its seed lies in the drawer as a lot. */
  gathered: boolean;
  /** What its plants are still to be scored on. */
  scoring: Scoring | null;
  window: Flowering;
  ripening: Ripening;
  raising: Raising;
  /** What gets through each stage of raising, from seed to the plant in its place. */
  stages: RaisingStages;
  frosts: Frosts | null;
  /** The next night that the station expects frost of, and the next day it expects rain. */
  frostNight: Day | null;
  rainDay: Day | null;
  /** When each act was last done, and what it was put off to; null for never again. */
  done: ReadonlyMap<Act, Day>;
  putOff: ReadonlyMap<Act, Day | null>;
};

/**
 * The name of an act on a stand.
 * @example keyOf({ id: "1" }, "sow") // "sow 1"
 */
export const keyOf = ({ id }: Pick<LivingStand, "id">, act: Act): string => `${act} ${id}`;

type Told = Pick<Work, "what" | "from"> & Partial<Omit<Work, "key" | "act">>;

/** Minutes of an act: some to begin with, and some for each that is counted. Working values. */
const MINUTES: Record<Act, { once: number; each: number }> = {
  sow: { once: 10, each: 0.2 },
  "look-up": { once: 3, each: 0 },
  thin: { once: 10, each: 0.3 },
  stake: { once: 15, each: 0.7 },
  "prick-out": { once: 10, each: 0.5 },
  harden: { once: 5, each: 0 },
  "plant-out": { once: 15, each: 1 },
  "winter-way": { once: 3, each: 0 },
  mulch: { once: 20, each: 0.2 },
  lift: { once: 15, each: 0.7 },
  "look-store": { once: 10, each: 0 },
  replant: { once: 15, each: 1 },
  "count-living": { once: 5, each: 0.1 },
  "look-around": { once: 30, each: 0 },
  rogue: { once: 10, each: 0.2 },
  cover: { once: 15, each: 0.5 },
  "first-flower": { once: 2, each: 0 },
  sexes: { once: 10, each: 0.3 },
  "males-out": { once: 10, each: 0.3 },
  score: { once: 5, each: 0.3 },
  choose: { once: 15, each: 0 },
  bolters: { once: 5, each: 0.1 },
  self: { once: 15, each: 0 },
  "flowers-off": { once: 10, each: 0.2 },
  cage: { once: 10, each: 0.1 },
  uncover: { once: 10, each: 0.2 },
  taste: { once: 10, each: 1 },
  cut: { once: 15, each: 0.5 },
  pick: { once: 15, each: 0.4 },
  "bring-in": { once: 15, each: 0.5 },
  gather: { once: 20, each: 0.5 },
  keep: { once: 15, each: 0 },
};

/** Minutes that an act takes before the first plant is reached, once a walk. @example onceOf("stake") // 15 */
export const onceOf = (act: Act): number => MINUTES[act].once;

/**
 * A piece of work on a stand; its best day is not before its first one, its last chance not before
 * its best day.
 * @example work(living(), "thin", { what: "Thin", from: "2027-05-20", last: "2027-05-01" }).last // "2027-05-20"
 */
export function work(stand: LivingStand, act: Act, told: Told): Work {
  const { count = stand.plants ?? stand.wanted, from } = told;
  const best = told.best && told.best > from ? told.best : from;
  const last = told.last && told.last < best ? best : (told.last ?? null);
  const { once, each } = MINUTES[act];
  return {
    part: "any-hour",
    how: "",
    otherwise: null,
    waitsFor: [],
    ...told,
    key: keyOf(stand, act),
    act,
    count,
    best,
    last,
    minutes: Math.round(once + each * (count ?? 0)),
  };
}

/**
 * The winter that a crop of the second year stands through, the one before it flowers: its usual first and last frost;
 * where none is known, the months before.
 * @example winterOf(living({ secondYear: true })) // { start: "2027-10-06", end: "2028-05-14" }
 */
export function winterOf({ sown, window, frosts }: LivingStand): { start: Day; end: Day } {
  if (!frosts) return { start: addDays(window.start, -210), end: addDays(window.start, -90) };
  const before = frostBefore(window.start, frosts.first.day);
  const start = before < sown ? sown : before;
  const end = nextFrost(start, frosts.last.day);
  return { start, end: end < window.earliest ? end : window.earliest };
}
