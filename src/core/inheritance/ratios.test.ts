import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { seeded } from "../numbers/chance";
import { inParts, locusAfter, type Making, ratiosOf } from "./ratios";

const F2: Making = { kind: "selfed", times: 1 };
const BACK: Making = { kind: "backcross" };
const first = (counts: number[], making: Making = F2) => ratiosOf(counts, making).fits[0]!;

describe("by which ratio a trait is inherited", () => {
  test.each<[number[], Making, number[], string]>([
    // Mendel's own: round and wrinkled; and both with yellow and green.
    [[5474, 1850], F2, [3, 1], "one gene, dominant"],
    [[315, 101, 108, 32], F2, [9, 3, 3, 1], "two genes, each seen"],
    [[25, 52, 23], F2, [1, 2, 1], "one gene, the mixed between"],
    [[450, 350], F2, [9, 7], "both needed"],
    [[150, 10], F2, [15, 1], "either enough"],
    [[121, 38, 11], F2, [12, 3, 1], "where it is dominant"],
    [[185, 58, 77], F2, [9, 3, 4], "where it is recessive"],
    [[812, 188], F2, [13, 3], "holds the other back"],
    [[90, 61, 9], F2, [9, 6, 1], "add up"],
    // An F3 of one gene: five to three.
    [[125, 75], { kind: "selfed", times: 2 }, [5, 3], "one gene, dominant"],
    [[51, 49], BACK, [1, 1], "one gene, dominant"],
    [[26, 24, 25, 25], BACK, [1, 1, 1, 1], "each seen"],
    [[10, 31], F2, [1, 3], "one gene, dominant"],
  ])("%j made by %j: %j", (counts, making, ratio, name) => {
    const fit = first(counts, making);
    expect(fit.ratio).toEqual(ratio);
    expect(fit.name).toContain(name);
  });

  test("each is tested as a ratio is, and chances with any other come to 1", () => {
    const { fits, other } = ratiosOf([44, 10], F2);
    expect(fits[0]!.test.chiSquare).toBeCloseTo(1.2099, 3);
    const told = fits.reduce((sum, { chance }) => sum + chance, 0);
    expect(told + other).toBeGreaterThan(0.98);
    expect(told + other).toBeLessThanOrEqual(1 + 1e-9);
    expect(fits.map(({ chance }) => chance)).toEqual(fits.map(({ chance }) => chance).sort((a, b) => b - a));
  });

  test("the chance is Bayes' by hand: ten of which eight, for the two ways to read three to one, the others and none", () => {
    // Two classes of an F2: 3:1, 9:7, 15:1 and 13:3, either way round, one gene three times as likely beforehand as two.
    const choose = 45;
    const of = (p: number) => choose * p ** 8 * (1 - p) ** 2;
    const ways = [
      [3 / 4, 1],
      [9 / 16, 1 / 3],
      [15 / 16, 1 / 3],
      [13 / 16, 1 / 3],
    ] as const;
    const all = ways.reduce((sum, [p, weight]) => sum + (weight / 2) * (of(p) + of(1 - p)), 0) + 1 / 11;
    const { fits, other } = ratiosOf([8, 2], F2);
    expect(fits[0]!.ratio).toEqual([3, 1]);
    expect(fits[0]!.chance).toBeCloseTo((0.5 * of(0.75)) / all, 6);
    expect(other).toBeCloseTo(1 / 11 / all, 6);
  });

  test("counts of no usual ratio are said to be another", () => {
    const { other } = ratiosOf([600, 400], F2);
    expect(other).toBeGreaterThan(0.5);
    expect(ratiosOf([980, 20], F2).other).toBeGreaterThan(0.9);
  });

  test("so many more plants part the leading two nine times in ten, by simulation", () => {
    const counts = [30, 12];
    const { fits, more } = ratiosOf(counts, F2);
    expect(more).toBeGreaterThan(20);
    const [p, q] = [fits[0]!, fits[1]!].map(({ ratio }) => ratio[0]! / (ratio[0]! + ratio[1]!)) as [number, number];
    const odds = Math.log(fits[0]!.chance / fits[1]!.chance);
    const random = seeded(9);
    let told = 0;
    for (let run = 0; run < 2_000; run++) {
      let ln = odds;
      for (let n = 0; n < more!; n++) ln += random() < p ? Math.log(p / q) : Math.log((1 - p) / (1 - q));
      if (ln >= Math.log(19)) told++;
    }
    expect(told / 2_000).toBeGreaterThan(0.86);
    expect(told / 2_000).toBeLessThan(0.94);
    expect(ratiosOf([5474, 1850], F2).more).toBe(0);
  });

  test("a class that a way does not give is none of its classes", () => {
    // Crossed back to what shows the dominant, one gene gives one class: two that were seen are no such family.
    const { fits } = ratiosOf([40, 0], BACK);
    expect(fits.every(({ ratio }) => ratio.every((part) => part > 0))).toBe(true);
    expect(ratiosOf([20, 20], BACK).fits[0]!.ratio).toEqual([1, 1]);
  });

  test("which class is named first changes nothing", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 2, maxLength: 4 }), (counts) => {
        fc.pre(counts.some((n) => n > 0));
        const there = ratiosOf(counts, F2);
        const back = ratiosOf([...counts].reverse(), F2);
        expect(back.other).toBeCloseTo(there.other, 9);
        expect(back.fits[0]?.chance ?? 0).toBeCloseTo(there.fits[0]?.chance ?? 0, 9);
      }),
      { numRuns: 60 },
    );
  });

  test("what can't be divided is refused; five classes are no usual ratio", () => {
    expect(() => ratiosOf([5], F2)).toThrow(RangeError);
    expect(() => ratiosOf([0, 0], F2)).toThrow(RangeError);
    expect(ratiosOf([5, 4, 3, 2, 1], F2)).toMatchObject({ fits: [], other: 1, more: null });
  });
});

test.each<[Making, "dominant" | "recessive", number[]]>([
  [F2, "dominant", [0.25, 0.5, 0.25]],
  [{ kind: "selfed", times: 3 }, "recessive", [0.4375, 0.125, 0.4375]],
  [BACK, "dominant", [0.5, 0.5, 0]],
  [BACK, "recessive", [0, 0.5, 0.5]],
])("a locus after %j towards the %s: %j", (making, towards, shares) => {
  expect(locusAfter(making, towards)).toEqual(shares);
});

test.each([
  [
    [0.75, 0.25],
    [3, 1],
  ],
  [
    [9 / 16, 3 / 16, 4 / 16],
    [9, 3, 4],
  ],
  [
    [0.625, 0.375],
    [5, 3],
  ],
  [
    [0.7, 0.3],
    [2.3, 1],
  ],
])("%j in parts: %j", (shares, parts) => {
  expect(inParts(shares)).toEqual(parts);
});
