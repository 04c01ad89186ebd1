import { describe, expect, test } from "vitest";
import { normalFrom, seeded } from "../numbers/chance";
import { adjustedForAge } from "./age";

/** Plants looked at in two walks, ten days apart, that grow by so much a day. */
const walked = (perDay: number, spread: number, seed = 3) => {
  const random = seeded(seed);
  return Array.from({ length: 24 }, (_, i) => {
    const day = i < 12 ? 0 : 10;
    return { day, value: 50 + perDay * day + spread * normalFrom(random(), random()) };
  });
};

describe("age at the look", () => {
  test("what grows is set right to the mean day, and what differs otherwise stays", () => {
    const plants = [...walked(0, 0).slice(0, 12), ...walked(1.5, 0).slice(12)].map((one, i) => ({
      ...one,
      value: one.value + (i % 3),
    }));
    const { perDay, explained, values } = adjustedForAge(plants);
    expect(perDay).toBeCloseTo(1.5, 9);
    // The mean day is 5: those of the first walk gain 7.5, those of the second lose as much.
    expect(values).toEqual(plants.map(({ day, value }) => expect.closeTo(value + (day === 0 ? 7.5 : -7.5), 9)));
    expect(explained).toBeGreaterThan(0.9);
  });

  test("what the day does not foretell clearly better is left as it is", () => {
    const plants = walked(0, 4);
    expect(adjustedForAge(plants)).toEqual({ explained: 0, perDay: 0, values: plants.map(({ value }) => value) });
  });

  test("eleven plants, one day, or all alike: as they are", () => {
    const eleven = walked(2, 0).slice(6, 17);
    expect(adjustedForAge(eleven).perDay).toBe(0);
    expect(adjustedForAge(walked(2, 0).slice(5, 17)).perDay).toBeCloseTo(2, 9);
    const oneDay = walked(2, 1).map((one) => ({ ...one, day: 4 }));
    expect(adjustedForAge(oneDay).values).toEqual(oneDay.map(({ value }) => value));
    expect(adjustedForAge(walked(0, 0)).explained).toBe(0);
  });

  test("of growth that is there it is seldom missed, of none seldom seen", () => {
    const seen = (perDay: number) =>
      Array.from({ length: 200 }, (_, seed) => adjustedForAge(walked(perDay, 4, seed + 1)).perDay !== 0).filter(Boolean)
        .length;
    expect(seen(1)).toBeGreaterThan(190);
    expect(seen(0)).toBeLessThan(40);
  });
});
