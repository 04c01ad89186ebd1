import { expect, test } from "vitest";
import { lengthInWords, lengthShown, lengthTyped, massInWords, massTyped } from "./units";

test("feet and ounces come back as they were typed", () => {
  for (const feet of [0.5, 3, 459.3])
    expect(lengthShown(lengthTyped(feet, "imperial"), "imperial")).toBeCloseTo(feet, 2);
  expect(massInWords(massTyped(2, "imperial"), "imperial")).toBe("2 oz");
});

test("lengths carry their unit and no more digits than they deserve", () => {
  expect([
    lengthInWords(140, "metric"),
    lengthInWords(140, "imperial"),
    lengthInWords(12.345, "metric"),
    lengthInWords(0.4, "metric"),
  ]).toEqual(["140 m", "459 ft", "12.3 m", "0.4 m"]);
});
