import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { type EnoughInput, enoughPlants } from "./enoughPlants";

const INPUT: EnoughInput = {
  plants: 40,
  selfingRate: 0.3,
  rogued: 0.1,
  mishap: 0.1,
  males: null,
  frequency: 0.05,
  confidence: 0.9,
  generations: 10,
};

describe("enough plants", () => {
  test("counts what roguing and mishap leave", () => {
    expect(enoughPlants(INPUT)).toMatchObject({ parents: 32 });
    expect(enoughPlants({ ...INPUT, plants: 0 })).toMatchObject({ parents: 0, effective: 0, saved: 0, inbreeding: 1 });
  });

  test("the number asked for keeps the gene with the chance asked for, and one fewer does not", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0.02, 0.05, 0.25),
        fc.constantFrom(0, 0.5, 0.95),
        fc.constantFrom(0.7, 0.9),
        (frequency, selfingRate, confidence) => {
          const input = { ...INPUT, frequency, selfingRate, confidence };
          const { need } = enoughPlants(input);
          expect(enoughPlants({ ...input, plants: need }).saved).toBeGreaterThanOrEqual(confidence);
          if (need < 200) expect(enoughPlants({ ...input, plants: need - 1 }).saved).toBeLessThan(confidence);
        },
      ),
    );
  });

  test("separate sexes count for the fewer of the two, and selfers for fewer than they are", () => {
    const even = enoughPlants({ ...INPUT, males: 0.5 });
    const few = enoughPlants({ ...INPUT, males: 0.1 });
    expect(even.effective).toBeCloseTo(32, 9);
    expect(few.effective).toBeCloseTo((4 * 3.2 * 28.8) / 32, 9);
    expect(enoughPlants({ ...INPUT, selfingRate: 0.98 }).effective).toBeLessThan(17);
    expect(few.inbreeding).toBeGreaterThan(even.inbreeding);
  });
});
