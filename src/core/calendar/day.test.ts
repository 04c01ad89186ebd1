import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays, dayNumber, dayOf, daysBetween, isDay, overlapDays, sharedSpan } from "./day";

describe("days", () => {
  test("only days that exist are days", () => {
    expect(["2027-02-28", "2028-02-29"].every(isDay)).toBe(true);
    expect(["2027-02-29", "2027-13-01", "2027-7-9", "09.07.2027", "", "2027-07-09T00:00"].some(isDay)).toBe(false);
  });

  test("adding and counting agree across summer time, leap days and years", () => {
    for (let n = -800; n <= 800; n += 7) expect(daysBetween("2028-02-20", addDays("2028-02-20", n))).toBe(n);
  });

  test("a day's number is the platform's own, and gives the day back", () => {
    fc.assert(
      fc.property(fc.integer({ min: -150_000, max: 150_000 }), (number) => {
        const day = new Date(number * 86_400_000).toISOString().slice(0, 10);
        expect(dayNumber(day)).toBe(number);
        expect(dayOf(number)).toBe(day);
        expect(isDay(day)).toBe(true);
      }),
    );
    for (const year of [1900, 2000, 2024, 2027, 2100])
      for (let month = 1; month <= 12; month++)
        for (let inMonth = 1; inMonth <= 31; inMonth++) {
          const two = (n: number) => String(n).padStart(2, "0");
          const day = `${year}-${two(month)}-${two(inMonth)}`;
          const real = new Date(`${day}T00:00:00Z`);
          expect(isDay(day)).toBe(!Number.isNaN(real.getTime()) && real.toISOString().startsWith(day));
        }
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
