import { ONE_IN_TWENTY } from "../numbers/normal";
export type Vector = "insects" | "insects that fly far" | "wind" | "own pollen, sometimes insects";

/**
 * How pollen thins with distance: K(d) = (1 + (d/a)²)^(−b), and, where what carries it also flies far now and then, a
 * second such term that weighs little near by and more than the first far off.
 */
export type Kernel = { scale: number; shape: number; far?: { weight: number; scale: number; shape: number } };

/** A kernel with the range that nine tenths of gardens' scales are taken to lie in, metres. */
export type KernelRange = Kernel & { low: number; high: number; learned?: Learned };
/** What a garden's own counts of off-types made of a kernel. */
export type Learned = {
  /** Counts, and plants looked at in all of them. */
  counts: number;
  plants: number;
  /** How much of what is believed of the reach they moved, 0–1. */
  weight: number;
  /** The working value's scale and range before. */
  before: { low: number; scale: number; high: number };
};
export type Kernels = Record<Vector, KernelRange>;

/** How far off the weight of far flights may be, either way: nine tenths lie within this factor. Working value. */
const FAR_DOUBT = 3;

/**
 * A kernel that can be drawn from. With a shape of 1 or less the pollen of one plant would be without end.
 * @throws Error saying what is wrong with it
 * @example properKernel({ scale: 5, low: 3, high: 10, shape: 1.1 }).scale // 5
 */
export function properKernel(kernel: KernelRange): KernelRange {
  const { scale, low, high, shape, far } = kernel;
  const flat = [shape, ...(far ? [far.shape] : [])].find((one) => !(one > 1));
  if (flat !== undefined) throw new Error(`A kernel's shape must be above 1, or it is no density: ${flat}.`);
  if (!(low > 0 && low <= scale && scale <= high && Number.isFinite(high)))
    throw new Error(`A kernel's scale must lie in its range, above 0: ${low} to ${high} around ${scale}.`);
  if (far && !(far.weight >= 0 && far.weight < 1 && far.scale > scale))
    throw new Error("Far flights must weigh less than 1, and reach farther than the near ones.");
  return kernel;
}

/**
 * Working values by what carries the pollen, set beside published cases of pollen flow (docs/models.md); a garden's own
 * counts of off-types correct them. Source kind: working.
 */
export const KERNELS: Kernels = {
  insects: properKernel({ scale: 5, low: 3, high: 10, shape: 1.1 }),
  "insects that fly far": properKernel({
    scale: 5,
    low: 3,
    high: 10,
    shape: 1.1,
    far: { weight: 0.02, scale: 1000, shape: 2 },
  }),
  wind: properKernel({ scale: 3, low: 2, high: 5, shape: 1.35 }),
  "own pollen, sometimes insects": properKernel({ scale: 2, low: 1, high: 4, shape: 1.1 }),
};

const term = (squared: number, scale: number, shape: number) => (1 + squared / (scale * scale)) ** -shape;

/**
 * The share of pollen that comes as far as a distance, against none at all.
 * @param squared the distance squared, m²
 * @example reachOf(64, { scale: 8, shape: 1 }) // 0.5
 */
export function reachOf(squared: number, { scale, shape, far }: Kernel): number {
  const near = term(squared, scale, shape);
  return far ? near + far.weight * term(squared, far.scale, far.shape) : near;
}

/** The same by the distance itself, m. @example reach(8, { scale: 8, shape: 1 }) // 0.5 */
export const reach = (metres: number, kernel: Kernel): number => reachOf(metres * metres, kernel);

/**
 * The kernel of a garden so many standard deviations off the middle: one in twenty lies beyond each end of the range.
 * @example kernelAt({ scale: 4, low: 2, high: 16, shape: 1.5 }, 1.6449).scale // 16
 */
export function kernelAt({ scale, low, high, shape, far }: KernelRange, deviations: number): Kernel {
  const by = deviations / ONE_IN_TWENTY;
  const drawn = { scale: scale * (by > 0 ? high / scale : scale / low) ** by, shape };
  return far ? { ...drawn, far: { ...far, weight: far.weight * FAR_DOUBT ** by } } : drawn;
}

/** How much more pollen comes straight down the prevailing wind, and how much less against it. Working value. */
const WIND_STRENGTH = 0.6;

/**
 * The wind's factor on a source's cloud: 1 across the wind, 1.6 straight down it, 0.4 straight against it.
 * @param from the bearing from which the wind mostly blows, degrees; null where it is not known
 * @param bearing from the source to the stand, degrees
 * @example windFactor(270, 90) // 1.6
 */
export function windFactor(from: number | null, bearing: number): number {
  return from === null ? 1 : 1 - WIND_STRENGTH * Math.cos(((bearing - from) * Math.PI) / 180);
}
