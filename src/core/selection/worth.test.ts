import { describe, expect, test } from "vitest";
import { normalFrom, seeded } from "../numbers/chance";
import { sampledPedigree } from "../pedigree/pedigree";
import { AIM, ended, F2 } from "../tests/selection";
import { heritabilityFrom } from "./heritability";
import type { Aim } from "./ranking";
import { predicted, type Trait, type Worth, worthOf } from "./worth";

function trait(values: number[], more: Partial<Trait> = {}): Trait {
  return {
    aim: AIM,
    seen: values.map((value, i) => ({ individual: i + 3, environment: 0, value, weight: 1 })),
    environments: 1,
    reference: [0],
    heritability: heritabilityFrom({ low: 0.29, high: 0.31 }, [], null),
    spread: 1,
    ...more,
  };
}

function run(plants: number, traits: Trait[], best = 3, draws = 800): Worth[] {
  return ended(
    worthOf({
      pedigree: sampledPedigree(F2(plants)),
      candidates: Array.from({ length: plants }, (_, i) => i + 3),
      traits,
      best,
      draws,
      random: seeded(7),
      parentalControl: 1,
    }),
  ).worths;
}

describe("what plants are worth as parents", () => {
  test("in an F2 the prediction is the heritability times what one is above the mean; the mean of draws is that too", () => {
    const values = [1, 2, 3, 4, 5, 6, 7, 8];
    const own = trait(values, { spread: 2 });
    const pedigree = sampledPedigree(F2(8));
    const told = predicted(pedigree, [3, 10], own);
    expect(told[1]! - told[0]!).toBeCloseTo(0.3 * 7, 2);
    const worths = run(8, [own]);
    const gap = worths[7]!.traits.t!.value - worths[0]!.traits.t!.value;
    expect(gap).toBeGreaterThan(1.8);
    expect(gap).toBeLessThan(2.4);
    // Squared accuracy of one's own score among sibs is the heritability.
    for (const worth of worths) {
      expect(worth.traits.t!.reliability).toBeGreaterThan(0.18);
      expect(worth.traits.t!.reliability).toBeLessThan(0.45);
      expect(worth.low).toBeLessThan(worth.index);
      expect(worth.index).toBeLessThan(worth.high);
    }
  });

  test("chances of being among the best come to as many as are best, and are even where all are alike", () => {
    const worths = run(10, [trait(new Array<number>(10).fill(5))], 4);
    expect(worths.reduce((sum, { amongBest }) => sum + amongBest, 0)).toBeCloseTo(4, 9);
    for (const { amongBest } of worths) expect(Math.abs(amongBest - 0.4)).toBeLessThan(0.07);
    // Plants of one pure line have nothing to tell them apart, whatever they showed.
    const pure = (() => {
      const pedigree = sampledPedigree([
        { id: "l", inbreeding: 1 },
        ...[0, 1, 2, 3].map((i) => ({ id: `p${i}`, mother: "l", father: "l" })),
      ]);
      const seen = [1, 9, 3, 5].map((value, i) => ({ individual: i + 1, environment: 0, value, weight: 1 }));
      const input = {
        pedigree,
        candidates: [1, 2, 3, 4],
        best: 1,
        draws: 600,
        random: seeded(2),
        parentalControl: 1 as const,
      };
      return ended(worthOf({ ...input, traits: [{ ...trait([]), seen }] })).worths;
    })();
    for (const { amongBest } of pure) expect(Math.abs(amongBest - 0.25)).toBeLessThan(0.08);
    expect(run(3, [trait([1, 2, 3])], 3).map(({ amongBest }) => amongBest)).toEqual([1, 1, 1]);
    expect(run(1, [trait([4])], 1)).toHaveLength(1);
    // A single draw is a draw.
    const [once] = run(8, [trait([60, 61, 62, 63, 64, 65, 66, 67])], 1, 1);
    expect(once!.traits.t!.value).toBeGreaterThan(55);
  });

  test("sibs of a family that is nearly fixed differ by less that is inherited, for the same scores", () => {
    const values = [1, 2, 3, 4, 5, 6, 7, 8];
    // F2 to F6: from plant to plant by single seeds, then eight sibs.
    const fixed = [
      ...F2(0),
      { id: "f5", mother: "f1", father: "f1", selfings: 3 },
      ...values.map((_, i) => ({ id: `p${i}`, mother: "f5", father: "f5" })),
    ];
    const pedigree = sampledPedigree(fixed);
    const seen = values.map((value, i) => ({ individual: i + 4, environment: 0, value, weight: 1 }));
    const told = predicted(pedigree, [4, 11], { ...trait([], { spread: 2 }), seen });
    // Of F5 parents 1/16 is still mixed: their sibs have 1/32 of the base's variance, an F2's ½. With a share of 0.3 of an F2
    // the rest is 0.5 · 0.7 / 0.3 = 1.1667, so that 0.03125 / 1.19792 is inherited, of a gap of 7.
    expect(told[1]! - told[0]!).toBeCloseTo((7 * 0.03125) / (0.03125 + 1.16667), 3);
  });

  test("less, nearer and within are better by their aim, and weights tip the scale", () => {
    const best = (traits: Trait[]) => {
      const worths = run(8, traits, 1);
      return worths.reduce((at, { index }, i) => (index > worths[at]!.index ? i : at), 0);
    };
    const values = [0, 2, 4, 6, 8, 10, 12, 14];
    const sure = heritabilityFrom({ low: 0.94, high: 0.97 }, [], null);
    const as = (aim: Partial<Aim>) => trait(values, { aim: { ...AIM, ...aim }, spread: 5, heritability: sure });
    expect(best([as({ wanted: "low" })])).toBe(0);
    expect(best([as({ wanted: "target", target: 6 })])).toBe(3);
    expect(best([as({ wanted: "range", low: 9.5, high: 10.5 })])).toBe(5);
    const up = { ...as({ id: "a" }), aim: { ...AIM, id: "a", weight: 3 } };
    const down = { ...as({ id: "b", wanted: "low" }), aim: { ...AIM, id: "b", wanted: "low" as const, weight: 1 } };
    expect(best([up, down])).toBe(7);
    expect(
      best([
        { ...up, aim: { ...up.aim, weight: 1 } },
        { ...down, aim: { ...down.aim, weight: 3 } },
      ]),
    ).toBe(0);
  });

  test("over many families the stated ranges hold the truth nine times in ten, and “among the best” comes true as often as said", () => {
    const random = seeded(21);
    const chance = () => normalFrom(random(), random());
    const [n, k, h2] = [24, 4, 0.3];
    let [held, said, came, all] = [0, 0, 0, 0];
    for (let round = 0; round < 40; round++) {
      const truth = Array.from({ length: n }, () => Math.sqrt(h2) * chance());
      const values = truth.map((t) => 10 + t + Math.sqrt(1 - h2) * chance());
      const worths = run(n, [trait(values)], k, 200);
      const order = [...truth.keys()].sort((a, b) => truth[b]! - truth[a]!).slice(0, k);
      for (const [i, { traits, amongBest }] of worths.entries()) {
        const { low, high } = traits.t!;
        all++;
        if (low <= 10 + truth[i]! && 10 + truth[i]! <= high) held++;
        if (amongBest > 0.35) {
          said += amongBest;
          if (order.includes(i)) came++;
        }
      }
    }
    expect(held / all).toBeGreaterThan(0.86);
    expect(held / all).toBeLessThan(0.94);
    expect(Math.abs(came - said) / said).toBeLessThan(0.2);
  });
});
