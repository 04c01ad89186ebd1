import type { Day, Span } from "../calendar/day";
import type { Kill } from "../climate/killing";

/** A range of days or counts, low to high. */
export type Range = { low: number; high: number };

/** What the forecast needs to know of a species. */
export type FloweringFacts = {
  /** Days from sowing to first flower; for a crop that flowers in its second year the winter is in it. */
  daysToFlower: Range;
  /** Days that a stand stays in flower. */
  flowerDays: Range;
  /** Days from pollination to ripe seed. */
  daysToRipe: Range;
  /** Days by which the first female flowers follow the first male ones; below 0 where they come first. */
  femaleLag: Range;
  /** Heat from sowing (after the cold, where cold is needed) to first flower. */
  heat: {
    base: number;
    ceiling: number;
    degreeDays: Range;
    /** Of seed in flesh: it ripens evenly the faster from a warmth on, and takes the catalogue's days at another, °C. */
    ripens?: { from: number; known: number } | null;
  };
  /** Whether frost kills it: sown before the last frost, it is taken to be raised under cover until then. */
  tender: boolean;
  /** Days under cover from sowing until it has grown enough to be planted out; none where it is sown in its place. */
  raised?: Range | null;
  /** Whether the length of the day holds flowering back until it is longer, or shorter, than some hours. */
  light: { kind: "any" | "long" | "short"; hours: Range | null };
  /** Days of cold that it must have stood through: whole ones at a mean of `below` °C or less, none from `none` on; null where none is needed. */
  cold: { below: number; none: number; days: Range } | null;
  /** The night's temperature that kills it while it grows in the open, °C; none for what must stand a winter to flower. */
  kills?: Range | null;
  /** Its kind lives on where it is brought in before the cold. */
  livesOn?: boolean;
  /** Days by which cutting back puts its flowers off; without, it does not flower again. */
  cutBack?: Range | null;
};

/** How a crop that flowers in its second year comes through the winter. */
export type Overwintering = "lifted" | "left" | "late-sown";

export type Sowing = {
  sown: Day;
  /** When it went out into the open, or its stored roots were replanted. */
  plantedOut?: Day | null;
  firstFlower?: Day | null;
  /** Of which sex that flower was, where it was seen. */
  firstSex?: "male" | "female" | null;
  overwinter?: Overwintering | null;
  /** When it was cut back, so that it flowers anew. */
  cutBack?: Day | null;
  /** Its plants lived through a winter: `sown` is the day from which they grow again. */
  wintered?: boolean;
};

/** A likely span, and the widest it may be. */
export type Window = Span & { earliest: Day; latest: Day };

/** What becomes of a stand: it flowers, or why it never does. */
export type Fate = "flowers" | "killed-by-cold" | "needs-winter" | "needs-other-days" | "too-little-warmth";

export type Flowering = Window & {
  /** The first flower, no later than. */
  startLatest: Day;
  /** Where it does not flower its days are only those it would have had; nothing is shed or set on them. */
  fate: Fate;
  male: Window;
  female: Window;
  observed: boolean;
  /** What the first flower rests on. */
  basis: "seen" | "heat" | "days" | "cut back";
  /** What keeps it from flowering, or what was taken for granted; sentences. */
  notes: string[];
  /** Seed of the first female flowers is ripe: likely day, and no earlier / no later than. */
  ripe: Day;
  /** Whether it is ever warm enough for that. */
  ripens: boolean;
  ripeEarliest: Day;
  ripeLatest: Day;
  /** When cold ends it; null where none does, or where nobody says how much it stands. */
  kill: Kill | null;
  /** Whether its kind is known to stand any cold that comes there. */
  stands: boolean;
};

/** Whether a stand flowers at all. @example flowersAtAll({ fate: "needs-winter" }) // false */
export const flowersAtAll = ({ fate }: Pick<Flowering, "fate">): boolean => fate === "flowers";

export const LONGEST = 900;

/** The middle of a range. @example middle({ low: 50, high: 61 }) // 55.5 */
export const middle = ({ low, high }: Range): number => (low + high) / 2;

/** The middle of a range, to a whole day. @example middleDay({ low: 50, high: 61 }) // 56 */
export const middleDay = (range: Range): number => Math.round(middle(range));
