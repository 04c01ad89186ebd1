import { describe, expect, test } from "vitest";
import { seeded } from "../numbers/chance";
import { type PlanAsked, planOf } from "./plans";
import { SCHEMES } from "./schemes";
import { mixed, worldOf } from "./world";

const asked: PlanAsked = { plants: 60, seasons: 7, genes: 2, hidden: 1, heritability: 0.4, outcrossing: 0 };
const plan = (scheme: (typeof SCHEMES)[number], more: Partial<PlanAsked> = {}, runs = 120) =>
  planOf(scheme, { ...asked, ...more }, runs, 3);

describe("simulated plants", () => {
  const world = worldOf({ random: seeded(1), genes: 2, hidden: 1, many: 4, noise: 0, outcrossing: 1 });

  test("two pure parents share the wanted genes; their child is mixed in all", () => {
    const [one, other] = [world.parent(false), world.parent(true)];
    expect([world.worth(one), world.worth(other)]).toEqual([4, 4]);
    // The first word is hidden and the one parent's, the second shows with one copy.
    expect([world.shown(one), world.shown(other)]).toEqual([1, 1]);
    const f1 = world.child(one, other);
    expect(mixed(f1)).toBe(1);
    expect(world.shown(f1)).toBe(1);
    expect(mixed(one)).toBe(0);
  });

  test("the best as they are seen: words before the aim", () => {
    const bare = new Uint8Array(12);
    const words = Uint8Array.of(1, 1, 1, 1, 0, 0, 0, 0, 0, 0, 0, 0);
    const aim = Uint8Array.of(0, 0, 0, 0, 1, 1, 1, 1, 0, 0, 0, 0);
    expect(world.best([bare, aim, words], 2)).toEqual([words, aim]);
    expect(world.best([bare], 0)).toEqual([bare]);
  });
});

describe("ways of breeding laid side by side", () => {
  test("one seed of each halves what is mixed each season: an F6 has a thirty-second", () => {
    const { steps, mixed: left } = plan("single-seed", {}, 300);
    expect(steps.map(({ generation }) => generation)).toEqual(["parents", "F1", "F2", "F3", "F4", "F5", "F6"]);
    expect(left).toBeCloseTo(1 / 32, 2);
    expect(plan("single-seed", { seasons: 5 }, 300).mixed).toBeCloseTo(1 / 8, 1);
  });

  test("each takes as many seasons as there are, and no more plants than there is ground for", () => {
    for (const scheme of SCHEMES) {
      const { steps, most, plants } = plan(scheme, {}, 2);
      expect(steps.length, scheme).toBe(scheme === "pure-line" ? 4 : 7);
      expect(most, scheme).toBeLessThanOrEqual(60);
      expect(plants).toBe(steps.reduce((sum, one) => sum + one.plants, 0));
      expect(steps.at(-1)!.act, scheme).toBe("compare");
      const short = plan(scheme, { seasons: 4, plants: 10 }, 2);
      expect(short.most, scheme).toBeLessThanOrEqual(20);
    }
  });

  test("hours are six minutes a plant and twenty-five a hand", () => {
    const { plants, hands, hours } = plan("pedigree", {}, 1);
    expect(hours).toBeCloseTo((plants * 6 + hands * 25) / 60, 10);
    // The cross, the F1, and five selfed in each of four generations.
    expect(hands).toBe(2 + 4 * 5);
  });

  test("more plants and more that is inherited reach more; chosen early beats chosen late", () => {
    expect(plan("pedigree", { plants: 120, genes: 4 }).recovers).toBeGreaterThan(
      plan("pedigree", { plants: 16, genes: 4 }).recovers,
    );
    expect(plan("pedigree", { heritability: 0.8 }).gain.likely).toBeGreaterThan(
      plan("pedigree", { heritability: 0.1 }).gain.likely + 0.5,
    );
    expect(plan("pedigree").gain.likely).toBeGreaterThan(plan("single-seed").gain.likely);
    const { low, likely, high } = plan("pedigree").gain;
    expect(low < likely && likely < high).toBe(true);
  });

  test("back to one parent it is that parent but for a sixteenth or less; mass selection stays mixed", () => {
    const { recurrent } = plan("backcross", { genes: 1, hidden: 0 }, 300);
    // Four backcrosses leave 1 − ½⁵ where nothing is chosen; what is chosen holds some of the other back.
    expect(recurrent!.likely).toBeGreaterThan(0.88);
    expect(recurrent!.likely).toBeLessThan(1 - 0.5 ** 5);
    expect(recurrent!.low).toBeLessThan(recurrent!.likely);
    expect(plan("pedigree").recurrent).toBe(null);
    expect(plan("mass", { outcrossing: 1 }).mixed).toBeGreaterThan(0.35);
    expect(plan("mass", { outcrossing: 0 }).mixed).toBeLessThan(0.1);
  });

  test("the same seed gives the same plan; a bought hybrid has its F1 already", () => {
    expect(plan("recurrent")).toEqual(plan("recurrent"));
    expect(plan("undo-hybrid").steps[0]!.generation).toBe("F1");
    expect(
      plan("near-isogenic")
        .steps.map(({ generation }) => generation)
        .at(-1),
    ).toBe("BC3F3");
  });
});
