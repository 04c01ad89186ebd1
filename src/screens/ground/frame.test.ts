import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { cornersOf, type Point } from "@/core/ground/shape";
import { boxOn, frameOf, roundLength, type Size } from "./frame";
import { nearTogether } from "./near";

const SHEET: Size = { width: 800, height: 500 };
const metre = fc.integer({ min: -300, max: 300 });
const point = fc.record({ x: metre, y: metre });

describe("the frame", () => {
  test("holds every point, north up, and reads back what it drew", () => {
    fc.assert(
      fc.property(
        fc.array(point, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 300, max: 1400 }),
        (points, width) => {
          const size = { width, height: 520 };
          const frame = frameOf(points, { k: 1, x: 0, y: 0 }, size);
          for (const p of points) {
            expect(frame.x(p.x)).toBeGreaterThanOrEqual(-0.01);
            expect(frame.x(p.x)).toBeLessThanOrEqual(size.width + 0.01);
            expect(frame.y(p.y)).toBeGreaterThanOrEqual(-0.01);
            expect(frame.y(p.y)).toBeLessThanOrEqual(size.height + 0.01);
            const back = frame.metresAt(frame.x(p.x), frame.y(p.y));
            expect(back.x).toBeCloseTo(p.x, 6);
            expect(back.y).toBeCloseTo(p.y, 6);
          }
          expect(frame.y(10)).toBeLessThan(frame.y(0));
        },
      ),
    );
  });

  test("zoomed and panned it still reads back", () => {
    const frame = frameOf(
      [
        { x: 0, y: 0 },
        { x: 50, y: 20 },
      ],
      { k: 3.5, x: -120, y: 44 },
      SHEET,
    );
    const back = frame.metresAt(frame.x(12.5), frame.y(-3));
    expect(back.x).toBeCloseTo(12.5, 9);
    expect(back.y).toBeCloseTo(-3, 9);
  });

  test("a scale bar is a round length no longer than asked", () => {
    for (const metres of [0.7, 3, 19, 64, 480]) {
      const round = roundLength(metres);
      expect(round).toBeLessThanOrEqual(metres);
      expect(round).toBeGreaterThan(metres / 2.6);
      expect([1, 2, 5]).toContain(Number(round.toPrecision(1)) / 10 ** Math.floor(Math.log10(round)));
    }
  });
});

describe("what fills the sheet", () => {
  const square = (x: number, y: number, side = 4): Point[] => cornersOf({ x, y, width: side, length: side, turn: 0 });
  const garden = [square(0, 0), square(6, 0), square(0, 6), square(6, 6)];
  const scale = (outlines: Point[][]) => frameOf(outlines.flat(), { k: 1, x: 0, y: 0 }, SHEET).scale;

  test("is what lies together: a bed far off is left at the edge, a hedge along the fence is not", () => {
    const far = square(60, 40);
    const hedge = [
      { x: 0, y: -2 },
      { x: 10, y: -2 },
    ];
    const field = square(300, 0, 50);
    expect(nearTogether([...garden, far], [field, hedge], SHEET)).toEqual([...garden, hedge]);
    // Two gardens as large as each other: the first, not the strip between them.
    expect(nearTogether([...garden, far, square(66, 40)], [], SHEET)).toEqual(garden);
    expect(nearTogether([], [field], SHEET)).toEqual([field]);
    expect(nearTogether([far], [], SHEET)).toEqual([far]);
  });

  test("never gets smaller than three quarters of the beds' own drawing, and they are all on it", () => {
    fc.assert(
      fc.property(fc.array(point, { maxLength: 6 }), (others) => {
        const kept = nearTogether(
          garden,
          others.map((p) => [p]),
          SHEET,
        );
        expect(scale(kept)).toBeGreaterThan(0.7 * scale(garden));
        const frame = frameOf(kept.flat(), { k: 1, x: 0, y: 0 }, SHEET);
        for (const bed of garden) {
          const box = boxOn(frame, bed);
          expect(box.left >= 0 && box.top >= 0 && box.right <= SHEET.width && box.bottom <= SHEET.height).toBe(true);
        }
      }),
    );
  });

  test("an empty garden has ground to draw on", () => {
    const frame = frameOf([], { k: 1, x: 0, y: 0 }, SHEET);
    expect(frame.metresAt(frame.x(0), frame.y(0))).toEqual({ x: 0, y: 0 });
    expect(frame.scale).toBeGreaterThan(20);
  });
});
