import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { binomialMasses } from "../numbers/binomial";
import { cellNumber } from "./cells";
import { sowingDays } from "./sowDays";
import { type RaisingStages, sowingNumber } from "./sowing";

const known = (up: number, stays: number) => ({ up: [{ rate: up }], stays: [{ rate: stays }] });

describe("cells to sow", () => {
  test("two seeds thinned to one: by hand, 0.96 of the cells hold a seedling", () => {
    // 25 cells: at most one empty, 0.96^25 + 25·0.04·0.96^24 = 0.736; 26: at most two, 0.916.
    const input = { target: 24, confidence: 0.9, ...known(0.8, 1), perCell: 2 };
    expect(cellNumber({ ...input, surplus: "thinned" })).toEqual({ cells: 26, seeds: 52 });
    expect(cellNumber({ ...input, confidence: 0.92, surplus: "thinned" })).toEqual({ cells: 27, seeds: 54 });
    // With its gaps filled 24 cells hold 48 seeds: 24 or more of them come up all but surely.
    expect(cellNumber({ ...input, surplus: "fills-gaps" })).toEqual({ cells: 24, seeds: 48 });
  });

  test("gaps filled: by hand, two cells of two at one half for two plants", () => {
    // Two or more of four come up with 11/16; of six, where three cells take three, with 57/64.
    const of = (confidence: number) =>
      cellNumber({ target: 2, confidence, ...known(0.5, 1), perCell: 2, surplus: "fills-gaps" }).cells;
    expect([0.68, 0.69, 0.89, 0.9].map(of)).toEqual([2, 3, 3, 4]);
  });

  test("one seed to a cell is a sowing by the seed, and a second seed saves cells and costs seeds", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.double({ min: 0.3, max: 0.95, noNaN: true }),
        fc.double({ min: 0.5, max: 1, noNaN: true }),
        (target, up, stays) => {
          const input = { target, confidence: 0.9, ...known(up, stays) };
          const { sow } = sowingNumber({ target, confidence: 0.9, stages: [{ rate: up }, { rate: stays }] });
          const cells = (perCell: number, surplus: "thinned" | "fills-gaps") =>
            cellNumber({ ...input, perCell, surplus });
          expect(cells(1, "thinned").cells).toBe(sow);
          expect(cells(1, "fills-gaps").cells).toBe(sow);
          const [thinned, filled] = [cells(2, "thinned"), cells(2, "fills-gaps")];
          expect(thinned.cells).toBeLessThanOrEqual(sow);
          expect(filled.cells).toBeLessThanOrEqual(thinned.cells);
          expect(filled.seeds).toBeGreaterThanOrEqual(sow);
        },
      ),
      { numRuns: 60 },
    );
  });

  test("what is known by few counts asks for more than what is known by many, and counts as draws of the rates do", () => {
    const counted = (trials: number): RaisingStages => ({
      up: [{ successes: 0.7 * trials, trials }],
      stays: [{ successes: 0.9 * trials, trials }],
    });
    const of = (rates: RaisingStages) =>
      cellNumber({ target: 20, confidence: 0.9, ...rates, perCell: 2, surplus: "thinned" }).cells;
    const [few, many, sure] = [of(counted(10)), of(counted(10_000)), of(known(0.7, 0.9))];
    expect(few).toBeGreaterThan(many);
    expect(many).toBe(sure);
    // Of 200,000 sowings drawn with rates from Beta(7.5, 3.5) and Beta(9.5, 1.5) 0.894 gave 20 plants in 34 cells, 0.910 in 35.
    expect(few).toBe(35);
  });

  test("seed that hardly lives is refused, not counted up without end", () => {
    const input = { target: 500, confidence: 0.9, ...known(0.001, 0.5), perCell: 2, surplus: "thinned" as const };
    expect(() => cellNumber(input)).toThrow(/twenty thousand cells/);
  });

  test("the chances of all numbers add up to one, also where the first and the last are too small to write", () => {
    for (const [n, p] of [
      [5, 0.3],
      [4000, 0.5],
      [2000, 0.999],
      [3, 0],
      [3, 1],
    ] as const) {
      const masses = binomialMasses(n, p);
      expect(masses).toHaveLength(n + 1);
      expect(masses.reduce((sum, mass) => sum + mass, 0)).toBeCloseTo(1, 9);
      expect(masses.reduce((sum, mass, k) => sum + mass * k, 0)).toBeCloseTo(n * p, 6);
    }
    expect(binomialMasses(5, 0.3)[2]).toBeCloseTo(10 * 0.09 * 0.343, 12);
  });

  test("sowing days are counted back from planting out, over a New Year too", () => {
    expect(sowingDays("2027-05-25", { low: 42, high: 56 })).toEqual({
      from: "2027-03-30",
      best: "2027-04-06",
      to: "2027-04-13",
    });
    expect(sowingDays("2028-02-10", { low: 60, high: 80 }).from).toBe("2027-11-22");
  });
});
