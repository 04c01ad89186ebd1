import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { cornersOf, distance, type Point } from "../ground/shape";
import { seeded } from "../numbers/chance";
import { KERNELS, type Kernel, kernelAt, properKernel, reach } from "./kernel";
import { drawnSums, likelySum, sameAs, spreadBetween, spreadWithin, sumOver } from "./spread";

const KERNEL: Kernel = { scale: 4, shape: 1.3 };
const sum = (list: number[]) => list.reduce((a, b) => a + b, 0);

/** The mean over places drawn by chance in both outlines: another way to the same figure. */
function byChance(from: Point[], to: Point[], kernel: Kernel): number {
  const luck = seeded(3);
  const spot = ([a, b, , d]: Point[]): Point => {
    const [u, v] = [luck(), luck()];
    return { x: a!.x + u * (b!.x - a!.x) + v * (d!.x - a!.x), y: a!.y + u * (b!.y - a!.y) + v * (d!.y - a!.y) };
  };
  const draws = 60_000;
  return sum(Array.from({ length: draws }, () => reach(distance(spot(from), spot(to)), kernel))) / draws;
}
const square = (x: number, y: number, side: number, turn = 0) =>
  cornersOf({ x, y, width: side, length: side * 0.7, turn });

describe("ways from a source to a stand", () => {
  test.each<[string, Point[], Point[]]>([
    ["beside each other", square(0, 0, 6), square(7, 0, 5)],
    ["a turned field at the fence", square(20, -30, 80, 30), square(0, 0, 8)],
    ["in one bed", square(0, 0, 6), square(0, 0, 6)],
    ["far off", square(300, 40, 60), square(0, 0, 8)],
  ])("come to the mean over both outlines: %s", (_, from, to) => {
    const ours = sumOver(spreadBetween(from, to), KERNEL);
    expect(ours / byChance(from, to, KERNEL)).toBeGreaterThan(0.93);
    expect(ours / byChance(from, to, KERNEL)).toBeLessThan(1.07);
  });

  test("weigh one together, whatever the outline and the way it is walked round", () => {
    const angled = [
      { x: 0, y: 0 },
      { x: 30, y: 0 },
      { x: 30, y: 10 },
      { x: 10, y: 10 },
      { x: 10, y: 30 },
      { x: 0, y: 30 },
    ];
    const there = square(50, 0, 8);
    const forth = spreadBetween(angled, there);
    const back = spreadBetween([...angled].reverse(), there);
    expect(sum(forth.weight)).toBeCloseTo(1, 9);
    expect(sum(back.weight)).toBeCloseTo(1, 9);
    expect(sumOver(back, KERNEL)).toBeCloseTo(sumOver(forth, KERNEL), 4);
    // Two plants named by their places, and a line of no breadth.
    expect(
      spreadBetween(
        [
          { x: 0, y: 0 },
          { x: 6, y: 8 },
        ],
        [{ x: 0, y: 0 }],
      ),
    ).toMatchObject({
      squared: [0, 100],
      weight: [0.5, 0.5],
    });
  });

  test("nearer is never less", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 1, max: 200 }), (x, by) => {
        const at = (far: number) => sumOver(spreadBetween(square(9 + far, 0, 30), square(0, 0, 8)), KERNEL);
        expect(at(x + by)).toBeLessThan(at(x));
      }),
    );
  });
});

describe("ways within a stand", () => {
  const bed = { width: 8, length: 4 };
  /** Plants in rows, every pair of them. */
  const everyPair = (rows: number, perRow: number, spacing: number) => {
    const spots = Array.from({ length: rows * perRow }, (_, i) => ({
      x: (i % perRow) * spacing,
      y: Math.floor(i / perRow) * spacing,
    }));
    return sum(spots.flatMap((a) => spots.map((b) => reach(distance(a, b), KERNEL)))) / spots.length;
  };

  test("sum every pair of plants, their own pollen with it or not", () => {
    expect(sumOver(spreadWithin(36, 0.5, bed, false), KERNEL)).toBeCloseTo(everyPair(6, 6, 0.5), 9);
    expect(sumOver(spreadWithin(36, 0.5, bed, true), KERNEL)).toBeCloseTo(everyPair(6, 6, 0.5) - 1, 9);
    expect(sumOver(spreadWithin(1, 0.5, bed, false), KERNEL)).toBe(1);
    expect(sumOver(spreadWithin(1, 0.5, bed, true), KERNEL)).toBe(0);
    // Fewer than one plant answers as one.
    expect(sumOver(spreadWithin(0, 0.5, bed, false), KERNEL)).toBe(1);
  });

  test("of a field are summed by groups, to the same figure", () => {
    const field = { width: 20, length: 20 };
    expect(sumOver(spreadWithin(1600, 0.5, field, false), KERNEL) / everyPair(40, 40, 0.5)).toBeCloseTo(1, 1);
  });

  test("of more plants than the bed holds at their spacing are spread over the bed", () => {
    const crowded = sumOver(spreadWithin(72, 1, bed, false), KERNEL);
    expect(crowded).toBeCloseTo(everyPair(6, 12, 2 / 3), 6);
  });
});

describe("what a spread comes to", () => {
  const range = { scale: 5, low: 3, high: 10, shape: 1.1 };
  const spread = spreadBetween(square(30, 0, 20), square(0, 0, 8));

  test("in the gardens drawn is the sum with each garden's kernel", () => {
    const deviations = [-2, -1.1, 0, 0.4, 2.2];
    const drawn = drawnSums(spread, range, deviations);
    for (const [i, deviation] of deviations.entries())
      expect(drawn[i]! / sumOver(spread, kernelAt(range, deviation))).toBeCloseTo(1, 2);
    expect(likelySum(spread, range)).toBe(sumOver(spread, range));
  });

  test("where nothing comes over, none does in any garden", () => {
    expect([...drawnSums(spreadWithin(1, 1, { width: 1, length: 1 }, true), range, [0, 1])]).toEqual([0, 0]);
  });

  test("has one distance that lets over as much", () => {
    expect(sameAs(reach(37, KERNELS["insects that fly far"]), KERNELS["insects that fly far"])).toBeCloseTo(37, 6);
    expect(sameAs(1, KERNEL)).toBeCloseTo(0, 4);
  });
});

describe("a kernel", () => {
  test("has its range at the deviations that one in twenty exceed, and far flights in threes", () => {
    const far = kernelAt(KERNELS["insects that fly far"], -1.6449);
    expect(far.scale).toBeCloseTo(3, 9);
    expect(far.far!.weight).toBeCloseTo(0.02 / 3, 9);
    expect(kernelAt(KERNELS.wind, 0)).toEqual({ scale: 3, shape: 1.35 });
  });

  test.each<[string, object, string]>([
    ["no density", { shape: 1 }, "no density: 1"],
    ["far flights that are none", { far: { weight: 0.1, scale: 900, shape: 0.9 } }, "no density: 0.9"],
    ["a scale beyond its range", { scale: 12 }, "must lie in its range"],
    ["a range from nothing", { low: 0 }, "must lie in its range"],
    ["a range without end", { high: Number.POSITIVE_INFINITY }, "must lie in its range"],
    ["far flights that weigh most", { far: { weight: 1, scale: 900, shape: 2 } }, "weigh less than 1"],
    ["far flights that are near", { far: { weight: 0.1, scale: 5, shape: 2 } }, "reach farther"],
  ])("that is %s is refused", (_, wrong, why) => {
    expect(() => properKernel({ scale: 5, low: 3, high: 10, shape: 1.1, ...wrong })).toThrow(why);
  });
});
