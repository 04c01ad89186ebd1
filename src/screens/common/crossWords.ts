import { fatherInWords, parentName } from "@/core/custody/parents";
import { bedInWords } from "@/core/ground/bedInWords";

export const FAULTS = {
  "found-open": "Found open",
  limp: "Limp",
  "torn-bag": "Bag torn",
  "wrong-father": "Wrong father",
  unsure: "Unsure",
} as const;

export const STATES = {
  covered: "Covered",
  gathered: "Pollen gathered",
  pollinated: "Pollinated",
  uncovered: "Cover off",
  set: "Set",
  harvested: "Brought in",
  failed: "Not set",
  lost: "Lost",
  unusable: "Unusable",
} as const;

export const STORAGE_WORDS = {
  room: "dry, in a room",
  fridge: "dry, in the fridge",
  freezer: "dry, in the freezer",
} as const;

export const DAY_PART_WORDS = {
  dawn: "at dawn",
  morning: "in the morning",
  noon: "around noon",
  "any-hour": "at any hour of daylight",
  evening: "in the evening",
} as const;

type ParentsNamed = {
  motherName: string;
  motherNumber: number | null;
  fatherName: string;
  fatherNumber: number | null;
  moreFathers: number;
  kind: string;
};

/** Mother × father of a cross. @example "Ashlar Gold plant 3 × itself" */
export const parentsInWords = (cross: ParentsNamed): string =>
  `${parentName(cross.motherName, cross.motherNumber)} × ${fatherInWords(cross)}`;

/** Fathers and where each stands. */
export const fathersInWords = (fathers: { name: string; bed: string | null }[]): string =>
  fathers.map(({ name, bed }) => (bed ? `${name}, ${bedInWords(bed)}` : name)).join("; ");

/** Fruits that have set of those that are wanted. */
export const setInWords = (set: number, wanted: number): string =>
  set > wanted ? `${set} set, ${wanted} wanted` : `${set} of ${wanted} set`;
