import { describe, expect, test } from "vitest";
import { compute } from "@/core/computations";
import { METHODS } from "./methods";

const asked = (name: string, input: object) => compute(METHODS.find((method) => method.name === name)!, input);
const answer = <T>(name: string, input: object): T => {
  const told = asked(name, input);
  if (!told.ok) throw new Error(told.message);
  return told.result as T;
};

type Ranking = {
  plants: {
    id: string;
    index: number;
    amongBest: number;
    traits: Record<string, { value: number; low: number; high: number; reliability: number }>;
  }[];
  advice: string[];
  apart: boolean;
};

const F2 = [
  { id: "A", inbreeding: 1 },
  { id: "B", inbreeding: 1 },
  { id: "F1", mother: "A", father: "B" },
];
const family = (values: number[], more: object = {}) => ({
  pedigree: F2,
  plants: values.map((_, i) => ({ id: `${i + 1}`, mother: "F1", father: "F1" })),
  traits: [{ id: "mass", weight: 2, want: "more", ...more }],
  looks: values.map((value, i) => ({ plant: `${i + 1}`, trait: "mass", value })),
  kept: 2,
});

describe("ranking, without a database", () => {
  test("the better looks are the better parents, in their order, about a mean of nought, with a range", () => {
    const { plants, advice } = answer<Ranking>("ranking", family([1, 2, 3, 4, 5, 6]));
    const index = plants.map((plant) => plant.index);
    expect([...index].sort((a, b) => a - b)).toEqual(index);
    expect(index.reduce((a, b) => a + b, 0)).toBeCloseTo(0, 9);
    expect(plants.reduce((sum, { amongBest }) => sum + amongBest, 0)).toBeCloseTo(2, 9);
    expect(advice).toContain("6");
    for (const { traits } of plants) {
      expect(traits.mass!.low).toBeLessThan(traits.mass!.value);
      expect(traits.mass!.value).toBeLessThan(traits.mass!.high);
    }
  });

  test.each([
    [0, 0, 0.8],
    [0.5, 1.9, 3.1],
    [1, 4.2, 5],
  ])("at a heritability of %d five between looks are %d to %d between parents", (heritability, least, most) => {
    const { plants } = answer<Ranking>("ranking", family([1, 2, 3, 4, 5, 6], { heritability }));
    const apart = plants[5]!.traits.mass!.value - plants[0]!.traits.mass!.value;
    expect(apart).toBeGreaterThanOrEqual(least);
    expect(apart).toBeLessThanOrEqual(most);
  });

  test("a thousand families of one, fathers unknown: nobody is sure of anything", () => {
    const many = Array.from({ length: 1000 }, (_, i) => (i * 7) % 13);
    const { plants, apart } = answer<Ranking>("ranking", {
      ...family(many),
      pedigree: many.map((_, i) => ({ id: `m${i}` })),
      plants: many.map((_, i) => ({ id: `${i + 1}`, mother: `m${i}`, father: null })),
      kept: 5,
    });
    expect(plants.length).toBe(1000);
    expect(apart).toBe(false);
    expect(Math.max(...plants.map(({ amongBest }) => amongBest))).toBeLessThan(0.2);
    const reliability = plants.reduce((sum, { traits }) => sum + traits.mass!.reliability, 0) / plants.length;
    expect(reliability).toBeGreaterThan(0.2);
    expect(reliability).toBeLessThan(0.7);
  });

  test("a gene that is wanted stands beside the index, not in it", () => {
    const withGene = {
      ...family([1, 1, 1, 1, 2, 2]),
      genes: [{ id: "leaf", want: "recessive", weight: 2 }],
    };
    // The two best can't show what is wanted: one of the others does.
    const looks = [
      ...withGene.looks,
      ...[0, 0, 0, 0, 1, 1].map((value, i) => ({ plant: `${i + 1}`, trait: "leaf", value })),
    ];
    const { plants } = answer<Ranking>("ranking", { ...withGene, looks });
    expect(plants[5]!.index).toBeGreaterThan(plants[0]!.index);
  });

  test.each([
    ["too-few", family([3])],
    ["all-alike", family([3, 3, 3, 3])],
    ["unknown-plant", { ...family([1, 2]), looks: [{ plant: "9", trait: "mass", value: 1 }] }],
    ["unknown-trait", { ...family([1, 2]), looks: [{ plant: "1", trait: "height", value: 1 }] }],
    ["unknown-parent", { ...family([1, 2]), plants: [{ id: "1", mother: "Z" }, { id: "2" }] }],
    ["no-candidates", { ...family([1, 2]), plants: ["1", "2"].map((id) => ({ id, check: true })) }],
  ])("%s is said, and no figure", (code, input) => {
    expect(asked("ranking", input)).toMatchObject({ ok: false, code });
  });
});

type Verdict = {
  standing: string;
  tests: { id: string; standing: string; figure?: number; low?: number; high?: number }[];
  chanceNext: number;
  best: { step: string; plants?: number; chanceThen: number }[];
};
const season = (year: number, more: object = {}) => ({
  season: year,
  lookedAt: 60,
  offTypes: 0,
  undecided: 0,
  ...more,
});
const line = (seasons: object[], more: object = {}) => ({
  approach: "cross-and-fix",
  breeding: { selfing: 1, generation: 8, parents: 4 },
  limit: 0.05,
  background: 0,
  lookedAround: true,
  traits: [],
  seasons,
  ...more,
});
const standing = ({ tests }: Verdict, id: string) => tests.find((one) => one.id === id)?.standing;

describe("comes true, without a database", () => {
  test("two seasons of sixty without an off-type hold that test; fifty-eight in all do not", () => {
    expect(standing(answer("comes-true", line([season(2026), season(2027)])), "off-types")).toBe("holds");
    const few = [season(2026, { lookedAt: 29 }), season(2027, { lookedAt: 29 })];
    expect(standing(answer("comes-true", line(few)), "off-types")).toBe("open");
  });

  test("nobody looked, or nobody decided: it stays open, whatever else holds", () => {
    const none = answer<Verdict>("comes-true", line([season(2026, { lookedAt: 0 }), season(2027, { lookedAt: 0 })]));
    expect([none.standing, standing(none, "off-types")]).toEqual(["open", "open"]);
    const undecided = answer<Verdict>("comes-true", line([season(2026), season(2027, { undecided: 9 })]));
    expect(standing(undecided, "off-types")).toBe("open");
  });

  test("twenty off-types in sixty fail, and so does an F3", () => {
    expect(standing(answer("comes-true", line([season(2026), season(2027, { offTypes: 20 })])), "off-types")).toBe(
      "fails",
    );
    const young = line([season(2026), season(2027)], { breeding: { selfing: 1, generation: 3, parents: 4 } });
    const told = answer<Verdict>("comes-true", young);
    // A quarter of what was mixed is mixed still.
    expect(told.tests.find(({ id }) => id === "generations")).toMatchObject({ standing: "fails", figure: 0.25 });
    expect(told.standing).toBe("not-yet");
  });

  test("known plants that are no pure line make a wide range, not a failure; a season without flowers changes nothing", () => {
    const own = [9.8, 10, 10.2, 10.1].map((mass) => ({ mass }));
    const impure = [{ line: "A", plants: [4, 9, 15, 22].map((mass) => ({ mass })) }];
    const grown = [2026, 2027].map((year) => season(year, { plants: own, checks: impure }));
    const told = answer<Verdict>("comes-true", line(grown, { traits: [{ id: "mass" }] }));
    expect(["holds", "open"]).toContain(standing(told, "even"));
    const without = answer<Verdict>(
      "comes-true",
      line([...grown, season(2028, { lookedAt: 0 })], { traits: [{ id: "mass" }] }),
    );
    expect(standing(without, "off-types")).toBe(standing(told, "off-types"));
    for (const { figure = 0, low = 0, high = 0 } of [...told.tests, ...without.tests])
      expect([figure, low, high].every(Number.isFinite)).toBe(true);
  });

  test("what lacks is told as steps, each of which makes the next season likelier", () => {
    const { chanceNext, best } = answer<Verdict>("comes-true", line([season(2026, { lookedAt: 20 })]));
    let before = chanceNext;
    for (const { chanceThen } of best) {
      expect(chanceThen).toBeGreaterThanOrEqual(before);
      before = chanceThen;
    }
    expect(best.length).toBeGreaterThan(0);
  });

  test.each([
    ["more off-types than were looked at", line([season(2026, { offTypes: 61 })])],
    ["more undecided than were looked at", line([season(2026, { offTypes: 40, undecided: 40 })])],
    ["a season twice", line([season(2026), season(2026)])],
    ["no limit", line([season(2026)], { limit: 0 })],
  ])("%s is refused", (_, input) => {
    expect(asked("comes-true", input).ok).toBe(false);
  });
});
