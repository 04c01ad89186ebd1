import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { ended } from "../lists/ended";
import { normalFrom, seeded } from "../numbers/chance";
import { type Individual, kinshipsOf, sampledPedigree } from "../pedigree/pedigree";
import { seenAt } from "../tests/selection";
import { type Bedded, bedModel } from "./bedModel";
import type { Seen } from "./classes";
import { drawnValues, goTogether } from "./drawn";
import { baseKinship } from "./kinship";
import { likelyVariances, type Variances, variancesOf } from "./likely";

/** Solves a dense system by elimination with pivots; gives the determinant's logarithm too. */
function solve(matrix: number[][], side: number[]): { x: number[]; log: number } {
  const rows = matrix.map((row, i) => [...row, side[i]!]);
  let log = 0;
  for (let i = 0; i < rows.length; i++) {
    const pivot = rows.reduce((at, row, j) => (j >= i && Math.abs(row[i]!) > Math.abs(rows[at]![i]!) ? j : at), i);
    [rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!];
    log += Math.log(Math.abs(rows[i]![i]!));
    for (let j = 0; j < rows.length; j++) {
      if (j === i) continue;
      const times = rows[j]![i]! / rows[i]![i]!;
      for (let k = i; k <= rows.length; k++) rows[j]![k]! -= times * rows[i]![k]!;
    }
  }
  return { x: rows.map((row, i) => row.at(-1)! / row[i]!), log };
}

const anyPedigree = fc
  .array(fc.tuple(fc.nat(), fc.nat(), fc.integer({ min: 0, max: 8 })), { minLength: 3, maxLength: 14 })
  .map((parents) =>
    parents.map(([m, f, known], i): Individual => {
      if (i < 2 || known < 2) return { id: `i${i}`, inbreeding: known % 2 };
      return { id: `i${i}`, mother: `i${m % i}`, father: known === 2 ? null : known > 6 ? `i${m % i}` : `i${f % i}` };
    }),
  );

describe("what plants share", () => {
  test("genes that are shared and those that are each one's own make up the kinship", () => {
    fc.assert(
      fc.property(anyPedigree, fc.array(fc.nat(), { minLength: 1, maxLength: 10 }), (individuals, picked) => {
        const records = picked.map((i) => seenAt(i % individuals.length));
        const model = bedModel(sampledPedigree(individuals), records);
        const kinship = kinshipsOf(individuals);
        const share = (i: number, column: number) => {
          const k = model.at[i]!.indexOf(column);
          return k < 0 ? 0 : model.much[i]![k]!;
        };
        for (let i = 0; i < records.length; i++)
          for (let j = 0; j <= i; j++) {
            const shared = model.columns.reduce(
              (sum, { kind, variance }, c) => sum + (kind === "genes" ? variance * share(i, c) * share(j, c) : 0),
              0,
            );
            const [a, b] = [individuals[records[i]!.individual]!.id, individuals[records[j]!.individual]!.id];
            expect(shared + (i === j ? model.own[i]! : 0)).toBeCloseTo(2 * kinship(a, b), 9);
          }
      }),
      { numRuns: 200 },
    );
  });

  test("rows are shared by bed; a smooth place needs eight plants and has variance 1 on the mean", () => {
    const founders: Individual[] = Array.from({ length: 12 }, (_, i) => ({ id: `${i}` }));
    const pedigree = sampledPedigree(founders);
    const rows = founders.map((_, i) => seenAt(i, { environment: i % 2, row: "a" }));
    expect(bedModel(pedigree, rows).columns.filter(({ kind }) => kind === "row")).toHaveLength(2);
    expect(
      bedModel(
        pedigree,
        founders.slice(0, 7).map((_, i) => seenAt(i, { x: i, y: 0 })),
      ).columns,
    ).toHaveLength(1);
    const placed = bedModel(
      pedigree,
      founders.map((_, i) => seenAt(i, { x: i % 4, y: Math.floor(i / 4) })),
    );
    const whole = founders.map((_, i) =>
      placed.at[i]!.reduce((sum, c, k) => {
        const { kind, variance } = placed.columns[c]!;
        return sum + (kind === "place" ? variance * placed.much[i]![k]! ** 2 : 0);
      }, 0),
    );
    expect(whole.reduce((a, b) => a + b, 0) / 12).toBeCloseTo(1, 9);
    // Along one row there are waves along it alone.
    const line = bedModel(
      pedigree,
      founders.map((_, i) => seenAt(i, { x: i, y: 0 })),
    );
    expect(line.columns.filter(({ kind }) => kind === "place")).toHaveLength(3);
  });

  test("the population that plants were bred from is their cross's F1, or nobody", () => {
    const list: Individual[] = [
      { id: "A", inbreeding: 1 },
      { id: "B", inbreeding: 1 },
      { id: "F1", mother: "A", father: "B" },
      { id: "m", mother: "F1", father: "F1" },
      ...[0, 1, 2].map((i) => ({ id: `s${i}`, mother: "m", father: "m" })),
      { id: "x" },
    ];
    const pedigree = sampledPedigree(list);
    expect(baseKinship(pedigree, [4, 5, 6])).toBeCloseTo(0.5, 12);
    expect(baseKinship(pedigree, [4, 7])).toBe(0);
  });
});

/** Covariance of records, without what is each one's error, by its definition. */
function covariance(individuals: Individual[], records: Bedded[], { genes, row }: Variances): number[][] {
  const kinship = kinshipsOf(individuals);
  return records.map((a) =>
    records.map(
      (b) =>
        2 * genes * kinship(individuals[a.individual]!.id, individuals[b.individual]!.id) +
        (a.row !== null && a.row === b.row && a.environment === b.environment ? row : 0),
    ),
  );
}

const CASE = (() => {
  const individuals: Individual[] = [
    { id: "A", inbreeding: 1 },
    { id: "B", inbreeding: 1 },
    { id: "F1", mother: "A", father: "B" },
    { id: "m", mother: "F1", father: "F1" },
    { id: "n", mother: "F1", father: "F1" },
    ...Array.from({ length: 10 }, (_, i) => ({ id: `p${i}`, mother: i < 5 ? "m" : "n", father: i < 5 ? "m" : "n" })),
  ];
  const records = [
    seenAt(3, { environment: 1 }),
    seenAt(4, { environment: 1 }),
    seenAt(0),
    seenAt(0),
    ...Array.from({ length: 10 }, (_, i) => seenAt(5 + i, { row: i % 2 ? "one" : "two" })),
  ];
  const random = seeded(4);
  const seen: Seen = {
    values: Float64Array.from(records, () => 2 * normalFrom(random(), random())),
    looks: Float64Array.from(records, (_, i) => (i === 8 ? 0 : i % 3 === 0 ? 2 : 1)),
  };
  return { individuals, records, seen, model: bedModel(sampledPedigree(individuals), records) };
})();

/** Restricted likelihood, and the predictions, by the full matrices. */
function slow(variances: Variances) {
  const { individuals, records, seen } = CASE;
  const used = records.flatMap((_, i) => (seen.looks[i]! > 0 ? [i] : []));
  const between = covariance(individuals, records, variances);
  const whole = used.map((i) =>
    used.map((j) => between[i]![j]! + (i === j ? variances.plant + variances.look / seen.looks[i]! : 0)),
  );
  const design = [0, 1].map((e) => used.map((i) => Number(records[i]!.environment === e)));
  const dot = (a: number[], b: number[]) => a.reduce((sum, x, i) => sum + x * b[i]!, 0);
  const value = used.map((i) => seen.values[i]!);
  const inverse = (side: number[]) => solve(whole, side).x;
  const left = design.map((a) => design.map((b) => dot(a, inverse(b))));
  const means = solve(
    left,
    design.map((a) => dot(a, inverse(value))),
  );
  const rest = value.map((v, k) => v - means.x[records[used[k]!]!.environment]!);
  const told = inverse(rest);
  const genes = covariance(individuals, records, { ...variances, row: 0 });
  const freedom = used.length - 2;
  return {
    log: -0.5 * (solve(whole, value).log + means.log) - (freedom / 2) * Math.log(dot(rest, told)),
    scale: dot(rest, told) / freedom,
    values: records.map(
      (_, i) =>
        means.x[0]! +
        dot(
          used.map((j) => genes[i]![j]!),
          told,
        ),
    ),
  };
}

describe("variances and values", () => {
  test("guesses are held by the restricted likelihood of the full matrices", () => {
    const { model, seen } = CASE;
    const found = likelyVariances(
      model,
      seen,
      [
        { share: 0.2, chance: 0.5 },
        { share: 0.6, chance: 0.5 },
      ],
      0.7,
    );
    const pure = (share: number, row: number) => variancesOf(share, 0.7, row, 0);
    const of = (share: number, row: number) =>
      found.find(({ variances: v }) => {
        const whole = v.genes / 2 + v.plant + v.look;
        return Math.abs(v.genes / 2 / whole - share) < 1e-9 && Math.abs(v.row / whole - row) < 1e-9;
      })!;
    for (const [share, row, prior] of [
      [0.6, 0.04, 0.25],
      [0.2, 0.13, 0.37],
    ] as const) {
      const [one, other] = [slow(pure(share, row)), slow(pure(0.2, 0.04))];
      const [a, b] = [of(share, row), of(0.2, 0.04)];
      expect(Math.log(a.chance / b.chance)).toBeCloseTo(one.log - other.log + Math.log(prior / 0.25), 4);
      expect(a.variances.genes).toBeCloseTo(pure(share, row).genes * one.scale, 4);
    }
  });

  test("draws lie about the predictions of the full matrices", () => {
    const { model, seen, records } = CASE;
    const variances = variancesOf(0.5, 0.7, 0.3, 0);
    const likely = [{ variances, chance: 1, freedom: 1e9 }];
    const draws = 4000;
    const { values } = ended(drawnValues(model, [{ seen, likely }], [1], draws, seeded(9)));
    // The first column is the first record's environment; values are told at the level of the other.
    const expected = slow(variances).values;
    for (const [i] of records.entries()) {
      const own = values[0]!.subarray(i * draws, (i + 1) * draws);
      const middle = own.reduce((a, b) => a + b, 0) / draws;
      const spread = Math.sqrt(own.reduce((sum, x) => sum + (x - middle) ** 2, 0) / draws);
      expect(Math.abs(middle - expected[i]!)).toBeLessThan((4.5 * spread) / Math.sqrt(draws) + 1e-6);
    }
  });

  test("of two traits that go together one tells of the other", () => {
    const founders: Individual[] = Array.from({ length: 60 }, (_, i) => ({ id: `${i}` }));
    const model = bedModel(
      sampledPedigree(founders),
      founders.map((_, i) => seenAt(i)),
    );
    const random = seeded(12);
    const one = founders.map(() => normalFrom(random(), random()));
    const other = one.map((value) => 0.9 * value + 0.3 * normalFrom(random(), random()));
    const looks = Float64Array.from(founders, () => 1);
    const seen = (values: number[]): Seen => ({ values: Float64Array.from(values), looks });
    expect(goTogether(model, [{ seen: seen(one) }, { seen: seen(other) }])[0]![1]).toBeGreaterThan(0.7);
    // Of the first plant the second trait was not seen.
    const hidden: Seen = { values: Float64Array.from(other), looks: looks.map((_, i) => (i === 0 ? 0 : 1)) };
    const likely = [{ variances: variancesOf(0.6, 1, 0, 0), chance: 1, freedom: 1e9 }];
    const high = [4, ...one.slice(1)];
    const { values } = ended(
      drawnValues(
        model,
        [
          { seen: seen(high), likely },
          { seen: hidden, likely },
        ],
        [0],
        400,
        seeded(2),
      ),
    );
    const meanOf = (list: Float64Array) => list.reduce((a, b) => a + b, 0) / list.length;
    expect(meanOf(values[1]!.subarray(0, 400))).toBeGreaterThan(1);
  });
});
