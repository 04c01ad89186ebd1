import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { kinshipAmong } from "../selection/kinship";
import { kinPaths } from "./paths";
import { type Individual, kinshipsOf, sampledPedigree } from "./pedigree";

describe("by which paths two are kin", () => {
  const cousins: Individual[] = [
    { id: "A" },
    { id: "B", inbreeding: 1 },
    { id: "C", mother: "A", father: "B" },
    { id: "D", mother: "A", father: "B" },
    { id: "E", mother: "C" },
    { id: "F", mother: "D" },
    { id: "S", mother: "C", father: "C" },
  ];

  test("cousins through both grandparents, the pure one twice as much", () => {
    const { kinship, paths, rest } = kinPaths(cousins, "E", "F", 9);
    // (½)⁴ · ½ by A, (½)⁴ · 1 by B.
    expect(paths).toEqual([
      { forebear: "B", through: ["E", "C", "B", "D", "F"], share: 1 / 16 },
      { forebear: "A", through: ["E", "C", "A", "D", "F"], share: 1 / 32 },
    ]);
    expect(kinship).toBeCloseTo(3 / 32, 12);
    expect(rest).toBeCloseTo(0, 12);
    expect(kinPaths(cousins, "E", "F", 1).rest).toBeCloseTo(1 / 32, 12);
  });

  test("a selfed one has all of its parent; a parent is kin to its child by one step; one with itself", () => {
    expect(kinPaths(cousins, "S", "C", 9).paths).toEqual([{ forebear: "C", through: ["S", "C"], share: 0.5 }]);
    expect(kinPaths(cousins, "A", "C", 9).paths).toEqual([{ forebear: "A", through: ["A", "C"], share: 0.25 }]);
    expect(kinPaths(cousins, "B", "B", 9)).toEqual({
      kinship: 1,
      paths: [{ forebear: "B", through: ["B"], share: 1 }],
      rest: 0,
    });
    expect(kinPaths(cousins, "A", "B", 9)).toEqual({ kinship: 0, paths: [], rest: 0 });
    expect(() => kinPaths(cousins, "A", "Z", 9)).toThrow("“Z”");
  });

  test("the paths of any pedigree sum to the kinship", () => {
    const parents = fc.tuple(fc.nat(), fc.nat(), fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 2 }));
    fc.assert(
      fc.property(fc.array(parents, { minLength: 3, maxLength: 11 }), (drawn) => {
        const individuals = drawn.map(([m, f, known, selfings], i): Individual => {
          const id = `i${i}`;
          if (i < 2 || known < 2) return { id, inbreeding: known % 2, selfings };
          return {
            id,
            mother: `i${m % i}`,
            father: known === 2 ? null : `i${f % i}`,
            selfings: known > 6 ? selfings : 0,
            ...(known === 3 ? { plants: 4, shares: [0.5, 0.2], selfed: 0.3 } : {}),
            ...(known === 4 ? { plants: Number.POSITIVE_INFINITY, shares: [0.7, 0.3] } : {}),
          };
        });
        const kinshipOf = kinshipsOf(individuals);
        const all = individuals.map((_, i) => i);
        const among = kinshipAmong(sampledPedigree(individuals), all);
        for (const i of all) for (const j of all) expect(among[i]![j]).toBeCloseTo(kinshipOf(`i${i}`, `i${j}`), 10);
        for (const { id: one } of individuals)
          for (const { id: other } of individuals) {
            const { paths, kinship } = kinPaths(individuals, one, other, 1e9);
            expect(paths.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(kinshipOf(one, other), 10);
            expect(kinship).toBeCloseTo(kinshipOf(one, other), 12);
          }
      }),
      { numRuns: 60 },
    );
  });
});
