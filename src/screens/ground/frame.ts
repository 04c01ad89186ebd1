import type { Point } from "@/core/ground/shape";

/** The sheet that the ground is drawn on, in pixels of the screen, so that its words keep their size. */
export type Size = { width: number; height: number };

/** Before the page is laid out. */
export const FIRST_SIZE: Size = { width: 784, height: 500 };

const PAD = 26;

/** Where metres lie on the sheet, in its pixels, and back. */
export type Frame = {
  scale: number;
  x: (metres: number) => number;
  y: (metres: number) => number;
  metresAt: (px: number, py: number) => Point;
};

export type Zoom = { k: number; x: number; y: number };

/** The least and the greatest, never nearer than a metre. */
function ends(along: number[]): [number, number] {
  if (along.length === 0) return [0, 10];
  const [least, most] = [Math.min(...along), Math.max(...along)];
  return most - least < 1 ? [least - 0.5, most + 0.5] : [least, most];
}

/** Fits points into the sheet, then zooms and pans. */
export function frameOf(points: Point[], zoom: Zoom, { width, height }: Size): Frame {
  const [west, east] = ends(points.map((p) => p.x));
  const [south, north] = ends(points.map((p) => p.y));
  const fit = Math.min((width - 2 * PAD) / (east - west), (height - 2 * PAD) / (north - south), 60);
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

export type Box = { left: number; top: number; right: number; bottom: number };

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

/** Whether any of a box lies on the sheet. */
export const onSheet = ({ left, top, right, bottom }: Box, { width, height }: Size): boolean =>
  right > 0 && left < width && bottom > 0 && top < height;
