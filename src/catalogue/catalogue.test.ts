import { describe, expect, test } from "vitest";
import { protocolOf, SPECIES, speciesById, speciesOf } from "./catalogue";
import cucurbits from "./species/cucurbits.json";

describe("catalogue", () => {
  test("holds the crops a garden grows, each once", () => {
    expect(SPECIES.length).toBeGreaterThanOrEqual(45);
    expect(new Set(SPECIES.map((s) => s.id)).size).toBe(SPECIES.length);
  });

  test("a relative that a species names is in the catalogue, in another group, and told from one side", () => {
    const told = SPECIES.flatMap((s) => s.crosses.map((c) => [s.id, c.with]));
    for (const [one, other] of told) {
      expect(speciesById(other!).crossingGroup).not.toBe(speciesById(one!).crossingGroup);
      expect(told).not.toContainEqual([other, one]);
    }
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
    ["a range the wrong way round", { daysToRipe: "60 to 40 guidance" }],
    ["a figure without a source", { daysToRipe: "40 to 60" }],
    ["a source nobody knows", { daysToRipe: "40 to 60 hearsay" }],
    ["a share over one", { handSet: "0.5 to 1.5 working" }],
    ["a hazard nobody described", { hazards: ["dragons"] }],
    ["hours of light for one that needs none", { light: { kind: "any", hours: "12 to 14 working" } }],
    ["a second-year crop that says no frost it stands", { lifeCycle: "biennial", hardyTo: null }],
  ])("%s is refused", (_, wrong) => {
    const { species, ...file } = cucurbits;
    const melon = species.find((s) => s.id === "melon")!;
    expect(speciesOf({ ...file, species: [melon] })).toHaveLength(1);
    expect(() => speciesOf({ ...file, species: [{ ...melon, ...wrong }] })).toThrow("melon");
  });

  test("an unknown species is an error", () => {
    expect(() => speciesById("mandrake")).toThrow("mandrake");
  });
});
