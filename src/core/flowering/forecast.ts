import { addDays, type Day, daysBetween, type Span } from "../calendar/day";

/** A range of days or counts, low to high. */
export type Range = { low: number; high: number };

export type FloweringFacts = {
  /** Days from sowing to first flower; for a crop that flowers in its second year the winter is in it. */
  daysToFlower: Range;
  /** Days that a stand stays in flower. */
  flowerDays: Range;
  /** Days from pollination to ripe seed. */
  daysToRipe: Range;
};

export type Flowering = Span & {
  /** First flower no earlier than this, end no later than this. */
  earliest: Day;
  latest: Day;
  observed: boolean;
  /** Seed of the first flowers is ripe: likely day, and no earlier / no later than. */
  ripe: Day;
  ripeEarliest: Day;
  ripeLatest: Day;
};

/** The middle of a range, to a whole day. */
const middle = ({ low, high }: Range): number => Math.round((low + high) / 2);

/**
 * When a stand is expected to flower and ripen its first seed.
 *
 * A rule-of-thumb forecast: catalogue ranges counted from sowing, the likely day their middle. An observed first flower
 * replaces the forecast of it; the length of flowering and the ripening keep their ranges.
 * @param sown day of sowing
 * @param observed day of the first open flower, if seen
 * @example flowering("2027-05-01", { daysToFlower: { low: 50, high: 60 }, flowerDays: { low: 30, high: 40 }, daysToRipe: { low: 40, high: 50 } }).start // "2027-06-25"
 */
export function flowering(sown: Day, facts: FloweringFacts, observed?: Day | null): Flowering {
  const start = observed ?? addDays(sown, middle(facts.daysToFlower));
  const earliest = observed ?? addDays(sown, facts.daysToFlower.low);
  const lastStart = observed ?? addDays(sown, facts.daysToFlower.high);
  return {
    start,
    end: addDays(start, middle(facts.flowerDays) - 1),
    earliest,
    latest: addDays(lastStart, facts.flowerDays.high - 1),
    observed: Boolean(observed),
    ripe: addDays(start, middle(facts.daysToRipe)),
    ripeEarliest: addDays(earliest, facts.daysToRipe.low),
    ripeLatest: addDays(lastStart, facts.daysToRipe.high),
  };
}

export type Ripening = {
  verdict: "safe" | "doubtful" | "too-late" | "no-frost";
  frost: Day | null;
  daysToSpare: number;
};

/**
 * Whether seed ripens before the first frost: safe when even the late end of the range does, too late when even the
 * early end does not. The grower's first-frost day is a single figure, so a week either side stays possible.
 * @param frost the first frost after flowering begins; null where there is none
 */
export function ripensBeforeFrost(window: Flowering, frost: Day | null): Ripening {
  if (!frost) return { verdict: "no-frost", frost, daysToSpare: Number.POSITIVE_INFINITY };
  const daysToSpare = daysBetween(window.ripe, frost);
  if (window.ripeEarliest >= frost) return { verdict: "too-late", frost, daysToSpare };
  return { verdict: window.ripeLatest < frost ? "safe" : "doubtful", frost, daysToSpare };
}
