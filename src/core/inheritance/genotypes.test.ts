import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { Individual } from "../pedigree/pedigree";
import { marginals } from "./elimination";
import { type Genotypes, genotypesOf, type SeenClass, type Trait } from "./genotypes";
import { classesOf, WAYS } from "./ways";

const dominant: Trait = { way: WAYS[0]!, classes: 2, recombination: 0.5, error: 0, frequency: 0.5 };
const of = (individuals: Individual[], trait: Trait, seen: SeenClass[]) => {
  const found = genotypesOf(individuals, trait, seen);
  if (!(found instanceof Map)) throw new Error(`contradicts: ${found.contradicts}`);
  return (id: string): Genotypes => found.get(id)!;
};

describe("genotypes from what was seen of a plant and its kin", () => {
  const self = (id: string): Individual => ({ id, mother: "P", father: "P" });

  test("an F2 plant that shows the dominant word carries the other twice as often as not; its offspring tell", () => {
    const f2: Individual[] = [
      { id: "A", inbreeding: 1 },
      { id: "B", inbreeding: 1 },
      { id: "F1", mother: "A", father: "B" },
      { id: "P", mother: "F1", father: "F1" },
    ];
    const seen = [
      { id: "A", shows: 0 },
      { id: "B", shows: 1 },
    ];
    expect(of(f2, dominant, seen)("F1").loci[0]).toEqual([0, 1, 0]);
    expect(of(f2, dominant, seen)("P").classes[0]).toBeCloseTo(0.75, 12);
    const shown = of(f2, dominant, [...seen, { id: "P", shows: 0 }])("P").loci[0]!;
    expect(shown[1]).toBeCloseTo(2 / 3, 12);
    expect(of(f2, dominant, seen)("P").trueFor).toEqual([0.25, 0.25]);
    // Twelve offspring that all show it: ⅓ to ⅔ · ¾¹².
    const kids = Array.from({ length: 12 }, (_, i) => self(`${i}`));
    const all = [...seen, { id: "P", shows: 0 }, ...kids.map(({ id }) => ({ id, shows: 0 }))];
    const pure = 1 / (1 + 2 * 0.75 ** 12);
    expect(of([...f2, ...kids], dominant, all)("P").loci[0]![0]).toBeCloseTo(pure, 12);
    // One that does not: it carries, whoever else does.
    const odd = of([...f2, ...kids], dominant, [...all.slice(0, -1), { id: "11", shows: 1 }]);
    expect(odd("P").loci[0]![1]).toBeCloseTo(1, 12);
    expect(odd("0").loci[0]![1]).toBeCloseTo(2 / 3, 12);
  });

  test("selfed generations in between, inbred founders, and parents nobody knows", () => {
    // Of a founder ¼ ½ ¼, three selfings leave 1/16 mixed.
    expect(of([{ id: "S", selfings: 3 }], dominant, [])("S").loci[0]![1]).toBeCloseTo(1 / 16, 12);
    expect(of([{ id: "I", inbreeding: 0.5 }], dominant, [])("I").loci[0]).toEqual([0.375, 0.25, 0.375]);
    const rare = { ...dominant, frequency: 0.1 };
    const kin: Individual[] = [{ id: "M" }, { id: "C", mother: "M" }];
    // A child that shows it has a from its mother for sure; the other one is of anyone.
    const mother = of(kin, rare, [{ id: "C", shows: 1 }])("M").loci[0]!;
    expect(mother[2]).toBeCloseTo(0.1, 12);
    expect(mother[1]).toBeCloseTo(0.9, 12);
  });

  test("a plant taken for another is forgiven as often as that happens", () => {
    const kin = [self("1"), self("2")];
    const people: Individual[] = [{ id: "P", inbreeding: 1 }, ...kin];
    const seen = [
      { id: "P", shows: 1 },
      { id: "1", shows: 0 },
    ];
    expect(genotypesOf(people, dominant, [...seen, { id: "2", shows: 1 }])).toEqual({ contradicts: ["P", "1"] });
    // P is aa taken rightly and its child wrongly, or AA taken wrongly: both once.
    expect(of(people, { ...dominant, error: 0.1 }, seen)("P").loci[0]![2]).toBeCloseTo(0.5, 12);
  });

  test("kernels that were only counted tell as much as if each were grown; 2,000 of an ear too", () => {
    const people: Individual[] = [{ id: "P" }, { id: "Q", inbreeding: 0.4 }];
    const one = fc.record({
      father: fc.constantFrom("P", "Q", null),
      counts: fc.tuple(fc.nat(3), fc.nat(3), fc.nat(2)),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 3 }), fc.constantFrom(0.03, 0.2), (ears, error) => {
        const trait: Trait = { way: WAYS[1]!, classes: 3, recombination: 0.5, error, frequency: 0.3 };
        const offspring = ears.map(({ father, counts }, i) => ({ id: `ear ${i}`, mother: "P", father, counts }));
        const grown = offspring.flatMap(({ id, mother, father, counts }) =>
          counts.flatMap((count, shows) =>
            Array.from({ length: count }, (_, i) => ({ id: `${id} ${shows} ${i}`, mother, father, shows })),
          ),
        );
        const counted = genotypesOf(people, trait, [], offspring) as Map<string, Genotypes>;
        const each = of([...people, ...grown], trait, grown);
        for (const id of ["P", "Q"])
          for (const [i, chance] of counted.get(id)!.loci[0]!.entries())
            expect(chance).toBeCloseTo(each(id).loci[0]![i]!, 9);
      }),
      { seed: 15, numRuns: 60 },
    );
    const ear = { id: "ear", mother: "P", father: "P", counts: [1500, 500] };
    const found = genotypesOf([{ id: "P" }], { ...dominant, error: 0.02 }, [], [ear]) as Map<string, Genotypes>;
    expect(found.get("P")!.loci[0]![1]).toBeCloseTo(1, 9);
    // A pure plant with a kernel of the other word, where nobody errs.
    const pure = [{ id: "P", inbreeding: 1 }];
    expect(genotypesOf(pure, dominant, [], [ear])).toEqual({ contradicts: ["ear"] });
    expect(() => genotypesOf(pure, dominant, [], [{ ...ear, father: "Z" }])).toThrow("Z");
  });

  test("two loci linked in coupling stay together", () => {
    const linked: Trait = { way: WAYS[2]!, classes: 4, recombination: 0.1, error: 0, frequency: 0.5 };
    const people: Individual[] = [
      { id: "AB", inbreeding: 1 },
      { id: "ab", inbreeding: 1 },
      { id: "F1", mother: "AB", father: "ab" },
      { id: "T", mother: "F1", father: "ab" },
    ];
    const seen = [
      { id: "AB", shows: 0 },
      { id: "ab", shows: 3 },
    ];
    const crossed = of(people, linked, seen)("T").classes;
    for (const [i, share] of [0.45, 0.05, 0.05, 0.45].entries()) expect(crossed[i]).toBeCloseTo(share, 12);
  });

  test("what breeds true of two loci: both needed wants both pure, and neither is pure without one", () => {
    const both: Trait = { way: WAYS[3]!, classes: 2, recombination: 0.5, error: 0, frequency: 0.5 };
    const f2: Individual[] = [{ id: "F1" }, { id: "P", mother: "F1", father: "F1" }];
    const found = of(f2, both, [])("P").trueFor;
    // Of any founder's selfed child each locus is ⅜ ¼ ⅜, the two of them apart. True for "both": AABB; for less: aa or bb.
    expect(found[0]).toBeCloseTo(0.375 ** 2, 12);
    expect(found[1]).toBeCloseTo(1 - 0.625 ** 2, 12);
  });

  test("who is missing, and who is kin in too many ways, is said", () => {
    expect(() => genotypesOf([{ id: "C", mother: "Z" }], dominant, [])).toThrow("“Z”");
    const many: Individual[] = Array.from({ length: 40 }, (_, i) =>
      i < 20 ? { id: `${i}` } : { id: `${i}`, mother: `${i - 20}`, father: `${(i * 7) % 20}` },
    );
    const crowd = many
      .slice(20)
      .flatMap(({ id: mother }, i) =>
        many.slice(20 + i + 1).map(({ id: father }): Individual => ({ id: `${mother}×${father}`, mother, father })),
      );
    expect(() =>
      genotypesOf(
        [...many, ...crowd],
        dominant,
        crowd.map(({ id }) => ({ id, shows: 0 })),
      ),
    ).toThrow("too many ways");
  });
});

/** By summing over the genotypes of all at once. */
function bruteForce(individuals: Individual[], trait: Trait, seen: SeenClass[]): Map<string, Genotypes> | null {
  const { loci, classOf } = trait.way;
  const sorts = 2 ** loci;
  const genotypes = Array.from({ length: sorts * sorts }, (_, i) => [Math.floor(i / sorts), i % sorts] as const);
  const passes = ([one, other]: readonly [number, number], sort: number): number => {
    if (loci === 1) return (Number(one === sort) + Number(other === sort)) / 2;
    const r = trait.recombination;
    const crossed = [(one & 1) | (other & 2), (other & 1) | (one & 2)];
    const stays = (Number(one === sort) + Number(other === sort)) / 2;
    return (1 - r) * stays + (r * crossed.filter((c) => c === sort).length) / 2;
  };
  const common = (sort: number) =>
    Array.from({ length: loci }, (_, l) => ((sort >> l) & 1 ? trait.frequency : 1 - trait.frequency)).reduce(
      (a, b) => a * b,
    );
  type G = readonly [number, number];
  const born = (mother: G | null, father: G | null, [m, f]: G) =>
    (mother ? passes(mother, m) : common(m)) * (father ? passes(father, f) : common(f));
  const selfedTo = (from: G, to: G, times: number): number =>
    times === 0
      ? Number(from[0] === to[0] && from[1] === to[1])
      : genotypes.reduce((sum, by) => sum + born(from, from, by) * selfedTo(by, to, times - 1), 0);
  const found = individuals.map(
    (): Genotypes => ({
      trueFor: [],
      loci: Array.from({ length: loci }, () => [0, 0, 0]),
      classes: new Array<number>(trait.classes).fill(0),
    }),
  );
  const shows = ([one, other]: G) => {
    const second = (locus: number) => ((one >> locus) & 1) + ((other >> locus) & 1);
    return { a: second(0), b: second(1), class: classOf(second(0), loci === 2 ? second(1) : 0) };
  };
  let all = 0;
  const given: G[] = [];
  const go = (i: number, chance: number): void => {
    if (chance === 0) return;
    if (i === individuals.length) {
      all += chance;
      for (const [j, genotype] of given.entries()) {
        const { a, b, class: is } = shows(genotype);
        found[j]!.loci[0]![a]! += chance;
        if (loci === 2) found[j]!.loci[1]![b]! += chance;
        found[j]!.classes[is]! += chance;
      }
      return;
    }
    const { id, mother, father, inbreeding = 0, selfings = 0 } = individuals[i]!;
    const parent = (name: string | null | undefined) =>
      name == null ? null : given[individuals.findIndex((one) => one.id === name)]!;
    for (const genotype of genotypes) {
      const first = genotypes.reduce((sum, before) => {
        const [m, f] = [parent(mother), parent(father)];
        const founder = !m && !f;
        const pure = founder && before[0] === before[1] ? inbreeding * common(before[0]) : 0;
        const crossed = born(m, f, before) * (founder ? 1 - inbreeding : 1);
        return sum + (pure + crossed) * selfedTo(before, genotype, selfings);
      }, 0);
      const likely = seen
        .filter((one) => one.id === id)
        .reduce(
          (product, one) =>
            product * (shows(genotype).class === one.shows ? 1 - trait.error : trait.error / (trait.classes - 1)),
          1,
        );
      given[i] = genotype;
      go(i + 1, chance * first * likely);
    }
    given.length = i;
  };
  go(0, 1);
  if (all === 0) return null;
  for (const one of found) {
    one.classes = one.classes.map((chance) => chance / all);
    one.loci = one.loci.map((locus) => locus.map((chance) => chance / all) as [number, number, number]);
  }
  return new Map(individuals.map(({ id }, i) => [id, found[i]!]));
}

describe("the same as summing over everything", () => {
  const parents = fc.tuple(
    fc.nat(),
    fc.nat(),
    fc.integer({ min: 0, max: 9 }),
    fc.integer({ min: 0, max: 1 }),
    fc.nat(),
  );
  const anyPedigree = (most: number) =>
    fc.record({
      drawn: fc.array(parents, { minLength: 2, maxLength: most }),
      way: fc.nat(),
      error: fc.constantFrom(0, 0.02, 0.2),
      frequency: fc.constantFrom(0.1, 0.5),
      recombination: fc.constantFrom(0.5, 0.1, 0),
    });
  const holds = (
    loci: 1 | 2,
    {
      drawn,
      way,
      ...more
    }: { drawn: [number, number, number, number, number][]; way: number } & Omit<Trait, "way" | "classes">,
  ) => {
    const ways = WAYS.filter((one) => one.loci === loci);
    const of = ways[way % ways.length]!;
    const trait: Trait = { way: of, classes: classesOf(of), ...more };
    const individuals = drawn.map(([m, f, known, selfings], i): Individual => {
      if (i === 0 || known < 2) return { id: `i${i}`, inbreeding: known % 2, selfings };
      return {
        id: `i${i}`,
        mother: `i${m % i}`,
        father: known === 2 ? null : `i${f % i}`,
        selfings: known > 7 ? selfings : 0,
      };
    });
    // Some are not seen, some of them wrongly.
    const seen = drawn.flatMap(([, , , , shows], i) =>
      shows % 3 === 0 ? [] : [{ id: `i${i}`, shows: shows % trait.classes }],
    );
    const [found, slow] = [genotypesOf(individuals, trait, seen), bruteForce(individuals, trait, seen)];
    if (slow === null) {
      expect(found).toHaveProperty("contradicts");
      const { contradicts } = found as { contradicts: string[] };
      const told = seen.filter(({ id }) => contradicts.includes(id));
      expect(bruteForce(individuals, trait, told)).toBe(null);
      for (const one of contradicts)
        expect(
          bruteForce(
            individuals,
            trait,
            told.filter(({ id }) => id !== one),
          ),
        ).not.toBe(null);
      return;
    }
    for (const { id } of individuals) {
      const [fast, exact] = [(found as Map<string, Genotypes>).get(id)!, slow.get(id)!];
      for (const [l, locus] of exact.loci.entries())
        for (const [g, chance] of locus.entries()) expect(fast.loci[l]![g]).toBeCloseTo(chance, 9);
      for (const [c, chance] of exact.classes.entries()) expect(fast.classes[c]).toBeCloseTo(chance, 9);
    }
  };

  test("one locus, on hundreds of pedigrees with loops, selfing, missing and wrong looks", () => {
    fc.assert(
      fc.property(anyPedigree(6), (any) => holds(1, any)),
      { numRuns: 250 },
    );
  });

  test("two loci, linked or not", () => {
    fc.assert(
      fc.property(anyPedigree(3), (any) => holds(2, any)),
      { numRuns: 60 },
    );
  });
});

test("whatever order the tables come in, the chances are the same", () => {
  const table = (...numbers: number[]) => Float64Array.from(numbers);
  const factors = [
    { over: [0, 1], table: table(1, 2, 3, 4) },
    { over: [1, 2], table: table(5, 1, 1, 2) },
    { over: [2, 0], table: table(1, 3, 2, 1) },
    { over: [3], table: table(1, 1) },
  ];
  const first = marginals(4, 2, factors)!;
  const again = marginals(4, 2, factors.toReversed())!;
  for (const [i, chances] of first.entries()) for (const s of [0, 1]) expect(again[i]![s]).toBeCloseTo(chances[s]!, 12);
  // By hand over the eight: a=0: b0c0 1·5·1, b0c1 1·1·2, b1c0 2·1·1, b1c1 2·2·2 = 5+2+2+8; a=1: 3·5·3, 3·1·1, 4·1·3, 4·2·1.
  expect(first[0]![0]).toBeCloseTo(17 / (17 + 45 + 3 + 12 + 8), 12);
  expect(first[3]![0]).toBe(0.5);
  expect(marginals(1, 2, [{ over: [0], table: table(0, 0) }])).toBe(null);
});
