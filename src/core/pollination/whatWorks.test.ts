import { describe, expect, test } from "vitest";
import { seeded } from "../numbers/chance";
import { type FlowerFacts, whatWorks } from "./whatWorks";

const facts = (set: boolean, more: Partial<FlowerFacts> = {}): FlowerFacts => ({
  set,
  method: "m",
  hoursAfterSunrise: null,
  temperature: null,
  noonHeat: null,
  bud: null,
  males: null,
  ...more,
});
const many = (set: number, failed: number, more: Partial<FlowerFacts>) => [
  ...Array.from({ length: set }, () => facts(true, more)),
  ...Array.from({ length: failed }, () => facts(false, more)),
];
const factor = (flowers: FlowerFacts[], key: string) => whatWorks(flowers).find((f) => f.key === key)!;

describe("what works", () => {
  test("groups count what was kept, and leave out what was not", () => {
    const hour = factor(
      [...many(3, 1, { hoursAfterSunrise: 0.5 }), ...many(1, 3, { hoursAfterSunrise: 5 }), facts(true)],
      "hour",
    );
    expect(hour.groups.map((g) => [g.label, g.set, g.flowers])).toEqual([
      ["under 1 h", 3, 4],
      ["4 to 7 h", 1, 4],
    ]);
    for (const { low, rate, high } of hour.groups) expect(low < rate && rate < high).toBe(true);
    expect(factor(many(1, 1, { males: 9 }), "males").groups[0]!.label).toBe("4 or more");
  });

  test("a clear difference is put into words, with its counts", () => {
    const flowers = [...many(28, 12, { noonHeat: 24 }), ...many(6, 34, { noonHeat: 35 })];
    expect(factor(flowers, "heat").finding).toBe(
      "22 to 26 °C: 28 of 40 set; from 34 °C: 6 of 40. That is more than chance.",
    );
  });

  test("a few flowers say nothing, however different", () => {
    expect(factor([...many(5, 0, { noonHeat: 24 }), ...many(0, 5, { noonHeat: 35 })], "heat").finding).toBeNull();
  });

  test("where nothing works better, words are rare: about one garden in twenty or fewer", () => {
    let said = 0;
    for (let garden = 0; garden < 100; garden++) {
      const luck = seeded(garden + 1);
      const flowers = Array.from({ length: 150 }, () =>
        facts(luck() < 0.45, {
          hoursAfterSunrise: luck() * 8,
          noonHeat: 20 + luck() * 16,
          males: 1 + Math.floor(luck() * 4),
        }),
      );
      if (whatWorks(flowers).some((f) => f.finding)) said++;
    }
    expect(said).toBeLessThanOrEqual(9);
  });
});
