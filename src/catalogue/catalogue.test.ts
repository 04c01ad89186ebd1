import { describe, expect, test } from "vitest";
import { methodsOf, PROTOCOLS, protocolFrom, SPECIES, speciesById, speciesOf } from "./catalogue";
import { cautionsAt } from "./hazards";
import windEars from "./protocols/windEars.json";
import cucurbits from "./species/cucurbits.json";

describe("catalogue", () => {
  test("holds the crops a garden grows, each once", () => {
    expect(SPECIES.length).toBeGreaterThanOrEqual(74);
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

  test.each([
    [
      "barley",
      "Awns just out, ear in its sheath, anthers green.",
      "Ear out, or anthers yellow: it has its own pollen.",
    ],
    ["wheat", "Just out, anthers green.", "Anthers yellow or hanging out: it has its own pollen."],
    ["sorghum", "Top open; below it full, shut spikelets.", "Open to the foot: it has its own pollen."],
    [
      "zinnia",
      "Rays coloured, forks out, no yellow stars: cut the disc out.",
      "Yellow stars open: it has its own pollen.",
    ],
    ["poppy", "Fat, stalk just lifting, sepals shut.", "Upright, or colour to be seen: it has its own pollen."],
    ["chicory", "Full, blue at the tip: it opens tomorrow.", "Open: cut it off."],
  ])("%s is made ready at its own moment", (id, right, late) => {
    const [usual] = methodsOf(speciesById(id), false);
    expect(usual!.steps[0]!.stages).toMatchObject({ right, late });
  });

  test("grain is threshed, and what sleeps or can hurt says so", () => {
    for (const id of ["wheat", "barley", "rye", "sorghum", "oat", "spelt"])
      expect([id, speciesById(id).seed.ways[0]]).toEqual([id, "thresh"]);
    const cautions = (id: string) => cautionsAt(speciesById(id).hazards).map(({ title }) => title);
    expect(cautions("potato")).toContain("Tubers of new seedlings can be poisonous");
    expect(cautions("grass-pea")).toContain("As a main food it lames");
    expect(cautions("white-lupin")).toContain("Bitter lupins are poisonous");
    expect(cautions("rhubarb")).toContain("Leaves are poisonous");
    // Onion's constants are onion's and shallot's alone.
    expect(
      SPECIES.filter(({ family, seed }) => family === "Amaryllidaceae" && seed.viability).map(({ id }) => id),
    ).toEqual(["onion", "shallot"]);
  });

  test("every species can be crossed by hand; one with sexes on plants of their own can't be selfed", () => {
    for (const species of SPECIES) {
      expect(methodsOf(species, false).length, species.id).toBeGreaterThan(0);
      // Nor can one that refuses its own pollen even in the bud.
      const apart =
        species.flowerType === "separate-sex plants" ||
        ["tomatillo", "cosmos", "chicory", "dahlia", "zinnia", "sweet-potato", "buckwheat"].includes(species.id);
      expect(methodsOf(species, true).length > 0, species.id).toBe(!apart);
    }
  });

  test("all six flower types have their protocols, and each is some species' own", () => {
    const used = new Set(SPECIES.flatMap((s) => s.methods));
    expect([...used].sort()).toEqual(PROTOCOLS.map((p) => p.id).sort());
    expect(new Set(PROTOCOLS.map((p) => p.flowerType)).size).toBe(6);
  });

  test.each([
    ["tomato", "nightshade-bud", "selfing-bagged"],
    ["lettuce", "daisy-morning", "selfing-bagged"],
    ["sunflower", "daisy-rings", "head-brush"],
    ["pot-marigold", "rays-bear", "head-bagged"],
    ["nasturtium", "anthers-in-turn", "selfing-bagged"],
    ["okra", "one-morning", "selfing-bagged"],
    ["quinoa", "head-brush", "head-bagged"],
    ["carrot", "head-brush", "head-bagged"],
    ["cabbage", "cabbage-bud", "cabbage-bud"],
  ])("%s is crossed by %s first, and selfed by %s", (id, cross, self) => {
    const species = speciesById(id);
    expect([methodsOf(species, false)[0]!.id, methodsOf(species, true)[0]!.id]).toEqual([cross, self]);
  });

  test("okra is pollinated on the next morning only, lettuce on the same, a sunflower's ring on the day after", () => {
    const pollinated = (id: string) =>
      methodsOf(speciesById(id), false)[0]!.steps.find((s) => s.action === "pollinate")!;
    expect(pollinated("okra").after).toMatchObject({ low: 1, high: 1 });
    expect(pollinated("lettuce").after).toMatchObject({ low: 0, high: 0 });
    expect(pollinated("sunflower").again).toMatchObject({ times: 6, every: { low: 1, high: 1 } });
  });

  test("nothing is taken out of a flower that is selfed", () => {
    for (const species of SPECIES)
      for (const { serves, steps } of methodsOf(species, true))
        if (!serves.includes("cross"))
          for (const { title } of steps) expect(title).not.toMatch(/take the anthers|pick all|wash/i);
  });

  test("fruiting flowers with anthers are emasculated, by species and by line", () => {
    const usual = (id: string, anthers?: "yes" | "no") => methodsOf(speciesById(id), false, anthers)[0]!.id;
    expect([usual("melon"), usual("melon", "no")]).toEqual(["separate-sex-emasculated", "separate-sex"]);
    expect([usual("cucumber"), usual("cucumber", "yes")]).toEqual(["separate-sex", "separate-sex-emasculated"]);
    expect(usual("tomato", "yes")).toBe("nightshade-bud");
  });

  test.each([
    ["broad-bean", "favism"],
    ["foxglove", "foxglove"],
    ["melon", "ferment"],
    ["cucumber", "ferment"],
    ["tomato", "ferment"],
    ["tomato", "solanum"],
    ["aubergine", "solanum"],
    ["quinoa", "saponin"],
    ["okra", "spines"],
    ["celery", "allergen"],
    ["soya", "allergen"],
    ["runner-bean", "raw-bean"],
    ["watermelon", "cucurbit"],
  ])("%s warns of %s", (id, hazard) => expect(speciesById(id).hazards).toContain(hazard));

  test("a caution stands at its step: dust at the table, bitter fruit at the meal, the sap among the plants", () => {
    const titles = (id: string, ...at: Parameters<typeof cautionsAt>[1][]) =>
      cautionsAt(speciesById(id).hazards, ...at).map(({ title }) => title);
    expect(titles("carrot", "touch")).toEqual(["Deadly look-alikes, burning sap"]);
    expect(titles("carrot", "clean")).toEqual(["Threshing dust"]);
    expect(titles("melon", "touch")).toEqual([]);
    expect(titles("melon", "eat")).toEqual(["Bitter fruit can poison"]);
    expect(titles("melon", "clean")).toEqual(["Jars can burst"]);
    expect(titles("broad-bean")).toHaveLength(3);
  });

  test("what kills a species lies below what it grows at, and only what must stand a winter has none", () => {
    for (const { id, kills, heat, cold } of SPECIES) {
      expect([id, kills === null]).toEqual([id, cold !== null]);
      if (kills) expect(kills.high).toBeLessThan(heat.base);
    }
  });

  test("a protocol with steps out of order or without pollination is refused", () => {
    const [own] = windEars;
    expect(protocolFrom(own!).steps.map((s) => s.action)).toEqual(["cover", "gather", "pollinate", "check", "harvest"]);
    const steps = own!.steps;
    expect(() => protocolFrom({ ...own!, steps: [steps[1], steps[0], ...steps.slice(2)] } as never)).toThrow("order");
    expect(() => protocolFrom({ ...own!, steps: steps.filter((s) => s.action !== "pollinate") } as never)).toThrow(
      "order",
    );
  });

  test.each([
    ["a range the wrong way round", { daysToRipe: "60 to 40 guidance" }],
    ["a figure without a source", { daysToRipe: "40 to 60" }],
    ["a source nobody knows", { daysToRipe: "40 to 60 hearsay" }],
    ["a share over one", { handSet: "0.5 to 1.5 working" }],
    ["a cold that kills above what it grows at", { kills: "12 to 14 working" }],
    ["no cold that kills what needs no winter", { kills: null }],
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
