import { describe, expect, test } from "vitest";
import { everyDay, frostAfter, inSeason, isDayOfYear, seasonName, seasonOf, seasonSpan } from "./season";

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
    expect(frostAfter("2027-07-01", "09-28")).toBe("2027-09-28");
    expect(frostAfter("2027-10-01", "09-28")).toBe("2028-09-28");
    expect(frostAfter("2026-12-20", "04-20")).toBe("2027-04-20");
    expect(frostAfter("2027-07-01", null)).toBeNull();
  });

  test("days of the year that do not exist are refused", () => {
    expect(["02-29", "13-01", "6-1", "06-31"].filter(isDayOfYear)).toEqual([]);
  });
});
