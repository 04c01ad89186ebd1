import { describe, expect, test } from "vitest";
import { lotsToSow } from "./chooseLots";
import { costsOf } from "./difference";
import {
  aheadOf,
  PLAN_WAYS,
  type PlanFrom,
  type PlannedGeneration,
  type PlannedSpecies,
  type PlanWay,
  planFrom,
  usualPlants,
  usualWay,
} from "./linePlan";
import { nextStep, type OnItsWay } from "./nextStep";

const BEAN: PlannedSpecies = {
  breeding: "selfing",
  ownPollen: "taken",
  multiplied: false,
  every: 1,
  keepGoing: 6,
  renew: 3,
};
const SQUASH: PlannedSpecies = { ...BEAN, breeding: "outcrossing", keepGoing: 10 };
const F2: PlanFrom = { generation: 2, backcrosses: 0, season: 2029, grown: 1, cloned: false };
const plan = (way: PlanWay, from: Partial<PlanFrom> = {}, plants = 48, species = BEAN) =>
  planFrom(way, { ...F2, ...from }, { plants }, species);
const short = (list: PlannedGeneration[]) =>
  list.map(({ generation, season, act, plants, mothers, kept }) => [generation, season, act, plants, mothers, kept]);

describe("the usual way", () => {
  const way = (line: object, species: object = {}) =>
    usualWay({ school: "cross-and-fix", hybrid: false, cloned: false, ...line }, { ...BEAN, ...species });
  test.each([
    [{}, {}, "pedigree"],
    [{ hybrid: true }, {}, "undo-hybrid"],
    // What refuses its own pollen can't be selfed, whatever it comes of.
    [{ hybrid: true }, { ownPollen: "refused" }, "full-sib"],
    [{ school: "keep-pure" }, { multiplied: true }, "keep"],
    [{ school: "let-it-mix" }, {}, "mix"],
    [{}, { multiplied: true }, "clone"],
    [{ school: "keep-pure", cloned: true }, {}, "clone"],
  ])("of a line %j of a kind %j is %s", (line, species, expected) => {
    expect(way(line, species)).toBe(expected);
  });
});

describe("a plan from what is sown next", () => {
  test("pedigree: six kept of an F2, then five, each a row, an F6 compared", () => {
    expect(short(plan("pedigree"))).toEqual([
      [2, 2029, "select-self", 48, 1, 6],
      [3, 2030, "select-self", 48, 6, 5],
      [4, 2031, "select-self", 45, 5, 5],
      [5, 2032, "select-self", 45, 5, 5],
      [6, 2033, "compare", 45, 5, 1],
    ]);
  });

  test("from any generation of it the rest, two years each for what flowers in its second", () => {
    expect(short(plan("pedigree", { generation: 5 }))).toEqual([
      [5, 2029, "select-self", 45, 5, 5],
      [6, 2030, "compare", 45, 5, 1],
    ]);
    expect(plan("pedigree", {}, 48, { ...BEAN, every: 2 }).map(({ season }) => season)).toEqual([
      2029, 2031, 2033, 2035, 2037,
    ]);
    // Beyond its end it is compared once more.
    expect(short(plan("pedigree", { generation: 8 }))).toEqual([[8, 2029, "compare", 45, 5, 1]]);
    // Seed of a cross of which nobody counted the generations divides as an F2 does.
    expect(short(plan("pedigree", { generation: null }))[0]).toEqual([null, 2029, "select-self", 48, 1, 6]);
  });

  test("the whole of it begins with the cross; a bought hybrid with its F1", () => {
    const whole = plan("pedigree", { generation: null, whole: true });
    expect(whole.map(({ act }) => act).slice(0, 3)).toEqual(["cross", "self", "select-self"]);
    expect(whole.map(({ generation }) => generation)).toEqual([null, 1, 2, 3, 4, 5, 6]);
    expect(plan("undo-hybrid", { generation: 1 }).map(({ generation }) => generation)).toEqual([1, 2, 3, 4, 5, 6]);
  });

  test("crossed back it is another line's, counted anew", () => {
    const back = planFrom("backcross", { ...F2, generation: 1 }, { plants: 30 }, BEAN);
    expect(back.map(({ generation, backcrosses, act }) => [generation, backcrosses, act])).toEqual([
      [1, 0, "backcross"],
      [1, 1, "backcross"],
      [1, 2, "backcross"],
      [1, 3, "select-self"],
      [2, 3, "select-self"],
      [3, 3, "compare"],
    ]);
    // By another way what comes of it is chosen among at once.
    const selfed = plan("pedigree", { generation: 1, backcrosses: 2 });
    expect(short(selfed)[0]).toEqual([1, 2029, "select-self", 48, 1, 6]);
    expect(selfed.map(({ generation, backcrosses }) => [generation, backcrosses])).toEqual([
      [1, 2],
      [2, 2],
      [3, 2],
      [4, 2],
      [5, 2],
    ]);
    const recessive = planFrom("backcross", { ...F2, generation: 1 }, { plants: 30, recessive: true }, BEAN);
    expect(recessive.map(({ generation, backcrosses, act }) => [generation, backcrosses, act]).slice(0, 3)).toEqual([
      [1, 0, "backcross"],
      [1, 1, "self"],
      [2, 1, "backcross"],
    ]);
  });

  test("a variety is grown as it was, never fewer than keep it going, and again before its seed dies", () => {
    expect(short(plan("keep", { generation: null }, 40))).toEqual([
      [null, 2029, "keep", 40, 1, 32],
      [null, 2032, "keep", 40, 1, 32],
    ]);
    // 6 are left of 8 when one in ten is removed and one in ten lost: 8 × 0.81 = 6.5.
    expect(short(plan("keep", { generation: null }, 1))[0]).toEqual([null, 2029, "keep", 8, 1, 6]);
  });

  test("a mix is kept alive for three seasons, then chosen among", () => {
    const acts = (grown: number) => plan("mix", { generation: null, grown }, 40, SQUASH).map(({ act }) => act);
    expect(acts(1)).toEqual(["let-be", "let-be", "select-open", "select-open", "select-open"]);
    expect(acts(9)).toEqual(["select-open", "select-open", "select-open"]);
    expect(plan("mix", { grown: 9 }, 100, SQUASH)[0]!.kept).toBe(20);
    // Never fewer mothers than keep it going.
    expect(plan("mix", { grown: 9 }, 20, SQUASH)[0]!.kept).toBe(10);
  });

  test("of seedlings that are multiplied fewer go on each year, and one is kept", () => {
    expect(short(plan("clone", { grown: 0, generation: 1 }, 40))).toEqual([
      [1, 2029, "clone", 40, 1, 6],
      [1, 2030, "clone", 24, 6, 2],
      [1, 2031, "compare", 16, 2, 1],
      [1, 2032, "multiply", 8, 1, 1],
    ]);
    expect(plan("clone", { grown: 2 }, 40).map(({ act }) => act)).toEqual(["compare", "multiply"]);
    expect(plan("clone", { grown: 0, cloned: true }, 40).map(({ act }) => act)).toEqual(["multiply", "multiply"]);
  });

  test("what selfs needs no guard; what does not is selfed by hand, kept apart, or let be", () => {
    const guards = (way: PlanWay, species: PlannedSpecies) =>
      new Set(plan(way, {}, 48, species).map(({ guard }) => guard));
    expect(guards("pedigree", BEAN)).toEqual(new Set(["none"]));
    expect(guards("pedigree", SQUASH)).toEqual(new Set(["hand"]));
    expect(guards("half-sib", SQUASH)).toEqual(new Set(["apart"]));
    expect(guards("full-sib", BEAN)).toEqual(new Set(["hand", "none"]));
    expect(guards("mix", SQUASH)).toEqual(new Set(["none", "apart"]));
  });

  test.each(PLAN_WAYS)("%s: seasons rise, nobody keeps or sows more than stand", (way) => {
    for (const from of [{ generation: 1 }, { generation: 2 }, { generation: 4 }, { generation: null }])
      for (const plants of [1, 7, 60]) {
        const list = plan(way, from, plants, SQUASH);
        expect(list.length).toBeGreaterThan(0);
        list.forEach((one, i) => {
          expect(one.season).toBeGreaterThan(list[i - 1]?.season ?? 2028);
          expect(one.kept).toBeGreaterThan(0);
          if (plants >= 7) expect([way, one.kept <= one.plants, one.mothers <= one.plants]).toEqual([way, true, true]);
        });
      }
  });
});

test("a dividing generation is as many as show what is wanted, and fewer of what takes much ground", () => {
  expect([usualPlants(47, 0.5), usualPlants(63, 0.5), usualPlants(47, 0.51), usualPlants(10, 4)]).toEqual([
    48, 63, 47, 24,
  ]);
});

describe("what is ahead", () => {
  const three = short(plan("pedigree")).map(([generation, season]) => [generation, season]);
  const ahead = (sown: [number | null, number][], earliest: number, list = plan("pedigree")) => {
    const { ahead: left, late } = aheadOf(
      list,
      sown.map(([generation, season]) => ({ generation, season })),
      earliest,
    );
    return [late, ...left.map(({ generation, season }) => `${generation} ${season}`)];
  };
  test("of a plan in time", () => {
    expect(three).toHaveLength(5);
    expect(ahead([[2, 2029]], 2030)).toEqual([0, "3 2030", "4 2031", "5 2032", "6 2033"]);
    expect(ahead([], 2028)).toEqual([0, "2 2029", "3 2030", "4 2031", "5 2032", "6 2033"]);
  });
  test("moves with a season that was skipped, and keeps its steps apart", () => {
    expect(ahead([[2, 2029]], 2032)).toEqual([2, "3 2032", "4 2033", "5 2034", "6 2035"]);
    // Sown in a season after its own, the next comes after that.
    expect(ahead([[2, 2031]], 2030)).toEqual([2, "3 2032", "4 2033", "5 2034", "6 2035"]);
  });
  test("is nothing once all is sown, and of what is not counted what comes after its last season", () => {
    expect(ahead([[6, 2033]], 2034)).toEqual([0]);
    const kept = plan("keep", { generation: null });
    expect(ahead([[null, 2029]], 2030, kept)).toEqual([0, "null 2032"]);
  });
  test("of one generation in several seasons those that it was not sown in", () => {
    const clones = plan("clone", { grown: 0, generation: 1 }, 40);
    expect(ahead([[1, 2029]], 2030, clones)).toEqual([0, "1 2030", "1 2031", "1 2032"]);
    const twice: [number, number][] = [
      [1, 2029],
      [1, 2030],
    ];
    expect(ahead(twice, 2031, clones)).toEqual([0, "1 2031", "1 2032"]);
  });
});

describe("what a sowing costs that differs from its plan", () => {
  const f2 = plan("pedigree", {}, 48, SQUASH)[0]!;
  const f3 = plan("pedigree", {}, 48, SQUASH)[1]!;
  const facts = { share: 0.25, outcrosses: true };
  test("nothing where it is as planned or more", () => {
    expect(costsOf(f2, { plants: 48, mothers: 1 }, facts)).toEqual([]);
    expect(costsOf(f3, { plants: 60, mothers: 7 }, facts)).toEqual([]);
  });
  test("the chance that one shows all that is wanted, and what choosing gains", () => {
    const [chance, gain] = costsOf(f2, { plants: 6, mothers: 1 }, facts);
    expect(chance).toEqual({
      kind: "chance",
      planned: expect.closeTo(1 - 0.75 ** 48),
      meant: expect.closeTo(1 - 0.75 ** 6),
    });
    // Six of six are no choice.
    expect(gain).toEqual({ kind: "gain", share: 0 });
    expect(costsOf(f2, { plants: 24, mothers: 1 }, { share: null, outcrosses: true })).toEqual([
      { kind: "gain", share: expect.closeTo(0.762, 2) },
    ]);
  });
  test("families that are left out", () => {
    expect(costsOf(f3, { plants: 48, mothers: 4 }, facts)).toEqual([{ kind: "mothers", missing: 2, of: 6 }]);
  });
  test("what few parents narrow, only of what crosses", () => {
    const keep = plan("keep", { generation: null }, 40, SQUASH)[0]!;
    // 32 parents lose 1/64 of the variety in a generation, 8 lose 1/16.
    expect(costsOf(keep, { plants: 8, mothers: 1 }, facts)).toEqual([
      { kind: "narrows", planned: expect.closeTo(1 / 64), meant: expect.closeTo(1 / 16) },
    ]);
    expect(costsOf(keep, { plants: 8, mothers: 1 }, { ...facts, outcrosses: false })).toEqual([]);
  });
});

describe("lots of which the next generation is sown", () => {
  const lot = (id: string, generation: number | null, mother: string | null, left: number | null, season = 2028) => ({
    id,
    generation,
    mother,
    left,
    season,
  });
  const chosen = (lots: ReturnType<typeof lot>[], mothers: number) => lotsToSow(lots, mothers).map(({ id }) => id);
  test("of each mother the one with most seed, and all mothers, also more than were planned", () => {
    const lots = [
      lot("a", 3, "1", 9),
      lot("b", 3, "1", 30),
      lot("c", 3, "2", 20),
      lot("d", 3, "3", 0),
      lot("e", 2, "8", 90),
    ];
    expect(chosen(lots, 2)).toEqual(["b", "c"]);
    expect(chosen([...lots, lot("f", 3, "4", null), lot("g", 3, "5", 5, 2027)], 2)).toEqual(["f", "b", "c"]);
  });
  test("one lot where the plan wants no rows, or nobody knows the mothers", () => {
    expect(chosen([lot("a", 2, "1", 9), lot("b", 2, "2", 30)], 1)).toEqual(["b"]);
    expect(chosen([lot("a", 3, null, 9), lot("b", 3, null, 30)], 6)).toEqual(["b"]);
  });
  test("none where nothing is left", () => {
    expect(chosen([lot("a", 3, "1", 0)], 6)).toEqual([]);
    expect(chosen([], 1)).toEqual([]);
  });
});

test("the next step is the first that there is", () => {
  const all: OnItsWay = {
    begun: true,
    growing: true,
    planned: true,
    crossing: true,
    onTable: true,
    seed: true,
    toSow: true,
  };
  const order = ["growing", "planned", "crossing", "onTable"] as const;
  const steps = order.map((_, i) =>
    nextStep({ ...all, ...Object.fromEntries(order.slice(0, i).map((key) => [key, false])) }),
  );
  expect(steps).toEqual(["growing", "planned", "crossing", "clean"]);
  const idle = { ...all, growing: false, planned: false, crossing: false, onTable: false };
  expect(nextStep(idle)).toBe("sow");
  expect(nextStep({ ...idle, toSow: false })).toBe("keeps");
  expect(nextStep({ ...idle, seed: false })).toBe("lost");
  expect(nextStep({ ...idle, seed: false, begun: false })).toBe("begin");
});
