import { describe, expect, test } from "vitest";
import { type EnoughInput, enoughInWords, enoughPlants } from "./enoughPlants";

const range = (low: number, high: number) => ({ low, high });
const MAIZE: EnoughInput = {
  plants: 60,
  thumbs: { "keep going": range(40, 60), "keep well": range(100, 200), "rare variety": range(200, 400) },
  aim: "keep well",
  selfer: false,
  selfingRate: 0.06,
  rogued: 0.1,
  mishap: 0.1,
  males: null,
  rare: 0.05,
  generations: 10,
};
const TOMATO: EnoughInput = {
  ...MAIZE,
  plants: 8,
  thumbs: { "keep going": range(3, 6), "keep well": range(6, 12), "rare variety": range(20, 50) },
  selfer: true,
  selfingRate: 0.97,
  rare: 0.1,
};

describe("enough plants", () => {
  test.each<[string, EnoughInput, string]>([
    ["60 of maize", MAIZE, "Enough to keep it going; 40 more plants keep it well."],
    ["99 of maize", { ...MAIZE, plants: 99 }, "Enough to keep it going; 1 more plant keeps it well."],
    ["100 of maize", { ...MAIZE, plants: 100 }, "Enough to keep it well."],
    ["200 of maize", { ...MAIZE, plants: 200 }, "Enough to keep a rare variety."],
    ["39 of maize", { ...MAIZE, plants: 39 }, "Too few: 61 more plants keep it well."],
    ["60 of maize, to go on with", { ...MAIZE, aim: "keep going" }, "Enough to keep it going."],
    ["8 of tomato", TOMATO, "Enough to keep it well."],
    ["2 of tomato", { ...TOMATO, plants: 2 }, "Too few: 4 more plants keep it well."],
  ])("%s: one answer, and it is the rule of thumb's", (_, input, words) => {
    const answer = enoughPlants(input);
    expect(enoughInWords(answer, input.aim)).toBe(words);
    expect(answer.missing === 0).toBe(input.plants >= input.thumbs[input.aim].low);
  });

  test("counts what roguing and mishap leave", () => {
    expect(enoughPlants({ ...MAIZE, plants: 40 })).toMatchObject({ parents: 32 });
    expect(enoughPlants({ ...MAIZE, plants: 0 })).toMatchObject({ parents: 0, effective: 0, saved: 0, inbreeding: 1 });
  });

  test("a selfer loses no strength; a plant that is one in ten is among six of eight by chance", () => {
    const { inbreeding, parents, saved } = enoughPlants(TOMATO);
    expect(inbreeding).toBeNull();
    expect(parents).toBe(6);
    expect(saved).toBeCloseTo(1 - 0.9 ** 6, 12);
  });

  test("what outcrosses loses some to every generation", () => {
    const { parents, effective, inbreeding, saved } = enoughPlants(MAIZE);
    expect(parents).toBe(48);
    expect(effective).toBeCloseTo(48 / (1 + 0.06 / 1.94), 9);
    expect(inbreeding).toBeCloseTo(1 - (1 - 1 / (2 * effective)) ** 10, 9);
    expect(saved).toBeGreaterThan(0.99);
  });

  test("separate sexes count for the fewer of the two", () => {
    const even = enoughPlants({ ...MAIZE, plants: 40, males: 0.5 });
    const few = enoughPlants({ ...MAIZE, plants: 40, males: 0.1 });
    expect(even.effective).toBeCloseTo(32, 9);
    expect(few.effective).toBeCloseTo((4 * 3.2 * 28.8) / 32, 9);
    expect(few.inbreeding).toBeGreaterThan(even.inbreeding!);
    expect(enoughPlants({ ...MAIZE, males: 0 }).effective).toBe(0);
  });
});
