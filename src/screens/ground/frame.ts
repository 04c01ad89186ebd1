import type { Point } from "@/core/ground/shape";

/** The sheet that the ground is drawn on, in pixels of the screen, so that its words keep their size. */
export type Size = { width: number; height: number };

export const sizeFor = (width: number): Size => ({ width, height: Math.round(Math.max(320, width * 0.7)) });

const PAD = 0.07;

/** Where metres lie on the sheet, in its pixels, and back. */
export type Frame = {
  scale: number;
  x: (metres: number) => number;
  y: (metres: number) => number;
  metresAt: (px: number, py: number) => Point;
};

export type Zoom = { k: number; x: number; y: number };

/** Fits points into the sheet, then zooms and pans. */
export function frameOf(points: Point[], zoom: Zoom, { width, height }: Size): Frame {
  const pad = PAD * width;
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const [west, east] = [Math.min(...xs, 0), Math.max(...xs, 1)];
  const [south, north] = [Math.min(...ys, 0), Math.max(...ys, 1)];
  const fit = Math.min((width - 2 * pad) / (east - west), (height - 2 * pad) / (north - south), 60);
  const left = (width - (east - west) * fit) / 2;
  const bottom = (height + (north - south) * fit) / 2;
  const scale = fit * zoom.k;
  return {
    scale,
    x: (metres) => zoom.x + zoom.k * (left + (metres - west) * fit),
    y: (metres) => zoom.y + zoom.k * (bottom - (metres - south) * fit),
    metresAt: (px, py) => ({
      x: ((px - zoom.x) / zoom.k - left) / fit + west,
      y: (bottom - (py - zoom.y) / zoom.k) / fit + south,
    }),
  };
}

/** A round length for the scale bar, near a sixth of the drawing. */
export function roundLength(metres: number): number {
  const size = 10 ** Math.floor(Math.log10(metres));
  return [5, 2, 1].map((n) => n * size).find((n) => n <= metres) ?? size;
}

type Box = { left: number; top: number; right: number; bottom: number };
export type Label = { key: string; words: string; x: number; y: number };

const LETTER = 7.4;
export const widthOf = (words: string) => words.length * LETTER + 4;

/** The box that words take whose first letter stands at a point. */
export const wordsBox = (x: number, y: number, words: string): Box => ({
  left: x,
  top: y - 11,
  right: x + widthOf(words),
  bottom: y + 3,
});

/** Words beside shapes, moved until none lies on another or on a shape; where all is small, or a word can be spared, it is left off for want of room. */
export function placeLabels(
  shapes: { key: string; words: string; box: Box; spare?: boolean }[],
  small: boolean,
  { width: across, height }: Size,
  taken: Box[],
): Label[] {
  const labels: Label[] = [];
  for (const { key, words, box, spare } of shapes) {
    if (box.right < 0 || box.left > across || box.bottom < 0 || box.top > height) continue;
    const width = widthOf(words);
    const spots = [
      { x: box.left, y: box.top - 6 },
      { x: box.left, y: box.bottom + 15 },
      { x: box.right - width, y: box.top - 6 },
      { x: box.right - width, y: box.bottom + 15 },
      { x: box.left, y: box.top - 22 },
      { x: box.left, y: box.bottom + 31 },
      { x: box.right + 6, y: box.top + 14 },
      { x: box.left - width, y: box.top + 14 },
    ];
    const others = [...shapes.map((s) => s.box), ...labels.map((l) => wordsBox(l.x, l.y, l.words)), ...taken];
    const clear = (spot: { x: number; y: number }) =>
      spot.x > 0 &&
      spot.x + width < across &&
      spot.y > 14 &&
      spot.y < height - 4 &&
      !others.some((o) => spot.x < o.right && spot.x + width > o.left && spot.y - 11 < o.bottom && spot.y + 3 > o.top);
    // Where nothing is free, over the shape, but never off the sheet.
    const fallback = {
      x: Math.max(2, Math.min(box.left, across - width - 2)),
      y: Math.max(16, Math.min(box.top - 6, height - 6)),
    };
    const spot = spots.find(clear) ?? (small || spare ? null : fallback);
    if (spot) labels.push({ key, words, ...spot });
  }
  return labels;
}

/** The box of an outline on the sheet. */
export function boxOn(frame: Frame, outline: Point[]): Box {
  const xs = outline.map((p) => frame.x(p.x));
  const ys = outline.map((p) => frame.y(p.y));
  return { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) };
}

/** A path through points on the sheet. */
export const pathOn = (frame: Frame, points: Point[], closed: boolean): string =>
  points.map((p, i) => `${i ? "L" : "M"}${frame.x(p.x).toFixed(1)} ${frame.y(p.y).toFixed(1)}`).join("") +
  (closed ? "Z" : "");
