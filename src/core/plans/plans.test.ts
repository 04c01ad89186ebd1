import { describe, expect, test } from "vitest";
import { seeded } from "../numbers/chance";
import { type PlanAsked, planOf } from "./plans";
import { SCHEMES } from "./schemes";
import { mixed, worldOf } from "./world";

const asked: PlanAsked = {
  plants: 60,
  seasons: 7,
  genes: 2,
  hidden: 1,
  heritability: { low: 0.4, high: 0.4 },
  outcrossing: 0,
};
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
    // The cross, the F1, and of an F2 six selfed, then five each time.
    expect(hands).toBe(2 + 6 + 3 * 5);
  });

  test("more plants and more that is inherited reach more; chosen early beats chosen late", () => {
    expect(plan("pedigree", { plants: 120, genes: 4 }).recovers).toBeGreaterThan(
      plan("pedigree", { plants: 16, genes: 4 }).recovers,
    );
    expect(plan("pedigree", { heritability: { low: 0.8, high: 0.8 } }).gain.likely).toBeGreaterThan(
      plan("pedigree", { heritability: { low: 0.1, high: 0.1 } }).gain.likely + 0.5,
    );
    expect(plan("pedigree").gain.likely).toBeGreaterThan(plan("single-seed").gain.likely);
    const { low, likely, high } = plan("pedigree").gain;
    expect(low < likely && likely < high).toBe(true);
  });

  test("back to one parent so often, nothing chosen but the word, leaves half of what was left each time", () => {
    // Seven seasons: the cross, three backcrosses, and two selfings that change no share on the mean.
    const { recurrent, steps, recovers } = plan("near-isogenic", { genes: 1, hidden: 0 }, 300);
    expect(steps.map(({ generation }) => generation).slice(-3)).toEqual(["BC3", "BC3F2", "BC3F3"]);
    expect(Math.abs(recurrent!.likely - (1 - 0.5 ** 4))).toBeLessThan(0.01);
    expect(recurrent!.low).toBeLessThan(recurrent!.likely);
    // Of five that show it two in three are mixed: none of five is pure in 0.13; and rows of the pure ones show it throughout.
    expect(recovers).toBeGreaterThan(1 - (2 / 3) ** 5 - 0.05);
    const nine = plan("near-isogenic", { genes: 1, hidden: 0, seasons: 8 }, 300);
    expect(Math.abs(nine.recurrent!.likely - 0.969)).toBeLessThan(0.008);
    expect(plan("pedigree").recurrent).toBe(null);
  });

  test("a word that hides is selfed for between: it is found again, at one backcross in two seasons", () => {
    const { recovers, steps, recurrent } = plan("near-isogenic", { genes: 1, hidden: 1 }, 300);
    expect(steps.map(({ generation, act }) => `${generation} ${act}`)).toEqual([
      "parents cross",
      "F1 backcross",
      "BC1 self",
      "BC1F2 backcross",
      "BC2 select-self",
      "BC2F2 select-self",
      "BC2F3 compare",
    ]);
    expect(recovers).toBeGreaterThan(0.9);
    expect(Math.abs(recurrent!.likely - (1 - 0.5 ** 3))).toBeLessThan(0.015);
    for (const seasons of [4, 5, 6, 7, 8, 9])
      expect(plan("backcross", { genes: 1, hidden: 1, seasons }, 2).steps, `${seasons}`).toHaveLength(seasons);
  });

  test("the more unsure what is inherited, the wider what it gains; all and nothing of it", () => {
    const width = (low: number, high: number) => {
      const { gain } = plan("pedigree", { heritability: { low, high } }, 300);
      return gain.high - gain.low;
    };
    expect(width(0.05, 0.9)).toBeGreaterThan(1.15 * width(0.475, 0.475));
    expect(plan("pedigree", { heritability: { low: 1, high: 1 } }, 5).gain.likely).toBeGreaterThan(1);
    for (const [low, high] of [
      [0, 0.3],
      [0.5, 0.4],
      [0.5, 1.1],
    ] as const)
      expect(() => plan("pedigree", { heritability: { low, high } })).toThrow("range above 0");
  });

  test("mass selection stays mixed where others' pollen comes", () => {
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
    ).toBe("BC2F3");
  });
});
