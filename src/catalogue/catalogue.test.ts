import { describe, expect, test } from "vitest";
import { protocolOf, SPECIES, speciesById } from "./catalogue";
import { speciesSchema } from "./schema";
import { melon } from "./species/melon";

describe("catalogue", () => {
  test("holds the first eight species", () => {
    expect(SPECIES.map((s) => s.id).sort()).toEqual([
      "carrot",
      "leek",
      "melon",
      "orach",
      "pepo-squash",
      "pepper",
      "runner-bean",
      "tomato",
    ]);
  });

  test("more care never asks for less distance, nor a rarer variety for fewer plants", () => {
    for (const { isolation, plants } of SPECIES) {
      expect(isolation.relaxed.low <= isolation.usual.low && isolation.usual.low <= isolation.strict.low).toBe(true);
      expect(
        plants["keep going"].low <= plants["keep well"].low && plants["keep well"].low <= plants["rare variety"].low,
      ).toBe(true);
    }
  });

  test("a protocol that a species names exists and begins with covering", () => {
    for (const species of SPECIES.filter((s) => s.protocol))
      expect(protocolOf(species)?.steps[0]?.action).toBe("cover");
  });

  test.each([
    ["a range the wrong way round", { ...melon, daysToRipe: { low: 60, high: 40, source: "guidance" } }],
    ["a figure without a source", { ...melon, daysToRipe: { low: 40, high: 60 } }],
    ["a share over one", { ...melon, handSet: { low: 0.5, high: 1.5, source: "working" } }],
    ["a hazard nobody described", { ...melon, hazards: ["dragons"] }],
  ])("%s is refused", (_, species) => {
    expect(speciesSchema.validate(species, { convert: false }).error).toBeDefined();
  });

  test("an unknown species is an error", () => {
    expect(() => speciesById("mandrake")).toThrow("mandrake");
  });
});
