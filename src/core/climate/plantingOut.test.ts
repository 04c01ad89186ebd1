import { describe, expect, test } from "vitest";
import type { Frosts } from "./frost";
import { plantingOut } from "./plantingOut";

const frosts = (last: string, first: string): Pick<Frosts, "last" | "first"> => ({
  last: { day: last, spread: 10 },
  first: { day: first, spread: 10 },
});

describe("planting out", () => {
  test.each([
    // Between the frosts of spring and autumn: as soon as it has grown.
    ["2027-08-20", true, "2027-08-20", "2027-08-20"],
    ["2027-09-27", true, "2027-09-27", "2027-09-27"],
    // The tender is risked from the usual last frost on, and waits for it with the ten days of its spread.
    ["2027-04-12", true, "2027-05-20", "2027-05-30"],
    ["2027-05-24", true, "2027-05-24", "2027-05-30"],
    ["2027-05-30", true, "2027-05-30", "2027-05-30"],
    // The hardy goes out from four weeks before it.
    ["2027-04-12", false, "2027-04-22", "2027-04-22"],
    ["2027-05-06", false, "2027-05-06", "2027-05-06"],
    // Grown from the first frost on it waits for the next spring, over a New Year.
    ["2027-09-28", true, "2028-05-20", "2028-05-30"],
    ["2028-01-31", false, "2028-04-22", "2028-04-22"],
  ])("grown on %s, tender %s: from %s, best on %s", (grown, tender, from, best) => {
    expect(plantingOut(grown, tender, frosts("05-20", "09-28"))).toEqual({ from, best });
    expect(plantingOut(grown, tender, null)).toEqual({ from: grown, best: grown });
  });

  test("in the south, where the summer spans New Year", () => {
    const south = frosts("10-20", "04-10");
    expect(plantingOut("2026-09-01", true, south)).toEqual({ from: "2026-10-20", best: "2026-10-30" });
    expect(plantingOut("2027-01-05", true, south)).toEqual({ from: "2027-01-05", best: "2027-01-05" });
    expect(plantingOut("2027-04-10", false, south)).toEqual({ from: "2027-09-22", best: "2027-09-22" });
  });
});
