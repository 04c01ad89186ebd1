import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { between, edgeMarks, linesIn, placeLabels, wordsBox } from "./labels";

const SHEET = { width: 800, height: 500 };
const shape = fc.record({
  left: fc.integer({ min: 10, max: 740 }),
  top: fc.integer({ min: 40, max: 440 }),
  width: fc.integer({ min: 10, max: 120 }),
  height: fc.integer({ min: 10, max: 60 }),
});
type Shape = { left: number; top: number; width: number; height: number };
const named = (boxes: Shape[]) =>
  boxes.map((b, i) => ({
    key: String(i),
    words: `bed ${i} with a name`,
    box: { left: b.left, top: b.top, right: b.left + b.width, bottom: b.top + b.height },
  }));
const meet = (a: ReturnType<typeof wordsBox>, b: ReturnType<typeof wordsBox>) =>
  a.left < b.right && a.right > b.left && a.top < b.bottom && a.bottom > b.top;

describe("words beside shapes", () => {
  test("where those without room are left off, none lies on another or off the sheet", () => {
    fc.assert(
      fc.property(fc.array(shape, { minLength: 1, maxLength: 12 }), (boxes) => {
        const written = placeLabels(named(boxes), true, SHEET, []).map((l) => wordsBox(l.x, l.y, l.words));
        written.forEach((a, i) => {
          expect(a.left > 0 && a.right < SHEET.width && a.bottom < SHEET.height).toBe(true);
          for (const b of written.slice(i + 1)) expect(meet(a, b)).toBe(false);
        });
      }),
    );
  });

  test("a name stands nearest to its own shape, or a line leads from it into that shape", () => {
    let led = 0;
    fc.assert(
      fc.property(fc.array(shape, { minLength: 2, maxLength: 12 }), (boxes) => {
        const shapes = named(boxes);
        for (const label of placeLabels(shapes, true, SHEET, [])) {
          const own = shapes.find((s) => s.key === label.key)!;
          const words = wordsBox(label.x, label.y, label.words);
          if (label.line) {
            led++;
            const [from, to] = label.line;
            expect(between(words, { left: from.x, right: from.x, top: from.y, bottom: from.y })).toBe(0);
            expect(to.x >= own.box.left && to.x <= own.box.right).toBe(true);
            expect(to.y >= own.box.top && to.y <= own.box.bottom).toBe(true);
          } else
            for (const other of shapes)
              if (other !== own) expect(between(words, own.box)).toBeLessThan(between(words, other.box));
        }
      }),
    );
    expect(led).toBeGreaterThan(10);
  });

  test("a long name that finds no room is cut before it lies over another, and a short one stays whole", () => {
    const at = (top: number) => ({ left: 60, top, right: 110, bottom: top + 20 });
    const shapes = [
      { key: "one", words: "the raised bed behind the northern barn", box: at(60) },
      { key: "other", words: "F", box: at(100) },
    ];
    const [one, other] = placeLabels(shapes, false, { width: 200, height: 300 }, []);
    // 24 letters and their margin take 182 pixels: from 60, or ending at 110 or thereabouts, neither fits in 200; 14 do.
    expect(one!.words).toBe("the raised be…");
    expect(other!.words).toBe("F");
    expect(meet(wordsBox(one!.x, one!.y, one!.words), wordsBox(other!.x, other!.y, other!.words))).toBe(false);
  });

  test("at an ordinary size every shape on the sheet keeps its name", () => {
    const box = { left: 300, top: 200, right: 320, bottom: 210 };
    const shapes = Array.from({ length: 15 }, (_, i) => ({ key: String(i), words: "a very long name of a bed", box }));
    expect(placeLabels(shapes, false, SHEET, [])).toHaveLength(15);
    expect(placeLabels(shapes, true, SHEET, []).length).toBeLessThan(15);
    const spare = shapes.map((s) => ({ ...s, spare: true }));
    expect(placeLabels(spare, false, SHEET, []).length).toBeLessThan(15);
    const off = { key: "x", words: "far", box: { left: -90, top: 10, right: -50, bottom: 40 } };
    expect(placeLabels([off], false, SHEET, [])).toEqual([]);
  });
});

test.each([
  ["C · Lantern melon F5", 100, 40, ["C · Lantern", "melon F5"]],
  ["C · Lantern melon F5", 150, 20, ["C · Lantern melon F5"]],
  ["C · Lantern melon F5", 100, 30, null],
  ["Rindfleischetikett", 80, 90, null],
  ["J", 20, 19, ["J"]],
])("%s in %i by %i", (words, width, height, lines) => {
  expect(linesIn(words, width, height)).toEqual(lines);
});

describe("what lies off the sheet", () => {
  test("stands at its edge on the way to it, and points there", () => {
    const [east, north] = edgeMarks(
      [
        { key: "bed 1", words: "far bed, 60 m", at: { x: 1600, y: 250 } },
        { key: "bed 2", words: "wood, 90 m", at: { x: 400, y: -900 } },
      ],
      SHEET,
      [],
    );
    expect(east).toMatchObject({ tip: { x: 790, y: 250 }, angle: 0 });
    expect(wordsBox(east!.x, east!.y, east!.words).right).toBeLessThan(east!.tip.x);
    expect(north).toMatchObject({ tip: { x: 400, y: 10 }, angle: -90 });
  });

  test("however many there are, none lies on another, all are on the sheet, each is turned to what it stands for", () => {
    const place = fc.record({ bearing: fc.integer({ min: 0, max: 359 }), far: fc.integer({ min: 600, max: 9000 }) });
    fc.assert(
      fc.property(fc.array(place, { minLength: 1, maxLength: 14 }), (places) => {
        const far = places.map(({ bearing, far: by }, i) => ({
          key: String(i),
          words: `field ${i}, ${by} m`,
          at: {
            x: 400 + by * Math.cos((bearing * Math.PI) / 180),
            y: 250 + by * Math.sin((bearing * Math.PI) / 180),
          },
        }));
        const marks = edgeMarks(far, SHEET, []);
        expect(marks.length).toBe(far.length);
        const boxes = marks.map(({ x, y, words }) => wordsBox(x, y, words));
        boxes.forEach((box, i) => {
          expect(box.left >= 0 && box.right <= SHEET.width && box.top >= 0 && box.bottom <= SHEET.height).toBe(true);
          for (const other of boxes.slice(i + 1)) expect(meet(box, other)).toBe(false);
          const { tip, angle } = marks[i]!;
          const { at } = far[i]!;
          const turned = { x: Math.cos((angle * Math.PI) / 180), y: Math.sin((angle * Math.PI) / 180) };
          const way = Math.hypot(at.x - tip.x, at.y - tip.y);
          expect((turned.x * (at.x - tip.x) + turned.y * (at.y - tip.y)) / way).toBeCloseTo(1, 9);
        });
      }),
    );
  });
});
