import { describe, expect, test } from "vitest";
import { ended } from "../lists/ended";
import { normalFrom, seeded } from "../numbers/chance";
import { type Individual, sampledPedigree } from "../pedigree/pedigree";
import { AIM, F2, seenAt } from "../tests/selection";
import type { Bedded } from "./bedModel";
import { geneChances, handicaps } from "./genes";
import { heritabilityFrom } from "./heritability";
import type { Aim } from "./ranking";
import { type Ranked, rankedWorth, type Trait, type WorthInput } from "./worth";

const known = (share: number) => [{ share, chance: 1 }];
const trait = (values: number[], more: Partial<Trait> = {}): Trait => ({
  aim: AIM,
  looks: values.map((value, record) => ({ record, value })),
  inherited: heritabilityFrom({ low: 0.29, high: 0.31 }, null).grid,
  ...more,
});

function run(plants: number, traits: Trait[], more: Partial<WorthInput> = {}): Ranked {
  return ended(
    rankedWorth({
      pedigree: sampledPedigree(F2(plants)),
      records: Array.from({ length: plants }, (_, i) => seenAt(i + 3)),
      candidates: Array.from({ length: plants }, (_, i) => i),
      traits,
      best: 3,
      draws: 800,
      random: seeded(7),
      parentalControl: 1,
      selfed: true,
      ...more,
    }),
  );
}

const EIGHT = [1, 2, 3, 4, 5, 6, 7, 8];

describe("what plants are worth as parents", () => {
  test("in an F2 it is the heritability times what one is above the mean, and that is its reliability", () => {
    const { worths } = run(8, [trait(EIGHT)]);
    const gap = worths[7]!.traits.t!.value - worths[0]!.traits.t!.value;
    expect(gap).toBeGreaterThan(1.8);
    expect(gap).toBeLessThan(2.4);
    for (const { traits, low, index, high } of worths) {
      expect(Math.abs(traits.t!.reliability - 0.3)).toBeLessThan(0.16);
      expect(low).toBeLessThan(index);
      expect(index).toBeLessThan(high);
    }
    expect(worths.reduce((sum, { traits }) => sum + traits.t!.reliability, 0) / 8).toBeCloseTo(0.27, 1);
  });

  test("draws come in pairs about what is expected: a few say on the mean exactly what many would", () => {
    // Where half is inherited, an eighth plant seven above the first is three and a half above it as a parent.
    const { worths } = run(8, [trait(EIGHT, { inherited: known(0.5) })], { draws: 20 });
    expect(worths[7]!.traits.t!.apart.likely - worths[0]!.traits.t!.apart.likely).toBeCloseTo(3.5, 6);
  });

  test("several looks tell more, as far as they repeat themselves", () => {
    const random = seeded(5);
    const [h2, n] = [0.35, 60];
    const truth = Array.from({ length: n }, () => Math.sqrt(h2) * normalFrom(random(), random()));
    const looks = (times: number) =>
      truth.flatMap((value, record) =>
        Array.from({ length: times }, () => ({
          record,
          value: value + Math.sqrt(1 - h2) * normalFrom(random(), random()),
        })),
      );
    const meanReliability = (times: number) => {
      const { worths } = run(n, [trait([], { looks: looks(times), inherited: known(h2) })], { draws: 300 });
      return worths.reduce((sum, { traits }) => sum + traits.t!.reliability, 0) / n;
    };
    expect(meanReliability(1)).toBeCloseTo(0.34, 1);
    // Three looks: 3 · 0.35 / (1 + 2 · 0.35) = 0.62.
    expect(Math.abs(meanReliability(3) - 0.61)).toBeLessThan(0.07);
  });

  test("chances of being among the best come to as many as are best, and are even where all are alike", () => {
    const among = (ranked: Ranked) => ranked.worths.map(({ amongBest }) => amongBest);
    const even = among(run(10, [trait(new Array<number>(10).fill(5))], { best: 4 }));
    expect(even.reduce((a, b) => a + b, 0)).toBeCloseTo(4, 9);
    for (const chance of even) expect(Math.abs(chance - 0.4)).toBeLessThan(0.07);
    // Plants of one pure line have nothing to tell them apart, whatever they showed.
    const pedigree = sampledPedigree([
      { id: "l", inbreeding: 1 },
      ...[0, 1, 2, 3].map((i) => ({ id: `p${i}`, mother: "l", father: "l" })),
    ]);
    const records = [1, 2, 3, 4].map((i) => seenAt(i));
    const pure = run(4, [trait([1, 9, 3, 5])], { pedigree, records, best: 1 });
    for (const chance of among(pure)) expect(Math.abs(chance - 0.25)).toBeLessThan(0.08);
    for (const { traits } of pure.worths) expect(traits.t!.reliability).toBe(0);
    expect(among(run(3, [trait([1, 2, 3])], { best: 3 }))).toEqual([1, 1, 1]);
    expect(run(1, [trait([4])], { best: 1 }).worths).toHaveLength(1);
  });

  test("sibs of a family that is nearly fixed differ by less that is inherited, for the same scores", () => {
    const fixed: Individual[] = [
      ...F2(0),
      { id: "f5", mother: "f1", father: "f1", selfings: 3 },
      ...EIGHT.map((_, i) => ({ id: `p${i}`, mother: "f5", father: "f5" })),
    ];
    const { worths } = run(8, [trait(EIGHT, { inherited: known(0.3) })], {
      pedigree: sampledPedigree(fixed),
      records: EIGHT.map((_, i) => seenAt(i + 4)),
    });
    // Of F5 parents 1/16 is not fixed: their sibs have 1/32 of the base's variance, an F2's ½; 0.03125 / 1.198 of a gap of 7.
    const gap = worths[7]!.traits.t!.value - worths[0]!.traits.t!.value;
    expect(gap).toBeGreaterThan(0.05);
    expect(gap).toBeLessThan(0.35);
  });

  test("a row's place is told apart from its families by lines that stand in all rows", () => {
    // Two families of eight, the second's row better by 3 for its place, as eight known plants in both rows show.
    const list: Individual[] = [
      { id: "A", inbreeding: 1 },
      { id: "B", inbreeding: 1 },
      { id: "f1", mother: "A", father: "B" },
      { id: "m", mother: "f1", father: "f1" },
      { id: "n", mother: "f1", father: "f1" },
      ...Array.from({ length: 16 }, (_, i) => ({ id: `p${i}`, mother: i < 8 ? "m" : "n", father: i < 8 ? "m" : "n" })),
    ];
    const own = Array.from({ length: 16 }, (_, i) => ({ record: i, value: (i % 4) + (i < 8 ? 0 : 3) }));
    const checks = Array.from({ length: 16 }, (_, i) => ({ record: 16 + i, value: (i % 4) + (i < 8 ? 0 : 3) }));
    const records = [
      ...own.map((_, i) => seenAt(i + 5, { row: i < 8 ? "one" : "two" })),
      ...checks.map((_, i) => seenAt(0, { row: i < 8 ? "one" : "two" })),
    ];
    const gap = (looks: Trait["looks"], of: Bedded[]) => {
      const { worths } = run(16, [trait([], { looks, inherited: known(0.4) })], {
        pedigree: sampledPedigree(list),
        records: of,
      });
      const meanOf = (from: number) =>
        worths.slice(from, from + 8).reduce((sum, { traits }) => sum + traits.t!.value, 0) / 8;
      return meanOf(8) - meanOf(0);
    };
    const alone = gap(own, records.slice(0, 16));
    const told = gap([...own, ...checks], records);
    expect(alone).toBeGreaterThan(0.6);
    expect(told).toBeLessThan(alone / 2);
  });

  test("less, nearer and within are better by their aim, and weights tip the scale", () => {
    const values = [0, 2, 4, 6, 8, 10, 12, 14];
    const sure = heritabilityFrom({ low: 0.94, high: 0.97 }, null).grid;
    const as = (aim: Partial<Aim>) => trait(values, { aim: { ...AIM, ...aim }, inherited: sure });
    const best = (traits: Trait[]) => {
      const { worths } = run(8, traits, { best: 1 });
      return worths.reduce((most, { index }, i) => (index > worths[most]!.index ? i : most), 0);
    };
    expect(best([as({ wanted: "low" })])).toBe(0);
    expect(best([as({ wanted: "target", target: 6 })])).toBe(3);
    expect(best([as({ wanted: "range", low: 9.5, high: 10.5 })])).toBe(5);
    const [up, down] = [as({ id: "a", weight: 3 }), as({ id: "b", wanted: "low", weight: 1 })];
    expect(best([up, down])).toBe(7);
    expect(best([as({ id: "a", weight: 1 }), as({ id: "b", wanted: "low", weight: 3 })])).toBe(0);
  });

  test("over many families ranges hold the truth nine times in ten, and “among the best” comes true as often as said", () => {
    const random = seeded(21);
    const chance = () => normalFrom(random(), random());
    const [n, k, h2] = [24, 4, 0.3];
    let [held, said, came, all, reliability, gain, real] = [0, 0, 0, 0, 0, 0, 0];
    const rounds = 40;
    for (let round = 0; round < rounds; round++) {
      const truth = Array.from({ length: n }, () => Math.sqrt(h2) * chance());
      const values = truth.map((t) => 10 + t + Math.sqrt(1 - h2) * chance());
      const { worths, choice } = run(n, [trait(values)], { best: k, draws: 200 });
      const order = [...truth.keys()].sort((a, b) => truth[b]! - truth[a]!).slice(0, k);
      const kept = [...truth.keys()].sort((a, b) => worths[b]!.index - worths[a]!.index).slice(0, k);
      const meanOf = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length;
      gain += choice.steps[k - 1]!.traits.t!.likely;
      real += meanOf(kept.map((i) => truth[i]!)) - meanOf(truth);
      for (const [i, { traits, amongBest }] of worths.entries()) {
        const { low, high } = traits.t!;
        all++;
        reliability += traits.t!.reliability;
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
    expect(reliability / all).toBeCloseTo(0.29, 1);
    expect(gain / real).toBeGreaterThan(0.8);
    expect(gain / real).toBeLessThan(1.25);
  });
});

describe("whom to keep", () => {
  /** Four families of six, of which the first looks best by a little. */
  const families: Individual[] = [
    ...F2(0),
    ...[0, 1, 2, 3].map((f) => ({ id: `m${f}`, mother: "f1", father: "f1" })),
    ...Array.from({ length: 24 }, (_, i) => ({ id: `p${i}`, mother: `m${i % 4}`, father: `m${i % 4}` })),
  ];
  const values = Array.from({ length: 24 }, (_, i) => [0.4, 0.3, 0.2, 0][i % 4]! + ((i * 7) % 6) / 3);
  const pedigree = sampledPedigree(families);
  const records = values.map((_, i) => seenAt(i + 7));

  test("families are held apart where nobody can say which is best, and it is said that plants can't be told apart", () => {
    const { advice } = run(24, [trait(values)], { pedigree, records, best: 4 });
    expect(new Set(advice.keep).size).toBe(4);
    expect(new Set(advice.keep.map((i) => i % 4)).size).toBeGreaterThanOrEqual(3);
    expect(advice.apart).toBeLessThan(0.9);
    // What is foretold of keeping so many is foretold of these, not of the best by their index.
    const { choice, worths } = run(24, [trait(values)], { pedigree, records, best: 4 });
    const apart = advice.keep.reduce((sum, i) => sum + worths[i]!.traits.t!.apart.likely / 4, 0);
    expect(choice.steps[3]!.traits.t!.likely).toBeCloseTo(apart, 9);
    // One family that is clearly better is kept from.
    const clear = values.map((value, i) => value + (i % 4 === 2 ? 9 : 0));
    const sure = run(24, [trait(clear, { inherited: known(0.6) })], { pedigree, records, best: 4 }).advice;
    expect(sure.keep.filter((i) => i % 4 === 2).length).toBeGreaterThanOrEqual(2);
    expect(sure.keep[0]! % 4).toBe(2);
    expect(sure.apart).toBeGreaterThan(0.9);
  });

  test("what crosses among itself weighs kinship against gain; what a gene would lose is kept out", () => {
    const broad = run(24, [trait(values)], { pedigree, records, best: 4, selfed: false }).advice.keep;
    expect(new Set(broad.map((i) => i % 4)).size).toBeGreaterThanOrEqual(3);
    const first = run(24, [trait(values)], { pedigree, records, best: 4 }).advice.keep[0]!;
    const handicap = values.map((_, i) => (i === first ? 4 : 0));
    expect(run(24, [trait(values)], { pedigree, records, best: 4, handicap }).advice.keep).not.toContain(first);
  });
});

describe("traits of one gene", () => {
  const tree = F2(4);
  const seen = (shows: boolean[]) => shows.map((wanted, i) => ({ plant: `p${i}`, wanted }));

  test("a recessive that shows is fixed; a dominant that shows is fixed one time in three", () => {
    const gene = { id: "g", weight: 1, seen: seen([true, false]) };
    const [shows, hides, , unseen] = geneChances(tree, { ...gene, want: "recessive" }, ["p0", "p1", "p2", "p3"]);
    expect(shows!.now).toBeGreaterThan(0.9);
    // Of three that hide it two carry it.
    expect(hides!.later).toBeCloseTo(2 / 3, 1);
    expect(unseen!.now).toBeCloseTo(0.25, 1);
    const [dominant, without] = geneChances(tree, { ...gene, want: "dominant" }, ["p0", "p1"]);
    expect(dominant!.now).toBeCloseTo(1 / 3, 1);
    expect(dominant!.later).toBeGreaterThan(0.97);
    expect(without!.later).toBeLessThan(0.1);
    const [either] = geneChances(tree, { ...gene, want: "unknown" }, ["p0"]);
    expect(either!.now).toBeCloseTo((shows!.now + dominant!.now) / 2, 9);
  });

  test("what can still be chosen for costs little now and all of it at the end", () => {
    const chances = [
      [
        { now: 1, later: 1 },
        { now: 0, later: 1 },
        { now: 0, later: 0 },
      ],
    ];
    const now = handicaps([{ weight: 1 }], chances, 2, "selfed");
    expect(now).toEqual([0, 0.075, 2]);
    expect(handicaps([{ weight: 1 }], chances, 2, "none")).toEqual([0, 2, 2]);
    // Two copies to be got rid of, or one.
    expect(handicaps([{ weight: 1 }], chances, 2, "crossed")).toEqual([0, 1, 2]);
    expect(handicaps([], [], 0, "selfed")).toEqual([]);
  });

  test("what contradicts itself is taken as it was seen", () => {
    const pure: Individual[] = [
      { id: "l", inbreeding: 1 },
      ...[0, 1].map((i) => ({ id: `p${i}`, mother: "l", father: "l" })),
    ];
    const [one, other] = geneChances(pure, { id: "g", want: "recessive", weight: 1, seen: seen([true, false]) }, [
      "p0",
      "p1",
    ]);
    expect(one!.now).toBeGreaterThan(other!.now - 1e-9);
  });
});
