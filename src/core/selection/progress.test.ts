import { describe, expect, test } from "vitest";
import { progressOf } from "./progress";

const five = [8, 9, 10, 11, 12];
const of = (generation: number, shift: number, more: object = {}) => ({
  generation,
  values: five.map((value) => value + shift),
  chosen: [],
  beside: {},
  ...more,
});

/** The normal distribution, by its series. */
function phi(x: number): number {
  let [term, sum] = [x, x];
  for (let n = 1; n < 200; n++) {
    term *= (-x * x) / (2 * n);
    sum += term / (2 * n + 1);
  }
  return 0.5 + sum / Math.sqrt(2 * Math.PI);
}
/** Five plants of variance 2.5 twice, without lines beside them. */
const ERROR = Math.sqrt(6.3125);

describe("is it getting anywhere", () => {
  test("the change with its range: variance 2.5 of five plants, twice, and the weather of two seasons", () => {
    const found = progressOf([of(1, 0), of(2, 0), of(3, 1), of(4, 3)], { wanted: "high" }, false)!;
    expect([found.from, found.to]).toEqual([
      { generation: 2, mean: 10, plants: 5 },
      { generation: 4, mean: 13, plants: 5 },
    ]);
    expect(found.change.likely).toBe(3);
    // 2 · 2.5/5 of the means, 2 · 2.5 · (1 + 0.0625) of the seasons.
    expect(found.change.high).toBeCloseTo(3 + 1.6449 * Math.sqrt(1 + 5.3125), 3);
    expect(found.nearer).toBeCloseTo(phi(3 / Math.sqrt(6.3125)), 5);
    expect(found.levels).toBe(null);
    expect(found.spread).toBe(1);
  });

  test.each([
    [{ wanted: "low" }, phi(-3 / ERROR)],
    [{ wanted: "none" }, null],
    // From 10 to 13 about a target of 12: nearer is between 10 and 14.
    [{ wanted: "target", target: 12 }, phi(1 / ERROR) - phi(-3 / ERROR)],
    [{ wanted: "target", target: 8 }, phi(-3 / ERROR) - phi(-7 / ERROR)],
    [{ wanted: "range", low: 9, high: 11 }, null],
    [{ wanted: "range", low: 12, high: 14 }, phi(3 / ERROR) - phi(-3 / ERROR)],
    [{ wanted: "range", low: 5, high: 6 }, phi(-3 / ERROR) - phi(-12 / ERROR)],
  ] as const)("wanted %j", (aim, nearer) => {
    const found = progressOf([of(2, 0), of(3, 3)], aim, false)!.nearer;
    if (nearer === null) expect(found).toBe(null);
    else expect(found).toBeCloseTo(nearer, 4);
  });

  test("known lines that stood beside both take the weather out, and add their doubt", () => {
    const beside = (shift: number) => ({ beside: { A: [1, 3].map((value) => value + shift), B: [7] } });
    const found = progressOf([of(2, 0, beside(0)), of(3, 3, beside(3))], { wanted: "high" }, false)!;
    expect(found.against).toEqual(["A"]);
    expect(found.change.likely).toBeCloseTo(0, 10);
    // Variance 0.5 of each own mean, 2/2 of each mean beside it, 2 · 2.5 · 0.0625 · 2 of both lines' own answers.
    expect(found.change.high).toBeCloseTo(1.6449 * Math.sqrt(3.625), 3);
    expect(found.nearer).toBeCloseTo(0.5, 6);
    // As it is said: 10 and 13 less 1.5 of weather either way.
    expect(found.levels).toEqual([
      { generation: 2, mean: 11.5 },
      { generation: 3, mean: 11.5 },
    ]);
  });

  test("what came again of what was chosen", () => {
    const found = progressOf([of(2, 0, { chosen: [12, 13] }), of(3, 1)], { wanted: "high" }, false)!;
    expect(found.realised!.likely).toBeCloseTo(1 / 2.5, 10);
    // The drift of two: 0.4 · 0.6 · 2.5 / 2.
    const wide = 1.6449 * Math.sqrt(6.3125 + 0.3);
    expect(found.realised!.high).toBeCloseTo((1 + wide) / 2.5, 3);
    expect(found.realised!.low).toBeCloseTo((1 - wide) / 2.5, 3);
    expect(progressOf([of(2, 0, { chosen: [10.4] }), of(3, 1)], { wanted: "high" }, false)!.realised).toBe(null);
    const down = progressOf([of(2, 0, { chosen: [7] }), of(3, -1)], { wanted: "low" }, false)!;
    expect(down.realised!.likely).toBeCloseTo(1 / 3, 10);
    expect(down.realised!.low).toBeLessThan(down.realised!.high);
  });

  test("words as shares; a generation of which too few were seen is passed over", () => {
    const words = (generation: number, yes: number, no: number) => ({
      ...of(generation, 0),
      values: [...Array(yes).fill(1), ...Array(no).fill(0)],
    });
    const found = progressOf([words(2, 3, 7), words(3, 2, 2), words(4, 9, 1)], { wanted: "category" }, true)!;
    expect([found.from.mean, found.to.mean, found.spread, found.realised]).toEqual([0.3, 0.9, null, null]);
    expect(found.nearer).toBeGreaterThan(0.99);
    expect(progressOf([words(2, 3, 7), words(4, 9, 1)], { wanted: "no" }, true)!.nearer).toBeLessThan(0.01);
    expect(progressOf([words(2, 3, 7), words(3, 2, 2)], { wanted: "yes" }, true)).toBe(null);
  });
});
