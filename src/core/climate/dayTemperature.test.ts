import { expect, test } from "vitest";
import { firstInsects, temperatureAt } from "./dayTemperature";
import { sunMarks } from "./sun";

const marks = sunMarks(48.6, 9.3, "2027-07-09");
const later = (moment: Date, hours: number) => new Date(moment.getTime() + hours * 3_600_000);

test("it is coldest at sunrise, warmest some hours after noon, and never outside the two", () => {
  const day = { min: 9, max: 25 };
  expect(temperatureAt(day, marks, marks.sunrise)).toBeCloseTo(9, 9);
  expect(temperatureAt(day, marks, later(marks.noon, 2.5))).toBeCloseTo(25, 9);
  for (let hour = 0; hour < 24; hour++) {
    const now = temperatureAt(day, marks, later(marks.sunrise, hour));
    expect(now >= 9 && now <= 25).toBe(true);
  }
});

test("insects come later on a colder morning, and not at all on one that stays cold", () => {
  const mild = firstInsects({ min: 13, max: 26 }, marks)!;
  const cold = firstInsects({ min: 3, max: 15 }, marks)!;
  expect(mild.from).toEqual(marks.sunrise);
  expect(cold.from > mild.from && cold.to > cold.from).toBe(true);
  expect(firstInsects({ min: -8, max: 4 }, marks)).toBeNull();
});
