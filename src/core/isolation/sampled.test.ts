import { expect, test } from "vitest";
import { seasonsLived } from "../tests/isolationSeasons";
import { columnOf, DRAWS } from "./draws";
import { shareOver } from "./sampled";

test("of seasons lived plant by plant, nine tenths lie in the range, and what is called enough or within is", () => {
  const { inRange, seasons, within, wrong, enough, kept } = seasonsLived(200, 5, true);
  expect(inRange / seasons).toBeGreaterThan(0.86);
  expect(inRange / seasons).toBeLessThan(0.98);
  expect(within).toBeGreaterThan(40);
  expect(wrong / within).toBeLessThan(0.1);
  expect(enough).toBeGreaterThan(40);
  expect(kept / enough).toBeGreaterThan(0.9);
});

test("a column takes each slice of its distribution once, in an order of its own, and the same each time", () => {
  const sorted = [...columnOf(4).even].sort((a, b) => a - b);
  expect(sorted.map((value) => Math.round(value * DRAWS - 0.5))).toEqual(sorted.map((_, i) => i));
  expect(columnOf(4)).toBe(columnOf(4));
  expect(columnOf(4).even).not.toEqual(columnOf(5).even);
  const shifts = [...columnOf(4).normal];
  expect(shifts.reduce((a, b) => a + b) / DRAWS).toBeCloseTo(0, 6);
  expect(shifts.filter((shift) => Math.abs(shift) < 1.6449)).toHaveLength(DRAWS * 0.9);
});

test("a share at the limit itself is not over it", () => {
  expect(shareOver([0.01, 0.02, 0.005], 0.01)).toBeCloseTo(1 / 3, 12);
});
