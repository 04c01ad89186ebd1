import { describe, expect, test } from "vitest";
import { clockTime, dayAt, isTimezone, sunOn } from "./sun";

describe("sunOn", () => {
  test.each([
    [47.2, 8.5, "2027-06-21", 15.925],
    [-37.8, 145, "2027-01-15", 14.491],
    [70, 20, "2027-06-21", 24],
    [70, 20, "2027-12-21", 0],
    [0, 179.9, "2027-03-20", 12.11],
  ])("at %s, %s on %s there are %s hours of day", (latitude, longitude, day, hours) => {
    expect(sunOn(latitude, longitude, day).hours).toBeCloseTo(hours, 1);
  });

  test("sunrise falls on the named day by the clocks of the place, east and west", () => {
    for (const [longitude, zone] of [
      [174.8, "Pacific/Auckland"],
      [-157.8, "Pacific/Honolulu"],
      [9.3, "Europe/Zurich"],
    ] as const) {
      const { sunrise, sunset } = sunOn(-20, longitude, "2027-07-09");
      expect(dayAt(sunrise!, zone)).toBe("2027-07-09");
      expect(dayAt(sunset!, zone)).toBe("2027-07-09");
    }
  });

  test("clock times follow summer time", () => {
    expect(clockTime(new Date("2027-07-09T03:30:00Z"), "Europe/Zurich")).toBe("05:30");
    expect(clockTime(new Date("2027-12-09T03:30:00Z"), "Europe/Zurich")).toBe("04:30");
    expect(isTimezone("Europe/Tarnholt")).toBe(false);
  });
});
