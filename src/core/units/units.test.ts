import { expect, test } from "vitest";
import { inTenShort, oddsInWords, timesInTen } from "./odds";
import { lengthInWords, lengthShown, lengthTyped, massInWords, massTyped } from "./units";

test("feet and ounces come back as they were typed", () => {
  for (const feet of [0.5, 3, 459.3])
    expect(lengthShown(lengthTyped(feet, "imperial"), "imperial")).toBeCloseTo(feet, 2);
  expect(massInWords(massTyped(2, "imperial"), "imperial")).toBe("2 oz");
});

test.each([
  [0, "less than 1 time in 100"],
  [0.0099, "less than 1 time in 100"],
  [0.01, "1 time in 100"],
  [0.05, "1 time in 10"],
  [0.149, "1 time in 10"],
  [0.555, "6 times in 10"],
  [0.95, "9 times in 10"],
  [0.951, "19 times in 20"],
  [0.99, "19 times in 20"],
  [0.991, "more than 99 times in 100"],
  [1, "more than 99 times in 100"],
])("a chance of %d is said as %s: no model is certain", (chance, words) => {
  expect(timesInTen(chance)).toBe(words);
});

test("where there is little room, by signs", () => {
  expect([0.001, 0.04, 0.5, 0.999].map(inTenShort)).toEqual(["< 1 in 100", "1 in 25", "5 in 10", "> 99 in 100"]);
});

test("lengths carry their unit and no more digits than they deserve", () => {
  expect([
    lengthInWords(140, "metric"),
    lengthInWords(140, "imperial"),
    lengthInWords(12.345, "metric"),
    lengthInWords(0.4, "metric"),
  ]).toEqual(["140 m", "459 ft", "12.3 m", "0.4 m"]);
});

test("odds are so many of so many, and a model is never sure of all", () => {
  const few = { below: 0.01, few: "less than 1 in 100" };
  expect([0, 0.0099, 0.01, 0.4, 0.5].map((share) => oddsInWords(share, few))).toEqual([
    "less than 1 in 100",
    "less than 1 in 100",
    "1 in 100",
    "4 in 10",
    "1 in 2",
  ]);
  expect([0.55, 0.94, 0.951, 1].map((share) => oddsInWords(share))).toEqual([
    "6 in 10",
    "9 in 10",
    "more than 9 in 10",
    "more than 9 in 10",
  ]);
});
