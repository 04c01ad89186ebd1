import { describe, expect, test } from "vitest";
import { normalFrom, seeded } from "../numbers/chance";
import { adjustedForPlace, type Placed } from "./place";

/** A bed of plants by chance, with what its places add. */
function bed(rows: number, perRow: number, seed: number, place: (row: number, at: number) => number): Placed[] {
  const random = seeded(seed);
  return Array.from({ length: rows * perRow }, (_, i) => {
    const [row, at] = [Math.floor(i / perRow), i % perRow];
    return { row, at, value: 10 + normalFrom(random(), random()) + place(row, at) };
  });
}

describe("values set right for their place", () => {
  test("a slope is found and taken out to the last digit where nothing else differs", () => {
    const plants = bed(4, 10, 1, () => 0).map((p) => ({ ...p, value: 5 + 2 * p.row - 0.5 * p.at }));
    const { model, explained, values } = adjustedForPlace(plants);
    expect(model).toBe("slope");
    expect(explained).toBeGreaterThan(0.999);
    expect(explained).toBeLessThanOrEqual(1);
    for (const value of values) expect(value).toBeCloseTo(5 + 2 * 1.5 - 0.5 * 4.5, 9);
  });

  test("one row is enough for a slope along it", () => {
    const { model, values } = adjustedForPlace(bed(1, 20, 5, () => 0).map((p) => ({ ...p, value: 3 * p.at })));
    expect(model).toBe("slope");
    for (const value of values) expect(value).toBeCloseTo(28.5, 9);
  });

  test("what a bad corner does is taken out by blocks or neighbours, and the mean stays", () => {
    const plants = bed(8, 16, 2, (row, at) => (row < 3 && at < 5 ? -6 : 0));
    const { model, values, explained } = adjustedForPlace(plants);
    expect(["grid", "neighbours"]).toContain(model);
    expect(explained).toBeGreaterThan(0.3);
    const mean = (of: number[]) => of.reduce((a, b) => a + b, 0) / of.length;
    expect(mean(values)).toBeCloseTo(mean(plants.map((p) => p.value)), 9);
    const gap = (of: number[]) =>
      mean(of.filter((_, i) => !(plants[i]!.row < 3 && plants[i]!.at < 5))) -
      mean(of.filter((_, i) => plants[i]!.row < 3 && plants[i]!.at < 5));
    expect(gap(plants.map((p) => p.value))).toBeGreaterThan(5);
    expect(gap(values)).toBeLessThan(2.5);
  });

  test("where places tell nothing, values mostly stay as they are", () => {
    const taken = Array.from({ length: 40 }, (_, seed) => adjustedForPlace(bed(4, 12, seed + 1, () => 0)).model);
    expect(taken.filter((model) => model === "none").length).toBeGreaterThanOrEqual(32);
  });

  test.each<[string, Placed[]]>([
    ["few plants", bed(1, 11, 1, (_, at) => at * 5)],
    ["plants that are all alike", bed(3, 10, 1, () => 0).map((p) => ({ ...p, value: 7 }))],
    ["no plants", []],
  ])("%s are left alone", (_, plants) => {
    expect(adjustedForPlace(plants)).toEqual({ model: "none", explained: 0, values: plants.map((p) => p.value) });
  });
});
