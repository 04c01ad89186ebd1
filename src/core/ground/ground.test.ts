import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { fromGlobe, toGlobe } from "./geojson";
import { block, inRows, positions } from "./planting";
import { pointsFromLines, pointsToLines } from "./pointsText";
import { rectangleOf } from "./rectangle";
import {
  areaOf,
  atBearing,
  bearingTo,
  cornersOf,
  crossesItself,
  gap,
  meetsPath,
  middleOf,
  snapped,
  within,
} from "./shape";

const square = (x: number, y: number, side = 2, turn = 0) => cornersOf({ x, y, width: side, length: side, turn });
const metre = fc.integer({ min: -200, max: 200 });
const plot = fc.record({
  x: metre,
  y: metre,
  width: fc.integer({ min: 1, max: 30 }),
  length: fc.integer({ min: 1, max: 30 }),
  turn: fc.integer({ min: 0, max: 359 }),
});

test("a rectangle is read back from its corners, whichever way round and from whichever corner", () => {
  fc.assert(
    fc.property(plot, fc.nat(3), fc.boolean(), (bed, first, back) => {
      const corners = cornersOf(bed);
      const told = [...corners.slice(first), ...corners.slice(0, first)];
      const read = rectangleOf(back ? told.reverse() : told, bed.turn)!;
      for (const side of ["x", "y", "width", "length"] as const) expect(read[side]).toBeCloseTo(bed[side], 1);
      expect(Math.abs(((read.turn - bed.turn + 540) % 360) - 180)).toBeLessThan(0.11);
    }),
  );
  const kite = [
    { x: 0, y: 0 },
    { x: 6, y: 1 },
    { x: 9, y: 9 },
    { x: 0, y: 4 },
  ];
  for (const none of [kite, kite.slice(1), [...cornersOf({ x: 0, y: 0, width: 2, length: 2, turn: 0 }), kite[0]!]])
    expect(rectangleOf(none, 0)).toBeNull();
});

test("a block that the bed holds fits: rows are added where they can't be longer", () => {
  expect(block(99, 1, { width: 10, length: 10 })).toMatchObject({ rows: 10, perRow: 10, fits: true, holds: 100 });
  expect(block(100, 1, { width: 10, length: 10 }).fits).toBe(true);
  expect(block(101, 1, { width: 10, length: 10 })).toMatchObject({ fits: false, holds: 100 });
});

describe("distance between shapes", () => {
  test("runs from edge to edge, across the corner, and is nothing when they touch, overlap or hold each other", () => {
    expect(gap(square(0, 0), square(5, 0))).toBe(3);
    expect(gap(square(0, 0), square(5, 6))).toBe(5);
    expect(gap(square(0, 0), square(2, 0))).toBe(0);
    expect(gap(square(0, 0, 10), square(4, 4, 1))).toBe(0);
    expect(gap([{ x: 0, y: 0 }], [{ x: 3, y: 4 }])).toBe(5);
    expect(gap([{ x: 5, y: 5 }], square(0, 0, 10))).toBe(0);
  });

  test("is the same both ways, and no more than between the middles", () => {
    fc.assert(
      fc.property(plot, plot, (a, b) => {
        const [one, two] = [cornersOf(a), cornersOf(b)];
        expect(gap(one, two)).toBeCloseTo(gap(two, one), 9);
        const [m, n] = [middleOf(one), middleOf(two)];
        expect(gap(one, two)).toBeLessThanOrEqual(Math.hypot(m.x - n.x, m.y - n.y) + 1e-9);
      }),
    );
  });
});

describe("turned beds", () => {
  test("keep their middle and their area whatever the turn", () => {
    fc.assert(
      fc.property(plot, (p) => {
        const corners = cornersOf(p);
        expect(areaOf(corners)).toBeCloseTo(p.width * p.length, 6);
        expect(middleOf(corners).x).toBeCloseTo(p.x + p.width / 2, 9);
        expect(middleOf(corners).y).toBeCloseTo(p.y + p.length / 2, 9);
      }),
    );
  });

  test("turn clockwise: the south-west corner goes north-west", () => {
    const [first] = cornersOf({ x: 0, y: 0, width: 2, length: 2, turn: 90 });
    expect(first!.x).toBeCloseTo(0);
    expect(first!.y).toBeCloseTo(2);
  });
});

describe("outlines", () => {
  test("one that crosses itself is told from one that does not", () => {
    const bowTie = [
      { x: 0, y: 0 },
      { x: 4, y: 4 },
      { x: 4, y: 0 },
      { x: 0, y: 4 },
    ];
    expect(crossesItself(bowTie)).toBe(true);
    expect(crossesItself(square(0, 0))).toBe(false);
    expect(within(square(0, 0), { x: 1, y: 1 })).toBe(true);
    expect(within(square(0, 0), { x: 3, y: 1 })).toBe(false);
  });

  test("a way meets a hedge that lies across it, and not one beside it", () => {
    const path = [
      { x: 5, y: -5 },
      { x: 5, y: 5 },
    ];
    // Above the middle of a side that begins far from the corner of the map.
    const side = [
      { x: 50, y: 20 },
      { x: 54, y: 20 },
      { x: 54, y: 19 },
      { x: 50, y: 19 },
    ];
    expect(gap([{ x: 52, y: 23 }], side)).toBeCloseTo(3, 9);
    expect(gap([{ x: 57, y: 24 }], side)).toBeCloseTo(5, 9);
    expect(meetsPath({ x: 0, y: 0 }, { x: 10, y: 0 }, path)).toBe(true);
    expect(meetsPath({ x: 0, y: 6 }, { x: 10, y: 6 }, path)).toBe(false);
    expect(meetsPath({ x: 0, y: 5 }, { x: 10, y: 5 }, path)).toBe(true);
  });

  test("bearing and distance give back the point", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), fc.integer({ min: 1, max: 5000 }), (bearing, metres) => {
        const point = atBearing({ x: 3, y: -7 }, bearing, metres);
        expect(Math.hypot(point.x - 3, point.y + 7)).toBeCloseTo(metres, 6);
        const back = bearingTo({ x: 3, y: -7 }, point);
        expect(Math.min(Math.abs(back - bearing), 360 - Math.abs(back - bearing))).toBeLessThan(1e-6);
      }),
    );
    expect(snapped(3.37, 0.25)).toBe(3.25);
  });
});

describe("GeoJSON degrees", () => {
  test("metres go out to degrees and come back within a centimetre, anywhere but the poles", () => {
    fc.assert(
      fc.property(
        metre,
        metre,
        fc.integer({ min: -70, max: 70 }),
        fc.integer({ min: -179, max: 179 }),
        (x, y, latitude, longitude) => {
          const origin = { latitude, longitude };
          const back = fromGlobe(toGlobe({ x, y }, origin), origin);
          expect(Math.abs(back.x - x)).toBeLessThan(0.01);
          expect(Math.abs(back.y - y)).toBeLessThan(0.01);
        },
      ),
    );
    expect(toGlobe({ x: 0, y: 111_195 }, { latitude: 0, longitude: 0 })[1]).toBeCloseTo(1, 4);
  });
});

describe("planting", () => {
  test("a block holds every plant, is as near to square as the bed lets it, and says when it does not fit", () => {
    expect(block(40, 0.4, { width: 8, length: 4 })).toMatchObject({ rows: 6, perRow: 7, fits: true });
    expect(block(16, 1, { width: 20, length: 2 })).toMatchObject({ rows: 2, perRow: 8, fits: true });
    expect(block(100, 1, { width: 5, length: 4 })).toMatchObject({ fits: false, holds: 20 });
    expect(inRows(30, 1, 0.3, { width: 8, length: 4 })).toMatchObject({ perRow: 30, fits: false });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.integer({ min: 1, max: 20 }), (plants, spacing) => {
        const { rows, perRow, fits, holds } = block(plants, spacing / 10, { width: 9, length: 4 });
        expect(rows * perRow).toBeGreaterThanOrEqual(plants);
        if (fits) expect(holds).toBeGreaterThanOrEqual(plants);
      }),
    );
  });

  test("plants stand within their bed, turned or not", () => {
    for (const turn of [0, 30, 90, 200]) {
      const bed = { x: 3, y: 4, width: 8, length: 2, turn };
      const spots = positions(25, bed);
      expect(spots).toHaveLength(25);
      for (const spot of spots) expect(within(cornersOf(bed), spot)).toBe(true);
    }
  });
});

describe("points as typed", () => {
  test("read back what was written, and nothing from what is no number", () => {
    const points = [
      { x: 0, y: 3 },
      { x: -12.5, y: 0.25 },
    ];
    expect(pointsFromLines(pointsToLines(points))).toEqual(points);
    expect(pointsFromLines(" 1 2 \n\n3;4")).toEqual([
      { x: 1, y: 2 },
      { x: 3, y: 4 },
    ]);
    expect(pointsFromLines("1, 2\nhere")).toBeNull();
    expect(pointsFromLines("1, 2, 3")).toBeNull();
  });
});

test("a way that touches the end of a path, along or across, has met it", () => {
  const along = { from: { x: 0, y: 0 }, to: { x: 4, y: 0 } };
  const up = { from: { x: 0, y: 0 }, to: { x: 0, y: 4 } };
  for (const at of [0, 1, 4]) {
    const across = [
      { x: at, y: 0 },
      { x: at, y: 5 },
    ];
    expect(meetsPath(along.from, along.to, across)).toBe(true);
    expect(meetsPath(along.to, along.from, across)).toBe(true);
    const aside = across.map(({ x, y }) => ({ x: y, y: x }));
    expect(meetsPath(up.from, up.to, aside)).toBe(true);
    expect(meetsPath(up.to, up.from, aside)).toBe(true);
  }
  // In one line with it, before it and beyond it.
  for (const [from, to] of [
    [-3, -1],
    [5, 9],
  ] as const)
    expect(
      meetsPath(along.from, along.to, [
        { x: from, y: 0 },
        { x: to, y: 0 },
      ]),
    ).toBe(false);
});
