/** What lies in a vessel: fruit, dry heads, seed in its juice, seed in a heap, or seed spread out. */
export type Content = "fruit" | "heads" | "juice" | "heap" | "spread";

/**
 * A kind of vessel or tool that seed passes through: its name, the shelf it stands on, and its drawing in a box of 86 by 62, as
 * paths.
 */
export type Vessel = {
  name: string;
  shelf: "waiting" | "wet" | "drying";
  outline: string;
  /** Lines that are not filled. */
  lines: string | null;
  content: Content;
  /** Where its content is drawn; seed that is spread lies where it lies. */
  filled: string | null;
};

const KINDS = {
  crate: {
    name: "Crate",
    shelf: "waiting",
    outline: "M8 18 H78 V56 H8 Z M8 31 H78 M8 44 H78",
    lines: null,
    content: "fruit",
    filled: "M14 18 a9 9 0 0 1 18 0 M36 18 a9 9 0 0 1 18 0 M56 18 a8 8 0 0 1 16 0",
  },
  bag: {
    name: "Paper bag",
    shelf: "waiting",
    outline: "M22 12 L30 6 L38 12 L46 6 L54 12 L62 8 V58 H22 Z",
    lines: null,
    content: "heads",
    filled: "M22.8 34 H61.2 V57.2 H22.8 Z",
  },
  cup: {
    name: "Cup",
    shelf: "wet",
    outline: "M18 10 H68 L62 58 H24 Z",
    lines: null,
    content: "juice",
    filled: "M20.4 28 H65.6 L62 58 H24 Z",
  },
  strainer: {
    name: "Strainer",
    shelf: "wet",
    outline: "M14 24 H72 A29 24 0 0 1 14 24 Z",
    lines: "M72 24 H84 M8 24 H14",
    content: "heap",
    filled: "M26 34 a17 6 0 0 1 34 0 a17 6 0 0 1 -34 0",
  },
  machine: {
    name: "Machine",
    shelf: "wet",
    outline: "M18 14 H68 L60 34 V58 H26 V34 Z",
    lines: "M38 46 a5 5 0 0 1 10 0 a5 5 0 0 1 -10 0",
    content: "heap",
    filled: "M38 46 a5 5 0 0 1 10 0 a5 5 0 0 1 -10 0",
  },
  tray: {
    name: "Tray",
    shelf: "drying",
    outline: "M6 22 H80 L74 52 H12 Z",
    lines: null,
    content: "spread",
    filled: null,
  },
  plate: {
    name: "Plate",
    shelf: "drying",
    outline: "M5 36 a38 20 0 0 1 76 0 a38 20 0 0 1 -76 0",
    lines: null,
    content: "spread",
    filled: null,
  },
  jar: {
    name: "Jar",
    shelf: "drying",
    outline: "M24 8 H62 V16 H66 V58 H20 V16 H24 Z",
    lines: null,
    content: "heap",
    filled: "M20.8 34 H65.2 V57.2 H20.8 Z",
  },
} satisfies Record<string, Vessel>;
export type VesselKind = keyof typeof KINDS;
export const VESSELS: Readonly<Record<VesselKind, Vessel>> = KINDS;
export const VESSEL_KINDS = Object.keys(KINDS) as VesselKind[];
