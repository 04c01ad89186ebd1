import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { normalFrom, seeded } from "../numbers/chance";
import { type Individual, kinshipsOf, sampledPedigree } from "../pedigree/pedigree";
import { type AnimalModel, breedingValues, drawnValues } from "./breedingValues";

/** Solves a dense system by elimination with pivots. */
function solve(matrix: number[][], side: number[]): number[] {
  const rows = matrix.map((row, i) => [...row, side[i]!]);
  for (let i = 0; i < rows.length; i++) {
    const pivot = rows.reduce((at, row, j) => (j >= i && Math.abs(row[i]!) > Math.abs(rows[at]![i]!) ? j : at), i);
    [rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!];
    for (let j = 0; j < rows.length; j++) {
      if (j === i) continue;
      const times = rows[j]![i]! / rows[i]![i]!;
      for (let k = i; k <= rows.length; k++) rows[j]![k]! -= times * rows[i]![k]!;
    }
  }
  return rows.map((row, i) => row.at(-1)! / row[i]!);
}

type Case = { individuals: Individual[]; model: AnimalModel };

/**
 * Predictions by their definition, with the full relationship matrix: generalised least squares for the environments, then
 * the covariance of each individual with what was seen times the inverse of the variance of what was seen.
 */
function slow({ individuals, model: { seen, environments, additive, residual } }: Case) {
  const kinship = kinshipsOf(individuals);
  const related = (i: number, j: number) => 2 * additive * kinship(individuals[i]!.id, individuals[j]!.id);
  const variance = seen.map((a, r) =>
    seen.map((b, s) => related(a.individual, b.individual) + (r === s ? residual / a.weight : 0)),
  );
  const inverse = (side: number[]) => solve(variance, side);
  const in_ = (e: number) => seen.map((s) => (s.environment === e ? 1 : 0));
  const value = seen.map((s) => s.value);
  const dot = (a: number[], b: number[]) => a.reduce((sum, x, i) => sum + x * b[i]!, 0);
  const used = Array.from({ length: environments }, (_, e) => e).filter((e) => seen.some((s) => s.environment === e));
  const means = solve(
    used.map((e) => used.map((f) => dot(in_(e), inverse(in_(f))))),
    used.map((e) => dot(in_(e), inverse(value))),
  );
  const rest = inverse(seen.map((s) => s.value - means[used.indexOf(s.environment)]!));
  return {
    environments: means,
    values: individuals.map((_, i) => seen.reduce((sum, s, r) => sum + related(i, s.individual) * rest[r]!, 0)),
  };
}

const anyCase = fc
  .record({
    parents: fc.array(fc.tuple(fc.nat(), fc.nat(), fc.integer({ min: 0, max: 8 })), { minLength: 3, maxLength: 12 }),
    seen: fc.array(
      fc.record({
        of: fc.nat(),
        environment: fc.integer({ min: 0, max: 1 }),
        value: fc.integer({ min: -20, max: 20 }),
        weight: fc.constantFrom(1, 1, 2.5),
      }),
      { minLength: 3, maxLength: 14 },
    ),
    share: fc.double({ min: 0.05, max: 0.9, noNaN: true }),
  })
  .map(({ parents, seen, share }): Case => {
    const individuals = parents.map(([m, f, known], i): Individual => {
      if (i < 2 || known < 2) return { id: `i${i}`, inbreeding: known % 2 };
      return {
        id: `i${i}`,
        mother: `i${m % i}`,
        father: known === 2 ? null : `i${f % i}`,
        selfings: known === 3 ? 2 : 0,
      };
    });
    return {
      individuals,
      model: {
        pedigree: sampledPedigree(individuals),
        seen: seen.map(({ of, ...more }) => ({ ...more, individual: of % individuals.length })),
        environments: 2,
        additive: 10 * share,
        residual: 10 * (1 - share),
      },
    };
  });

describe("predicted breeding values", () => {
  test("are what the full relationship matrix gives, with selfing, pure lines, unknown fathers and F1s", () => {
    fc.assert(
      fc.property(anyCase, (of) => {
        const fast = breedingValues(of.model);
        const whole = slow(of);
        for (const [i, value] of whole.values.entries()) expect(fast.values[i]).toBeCloseTo(value, 6);
        const used = [0, 1].filter((e) => of.model.seen.some((s) => s.environment === e));
        for (const [i, e] of used.entries()) expect(fast.environments[e]).toBeCloseTo(whole.environments[i]!, 6);
      }),
    );
  });

  test("without kin are the heritability times what a plant is above the mean", () => {
    const individuals = [0, 1, 2, 3].map((i) => ({ id: `${i}` }));
    const model: AnimalModel = {
      pedigree: sampledPedigree(individuals),
      seen: [2, 4, 6, 12].map((value, individual) => ({ individual, environment: 0, value, weight: 1 })),
      environments: 1,
      additive: 0.25,
      residual: 0.75,
    };
    const { values, environments } = breedingValues(model);
    expect(environments[0]).toBeCloseTo(6, 9);
    expect([...values].map((v) => Number(v.toFixed(9)) + 0)).toEqual([-1, -0.5, 0, 1.5]);
    expect(() => breedingValues({ ...model, additive: 0 })).toThrow(RangeError);
    expect(() => drawnValues({ ...model, residual: 0 }, Math.random)).toThrow(RangeError);
  });

  test("an unseen child is the mean of its parents, one of an unknown father half of its mother", () => {
    const individuals = [{ id: "m" }, { id: "f" }, { id: "c", mother: "m", father: "f" }, { id: "h", mother: "m" }];
    const { values } = breedingValues({
      pedigree: sampledPedigree(individuals),
      seen: [0, 1].map((individual) => ({ individual, environment: 0, value: individual * 8, weight: 1 })),
      environments: 1,
      additive: 1,
      residual: 1,
    });
    expect(values[2]).toBeCloseTo((values[0]! + values[1]!) / 2, 9);
    expect(values[3]).toBeCloseTo(values[0]! / 2, 9);
  });

  test("draws are spread around the prediction as the inverse of the equations says", () => {
    // One plant of each of two full sibs, seen once: by hand from the 2 × 2 matrices.
    const individuals = [{ id: "m" }, { id: "f" }, ...["a", "b"].map((id) => ({ id, mother: "m", father: "f" }))];
    const model: AnimalModel = {
      pedigree: sampledPedigree(individuals),
      seen: [2, 3].map((individual) => ({ individual, environment: 0, value: individual * 3, weight: 1 })),
      environments: 1,
      additive: 2,
      residual: 2,
    };
    const random = seeded(11);
    const drawn = Array.from({ length: 6_000 }, () => drawnValues(model, random).values);
    const apart = drawn.map((values) => values[3]! - values[2]!);
    const mean = apart.reduce((a, b) => a + b, 0) / apart.length;
    const variance = apart.reduce((sum, x) => sum + (x - mean) ** 2, 0) / apart.length;
    const predicted = breedingValues(model).values;
    // Their difference has prior variance 2(1 − ½)·2 = 2 and error 4: a third is kept, and 2·4/6 is left.
    expect(predicted[3]! - predicted[2]!).toBeCloseTo(1, 6);
    expect(mean).toBeCloseTo(1, 1);
    expect(variance).toBeCloseTo(4 / 3, 1);
  });

  test("own and kin together come nearer to the truth than own scores alone, at a low heritability", () => {
    const random = seeded(3);
    const chance = () => normalFrom(random(), random());
    let [own, all] = [0, 0];
    for (let round = 0; round < 12; round++) {
      const individuals: Individual[] = Array.from({ length: 8 }, (_, i) => ({ id: `p${i}` }));
      for (let i = 0; i < 80; i++) individuals.push({ id: `c${i}`, mother: `p${i % 4}`, father: `p${4 + (i % 4)}` });
      const pedigree = sampledPedigree(individuals);
      const truth = new Array<number>(individuals.length);
      for (const [i, sampled] of pedigree.sampled.entries()) {
        const [m, f] = [pedigree.mother[i]!, pedigree.father[i]!];
        truth[i] = (m < 0 ? 0 : (truth[m]! + truth[f]!) / 2) + Math.sqrt(sampled) * chance();
      }
      const seen = truth.map((value, individual) => ({
        individual,
        environment: 0,
        value: value + 2 * chance(),
        weight: 1,
      }));
      const { values } = breedingValues({ pedigree, seen, environments: 1, additive: 1, residual: 4 });
      own += correlation(
        seen.slice(8).map((s) => s.value),
        truth.slice(8),
      );
      all += correlation([...values].slice(8), truth.slice(8));
    }
    expect(all).toBeGreaterThan(own * 1.15);
  });
});

function correlation(a: number[], b: number[]): number {
  const mean = (list: number[]) => list.reduce((x, y) => x + y, 0) / list.length;
  const [ma, mb] = [mean(a), mean(b)];
  const cross = a.reduce((sum, x, i) => sum + (x - ma) * (b[i]! - mb), 0);
  const square = (list: number[], m: number) => list.reduce((sum, x) => sum + (x - m) ** 2, 0);
  return cross / Math.sqrt(square(a, ma) * square(b, mb));
}
