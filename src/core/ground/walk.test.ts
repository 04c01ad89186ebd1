import fc from "fast-check";
import { expect, test } from "vitest";
import { distance, type Point } from "./shape";
import { walkThrough } from "./walk";

const point = fc.record({ x: fc.integer({ min: 0, max: 100 }), y: fc.integer({ min: 0, max: 100 }) });
const lengthOf = (way: Point[]) => way.slice(1).reduce((sum, p, i) => sum + distance(way[i]!, p), 0);

function shortest(places: Point[]): number {
  const tryAll = (way: Point[], left: Point[]): number =>
    left.length === 0
      ? lengthOf(way)
      : Math.min(
          ...left.map((p) =>
            tryAll(
              [...way, p],
              left.filter((q) => q !== p),
            ),
          ),
        );
  return tryAll([], places);
}

test("every bed is visited once, and the length is that of the way", () => {
  fc.assert(
    fc.property(fc.array(point, { maxLength: 30 }), (places) => {
      const { order, length } = walkThrough(places);
      expect([...order].sort((a, b) => a - b)).toEqual([...places.keys()]);
      expect(length).toBeCloseTo(lengthOf(order.map((i) => places[i]!)), 6);
      expect(length).toBeLessThanOrEqual(lengthOf(places) + 1e-9);
    }),
  );
});

test("for a few beds it is the shortest way or nearly", () => {
  fc.assert(
    fc.property(fc.array(point, { minLength: 2, maxLength: 6 }), (places) => {
      expect(walkThrough(places).length).toBeLessThanOrEqual(shortest(places) * 1.12 + 1e-9);
    }),
    { numRuns: 60 },
  );
  expect(walkThrough([]).order).toEqual([]);
});
