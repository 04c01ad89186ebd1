import { describe, expect, test } from "vitest";
import {
  everyDay,
  frostBefore,
  inSeason,
  isDayOfYear,
  isSeason,
  nextFrost,
  seasonName,
  seasonOf,
  seasonSpan,
} from "./season";

describe("seasons", () => {
  test("a northern season is the calendar year", () => {
    expect(seasonSpan(2027, 48)).toEqual({ start: "2027-01-01", end: "2027-12-31" });
    expect(seasonOf("2027-12-31", 48)).toBe(2027);
  });

  test("a southern season spans New Year and every day of it belongs to it", () => {
    const span = seasonSpan(2026, -37);
    expect(span).toEqual({ start: "2026-07-01", end: "2027-06-30" });
    expect(new Set(everyDay(span).map((day) => seasonOf(day, -37)))).toEqual(new Set([2026]));
    expect(everyDay(span)).toHaveLength(365);
    expect(seasonName(2099, -37)).toBe("2099/00");
  });

  test("frost days fall inside their season in both hemispheres", () => {
    expect(inSeason("04-20", 2026, -37)).toBe("2027-04-20");
    expect(inSeason("09-28", 2027, 48)).toBe("2027-09-28");
  });

  test("the frost to beat is the next one, into the next year if need be", () => {
    expect(nextFrost("2027-07-01", "09-28")).toBe("2027-09-28");
    expect(nextFrost("2027-09-28", "09-28")).toBe("2028-09-28");
    expect(nextFrost("2026-12-20", "04-20")).toBe("2027-04-20");
    expect(frostBefore("2027-09-28", "09-28")).toBe("2027-09-28");
    expect(frostBefore("2027-09-27", "09-28")).toBe("2026-09-28");
  });

  test("a season has four figures, and days that are none are refused instead of counted for ever", () => {
    expect([1900, 2200, 1899, 2201, 9999, 0, 2027.5].map(isSeason)).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
      false,
    ]);
    expect(everyDay({ start: "9999-12-30", end: "9999-12-31" })).toEqual(["9999-12-30", "9999-12-31"]);
    expect(everyDay({ start: "2027-03-01", end: "2027-03-09" }, 4)).toEqual(["2027-03-01", "2027-03-05", "2027-03-09"]);
    expect(everyDay({ start: "2027-03-02", end: "2027-03-01" })).toEqual([]);
    for (const bad of [
      { start: "x", end: "2027-01-01" },
      { start: "2027-01-01", end: "10000-01-01" },
    ])
      expect(() => everyDay(bad)).toThrow(RangeError);
    expect(() => everyDay({ start: "2027-01-01", end: "2027-01-02" }, 0)).toThrow(RangeError);
  });

  test("days of the year that do not exist are refused", () => {
    expect(["02-29", "13-01", "6-1", "06-31"].filter(isDayOfYear)).toEqual([]);
  });
});
