import { describe, expect, test } from "vitest";
import { addDays, daysBetween, isDay, overlapDays, sharedSpan } from "./day";

describe("days", () => {
  test("only days that exist are days", () => {
    expect(["2027-02-28", "2028-02-29"].every(isDay)).toBe(true);
    expect(["2027-02-29", "2027-13-01", "2027-7-9", "09.07.2027", "", "2027-07-09T00:00"].some(isDay)).toBe(false);
  });

  test("adding and counting agree across summer time, leap days and years", () => {
    for (let n = -800; n <= 800; n += 7) expect(daysBetween("2028-02-20", addDays("2028-02-20", n))).toBe(n);
  });

  test("spans share both of their ends and overlap the same either way", () => {
    const a = { start: "2027-07-01", end: "2027-07-10" };
    expect(overlapDays(a, { start: "2027-07-10", end: "2027-07-20" })).toBe(1);
    expect(overlapDays({ start: "2027-07-10", end: "2027-07-20" }, a)).toBe(1);
    expect(overlapDays(a, { start: "2027-07-11", end: "2027-07-20" })).toBe(0);
    expect(sharedSpan(a, { start: "2027-07-03", end: "2027-07-04" })).toEqual({
      start: "2027-07-03",
      end: "2027-07-04",
    });
  });
});
