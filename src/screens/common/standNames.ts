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

export const GROWN_FOR = { 1: "Seed", 0: "Eating only" } as const;

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

/** What stands in a plant's corner for its mark: the key that gives it. */
export const MARK_SIGNS = { none: "", keep: "k", "seed-parent": "s", watch: "w", out: "o" } as const;

export const ANTHERS = {
  "as-species": "As the species usually has",
  yes: "Yes: take them out before pollinating",
  no: "No: only the stigma",
} as const;
