import type { Range } from "../flowering/facts";

/** What a step is timed by: dark, sunrise, the sun's highest point, or any hour of daylight. */
export type Anchor = "dusk" | "sunrise" | "noon" | "day";

/** Bands of a day, in the order in which they come. */
export const DAY_PARTS = ["dawn", "morning", "noon", "any-hour", "evening"] as const;
export type DayPart = (typeof DAY_PARTS)[number];

/** Whether what is done in a part of the day has its hour. @example isTimed("dawn") // true */
export const isTimed = (part: DayPart): boolean => part !== "any-hour";

/** What a step does, wherever it stands in a protocol. */
type Doing = {
  /** It makes flowers of a cross: how many is told with it. */
  begins: boolean;
  /** Pollen is gathered for it, at the father where the father has a part. */
  gathers: boolean;
  /** Pollen comes on: its hour, the males and how the bud was are kept; days to ripe seed count from it. */
  pollinates: boolean;
  /** It is done flower by flower, each with what was found. */
  each: boolean;
  /** It is done on fruit, not on flowers any more. */
  onFruit: boolean;
  /** It waits until seed is ripe. */
  ripens: boolean;
};
const doing = (is: Partial<Doing>): Doing => ({
  ...{ begins: false, gathers: false, pollinates: false, each: false, onFruit: false, ripens: false },
  ...is,
});

/** Steps that flowers can go through, in the order in which they come; a protocol has those it needs. */
const DOINGS = {
  cover: doing({ begins: true }),
  gather: doing({ gathers: true, each: true }),
  pollinate: doing({ pollinates: true, each: true }),
  uncover: doing({ each: true }),
  check: doing({ each: true, onFruit: true }),
  harvest: doing({ onFruit: true, ripens: true }),
};
export type StepAction = keyof typeof DOINGS;
export const ACTIONS = Object.keys(DOINGS) as StepAction[];

/** What a step does. @example doingOf({ action: "check" }).onFruit // true */
export const doingOf = ({ action }: { action: StepAction }): Doing => DOINGS[action];

/** A flower too early, right, or too late for a step. */
export const STAGES = ["early", "right", "late"] as const;
export type Stage = (typeof STAGES)[number];

/** What is done at the father for a step of the mother's flowers. */
export type FathersPart = {
  title: string;
  look: string;
  /** Male flowers, or tassels, for one flower of the mother; a working value. */
  each: number;
  /** What is counted: "male", "tassel". */
  unit: string;
};

export type ProtocolStep = {
  action: StepAction;
  anchor: Anchor;
  /** Hours from the anchor between which it is done; for `day` any hour of light will do. */
  hours: Range;
  /** Days after the step before it, of which the flower tells; harvest counts from pollination by the species' ripening. */
  after: Range;
  /** How often it is done over, and after how many days each time; null for a step that is done once. */
  again: { times: number; every: Range } | null;
  title: string;
  look: string;
  tooLate: string;
  tools: string;
  record: string;
  hazards: string[];
  /** What the flower looks like too early, right and too late, in words; drawn under the name `drawing`. */
  stages: Record<Stage, string> | null;
  drawing: string | null;
  /** What is done at the father for it; null where the mother is all there is to go to. */
  father: FathersPart | null;
};

export type Unit = "flower" | "ear" | "head" | "plant" | "group";

/** How one kind of flower is pollinated by hand, as data that the engine in `steps.ts` runs. */
export type Protocol = {
  id: string;
  name: string;
  flowerType: string;
  /** What is covered, tagged and counted. */
  unit: Unit;
  /** Whether pollen is another plant's, its own, or either. */
  serves: ("cross" | "self")[];
  why: string;
  steps: ProtocolStep[];
};

/**
 * The band of the day that a step belongs to.
 * @example dayPartOf({ anchor: "sunrise", hours: { low: 2, high: 5 } }) // "morning"
 */
export function dayPartOf({ anchor, hours }: Pick<ProtocolStep, "anchor" | "hours">): DayPart {
  if (anchor === "dusk") return "evening";
  if (anchor === "noon") return "noon";
  if (anchor === "day") return "any-hour";
  return hours.low < 1 ? "dawn" : "morning";
}

/**
 * Days from covering a flower to pollinating it, at the quickest.
 * @example leadDays({ steps: [{ action: "cover" }, { action: "gather", after: { low: 1, high: 2 } }, { action:
 *   "pollinate", after: { low: 2, high: 3 } }] }) // 3
 */
export function leadDays({ steps }: Protocol): number {
  const until = steps.findIndex((s) => doingOf(s).pollinates);
  return steps.slice(1, until + 1).reduce((sum, step) => sum + step.after.low, 0);
}

/** Colours that flowers are drawn in; those of the grasses and goosefoots are green. */
export const PETALS = ["white", "cream", "yellow", "orange", "red", "pink", "violet", "blue", "green"] as const;
export type Petals = (typeof PETALS)[number];
