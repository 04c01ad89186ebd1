import { gap, type Point } from "@/core/ground/shape";
import { frameOf, type Size } from "./frame";

const UNZOOMED = { k: 1, x: 0, y: 0 };
/** Beds this far apart, m, or so many times as far as neighbours usually are, are no longer one garden. */
const APART = { metres: 8, times: 3 };
/** What makes the garden's drawing smaller than this share of itself is left at the edge. */
const LEAST_SCALE = 0.72;

const middle = (sorted: number[]) => sorted[Math.floor(sorted.length / 2)] ?? 0;

/** Outlines in groups, each of which can be walked from one to the next in steps of no more than so many metres. */
function groups(gaps: number[][], most: number): number[][] {
  const left = new Set(gaps.map((_, i) => i));
  const found: number[][] = [];
  for (const first of left) {
    left.delete(first);
    const group = [first];
    for (const one of group)
      for (const other of left)
        if (gaps[one]![other]! <= most) {
          left.delete(other);
          group.push(other);
        }
    found.push(group);
  }
  return found;
}

/**
 * What the sheet is filled with: the beds that lie together, and of all else what hardly makes them smaller, the nearest
 * first. What is left stands at the sheet's edge.
 * @param others barriers, and pollen from beyond the garden
 */
export function nearTogether(beds: Point[][], others: Point[][], size: Size): Point[][] {
  if (beds.length === 0) return others;
  const gaps: number[][] = [];
  // As far there as back.
  for (const [i, a] of beds.entries()) gaps[i] = beds.map((b, j) => (j < i ? gaps[j]![i]! : i === j ? 0 : gap(a, b)));
  const nearest = gaps.map((row, i) => Math.min(...row.filter((_, j) => i !== j), Number.POSITIVE_INFINITY));
  const usual = middle(nearest.filter(Number.isFinite).sort((a, b) => a - b));
  const apart = groups(gaps, Math.max(APART.metres, APART.times * usual));
  const heart = apart.reduce((a, b) => (b.length > a.length ? b : a)).map((i) => beds[i]!);
  const scaleOf = (outlines: Point[][]) => frameOf(outlines.flat(), UNZOOMED, size).scale;
  const least = LEAST_SCALE * scaleOf(heart);
  const kept = [...heart];
  const rest = [...beds.filter((bed) => !heart.includes(bed)), ...others]
    .map((outline) => ({ outline, far: Math.min(...heart.map((bed) => gap(bed, outline))) }))
    .sort((a, b) => a.far - b.far);
  for (const { outline } of rest) if (scaleOf([...kept, outline]) >= least) kept.push(outline);
  return kept;
}
