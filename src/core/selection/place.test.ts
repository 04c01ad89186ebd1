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

  /** Every sixth plant is a check, five better than the family; half of the bed, in stripes of six, stands four worse. */
  const striped = (checks: boolean) => {
    const bad = (at: number) => Math.floor(at / 6) % 2 === 1;
    return bed(2, 48, 7, (_, at) => (bad(at) ? -4 : 0)).map((p) => {
      const isCheck = checks && p.at % 3 === 1;
      return { ...p, value: isCheck ? 15 + (bad(p.at) ? -4 : 0) : p.value, check: isCheck ? "line" : null };
    });
  };

  test("checks tell their places, and their own level nothing", () => {
    const plants = striped(true);
    const { values } = adjustedForPlace(plants);
    const mean = (of: number[]) => of.reduce((a, b) => a + b, 0) / of.length;
    const bad = (p: Placed) => Math.floor(p.at / 6) % 2 === 1;
    const gap = (of: number[]) =>
      mean(of.filter((_, i) => !plants[i]!.check && !bad(plants[i]!))) -
      mean(of.filter((_, i) => !plants[i]!.check && bad(plants[i]!)));
    expect(gap(plants.map((p) => p.value))).toBeGreaterThan(3);
    expect(gap(values)).toBeLessThan(1.6);
    const own = (of: number[]) => mean(of.filter((_, i) => !plants[i]!.check));
    expect(own(values)).toBeCloseTo(own(plants.map((p) => p.value)), 9);
    // Ten better, the checks would say the same.
    const better = adjustedForPlace(plants.map((p) => (p.check ? { ...p, value: p.value + 10 } : p)));
    for (const [i, value] of better.values.entries()) if (!plants[i]!.check) expect(value).toBeCloseTo(values[i]!, 9);
  });

  test("by checks alone, where neighbours say nothing: few plants far apart among checks", () => {
    // One plant in a row of checks each, which differ as the checks beside them do.
    const shift = [3, -3, 2, -2, 4, -4, 1, -1, 3, -3, 2, -2];
    const plants: Placed[] = shift.flatMap((by, row) =>
      [0, 1, 2].map((at) => ({
        row: row * 40,
        at,
        value: at === 1 ? 20 + by : 9 + by,
        check: at === 1 ? null : "line",
      })),
    );
    const { model, values, explained } = adjustedForPlace(plants);
    expect(model).toBe("checks");
    expect(explained).toBeGreaterThan(0.99);
    for (const [i, value] of values.entries()) if (!plants[i]!.check) expect(value).toBeCloseTo(20, 2);
  });

  test("three checks are too few to be listened to", () => {
    const plants = bed(2, 12, 3, () => 0).map((p, i) => ({
      ...p,
      value: 10 + (i % 2),
      check: i % 8 === 4 ? "line" : null,
    }));
    expect(adjustedForPlace(plants).model).not.toBe("checks");
  });
});
