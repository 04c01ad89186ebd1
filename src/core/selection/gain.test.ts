import { describe, expect, test } from "vitest";
import { sampledPedigree } from "../pedigree/pedigree";
import { AIM } from "../tests/selection";
import { type GainInput, gainSteps } from "./gain";
import { kinshipAmong } from "./kinship";
import type { Aim } from "./ranking";

/** Unrelated plants that are not inbred, with one draw of each: what is known for certain. */
function certain(values: number[], more: Partial<GainInput> = {}, aim: Partial<Aim> = {}): GainInput {
  return {
    order: [...values.keys()].sort((a, b) => values[b]! - values[a]!),
    draws: 1,
    index: Float64Array.from(values),
    traits: [{ aim: { ...AIM, ...aim }, spread: 2, values: Float64Array.from(values) }],
    kinship: values.map((_, i) => values.map((__, j) => (i === j ? 0.5 : 0))),
    parentalControl: 1,
    base: 0,
    depression: 0,
    ...more,
  };
}

describe("what keeping so many brings and costs", () => {
  test("the response is the mean of the kept less the mean of all, half of it under open pollen", () => {
    const steps = gainSteps(certain([1, 6, 3, 2]));
    expect(steps.map(({ index }) => index.likely)).toEqual([3, 1.5, expect.closeTo(2 / 3, 12), 0]);
    expect(steps[1]!.traits.t).toEqual({ likely: 1.5, low: 1.5, high: 1.5 });
    expect(gainSteps(certain([1, 6, 3, 2], { parentalControl: 0.5 }))[0]!.index.likely).toBe(1.5);
  });

  test("unrelated parents count as many as they are, pure lines as half; one of them halves what varies", () => {
    const steps = gainSteps(certain([4, 3, 2, 1]));
    expect(steps.map(({ kinship }) => kinship)).toEqual([0.5, 0.25, expect.closeTo(1 / 6, 12), 0.125]);
    expect(steps.map(({ effective }) => effective)).toEqual([1, 2, expect.closeTo(3, 9), expect.closeTo(4, 9)]);
    const pure = [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => (i === j ? 1 : 0)));
    expect(gainSteps(certain([4, 3, 2, 1], { kinship: pure })).map(({ effective }) => effective)).toEqual([
      0.5,
      1,
      expect.closeTo(1.5, 9),
      2,
    ]);
    // Five sibs of one F5 plant, as kin as 31/32: against their cross (½) not much more than one.
    const sibs = [0, 1, 2, 3, 4].map((i) => [0, 1, 2, 3, 4].map((j) => (i === j ? 63 / 64 : 31 / 32)));
    const five = gainSteps(certain([5, 4, 3, 2, 1], { kinship: sibs, base: 0.5 }))[4]!;
    expect(five.effective).toBeCloseTo(0.5 / (2 * (31 / 32 + 1 / 320 - 0.5)), 9);
    expect(five.rareKept).toBeCloseTo(1 - 0.95 ** (2 * five.effective), 9);
  });

  test("what is rare is kept by so many plants as the binomial says", () => {
    const steps = gainSteps(certain([4, 3, 2, 1]));
    // Two genes each, one in twenty: none among k plants is 0.95 to the 2k.
    for (const { kept, rareKept } of steps) expect(rareKept).toBeCloseTo(1 - 0.95 ** (2 * kept), 9);
  });

  test("inbreeding of seed that they set among themselves takes its toll", () => {
    const [one] = gainSteps(certain([4, 2], { depression: 2 }));
    // Of one plant not inbred: seed of F ½, a deviation off the index, two units of a trait whose spread is 2.
    expect(one!.index.likely).toBeCloseTo(1 - 1, 12);
    expect(one!.traits.t!.likely).toBeCloseTo(1 - 2, 12);
    expect(gainSteps(certain([4, 2], { depression: 2 }, { wanted: "low" }))[0]!.traits.t!.likely).toBeCloseTo(3, 12);
  });

  test("floors are met by the share of a normal around the new mean", () => {
    const values = [10, 8, 6, 4];
    const [one, , , all] = gainSteps(certain(values, {}, { floor: 6 }));
    // Mean 10 and 7, spread 2: P(Z > −2) and P(Z > −0.5).
    expect(one!.floorsMet!.likely).toBeCloseTo(0.97725, 4);
    expect(all!.floorsMet!.likely).toBeCloseTo(0.69146, 4);
    const [both] = gainSteps(certain(values, {}, { floor: 6, ceiling: 12 }));
    expect(both!.floorsMet!.likely).toBeCloseTo(0.84134 - 0.02275, 4);
    expect(gainSteps(certain(values))[0]!.floorsMet).toBeNull();
    const [word] = gainSteps(certain([0.9, 0.1], {}, { wanted: "category", must: 1 }));
    expect(word!.floorsMet!.likely).toBeCloseTo(0.9, 12);
    const [no] = gainSteps(certain([0.9, 0.1], {}, { wanted: "no", must: 1 }));
    expect(no!.floorsMet!.likely).toBeCloseTo(0.1, 12);
  });

  test("ranges are those of the draws", () => {
    const draws = 101;
    const values = Float64Array.from({ length: 2 * draws }, (_, i) => (i < draws ? i : 0));
    const input = certain([1, 0], { draws, index: values, traits: [] });
    expect(gainSteps(input)[0]!.index).toEqual({ likely: 25, low: 2.5, high: 47.5 });
  });
});

test("kinship among chosen ones is that of the pedigree", () => {
  const individuals = [
    { id: "a", inbreeding: 1 },
    { id: "b" },
    { id: "c", mother: "a", father: "b" },
    { id: "d", mother: "a", father: "b" },
    { id: "e", mother: "c", father: "d" },
  ];
  const among = kinshipAmong(sampledPedigree(individuals), [2, 3, 4]);
  expect(among.map((row) => row.map((k) => Number(k.toFixed(12))))).toEqual([
    [0.5, 0.375, 0.4375],
    [0.375, 0.5, 0.4375],
    [0.4375, 0.4375, 0.6875],
  ]);
});
