import { type Day, dayInWords } from "@/core/calendar/day";

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

export const FLOWERS = { open: "Open", covered: "Covered", hand: "Pollinated by hand", removed: "Taken off" } as const;

export const COVERS = { bags: "Bags", cage: "Cage", "alternate-cages": "Cage, opened on alternate days" } as const;

export const WINTERS = {
  lifted: "Lifted, stored cool, replanted",
  left: "Left in the ground, mulched",
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

export const FAULTS = { "found-open": "Found open", limp: "Limp", "torn-bag": "Bag torn" } as const;

/** The choices of a select from a table of words. */
export const choicesOf = (table: Record<string, string>) =>
  Object.entries(table).map(([value, label]) => ({ value, label }));

export const spanInWords = (start: Day, end: Day): string => `${dayInWords(start)} to ${dayInWords(end)}`;

/** A count with its noun. @example plural(1, "fruit") // "1 fruit" */
export const plural = (count: number, noun: string): string => `${count} ${noun}${count === 1 ? "" : "s"}`;

export const percent = (share: number): string => `${Math.round(share * 100)} %`;
