import { ONE_IN_TWENTY } from "../numbers/normal";
import { normalised } from "../numbers/normalised";
import type { KernelRange } from "./kernel";

/** Plants of an open lot that were looked at, how many had a strange father, and what shares a reach would have brought. */
export type CountedLot = { plants: number; strange: number; sharesAt: (kernel: KernelRange) => ArrayLike<number> };

/** Reaches that are held against the counts: from a twelfth of the working value to twelve times it. */
const GRID = { steps: 49, factor: 12 };
/** A garden may lie far outside what is usual: so much of the doubt is this many times as wide. Working values. */
const STRANGE_GARDENS = { share: 0.2, wider: 2.5 };

/** However little shares explain a count, it may be of something else: a mixed packet, a sport. Against the best there is. */
const SOMETHING_ELSE = 1e-4;

/** How well a reach agrees with the working value: two bells in the logarithm, the wider one for gardens unlike others. */
function usual({ scale, low, high }: KernelRange, reach: number): number {
  const by = Math.log(reach / scale);
  const deviation = (by > 0 ? Math.log(high / scale) : Math.log(scale / low)) / ONE_IN_TWENTY;
  const bell = (wide: number) => Math.exp(-((by / wide) ** 2) / 2) / wide;
  return (
    (1 - STRANGE_GARDENS.share) * bell(deviation) + STRANGE_GARDENS.share * bell(deviation * STRANGE_GARDENS.wider)
  );
}

/** Shares of all or none held just inside: neither is ever sure. */
const inside = (share: number) => Math.min(1 - 1e-9, Math.max(1e-9, share));

/** How well shares agree with a count, up to a factor that all reaches share: the binomial's mean over the shares. */
function agrees(shares: ArrayLike<number>, { plants, strange }: CountedLot): number {
  // Against the best there can be, so that large counts do not vanish.
  const best = inside(strange / plants);
  const log = (share: number) => strange * Math.log(share) + (plants - strange) * Math.log1p(-share);
  let sum = 0;
  for (let i = 0; i < shares.length; i++) sum += Math.exp(log(inside(shares[i]!)) - log(best));
  return SOMETHING_ELSE + sum / shares.length;
}

/**
 * How far pollen reaches in a garden, from the working value and counts of what came true: a posterior over the reach, every
 * count weighed by how likely it was with each.
 * @param working the working value with its range
 * @returns the kernel with the middle and the range of nine tenths that the counts leave, and how much they weigh
 * @example learnedKernel({ scale: 5, low: 3, high: 10, shape: 1.1 }, []).scale // 5
 */
export function learnedKernel(working: KernelRange, counts: CountedLot[]): KernelRange {
  if (counts.length === 0) return working;
  const { steps, factor } = GRID;
  const reaches = Array.from({ length: steps }, (_, i) => working.scale * factor ** ((2 * i) / (steps - 1) - 1));
  const before = reaches.map((reach) => usual(working, reach));
  const after = reaches.map((reach, i) => {
    const kernel = { ...working, scale: reach, low: reach, high: reach };
    return counts.reduce((weight, count) => weight * agrees(count.sharesAt(kernel), count), before[i]!);
  });
  return {
    ...working,
    ...nineTenths(reaches, after),
    learned: {
      counts: counts.length,
      plants: counts.reduce((sum, { plants }) => sum + plants, 0),
      weight: apart(before, after),
      before: { low: working.low, scale: working.scale, high: working.high },
    },
  };
}

/** How much of one distribution lies where the other has none, 0–1. */
function apart(before: number[], after: number[]): number {
  const [one, other] = [normalised(before), normalised(after)];
  return one.reduce((sum, share, i) => sum + Math.abs(share - other[i]!), 0) / 2;
}

/** The middle and the range of nine tenths of reaches in even steps of their logarithm, with their weights. */
function nineTenths(reaches: number[], weights: number[]): { low: number; scale: number; high: number } {
  const shares = normalised(weights);
  const step = Math.log(reaches[1]! / reaches[0]!);
  const at = (share: number) => {
    let below = 0;
    for (const [i, here] of shares.entries()) {
      // Between two reaches by how far the share lies into the step.
      if (below + here >= share) return reaches[i]! * Math.exp(((share - below) / here - 0.5) * step);
      below += here;
    }
    return reaches.at(-1)!;
  };
  return { low: at(0.05), scale: at(0.5), high: at(0.95) };
}
