import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { frameOf, placeLabels, roundLength, sizeFor, wordsBox } from "./frame";

const SHEET = sizeFor(800);
const metre = fc.integer({ min: -300, max: 300 });
const point = fc.record({ x: metre, y: metre });

describe("the frame", () => {
  test("holds every point, north up, and reads back what it drew", () => {
    fc.assert(
      fc.property(
        fc.array(point, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 300, max: 1400 }),
        (points, width) => {
          const size = sizeFor(width);
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

describe("words on the ground", () => {
  const shape = fc.record({
    left: fc.integer({ min: 10, max: 740 }),
    top: fc.integer({ min: 40, max: 480 }),
    width: fc.integer({ min: 10, max: 120 }),
    height: fc.integer({ min: 10, max: 60 }),
  });

  test("where those without room are left off, none lies on another or off the sheet", () => {
    fc.assert(
      fc.property(fc.array(shape, { minLength: 1, maxLength: 12 }), (boxes) => {
        const shapes = boxes.map((b, i) => ({
          key: String(i),
          words: `bed ${i} with a name`,
          box: { left: b.left, top: b.top, right: b.left + b.width, bottom: b.top + b.height },
        }));
        const boxesOf = placeLabels(shapes, true, SHEET, []).map((l) => wordsBox(l.x, l.y, l.words));
        boxesOf.forEach((a, i) => {
          expect(a.left > 0 && a.right < SHEET.width && a.bottom < SHEET.height).toBe(true);
          for (const b of boxesOf.slice(i + 1))
            expect(a.left < b.right && a.right > b.left && a.top < b.bottom && a.bottom > b.top).toBe(false);
        });
      }),
    );
  });

  test("at an ordinary size every shape on the sheet keeps its name", () => {
    const box = { left: 300, top: 200, right: 320, bottom: 210 };
    const shapes = Array.from({ length: 9 }, (_, i) => ({ key: String(i), words: "a very long name of a bed", box }));
    expect(placeLabels(shapes, false, SHEET, [])).toHaveLength(9);
    expect(placeLabels(shapes, true, SHEET, []).length).toBeLessThan(9);
    expect(
      placeLabels(
        shapes.map((s) => ({ ...s, spare: true })),
        false,
        SHEET,
        [],
      ).length,
    ).toBeLessThan(9);
    const off = { key: "x", words: "far", box: { left: -90, top: 10, right: -50, bottom: 40 } };
    expect(placeLabels([off], false, SHEET, [])).toEqual([]);
  });
});
