import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { bedsInRows, besideBed, namesFrom, partsOf } from "./rows";
import { areaOf, cornersOf, distance, gap, type Plot } from "./shape";

const plot = fc.record({
  x: fc.integer({ min: -50, max: 50 }),
  y: fc.integer({ min: -50, max: 50 }),
  width: fc.integer({ min: 1, max: 12 }),
  length: fc.integer({ min: 1, max: 12 }),
  turn: fc.integer({ min: 0, max: 359 }),
});

test.each<[string, number, string[], string[]]>([
  ["A", 6, [], ["A", "B", "C", "D", "E", "F"]],
  ["Y", 4, [], ["Y", "Z", "AA", "AB"]],
  ["az", 2, [], ["az", "ba"]],
  ["ZZ", 3, [], ["ZZ", "ZZ 2", "ZZ 3"]],
  ["bed 09", 3, ["bed 10"], ["bed 09", "bed 11", "bed 12"]],
  ["far bed", 3, [], ["far bed", "far bed 2", "far bed 3"]],
  // The first is what was typed; a second of its name is warned of elsewhere.
  ["C", 2, ["C", "D"], ["C", "E"]],
  ["Ä", 2, [], ["Ä", "Ä 2"]],
])("names from %s on", (first, count, taken, names) => {
  expect(namesFrom(first, count, new Set(taken))).toEqual(names);
});

describe("beds in rows", () => {
  test("lie side by side with the path between them, turned as the first is", () => {
    fc.assert(
      fc.property(plot, fc.integer({ min: 2, max: 9 }), fc.integer({ min: 1, max: 4 }), (first, count, perRow) => {
        const beds = bedsInRows(first, count, perRow, 0.5);
        expect(beds[0]).toEqual(first);
        const next = perRow > 1 ? beds[1]! : beds[perRow]!;
        expect(gap(cornersOf(first), cornersOf(next))).toBeCloseTo(0.5, 2);
        for (const [i, bed] of beds.entries())
          for (const other of beds.slice(i + 1)) expect(gap(cornersOf(bed), cornersOf(other))).toBeGreaterThan(0.49);
      }),
      { numRuns: 60 },
    );
  });

  test("the next one is put on free ground beside the last: east, else north", () => {
    const last: Plot = { x: 0, y: 0, width: 4, length: 1, turn: 0 };
    const east = { ...last, x: 4.5 };
    expect(besideBed(last, [last], 0.5)).toEqual(east);
    expect(besideBed(last, [last, east], 0.5)).toEqual({ ...last, y: 1.5 });
    expect(besideBed(last, [last, { ...last, x: 5 }, { ...last, y: 1.2 }], 0.5)).toEqual({ ...last, y: 3 });
    fc.assert(
      fc.property(plot, fc.array(plot, { maxLength: 4 }), (bed, others) => {
        const made = besideBed(bed, [bed, ...others], 0.3);
        for (const other of [bed, ...others]) expect(gap(cornersOf(made), cornersOf(other))).toBeGreaterThan(0.28);
      }),
      { numRuns: 60 },
    );
  });
});

test("parts of a bed fill it, in equal shares along its longer side", () => {
  fc.assert(
    fc.property(plot, fc.integer({ min: 1, max: 7 }), (bed, count) => {
      const parts = partsOf(bed, count);
      const outline = cornersOf(bed);
      for (const part of parts) expect(areaOf(cornersOf(part))).toBeCloseTo((bed.width * bed.length) / count, 6);
      expect(distance(cornersOf(parts[0]!)[0]!, outline[0]!)).toBeLessThan(1e-9);
      expect(distance(cornersOf(parts.at(-1)!)[2]!, outline[2]!)).toBeLessThan(1e-9);
    }),
    { numRuns: 60 },
  );
});
