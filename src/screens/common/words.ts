import { type Day, dayInWords } from "@/core/calendar/day";
import { fatherInWords, parentName } from "@/core/custody/parents";
import { bedInWords } from "@/core/ground/bedInWords";
import { hourInWords } from "@/core/writing/hours";

export const LINE_ENDINGS = { finished: "Finished", "given-up": "Given up", lost: "Lost" } as const;

export const SCHOOLS = {
  "keep-pure": "Keep pure",
  "cross-and-fix": "Cross and fix",
  "let-it-mix": "Let it mix",
} as const;

export const STATUSES = {
  "open-pollinated": "Open-pollinated",
  "f1-hybrid": "Bought F1 hybrid",
  "breeding-line": "Breeding line",
  mix: "Mix",
  wild: "Wild",
} as const;

export const FLOWERS = {
  open: "Uncovered",
  covered: "Covered",
  hand: "Pollinated by hand",
  removed: "Taken off",
} as const;

/** What a cage is hung with. */
export const MESHES = { net: "Insect net", cloth: "Spun or pollen-proof cloth" } as const;
export const COVERS = { bags: "Bags", cage: "Cage", "alternate-cages": "Cage, opened on alternate days" } as const;

/** Why a stand does not flower; its notes say more. */
export const FATES = {
  "killed-by-cold": "It will not flower: cold kills it first",
  "needs-winter": "It will not flower without a winter",
  "needs-other-days": "It will hardly flower: days are never right for it here",
  "too-little-warmth": "It will not flower: the open is too cool for it",
} as const;

export const SOWN_IN = {
  tray: "A tray, to be pricked out",
  cells: "Cells",
  pots: "Pots",
  ground: "Its place in the ground",
} as const;

export const WINTERS = {
  lifted: "Lifted, stored cool, replanted",
  left: "Left in the ground, thickly mulched",
  "late-sown": "Sown late, standing small",
} as const;

export const SOURCE_KINDS = {
  neighbour: "A neighbour's plants",
  field: "A field",
  wild: "A wild stand",
  ornamental: "Ornamentals",
} as const;

export const HARMS = {
  none: "No",
  bitter: "Yes, bitter or poisonous",
  hot: "Yes, hot among sweet",
  "male-sterile": "Yes, male-sterile hybrid",
  wild: "Yes, wild kin",
} as const;

export const MARKS = {
  none: "No mark",
  keep: "Keep",
  "seed-parent": "Seed parent",
  watch: "Watch",
  out: "Out",
} as const;

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

export const ANTHERS = {
  "as-species": "As the species usually has",
  yes: "Yes: take them out before pollinating",
  no: "No: only the stigma",
} as const;

/** The choices of a select from a table of words. */
export const choicesOf = (table: Record<string, string>) =>
  Object.entries(table).map(([value, label]) => ({ value, label }));

export const spanInWords = (start: Day, end: Day): string => `${dayInWords(start)} to ${dayInWords(end)}`;

export const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** The same of what is reckoned, not counted: never all, never none. */
export const reckonedPercent = (share: number): string => percent(Math.min(0.99, Math.max(0.01, share)));

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

/** When the first insects fly; bumblebees and honey bees at once on a mild morning. */
export const insectsInWords = ({ from, to }: { from: string; to: string }): string =>
  from === to ? `from ${hourInWords(from)}` : `${hourInWords(from)} to ${hourInWords(to)}`;

/** Fruits that have set of those that are wanted. */
export const setInWords = (set: number, wanted: number): string =>
  set > wanted ? `${set} set, ${wanted} wanted` : `${set} of ${wanted} set`;

/** Words as a sentence begins. */
export const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

export const LIFE_STATES = {
  keeps: "keeps",
  regrow: "last good year",
  failing: "under your limit",
  dead: "hardly alive",
} as const;

export const LIFE_TONES = {
  keeps: "text-moss",
  regrow: "text-quince",
  failing: "text-rust",
  dead: "text-rust",
} as const;

export const FRACTION_WORDS = {
  first: "first rubbed out",
  later: "rubbed out later",
  sunk: "sank",
  floated: "floated",
  best: "the best",
  "second-best": "second best, a reserve",
  ends: "ends of the ears",
} as const;

export const VESSEL_WORDS = {
  crate: "Crate",
  bag: "Paper bag",
  cup: "Cup",
  strainer: "Strainer",
  machine: "Machine",
  tray: "Tray",
  plate: "Plate",
  jar: "Jar",
} as const;

/** A share of seed as growers say it. A model is never certainty. @example "58 in 100" */
export function inHundred(share: number): string {
  if (share > 0.99) return "over 99 in 100";
  return share < 0.01 ? "under 1 in 100" : `${Math.round(share * 100)} in 100`;
}

/** Nothing is foretold farther than so many years. */
const FORETOLD = 20;

/** The year until which something keeps; a model is not asked for what is far off. @example "2031", "beyond 2047" */
export function yearInWords(day: Day, today: Day): string {
  const most = Number(today.slice(0, 4)) + FORETOLD;
  return Number(day.slice(0, 4)) > most ? `beyond ${most}` : day.slice(0, 4);
}

/** A share with its range of nine tenths. */
export function rangeInHundred({ low, likely, high }: { low: number; likely: number; high: number }): string {
  const [from, to] = [low, high].map((share) => Math.round(Math.min(0.99, share) * 100));
  return from === to ? inHundred(likely) : `${inHundred(likely)} (${from}–${to})`;
}
