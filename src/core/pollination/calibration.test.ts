import { describe, expect, test } from "vitest";
import { betaOfRange } from "../numbers/beta";
import { calibrate } from "../tests/flowerSeason";

const season = {
  prior: betaOfRange({ low: 0.25, high: 0.55 }),
  wanted: 6,
  confidence: 0.9,
  evenings: 1,
  perEvening: 200,
  lookAfter: 8,
};
const SEASONS = 1_500;
/** Three standard errors of a share near nine tenths. */
const SLACK = 3 * Math.sqrt((0.9 * 0.1) / SEASONS);

describe("the evening's advice", () => {
  test("in one evening the share of seasons that reach it is the chance that was stated", () => {
    const { reached, stated } = calibrate(season, SEASONS, 1);
    expect(stated).toBeGreaterThanOrEqual(0.9);
    expect(Math.abs(reached - stated)).toBeLessThan(SLACK);
  });

  test.each([5, 20])(
    "over %i evenings it is reached as often as was stated last, at least as often as asked",
    (evenings) => {
      const { reached, stated } = calibrate({ ...season, evenings }, SEASONS, evenings);
      expect(reached).toBeGreaterThanOrEqual(0.9 - SLACK);
      expect(Math.abs(reached - stated)).toBeLessThan(SLACK);
    },
  );

  test("where an evening allows too few, it is reached less often, and that is what is stated", () => {
    const { reached, stated } = calibrate({ ...season, evenings: 3, perEvening: 4 }, SEASONS, 7);
    expect(stated).toBeLessThan(0.6);
    expect(Math.abs(reached - stated)).toBeLessThan(0.04);
  });
});
