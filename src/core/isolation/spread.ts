import { block } from "../ground/planting";
import { areaOf, distance, gap, type Plot, type Point } from "../ground/shape";
import { type Kernel, type KernelRange, kernelAt, reach, reachOf } from "./kernel";

/**
 * Pairs of places between which pollen travels, as distances squared with how much each counts: what a kernel is summed
 * over. Geometry alone, so it is reckoned once while nothing on the ground moves.
 */
export type Spread = { squared: number[]; weight: number[]; known: WeakMap<KernelRange, Sums> };

/** What a spread comes to with one kernel. */
type Sums = { likely: number | null; drawn: Float64Array | null };

const spread = (): Spread => ({ squared: [], weight: [], known: new WeakMap() });

function add({ squared, weight }: Spread, at: number, counts: number): void {
  squared.push(at);
  weight.push(counts);
}

/** Ground is cut into pieces no longer than this, m, or than this share of the way to them. Finer changes nothing. */
const PIECE = { metres: 1.5, share: 0.6 };
const DEEPEST = 10;
/** Places in a stand's bed at which arriving pollen is reckoned, along each side at most. */
const PLACES = 4;

/** Takes a triangle apart until the kernel is smooth over each piece; Simpson's three points of the sides then serve. */
function triangle(into: Spread, to: Point, [a, b, c]: [Point, Point, Point], counts: number, depth: number): void {
  const [ab, bc, ca] = [half(a, b), half(b, c), half(c, a)];
  const longest = Math.max(distance(a, b), distance(b, c), distance(c, a));
  const way = distance(to, { x: (a.x + b.x + c.x) / 3, y: (a.y + b.y + c.y) / 3 });
  if (depth === DEEPEST || longest <= Math.max(PIECE.metres, PIECE.share * way)) {
    for (const side of [ab, bc, ca]) add(into, squaredWay(side, to), counts / 3);
    return;
  }
  for (const piece of [
    [a, ab, ca],
    [ab, b, bc],
    [ca, bc, c],
    [ab, bc, ca],
  ] as [Point, Point, Point][])
    triangle(into, to, piece, counts / 4, depth + 1);
}

const half = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
const squaredWay = (a: Point, b: Point) => (a.x - b.x) ** 2 + (a.y - b.y) ** 2;
const turned = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y);

/** Places spread over where seed is taken: one where the source is far off, more where one side of the bed is nearer. */
function placesIn(outline: Point[], near: number): Point[] {
  if (outline.length !== 4) return outline;
  const [origin, east, , north] = outline as [Point, Point, Point, Point];
  const along = (side: number) => Math.min(PLACES, Math.max(1, Math.ceil(side / Math.max(2 * PIECE.metres, near))));
  const [m, n] = [along(distance(origin, east)), along(distance(origin, north))];
  return Array.from({ length: m * n }, (_, i) => {
    const [u, v] = [((i % m) + 0.5) / m, (Math.floor(i / m) + 0.5) / n];
    return {
      x: origin.x + u * (east.x - origin.x) + v * (north.x - origin.x),
      y: origin.y + u * (east.y - origin.y) + v * (north.y - origin.y),
    };
  });
}

/**
 * The ways from one plant of a source, wherever in its outline it grows, to where seed is taken; the weights sum to 1.
 * @param from corners in order; fewer than three are places of their own
 * @param to a bed's four corners, or one place
 * @example spreadBetween([{ x: 0, y: 0 }], [{ x: 3, y: 4 }]).squared // [25]
 */
export function spreadBetween(from: Point[], to: Point[]): Spread {
  const made = spread();
  const places = placesIn(to, gap(from, to));
  const area = from.length < 3 ? 0 : areaOf(from);
  for (const place of places) {
    if (area === 0) {
      for (const point of from) add(made, squaredWay(point, place), 1 / from.length / places.length);
      continue;
    }
    // A fan of triangles from the first corner, those turned the other way counted off: true of any simple outline.
    const clockwise = Math.sign(from.reduce((sum, p, i) => sum + turned(from[0]!, p, from[(i + 1) % from.length]!), 0));
    for (let i = 1; i + 1 < from.length; i++) {
      const corners: [Point, Point, Point] = [from[0]!, from[i]!, from[i + 1]!];
      const share = (clockwise * turned(...corners)) / 2 / area;
      if (share !== 0) triangle(made, place, corners, share / places.length, 0);
    }
  }
  return made;
}

/** A block of more plants than this is summed over groups of them. */
const PLANTS_SUMMED = 1024;

/**
 * The ways from all plants of a stand to one of them, the mean one; the weights sum to their number, or to one less where
 * a plant's own pollen is no use to it.
 * @param plants a count; less than one counts as one
 * @param spacing metres between plants
 * @param refuses a plant refuses its own pollen, or bears flowers of one sex
 * @example spreadWithin(2, 3, { width: 8, length: 4 }, false).squared // [0, 9]
 */
export function spreadWithin(
  plants: number,
  spacing: number,
  bed: Pick<Plot, "width" | "length">,
  refuses: boolean,
): Spread {
  const made = spread();
  const count = Math.max(1, Math.round(plants));
  const planted = block(count, spacing, bed);
  const [long, short] = [Math.max(bed.width, bed.length), Math.min(bed.width, bed.length)];
  const across = planted.fits ? planted.rows : Math.max(1, Math.round(Math.sqrt((count * short) / long)));
  const stride = Math.ceil(Math.sqrt(count / PLANTS_SUMMED));
  const rows = Math.ceil(across / stride);
  const perRow = Math.ceil(Math.ceil(count / across) / stride);
  const [dx, dy] = planted.fits ? [spacing * stride, spacing * stride] : [long / perRow, short / rows];
  const places = rows * perRow;
  if (!refuses) add(made, 0, 1);
  const others = count - 1;
  // Plants summed as one place stand about half its side from each other.
  const together = count / places - 1;
  if (together > 0 && places > 1) add(made, (dx / 2) ** 2, together);
  const apart = others - (places > 1 ? Math.max(0, together) : 0);
  const pairs = places * places - places;
  for (let p = 0; p < perRow; p++)
    for (let q = 0; q < rows; q++) {
      if (p === 0 && q === 0) continue;
      const ways = (p ? 2 : 1) * (q ? 2 : 1) * (perRow - p) * (rows - q);
      add(made, (p * dx) ** 2 + (q * dy) ** 2, (apart * ways) / pairs);
    }
  return made;
}

/**
 * How much of the pollen that sets out comes over a spread: the kernel summed over its ways.
 * @example sumOver(spreadBetween([{ x: 0, y: 0 }], [{ x: 0, y: 8 }]), { scale: 8, shape: 1 }) // 0.5
 */
export function sumOver({ squared, weight }: Spread, kernel: Kernel): number {
  let sum = 0;
  for (let i = 0; i < squared.length; i++) sum += weight[i]! * reachOf(squared[i]!, kernel);
  return sum;
}

/** Deviations at which a spread is summed. */
const NODES = { from: -2.75, step: 0.6875, count: 9 };

function sumsOf({ known }: Spread, range: KernelRange): Sums {
  const found = known.get(range) ?? { likely: null, drawn: null };
  known.set(range, found);
  return found;
}

/**
 * The sum over a spread with the kernel in its middle, kept with the spread.
 * @example likelySum(spreadBetween([{ x: 0, y: 0 }], [{ x: 0, y: 8 }]), { scale: 8, low: 4, high: 16, shape: 1.5 })
 *   // 0.3536
 */
export function likelySum(of: Spread, range: KernelRange): number {
  const sums = sumsOf(of, range);
  sums.likely ??= sumOver(of, range);
  return sums.likely;
}

/**
 * The sum over a spread in every garden that is drawn, kept with the spread: reckoned at some deviations of the scale, and
 * between them as a power of it.
 * @param deviations of the garden's scale, one a draw
 * @example drawnSums(spreadBetween([{ x: 0, y: 0 }], [{ x: 0, y: 8 }]), { scale: 8, low: 4, high: 16, shape: 1.5 }, [0])[0]
 *   // 0.3536
 */
export function drawnSums(of: Spread, range: KernelRange, deviations: ArrayLike<number>): Float64Array {
  const sums = sumsOf(of, range);
  if (sums.drawn) return sums.drawn;
  const logs = Array.from({ length: NODES.count }, (_, i) =>
    Math.log(sumOver(of, kernelAt(range, NODES.from + i * NODES.step))),
  );
  sums.drawn = Float64Array.from(deviations, (deviation) => {
    const at = Math.min(NODES.count - 1.001, Math.max(0, (deviation - NODES.from) / NODES.step));
    const i = Math.floor(at);
    const left = logs[i]!;
    return left === Number.NEGATIVE_INFINITY ? 0 : Math.exp(left + (at - i) * (logs[i + 1]! - left));
  });
  return sums.drawn;
}

/**
 * The distance at which a single way lets over what a sum over many does: what a working can be tried with.
 * @param reached 0–1
 * @example sameAs(0.5, { scale: 8, shape: 1 }) // 8
 */
export function sameAs(reached: number, kernel: Kernel): number {
  let [near, far] = [0, 1e6];
  for (let i = 0; i < 60; i++) {
    const middle = (near + far) / 2;
    if (reach(middle, kernel) > reached) near = middle;
    else far = middle;
  }
  return (near + far) / 2;
}
