import { describe, expect, test } from "vitest";
import { type Counts, stagesCounted, stayed } from "./raised";

const counts = (more: Partial<Counts>): Counts => ({
  sowedSeeds: 40,
  cameUp: 30,
  potted: null,
  plants: 24,
  spare: null,
  perCell: null,
  wanted: null,
  ...more,
});

describe("seedlings that stayed", () => {
  test.each([
    ["all that could be planted were", {}, false, { through: 24, of: 30 }],
    ["fewer than were wanted", { wanted: 25 }, false, { through: 24, of: 30 }],
    ["as many as were wanted: nobody knows of the rest", { wanted: 24 }, false, null],
    ["thinned where they stand", {}, true, null],
    ["thinned to one in each cell", { perCell: 2 }, false, null],
    ["one to a cell is not thinned", { perCell: 1 }, false, { through: 24, of: 30 }],
    ["those to spare were not lost", { wanted: 24, spare: 5 }, false, { through: 29, of: 30 }],
    ["none to spare was counted", { perCell: 2, spare: 0 }, true, { through: 24, of: 30 }],
    ["never more than came up", { spare: 9 }, false, { through: 30, of: 30 }],
    ["not planted yet", { plants: null }, false, null],
    ["not counted as it came up", { cameUp: null }, false, null],
  ] as const)("%s", (_, more, inPlace, seen) => expect(stayed(counts(more), inPlace)).toEqual(seen));
});

describe("stages as they were counted", () => {
  const usual = { low: 0.7, high: 0.9 };
  const verdicts = (more: Partial<Counts>) =>
    stagesCounted(counts(more), usual, false).map(({ stage, verdict }) => [stage, verdict]);

  test("are beside what is usual, and called worse or better only where so few seeds can tell", () => {
    // Wilson's nine-tenths range of 30 of 40 is 0.62 to 0.85; of 20 of 40 0.37 to 0.63; of 40 of 40 0.94 and over.
    expect(verdicts({})).toEqual([
      ["up", "as usual"],
      ["standing", "as usual"],
    ]);
    expect(verdicts({ cameUp: 20, plants: 8 })).toEqual([
      ["up", "worse"],
      ["standing", "worse"],
    ]);
    expect(verdicts({ cameUp: 40, plants: null })).toEqual([["up", "better"]]);
    // One of two is half as well, but two seeds tell nothing.
    expect(verdicts({ sowedSeeds: 2, cameUp: 1, plants: null })).toEqual([["up", "as usual"]]);
  });

  test("what was pricked out is told without a verdict, and what nobody counted not at all", () => {
    expect(stagesCounted(counts({ potted: 28, wanted: 24 }), usual, false)).toEqual([
      { stage: "up", through: 30, of: 40, usual, verdict: "as usual" },
      { stage: "potted", through: 28, of: 30, usual: null, verdict: null },
    ]);
    expect(stagesCounted(counts({ cameUp: null }), usual, false)).toEqual([]);
    expect(stagesCounted(counts({ sowedSeeds: null }), usual, false)).toEqual([]);
  });

  test("where nothing came up nothing could stay", () => {
    expect(verdicts({ cameUp: 0, plants: 0 })).toEqual([
      ["up", "worse"],
      ["standing", null],
    ]);
  });
});
