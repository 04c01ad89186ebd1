import { describe, expect, test } from "vitest";
import { addDays, dayNumber, dayOf } from "../calendar/day";
import { south as southern, tropics, VALLEY } from "../tests/place";
import { growingDegreeDays } from "./degreeDays";
import { frostFreeUntil, frostOverBy, frostsByNormals, frostsByReadings } from "./frost";
import { simulatedStation } from "./station";
import { dailyNormals, placeInYear } from "./temperature";

const daily = dailyNormals(VALLEY);

describe("normals", () => {
  test("pass through the middle of each month and join the year's ends", () => {
    const january = daily[placeInYear(dayNumber("2027-01-16"))]!;
    expect(january.min).toBeCloseTo(-4.5, 1);
    expect(daily[placeInYear(dayNumber("2027-07-16"))]!.max).toBeCloseTo(24.2, 1);
    expect(Math.abs(daily[365]!.min - daily[0]!.min)).toBeLessThan(0.2);
  });

  test("place in the year rises by one a day and starts anew in January, leap years too", () => {
    for (const day of ["2024-03-01", "2027-12-31", "1999-01-01", "2031-06-30"]) {
      const expected = dayNumber(day) - dayNumber(`${day.slice(0, 4)}-01-01`);
      const off = Math.abs(placeInYear(dayNumber(day)) - expected);
      expect(Math.min(off, 366 - off)).toBeLessThanOrEqual(1);
    }
  });
});

describe("degree days", () => {
  test("cold and heat beyond the thresholds count for nothing", () => {
    expect(growingDegreeDays({ base: 10, ceiling: 30, days: [{ min: -5, max: 9 }] }).total).toBe(0);
    expect(growingDegreeDays({ base: 10, ceiling: 30, days: [{ min: 31, max: 44 }] }).total).toBe(20);
  });
});

describe("frost", () => {
  test("by normals it ends in spring and begins in autumn, in both hemispheres, and never in the tropics", () => {
    const north = frostsByNormals(daily, 0)!;
    expect(north.last.day > "04-15" && north.last.day < "06-10").toBe(true);
    expect(north.first.day > "09-05" && north.first.day < "10-31").toBe(true);
    const south = frostsByNormals(southern().daily, 181)!;
    expect(south.last.day > "10-15" && south.last.day < "12-10").toBe(true);
    expect(south.first.day > "03-05" && south.first.day < "05-01").toBe(true);
    expect(frostsByNormals(tropics().daily, 0)).toBeNull();
  });

  /** Readings with frost until a day of spring and from a day of autumn on. */
  const years = (ends: [string, string][]) =>
    new Map(
      ends.flatMap(([last, first], i) => {
        const year = 2015 + i;
        return Array.from({ length: 365 }, (_, d) => {
          const day = addDays(`${year}-01-01`, d);
          const cold = day.slice(5) <= last || day.slice(5) >= first;
          return [dayNumber(day), { min: cold ? 0 : 4, max: 15 }] as const;
        });
      }),
    );

  test("by readings it is the mean and spread of the years, from five years on", () => {
    const seen = frostsByReadings(
      years([
        ["05-10", "10-01"],
        ["05-14", "10-05"],
        ["05-12", "09-27"],
        ["05-06", "10-09"],
        ["05-18", "10-03"],
      ]),
      false,
    )!;
    expect(seen).toMatchObject({ seasons: 5, from: "readings", last: { day: "05-12" }, first: { day: "10-03" } });
    expect(seen.last.spread).toBeCloseTo(4.5, 0);
    expect(frostsByReadings(years([["05-10", "10-01"]]), false)).toBeNull();
  });

  test("the chance of no frost falls through autumn and is even at the usual day", () => {
    const first = { day: "10-01", spread: 10 };
    const chances = ["09-10", "09-30", "10-20"].map((day) => frostFreeUntil(`2027-${day}`, first));
    expect(chances[0]!).toBeGreaterThan(0.95);
    expect(chances[1]!).toBeCloseTo(0.52, 1);
    expect(chances[2]!).toBeLessThan(0.05);
    expect(frostOverBy("2027-05-30", { day: "05-14", spread: 8 })).toBeGreaterThan(0.95);
    // Across the New Year the nearest usual day counts.
    expect(frostFreeUntil("2027-01-02", { day: "12-28", spread: 5 })).toBeLessThan(0.2);
  });
});

describe("the simulated station", () => {
  const station = simulatedStation(daily, 7);

  test("gives the same weather every time, and another for another seed", () => {
    const once = station.readings("2026-01-01", "2026-12-31");
    expect(simulatedStation(daily, 7).readings("2026-01-01", "2026-12-31")).toEqual(once);
    expect(simulatedStation(daily, 8).readings("2026-01-01", "2026-12-31")).not.toEqual(once);
    expect(station.readings("2026-06-01", "2026-06-01")).toEqual([once[151]]);
  });

  test("foretells rain, less surely the farther off, on about one day in three", () => {
    const days = Array.from({ length: 365 }, (_, n) => station.rain(dayOf(20_454 + n), 1)[0]!);
    const wet = days.filter(({ chance }) => chance > 0.5);
    expect(wet.length / 365).toBeGreaterThan(0.2);
    expect(wet.length / 365).toBeLessThan(0.45);
    expect(new Set(days.map(({ chance }) => chance))).toEqual(new Set([0.89, 0.11]));
    const ahead = station.rain("2027-07-01", 5);
    expect(ahead.map(({ day }) => day)).toEqual(["2027-07-02", "2027-07-03", "2027-07-04", "2027-07-05", "2027-07-06"]);
    for (const [i, { chance, mm }] of ahead.entries()) {
      expect([0.95 - 0.06 * (i + 1), 0.05 + 0.06 * (i + 1)].some((c) => Math.abs(c - chance) < 0.006)).toBe(true);
      expect(mm).toBeGreaterThanOrEqual(2);
    }
    // The same day is wet or dry however far off it was looked at.
    expect(station.rain("2027-07-03", 1)[0]!.chance > 0.5).toBe(ahead[2]!.chance > 0.5);
  });

  test("is the same on every machine, for demos and tests rest on it", () => {
    expect(station.readings("2027-01-12", "2027-01-13")).toEqual([
      { day: "2027-01-12", min: 0.7, max: 11.3 },
      { day: "2027-01-13", min: -2.4, max: 4.8 },
    ]);
    expect(station.readings("2027-07-10", "2027-07-11")).toEqual([
      { day: "2027-07-10", min: 12.1, max: 25.3 },
      { day: "2027-07-11", min: 10, max: 23.8 },
    ]);
    expect(station.forecast("2027-04-10", 3)).toEqual([
      { day: "2027-04-11", lead: 1, spread: 0.9, min: 6.8, max: 21.3 },
      { day: "2027-04-12", lead: 2, spread: 1.4, min: 6.9, max: 20.5 },
      { day: "2027-04-13", lead: 3, spread: 1.8, min: 10, max: 18 },
    ]);
  });

  test("stays near its normals over the years, with frosts late and early in some", () => {
    const all = station.readings("2010-01-01", "2029-12-31");
    const july = all.filter((r) => r.day.slice(5, 7) === "07");
    const mean = july.reduce((sum, r) => sum + (r.min + r.max) / 2, 0) / july.length;
    expect(mean).toBeGreaterThan(16);
    expect(mean).toBeLessThan(19);
    expect(all.every((r) => r.min < r.max)).toBe(true);
    const mayFrost = new Set(all.filter((r) => r.min <= 0 && r.day.slice(5, 7) === "05").map((r) => r.day.slice(0, 4)));
    expect(mayFrost.size).toBeGreaterThan(4);
    expect(july.some((r) => r.min <= 0)).toBe(false);
  });

  test("forecasts err more the further they look", () => {
    const errors = [0, 0, 0, 0, 0];
    for (let i = 0; i < 600; i++) {
      const today = addDays("2020-01-01", i * 3);
      const told = station.forecast(today, 5);
      const came = station.readings(addDays(today, 1), addDays(today, 5));
      told.forEach((t, lead) => {
        errors[lead]! += Math.abs(t.min - came[lead]!.min);
      });
    }
    expect(errors[0]!).toBeGreaterThan(0);
    for (const lead of [1, 2, 3, 4]) expect(errors[lead]!).toBeGreaterThan(errors[lead - 1]!);
  });
});
