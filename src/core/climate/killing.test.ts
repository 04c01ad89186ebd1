import { describe, expect, test } from "vitest";
import { addDays, daysBetween } from "../calendar/day";
import { climate, south, tropics } from "../tests/place";
import { coldByNormals, frostFreeUntil, frostsOf } from "./frost";
import { killedFrom } from "./killing";

const at = (degrees: number) => ({ low: degrees, high: degrees });

describe("cold that kills", () => {
  test("comes with the garden's first frost for what stands none, and later the more it stands", () => {
    const days = [0, -2, -5, -8, -11].map((degrees) => killedFrom("2027-06-01", at(degrees), climate())!.day);
    expect(days[0]).toBe("2027-10-06");
    expect(days).toEqual([...days].sort());
    expect(new Set(days).size).toBe(5);
    // Two degrees are days, not weeks; eleven are into the winter.
    expect(daysBetween(days[0]!, days[1]!)).toBeGreaterThan(5);
    expect(daysBetween(days[0]!, days[1]!)).toBeLessThan(21);
    expect(days[4]! > "2027-12-01").toBe(true);
  });

  test("never comes where winters are not so cold, and is no frost's business where none is known", () => {
    expect(killedFrom("2027-06-01", at(-25), climate())).toBeNull();
    expect(killedFrom("2027-06-01", at(0), tropics())).toBeNull();
    // Without temperatures it follows three days behind for each degree.
    expect(killedFrom("2027-06-01", at(-4), climate({ daily: [] }))!.day).toBe("2027-10-18");
  });

  test("is the next one after a day, over a New Year and in the south", () => {
    expect(killedFrom("2027-10-06", at(0), climate())!.day).toBe("2028-10-06");
    expect(killedFrom("2027-10-05", at(0), climate())!.day).toBe("2027-10-06");
    expect(killedFrom("2027-11-20", at(0), south())!.day).toBe("2028-04-07");
    const hardy = killedFrom("2027-10-20", at(-11), climate())!.day;
    expect(hardy > "2027-11-20" && hardy < "2028-02-20").toBe(true);
  });

  test("is at once for a plant that is set out long before such nights are over, not days before", () => {
    expect(killedFrom("2027-03-10", at(-1), climate(), true)!.day).toBe("2027-03-10");
    expect(killedFrom("2027-05-10", at(-1), climate(), true)!.day > "2027-09-30").toBe(true);
    expect(killedFrom("2027-03-10", at(-1), climate())!.day > "2027-09-30").toBe(true);
    expect(killedFrom("2027-08-10", at(-1), climate(), true)!.day > "2027-09-30").toBe(true);
  });

  test("is the less sure the wider its temperatures", () => {
    expect(killedFrom("2027-06-01", at(-3), climate())!.spread).toBeCloseTo(10, 9);
    expect(killedFrom("2027-06-01", { low: -6, high: 0 }, climate())!.spread).toBeGreaterThan(10);
  });

  test("nights by the normals: the colder, the shorter its season and the rarer its winters", () => {
    const { daily } = climate();
    const [frost, hard] = [coldByNormals(daily, 0, 0)!, coldByNormals(daily, 0, -10)!];
    expect(hard.first.place).toBeGreaterThan(frost.first.place);
    expect(hard.last.place).toBeLessThan(frost.last.place);
    expect(frost.chance).toBeGreaterThan(0.999);
    expect(hard.chance).toBeLessThan(frost.chance);
  });
});

describe("a garden's frosts", () => {
  const { daily } = climate();
  const place = { latitude: 48.6, lastFrost: "05-20", firstFrost: "09-28" };
  /** Six years whose nights freeze until 1 May and from 20 October on. */
  const readings = new Map(
    Array.from({ length: 6 * 366 }, (_, i) => {
      const day = addDays("2020-07-01", i);
      const cold = day.slice(5) <= "05-01" || day.slice(5) >= "10-20";
      return [daysBetween("1970-01-01", day), { min: cold ? -1 : 8, max: 15 }] as const;
    }),
  );

  test("are as the grower says before anything that was measured or reckoned", () => {
    expect(frostsOf(place, daily, readings)).toMatchObject({
      last: { day: "05-20" },
      first: { day: "09-28" },
      from: "stated",
    });
    expect(frostsOf({ latitude: 48.6 }, daily, readings)).toMatchObject({
      last: { day: "05-01" },
      first: { day: "10-20" },
      from: "readings",
    });
    expect(frostsOf({ latitude: 48.6 }, daily, new Map())!.from).toBe("normals");
    expect(frostsOf({ latitude: 48.6 }, [], new Map())).toBeNull();
  });

  test("of which one is said keep that one", () => {
    const half = frostsOf({ latitude: 48.6, firstFrost: "09-28" }, daily, readings)!;
    expect(half).toMatchObject({ last: { day: "05-01" }, first: { day: "09-28", spread: 10 } });
    const other = frostsOf({ latitude: 48.6, lastFrost: "05-20" }, daily, readings)!;
    expect(other).toMatchObject({ last: { day: "05-20", spread: 10 }, first: { day: "10-20" } });
  });
});

test("frosts that fall near a New Year are raced on its other side", () => {
  // Two days before, or after, with one day of spread and half a day for the night itself: one deviation and a half, or two and a half.
  expect(frostFreeUntil("2027-12-31", { day: "01-02", spread: 1 })).toBeCloseTo(0.9332, 3);
  expect(frostFreeUntil("2028-01-01", { day: "12-30", spread: 1 })).toBeCloseTo(0.0062, 3);
});
