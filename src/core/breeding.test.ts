import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { BREEDING } from "./breeding";
import { compute } from "./computations";
import { segregationTest } from "./inheritance/segregation";
import { seeded } from "./numbers/chance";
import { probit } from "./numbers/probit";
import { offTypeBound, offTypeStandard } from "./purity/offTypes";
import { selectionIntensity } from "./selection/intensity";
import { roguingForecast } from "./selection/roguingForecast";
import { described } from "./tests/described";

const run = (name: string, input: unknown) => compute(BREEDING.find((m) => m.name === name)!, input);

/** Independently computed results with their absolute tolerance. */
const VECTORS: [string, object, Record<string, unknown>, number][] = [
  ["selection-intensity", { selected: 5, candidates: 50 }, { intensity: 1.7054813184288065 }, 1e-6],
  ["selection-intensity", { selected: 1, candidates: 10 }, { intensity: 1.538752730835175 }, 1e-6],
  [
    "selection-response",
    { heritability: 0.3, differential: 12, parentalControl: 0.5 },
    { response: 1.7999999999999998 },
    1e-9,
  ],
  ["selection-response", { heritability: 0.3, differential: -12 }, { response: -3.6 }, 1e-9],
  [
    "roguing-forecast",
    { frequency: 0.3, generations: 4, detection: 1, timing: "before-flowering" },
    {
      frequency: [0.3, 0.23076923076923078, 0.1875, 0.15789473684210525, 0.13636363636363638],
      offTypes: [0.09, 0.053254437869822494, 0.03515625, 0.02493074792243767, 0.018595041322314054],
    },
    1e-9,
  ],
  [
    "roguing-forecast",
    { frequency: 0.3, generations: 4, detection: 1, timing: "after-flowering" },
    {
      frequency: [0.3, 0.26538461538461533, 0.23806420851875393, 0.21549512676741558, 0.19661217752729476],
      offTypes: [0.09, 0.06923076923076923, 0.05592816274634456, 0.0459287862094059, 0.038299782580019495],
    },
    1e-9,
  ],
  [
    "roguing-forecast",
    { frequency: 0.3, generations: 3, detection: 0.8, timing: "before-flowering", selfingRate: 0.9 },
    {
      frequency: [0.3, 0.24568965517241378, 0.16163510064508668, 0.09823408749907267],
      offTypes: [0.09, 0.12532513376932222, 0.08788452228441938, 0.05367810086891209],
    },
    1e-9,
  ],
  [
    "segregation-test",
    { observed: [44, 10], ratio: [3, 1] },
    {
      chiSquare: 1.2098765432098766,
      degreesOfFreedom: 1,
      pValue: 0.27135657357159515,
      exactPValue: 0.34550406262848093,
    },
    1e-9,
  ],
  [
    "segregation-test",
    { observed: [9, 4, 3, 2], ratio: [9, 3, 3, 1] },
    { chiSquare: 0.962962962962963, degreesOfFreedom: 3, pValue: 0.8102127918445546, exactPValue: 0.6492549118110487 },
    1e-9,
  ],
  [
    "progeny-test",
    { priorHeterozygous: 0.6666666666666666, progeny: 12, kind: "selfed" },
    { posteriorHomozygous: 0.9404217398357341 },
    1e-9,
  ],
  [
    "progeny-test",
    { priorHeterozygous: 0.5, progeny: 6, kind: "testcrossed" },
    { posteriorHomozygous: 0.9846153846153847 },
    1e-9,
  ],
  ["progeny-test", { priorHeterozygous: 1, progeny: 1e9, kind: "selfed" }, { posteriorHomozygous: 0 }, 0],
  ["off-type-bound", { offTypes: 0, plants: 60, confidence: 0.95 }, { upper: 0.04870291331009749 }, 1e-9],
  ["off-type-bound", { offTypes: 2, plants: 80, confidence: 0.9 }, { upper: 0.06515966699162976 }, 1e-9],
  ["off-type-bound", { offTypes: 4, plants: 4, confidence: 0.9 }, { upper: 1 }, 0],
  ["off-type-standard", { plants: 36, standard: 0.01, acceptance: 0.95 }, { maximum: 2 }, 0],
  ["off-type-standard", { plants: 35, standard: 0.01, acceptance: 0.95 }, { maximum: 1 }, 0],
  [
    "pedigree",
    {
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
    },
    { inbreeding: { A: 0, B: 0, C: 0, D: 0, E: 0.25, S: 0.5 }, kinship: [0.25, 0.25, 0.5] },
    1e-9,
  ],
];

function close(is: unknown, wanted: unknown, within: number): void {
  if (typeof wanted === "number") expect(Math.abs((is as number) - wanted)).toBeLessThanOrEqual(within);
  else
    for (const [key, value] of Object.entries(wanted as object))
      close((is as Record<string, unknown>)[key], value, within);
}

describe("computations of breeding", () => {
  test.each(VECTORS)("%s of %j", (name, input, expected, tolerance) => {
    const computed = run(name, input);
    if (!computed.ok) throw new Error(computed.message);
    expect(Object.keys(computed.result as object)).toEqual(Object.keys(expected));
    close(computed.result, expected, tolerance);
  });

  test.each<[string, object, string]>([
    ["selection-intensity", { selected: 6, candidates: 5 }, "selected"],
    ["selection-intensity", { selected: 0, candidates: 5 }, "selected"],
    ["selection-response", { heritability: 1.2, differential: 1 }, "heritability"],
    ["selection-response", { heritability: 1, differential: 1, parentalControl: 0 }, "parentalControl"],
    ["roguing-forecast", { frequency: 0.3, generations: 2, detection: 1, timing: "late" }, "timing"],
    ["roguing-forecast", { frequency: 1, generations: 2, detection: 1, timing: "before-flowering" }, "input"],
    ["segregation-test", { observed: [4, 4], ratio: [3, 0] }, "ratio.1"],
    ["segregation-test", { observed: [4, 4], ratio: [3, 1, 1] }, "input"],
    ["segregation-test", { observed: [0, 0], ratio: [3, 1] }, "input"],
    ["segregation-test", { observed: [1.5, 2], ratio: [3, 1] }, "observed.0"],
    ["progeny-test", { priorHeterozygous: 0.5, progeny: -1, kind: "selfed" }, "progeny"],
    ["off-type-bound", { offTypes: 9, plants: 8, confidence: 0.9 }, "offTypes"],
    ["off-type-bound", { offTypes: 1, plants: 8, confidence: 1 }, "confidence"],
    ["off-type-standard", { plants: 0, standard: 0.01, acceptance: 0.9 }, "plants"],
    ["pedigree", { individuals: [{ id: "a", mother: "b" }], pairs: [] }, "input"],
    ["pedigree", { individuals: [{ id: "a" }, { id: "a" }], pairs: [] }, "input"],
    ["pedigree", { individuals: [{ id: "a" }], pairs: [["a", "z"]] }, "input"],
    ["pedigree", { individuals: [{ id: "a" }], pairs: [["a"]] }, "pairs.0"],
  ])("%s refuses %j by its field", (name, input, field) => {
    const refused = run(name, input);
    expect(!refused.ok && Object.keys(refused.details)).toEqual([field]);
  });

  test("every field takes what it is meant to take", async () => {
    const all = BREEDING.flatMap(({ name, schema }) => described(name, schema));
    await expect(`${all.join("\n")}\n`).toMatchFileSnapshot("tests/expected/breeding.txt");
  });
});

describe("selection intensity", () => {
  test("is the mean of the best as they are drawn by chance", () => {
    const random = seeded(4);
    const [n, k, times] = [12, 3, 20_000];
    let sum = 0;
    for (let t = 0; t < times; t++) {
      const drawn = Array.from({ length: n }, () => probit(random())).sort((a, b) => b - a);
      sum += (drawn[0]! + drawn[1]! + drawn[2]!) / k;
    }
    expect(selectionIntensity({ selected: k, candidates: n }).intensity).toBeCloseTo(sum / times, 1.7);
  });

  test("closed forms: one of two 1/√π, one of three 3/(2√π), all nothing; the infinite table for many", () => {
    expect(selectionIntensity({ selected: 1, candidates: 2 }).intensity).toBeCloseTo(1 / Math.sqrt(Math.PI), 9);
    expect(selectionIntensity({ selected: 1, candidates: 3 }).intensity).toBeCloseTo(1.5 / Math.sqrt(Math.PI), 9);
    // The best two of three are the mean of all less the last: half of what the last is below.
    expect(selectionIntensity({ selected: 2, candidates: 3 }).intensity).toBeCloseTo(0.75 / Math.sqrt(Math.PI), 9);
    expect(selectionIntensity({ selected: 7, candidates: 7 }).intensity).toBe(0);
    expect(selectionIntensity({ selected: 1e7, candidates: 1e8 }).intensity).toBeCloseTo(1.7549833, 5);
    expect(selectionIntensity({ selected: 1, candidates: 1e9 }).intensity).toBeGreaterThan(6);
  });

  test("k of the best and the rest below balance", () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 400 }), fc.double({ min: 0, max: 1, noNaN: true }), (n, part) => {
        const k = Math.min(n - 1, 1 + Math.floor(part * (n - 1)));
        const best = selectionIntensity({ selected: k, candidates: n }).intensity;
        const rest = selectionIntensity({ selected: n - k, candidates: n }).intensity;
        expect(k * best).toBeCloseTo((n - k) * rest, 6);
      }),
    );
  });
});

describe("a ratio's exact chance", () => {
  /** By going through every table. */
  function slow(observed: number[], ratio: number[]): number {
    const total = observed.reduce((a, b) => a + b, 0);
    const parts = ratio.reduce((a, b) => a + b, 0);
    const factorial = (n: number): number => (n < 2 ? 1 : n * factorial(n - 1));
    const chance = (counts: number[]) =>
      counts.reduce((p, n, i) => (p * (ratio[i]! / parts) ** n) / factorial(n), factorial(total));
    const limit = chance(observed) * (1 + 1e-7);
    const tables = (left: number, classes: number): number[][] =>
      classes === 1
        ? [[left]]
        : Array.from({ length: left + 1 }, (_, n) => tables(left - n, classes - 1).map((rest) => [n, ...rest])).flat();
    return tables(total, ratio.length)
      .map(chance)
      .filter((p) => p <= limit)
      .reduce((a, b) => a + b, 0);
  }

  test("is what going through every table gives", () => {
    const ratios = [
      [3, 1],
      [1, 1],
      [9, 7],
      [1, 2, 1],
      [12, 3, 1],
      [9, 3, 3, 1],
      [1, 1, 1, 1],
      [9, 3, 4],
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...ratios),
        fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 4, maxLength: 4 }),
        (ratio, drawn) => {
          const observed = drawn.slice(0, ratio.length);
          if (observed.every((n) => n === 0)) return;
          expect(segregationTest({ observed, ratio }).exactPValue).toBeCloseTo(slow(observed, ratio), 9);
        },
      ),
    );
  });

  test("is left out where it would take long, and chi-square stands", () => {
    const { exactPValue, chiSquare } = segregationTest({ observed: [750_000_500, 249_999_500], ratio: [3, 1] });
    expect(exactPValue).toBeNull();
    expect(chiSquare).toBeCloseTo(0.5 ** 2 / 750 + 0.5 ** 2 / 250, 6);
    expect(segregationTest({ observed: [300, 100, 100, 30], ratio: [9, 3, 3, 1] }).exactPValue).toBeGreaterThan(0.8);
  });
});

test("a bound leaves so many off-types the chance that it says, a standard is passed as often as it says", () => {
  const lower = (n: number, p: number, k: number) => {
    let [term, sum] = [(1 - p) ** n, 0];
    for (let i = 0; i <= k; i++) {
      sum += term;
      term *= ((n - i) / (i + 1)) * (p / (1 - p));
    }
    return sum;
  };
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 300 }),
      fc.nat({ max: 20 }),
      fc.double({ min: 0.5, max: 0.99, noNaN: true }),
      (n, seen, sure) => {
        const offTypes = Math.min(seen, n - 1);
        const { upper } = offTypeBound({ offTypes, plants: n, confidence: sure });
        expect(lower(n, upper, offTypes)).toBeCloseTo(1 - sure, 6);
        const { maximum } = offTypeStandard({ plants: n, standard: 0.03, acceptance: sure });
        expect(lower(n, 0.03, maximum)).toBeGreaterThanOrEqual(sure - 1e-9);
        if (maximum > 0) expect(lower(n, 0.03, maximum - 1)).toBeLessThan(sure);
      },
    ),
  );
});

test("nothing found removes nothing; roguing after flowering lags behind", () => {
  const at = (detection: number, timing: "before-flowering" | "after-flowering", selfingRate = 0) =>
    roguingForecast({ frequency: 0.2, generations: 6, detection, timing, selfingRate }).frequency;
  for (const q of at(0, "before-flowering")) expect(q).toBeCloseTo(0.2, 12);
  for (const q of at(0, "after-flowering", 0.7)) expect(q).toBeCloseTo(0.2, 12);
  // q/(1 + tq), the textbook's series for complete removal.
  for (const [t, q] of at(1, "before-flowering").entries()) expect(q).toBeCloseTo(0.2 / (1 + 0.2 * t), 12);
  for (let t = 1; t <= 6; t++) expect(at(0.9, "after-flowering")[t]).toBeGreaterThan(at(0.9, "before-flowering")[t]!);
});
