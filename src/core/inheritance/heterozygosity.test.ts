import { expect, test } from "vitest";
import { heterozygosity, mixedByGeneration } from "./heterozygosity";

test("selfing halves what is mixed, each generation from a whole F1", () => {
  expect(mixedByGeneration([1, 1, 1])).toEqual([1, 0.5, 0.25, 0.125]);
});

test("crossing at random among many goes back to one half, and stays", () => {
  expect(mixedByGeneration([1, 1, 0, 0]).slice(3)).toEqual([0.5, 0.5]);
});

test("from the F2 on, the ladder is the mixed-mating recursion", () => {
  const ladder = mixedByGeneration([1, 0.7, 0.7, 0.7]);
  for (let t = 0; t < 4; t++)
    expect(ladder[t + 1]).toBeCloseTo(
      heterozygosity({ generations: t, selfingRate: 0.7, initial: 0.5 }).heterozygosity,
      12,
    );
});

test.each<[string, number[], number, number[]]>([
  // 97 % selfing of open seed, from the F1: 50, 26, 14, 8 %.
  ["open seed of a selfer", [0.97, 0.97, 0.97, 0.97], 2, [1, 0.5, 0.2575, 0.1399, 0.0828]],
  // Four sets lose a sixth a selfing, eight a fourteenth.
  ["four sets of chromosomes", [1, 1], 4, [1, 5 / 6, 25 / 36]],
  ["eight sets", [1, 1], 8, [1, 13 / 14, 169 / 196]],
])("what is still mixed of %s", (_, shares, sets, expected) => {
  for (const [i, mixed] of mixedByGeneration(shares, sets).entries()) expect(mixed).toBeCloseTo(expected[i]!, 4);
});
