import { describe, expect, test } from "vitest";
import { compute, METHODS } from "./methods";

const run = (name: string, input: unknown) => compute(METHODS.find((m) => m.name === name)!, input);

/** Independently computed results with their absolute tolerance. */
const VECTORS: [string, Record<string, unknown>, Record<string, number>, number][] = [
  ["day-length", { latitude: 47.2, longitude: 8.5, date: "2027-06-21" }, { hours: 15.925006950054001 }, 0.05],
  ["day-length", { latitude: -37.8, longitude: 145, date: "2027-01-15" }, { hours: 14.491414835656583 }, 0.05],
  ["day-length", { latitude: 70, longitude: 20, date: "2027-06-21" }, { hours: 24 }, 0.05],
  ["plants-needed", { probability: 0.0625, atLeast: 1, confidence: 0.95 }, { plants: 47 }, 1e-6],
  ["plants-needed", { probability: 0.25, atLeast: 5, confidence: 0.9 }, { plants: 30 }, 1e-6],
  [
    "heterozygosity",
    { generations: 5, selfingRate: 1, initial: 0.5 },
    { inbreeding: 0.96875, heterozygosity: 0.015625 },
    1e-6,
  ],
  [
    "heterozygosity",
    { generations: 6, selfingRate: 0.7, initial: 0.5 },
    { inbreeding: 0.5374717031249999, heterozygosity: 0.23126414843750004 },
    1e-6,
  ],
];

describe("methods", () => {
  test.each(VECTORS)("%s of %j", (name, input, expected, tolerance) => {
    const computed = run(name, input);
    if (!computed.ok) throw new Error(computed.message);
    for (const [key, value] of Object.entries(expected))
      expect(Math.abs((computed.result as Record<string, number>)[key]! - value)).toBeLessThanOrEqual(tolerance);
  });

  test("every wrong field is named", () => {
    const computed = run("day-length", { latitude: 91, longitude: "8", date: "2027-02-30", place: "x" });
    expect(computed.ok).toBe(false);
    if (!computed.ok) expect(Object.keys(computed.details).sort()).toEqual(["date", "latitude", "longitude", "place"]);
  });

  test("what is no object at all is refused", () => {
    for (const input of [null, 3, "x", []]) expect(run("plants-needed", input).ok).toBe(false);
  });
});
