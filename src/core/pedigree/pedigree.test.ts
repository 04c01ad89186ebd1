import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { seeded } from "../numbers/chance";
import { type PedigreeTree, readPedigree, writePedigree } from "./notation";
import { type Individual, kinshipsOf } from "./pedigree";

/** Inbreeding of all and kinship of pairs, in the form of the contract. */
function pedigree({ individuals, pairs = [] }: { individuals: Individual[]; pairs?: [string, string][] }) {
  const kinship = kinshipsOf(individuals);
  return {
    inbreeding: Object.fromEntries(individuals.map(({ id }) => [id, 2 * kinship(id, id) - 1])),
    kinship: pairs.map(([a, b]) => kinship(a, b)),
  };
}

/** Kinship by its definition, the slow way. */
function slow(individuals: Individual[]): (a: string, b: string) => number {
  const at = new Map(individuals.map((x, i) => [x.id, i]));
  const by = new Map(individuals.map((x) => [x.id, x]));
  const own = (id: string): number => {
    const { mother, father, inbreeding = 0, selfings = 0 } = by.get(id)!;
    const F = !mother && !father ? inbreeding : mother && father ? kin(mother, father) : 0;
    return 1 - (1 - F) * 0.5 ** selfings;
  };
  const kin = (a: string, b: string): number => {
    if (a === b) return (1 + own(a)) / 2;
    const [old, young] = at.get(a)! < at.get(b)! ? [a, b] : [b, a];
    const { mother, father } = by.get(young)!;
    return ((mother ? kin(mother, old) : 0) + (father ? kin(father, old) : 0)) / 2;
  };
  return kin;
}

describe("pedigree", () => {
  test("full sibs, selfing, pure lines and unnamed selfings, as the contract has them", () => {
    const one = pedigree({
      individuals: [
        { id: "A" },
        { id: "B" },
        { id: "C", mother: "A", father: "B" },
        { id: "D", mother: "A", father: "B" },
        { id: "E", mother: "C", father: "D" },
        { id: "S", mother: "C", father: "C" },
      ],
      pairs: [
        ["C", "D"],
        ["A", "E"],
        ["S", "C"],
      ],
    });
    expect(one).toEqual({ inbreeding: { A: 0, B: 0, C: 0, D: 0, E: 0.25, S: 0.5 }, kinship: [0.25, 0.25, 0.5] });
    const two = pedigree({
      individuals: [
        { id: "P", inbreeding: 1 },
        { id: "Q", inbreeding: 1 },
        { id: "H", mother: "P", father: "Q" },
        { id: "L", mother: "H", father: "H", selfings: 4 },
        { id: "K", mother: "H", father: "P" },
      ],
      pairs: [
        ["L", "P"],
        ["L", "K"],
      ],
    });
    expect(two).toEqual({ inbreeding: { P: 1, Q: 1, H: 0, L: 0.96875, K: 0.5 }, kinship: [0.5, 0.5] });
  });

  test("agrees with the definition on random pedigrees", () => {
    const parents = fc.tuple(fc.nat(), fc.nat(), fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 3 }));
    fc.assert(
      fc.property(fc.array(parents, { minLength: 3, maxLength: 14 }), (drawn) => {
        const individuals = drawn.map(([m, f, known, selfings], i): Individual => {
          if (i < 2 || known < 2) return { id: `i${i}`, inbreeding: known % 2, selfings };
          return {
            id: `i${i}`,
            mother: `i${m % i}`,
            father: known === 2 ? null : `i${f % i}`,
            selfings: known > 6 ? selfings : 0,
          };
        });
        const kin = slow(individuals);
        const pairs = individuals.flatMap((a) => individuals.map((b): [string, string] => [a.id, b.id]));
        const { kinship, inbreeding } = pedigree({ individuals, pairs });
        for (const [i, [a, b]] of pairs.entries()) expect(kinship[i]).toBeCloseTo(kin(a, b), 10);
        for (const { id } of individuals) expect(inbreeding[id]).toBeCloseTo(2 * kin(id, id) - 1, 10);
      }),
      { numRuns: 150 },
    );
  });

  test("a hundred thousand plants in families of fifty, twenty generations deep, are traced", () => {
    const perGeneration = 5_000;
    const individuals = Array.from({ length: 100_000 }, (_, i): Individual => {
      const generation = Math.floor(i / perGeneration);
      if (generation === 0) return { id: `${i}` };
      const family = Math.floor((i % perGeneration) / 50);
      const before = (generation - 1) * perGeneration;
      return {
        id: `${i}`,
        mother: `${before + ((family * 37) % 500)}`,
        father: `${before + ((family * 53 + 11) % 500)}`,
      };
    });
    const { inbreeding } = pedigree({ individuals });
    const last = inbreeding["99999"]!;
    expect(last > 0.02 && last < 1).toBe(true);
  });

  test("doubled, missing and circular entries are named", () => {
    const read = (individuals: Individual[]) => () => pedigree({ individuals });
    expect(read([{ id: "A" }, { id: "A" }])).toThrow("twice");
    expect(read([{ id: "A", mother: "Z" }])).toThrow("Z");
    expect(
      read([
        { id: "A", mother: "B" },
        { id: "B", mother: "A" },
      ]),
    ).toThrow("forebear");
    expect(() => pedigree({ individuals: [{ id: "A" }], pairs: [["A", "B"]] })).toThrow("B");
  });
});

describe("slash notation", () => {
  const name = fc.stringMatching(/^[A-Z][a-z]{1,6}( [A-Z][a-z]{1,5})?$/);
  const { tree } = fc.letrec<{ tree: PedigreeTree }>((tie) => ({
    tree: fc.oneof({ maxDepth: 4 }, name, fc.record({ mother: tie("tree"), father: tie("tree") })),
  }));

  test("what is written is read back the same", () => {
    fc.assert(
      fc.property(tree, (any) => {
        expect(readPedigree(writePedigree(any))).toEqual({ ok: true, tree: any });
      }),
    );
  });

  test("the marks rise with each cross", () => {
    const ab = { mother: "A", father: "B" };
    expect(writePedigree({ mother: ab, father: "C" })).toBe("A/B//C");
    expect(writePedigree({ mother: { mother: ab, father: "C" }, father: { mother: "D", father: "E" } })).toBe(
      "A/B//C/3/D/E",
    );
    expect(writePedigree("B73/2*x")).toBe("B73-2-x");
  });

  test("a parent that comes back is written short", () => {
    expect(readPedigree("A*2/B")).toEqual({ ok: true, tree: { mother: "A", father: { mother: "A", father: "B" } } });
    expect(readPedigree("B/A*3")).toEqual({
      ok: true,
      tree: { mother: { mother: { mother: "B", father: "A" }, father: "A" }, father: "A" },
    });
  });

  test.each([
    ["A/", "missing"],
    ["A/B/C", "twice"],
    ["A///B", "/3/"],
    ["A/2/B", "//"],
    ["A*1/B", "*2"],
    ["A*2", "other parent"],
    ["A*2/B*2", "one side"],
    ["A*x/B", "how often"],
    ["", "missing"],
  ])("%s is refused with a reason", (text, reason) => {
    const read = readPedigree(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.message).toContain(reason);
  });
});

describe("stands whose pollen is mixed", () => {
  /** Generations of so many plants, each of the one before, with a plant of each and another beside it. */
  function kept(plants: number, generations: number, selfed = 0, strangers = 0): Individual[] {
    const crossed = (1 - selfed) * (1 - strangers);
    return Array.from({ length: generations + 1 }, (_, t): Individual[] => {
      if (t === 0) return [{ id: "all 0", plants }];
      const before = `all ${t - 1}`;
      const of = { mother: before, father: before, shares: [0.5, (selfed + crossed) / 2] as const, selfed };
      return [
        { id: `one ${t}`, ...of },
        { id: `other ${t}`, ...of },
        { id: `all ${t}`, ...of, plants },
      ];
    }).flat();
  }

  test("narrow by one in twice as many as they are, each generation", () => {
    const of = kinshipsOf(kept(20, 12));
    // 1 − (1 − 1/40)^t, as of Wright's ideal population.
    for (const t of [1, 2, 5, 12]) expect(2 * of(`one ${t}`, `one ${t}`) - 1).toBeCloseTo(1 - (1 - 1 / 40) ** t, 12);
    expect(of("one 12", "other 12")).toBeCloseTo(1 - (1 - 1 / 40) ** 12, 12);
    expect(2 * of("all 12", "all 12") - 1).toBeCloseTo(2 * (1 - (1 - 1 / 40) ** 13) - 1, 12);
  });

  test("with selfing and strangers they are as near as genes that are dropped through them", () => {
    const [plants, generations, selfed, strangers] = [6, 3, 0.3, 0.2];
    const of = kinshipsOf(kept(plants, generations, selfed, strangers));
    const random = seeded(20270709);
    const any = <T>(list: T[]): T => list[Math.floor(random() * list.length)]!;
    let [inbred, kin] = [0, 0];
    const trials = 20_000;
    for (let trial = 0; trial < trials; trial++) {
      let next = 0;
      let stand = Array.from({ length: plants }, () => [next++, next++]);
      for (let t = 0; t < generations; t++) {
        const before = stand;
        stand = before.map(() => {
          const mother = any(before);
          if (random() < selfed) return [any(mother), any(mother)];
          return [any(mother), random() < strangers ? next++ : any(any(before))];
        });
      }
      const [one, other] = stand as [number[], number[]];
      inbred += Number(one[0] === one[1]);
      kin += Number(any(one) === any(other));
    }
    // Three standard errors of a share of about 0.3 in 20,000 are 0.01.
    expect(Math.abs(2 * of("one 3", "one 3") - 1 - inbred / trials)).toBeLessThan(0.01);
    expect(Math.abs(of("one 3", "other 3") - kin / trials)).toBeLessThan(0.01);
  });
});
