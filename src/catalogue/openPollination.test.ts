import { describe, expect, test } from "vitest";
import { compute } from "@/core/computations";
import { METHODS } from "./methods";
import type { OpenPollination } from "./openPollination";

const METHOD = METHODS.find(({ name }) => name === "open-pollination")!;
const days = { start: "2027-07-01", end: "2027-07-20" };
const row = (i: number, more: object = {}) => ({
  id: `row ${i}`,
  plants: 6,
  spacing: 0.5,
  x: i * 1.5,
  y: 0,
  female: days,
  male: days,
  ...more,
});
const told = (plantings: object[], more: object = {}) =>
  compute(METHOD, { species: "carrot", background: 0.002, plantings, ...more });
function answer(plantings: object[], more: object = {}): OpenPollination {
  const found = told(plantings, more);
  if (!found.ok) throw new Error(JSON.stringify(found.details));
  return found.result as OpenPollination;
}

describe("who fathers the open seed of plantings of one line", () => {
  test("is everybody in the block, the nearer the more, and sums to one with strangers", () => {
    const { fathers, strangers } = answer(Array.from({ length: 10 }, (_, i) => row(i)));
    for (const [id, of] of Object.entries(fathers))
      expect(Object.values(of).reduce((a, b) => a + b, 0) + strangers[id]!).toBeCloseTo(1, 12);
    const of = fathers["row 4"]!;
    expect(Object.keys(of)).toHaveLength(10);
    expect(of["row 5"]).toBeCloseTo(of["row 3"]!, 9);
    expect(of["row 5"]).toBeGreaterThan(of["row 7"]!);
    expect(of["row 7"]).toBeGreaterThan(0.01);
    // In carrots insects carry pollen through the whole block: its own row fathers well under half.
    expect(of["row 4"]).toBeLessThan(0.5);
  });

  test("selfed seed is the planting's own; strangers reach only what is crossed", () => {
    const { fathers, strangers } = answer([row(0), row(1)], { selfing: 0.4 });
    expect(strangers["row 0"]).toBeCloseTo(0.6 * 0.002, 12);
    const crossed = answer([row(0), row(1)], { selfing: 0 });
    expect(fathers["row 0"]!["row 1"]).toBeCloseTo(0.6 * crossed.fathers["row 0"]!["row 1"]!, 12);
    expect(answer([row(0)], { selfing: 1 })).toEqual({
      fathers: { "row 0": { "row 0": 1 } },
      strangers: { "row 0": 0 },
    });
  });

  test("follows the plants, the days in common, and how far apart", () => {
    const [alike, more, later, apart] = [
      {},
      { plants: 24 },
      { male: { start: "2027-08-01", end: "2027-08-20" } },
      { x: 200 },
    ].map((other) => answer([row(0), row(1, other)]).fathers["row 0"]!["row 1"] ?? 0) as [
      number,
      number,
      number,
      number,
    ];
    expect(more).toBeGreaterThan(alike * 1.5);
    expect(later).toBe(0);
    expect(apart).toBeLessThan(alike / 10);
  });

  test("the catalogue's own selfing counts where none is told: nearly all of a tomato's seed is its own", () => {
    expect(answer([row(0), row(1)], { species: "tomato" }).fathers["row 0"]!["row 0"]).toBeGreaterThan(0.95);
  });

  test.each([
    ["two of one name", { plantings: [row(0), row(0)] }, "plantings.1"],
    ["none", { plantings: [] }, "plantings"],
    ["no plant", { plantings: [row(0, { plants: 0 })] }, "plantings.0.plants"],
    ["a share over one", { plantings: [row(0)], background: 1.5 }, "background"],
    [
      "days the wrong way round",
      { plantings: [row(0, { female: { start: "2027-07-20", end: "2027-07-01" } })] },
      "plantings.0.female",
    ],
  ])("refuses %s beside its field", (_, input, field) => {
    const found = compute(METHOD, { species: "carrot", background: 0.002, ...input });
    expect(found.ok).toBe(false);
    if (!found.ok) expect(Object.keys(found.details).some((at) => at.startsWith(field))).toBe(true);
  });
});
