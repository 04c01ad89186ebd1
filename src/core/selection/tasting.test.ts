import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { normalFrom, seeded } from "../numbers/chance";
import { type Bite, blindCodes, servingOrder, tasted } from "./tasting";

/** A table of samples by tasters; null where one did not taste. */
const bitesOf = (table: (number | null)[][]): Bite[] =>
  table.flatMap((row, sample) => row.flatMap((value, taster) => (value === null ? [] : [{ sample, taster, value }])));

/** Six targets by four judges: Shrout and Fleiss 1979, table 2. */
const PUBLISHED = [
  [9, 2, 5, 8],
  [6, 1, 3, 2],
  [8, 4, 6, 8],
  [7, 1, 2, 6],
  [10, 5, 6, 9],
  [6, 2, 4, 7],
];

describe("a tasting", () => {
  test("agreement is the published intraclass correlation of single judgements, its range by the F distribution", () => {
    const { agreement } = tasted(bitesOf(PUBLISHED), 6, 4);
    expect(agreement!.likely).toBeCloseTo(0.715, 3);
    // 11.0272 by F(0.95; 5, 15) = 2.9013, and by F(0.95; 15, 5) = 4.6188.
    expect(agreement!.low).toBeCloseTo(2.8008 / 6.8008, 3);
    expect(agreement!.high).toBeCloseTo(49.932 / 53.932, 3);
  });

  test("two are told apart by the studentized range: q(0.9; 6, 15) = 4.0517 times the root of 1.01944 over four", () => {
    const { apart, samples } = tasted(bitesOf(PUBLISHED), 6, 4);
    const told = (4.051656 * Math.sqrt(1.019444)) / 2;
    expect(apart).toBeCloseTo(told, 4);
    const means = [6, 3, 6.5, 4, 7.5, 4.75];
    expect(samples.map((one) => one!.value)).toEqual(means.map((mean) => expect.closeTo(mean, 9)));
    expect(samples.map((one) => one!.belowBest)).toEqual(means.map((mean) => 7.5 - mean > told));
    expect(samples.map((one) => one!.belowBest)).toEqual([false, true, false, true, false, true]);
    // Student's t of 15 at nine tenths is 1.7531.
    expect(samples[1]!.low).toBeCloseTo(3 - (1.75305 * Math.sqrt(1.019444)) / 2, 4);
    expect(samples[1]!.high).toBeCloseTo(3 + (1.75305 * Math.sqrt(1.019444)) / 2, 4);
  });

  test("a hard taster who tasted only some does not pull those down", () => {
    // The third gives three less than the others to whatever it is; it tasted the best two.
    const { samples } = tasted(
      bitesOf([
        [8, 8, 5],
        [7, 7, 4],
        [5, 5, null],
        [3, 3, null],
      ]),
      4,
      3,
    );
    const [a, b, c, d] = samples.map((one) => one!.value) as [number, number, number, number];
    expect(a - b).toBeCloseTo(1, 6);
    expect(b - c).toBeCloseTo(2, 6);
    expect(c - d).toBeCloseTo(2, 6);
    expect(samples.map((one) => one!.bites)).toEqual([3, 3, 2, 2]);
  });

  test("one against all others is found; who gives the same to all says nothing", () => {
    const { withOthers } = tasted(
      bitesOf([
        [1, 2, 6, 5],
        [3, 3, 6, 5],
        [5, 6, 5, 5],
        [7, 7, 4, 5],
        [9, 8, 4, 5],
      ]),
      5,
      4,
    );
    expect(withOthers[0]).toMatchObject({ against: false });
    expect(withOthers[0]!.r).toBeGreaterThan(0.3);
    expect(withOthers[2]!.r).toBeLessThan(-0.8);
    expect(withOthers[2]!.against).toBe(true);
    expect(withOthers[3]).toBeNull();
  });

  test("one taster, one sample, or nothing: said as far as it goes, and no further", () => {
    expect(tasted([], 2, 1)).toEqual({ samples: [null, null], withOthers: [null], agreement: null, apart: null });
    const alone = tasted(bitesOf([[7], [5]]), 2, 1);
    expect(alone).toMatchObject({ agreement: null, apart: null, withOthers: [null] });
    expect(alone.samples).toMatchObject([
      { value: 7, low: 1, high: 9, belowBest: false },
      { value: 5, belowBest: false },
    ]);
    expect(tasted(bitesOf([[7, 6]]), 1, 2)).toMatchObject({ apart: null, agreement: null });
    expect(
      tasted(
        bitesOf([
          [7, null],
          [null, 5],
        ]),
        2,
        2,
      ).apart,
    ).toBeNull();
  });

  test("who agree wholly tell apart what differs by more than a step is good for, and no less", () => {
    const { samples, apart, agreement } = tasted(
      bitesOf([
        [8, 7],
        [2, 1],
        [7, 6],
      ]),
      3,
      2,
    );
    expect(samples.map((one) => one!.belowBest)).toEqual([false, true, false]);
    // q(0.9; 3, 2) = 5.733 times the root of 1/12 over two.
    expect(apart).toBeCloseTo((5.733 * Math.sqrt(1 / 12)) / Math.sqrt(2), 2);
    expect(agreement!.likely).toBeGreaterThan(0.95);
    expect(agreement!.likely).toBeLessThan(1);
  });

  test("all alike: nobody is below the best, and nothing is claimed of agreement", () => {
    const { samples, agreement } = tasted(
      bitesOf([
        [5, 5],
        [5, 5],
        [5, 5],
      ]),
      3,
      2,
    );
    expect(samples.every((one) => one!.belowBest === false)).toBe(true);
    expect(agreement).toBeNull();
  });

  test("samples that are alike in truth are seldom told apart: one time in ten or less", () => {
    const random = seeded(5);
    let told = 0;
    for (let run = 0; run < 150; run++) {
      const table = Array.from({ length: 6 }, () =>
        Array.from({ length: 5 }, () => 5 + normalFrom(random(), random())),
      );
      if (tasted(bitesOf(table), 6, 5).samples.some((one) => one!.belowBest)) told++;
    }
    expect(told / 150).toBeLessThan(0.15);
    expect(told).toBeGreaterThan(1);
  });
});

test("who differs by chance is seldom said to go against the others; four samples say it only of the plainest", () => {
  const random = seeded(11);
  const noise = () => normalFrom(random(), random());
  let against = 0;
  for (let run = 0; run < 300; run++) {
    const table = Array.from({ length: 6 }, (_, sample) => Array.from({ length: 4 }, () => sample / 3 + noise()));
    if (tasted(bitesOf(table), 6, 4).withOthers[0]?.against) against++;
  }
  expect(against).toBeLessThan(15);
  // Fisher's z of −0.8 is −1.099: short of 1.2816 over the root of one. Of −0.9 it is −1.472.
  const of = (own: number[]) => tasted(bitesOf([1, 2, 3, 4].map((other, i) => [own[i]!, other])), 4, 2).withOthers[0]!;
  expect(of([4, 2, 3, 1])).toMatchObject({ r: expect.closeTo(-0.8, 9), against: false });
  expect(of([4, 3, 2, 1])).toMatchObject({ r: expect.closeTo(-1, 9), against: true });
});

describe("blind order", () => {
  test.each([2, 4, 5, 6, 7, 8])("of %i samples is balanced for place and for what comes before", (n) => {
    const tasters = n % 2 ? 2 * n : n;
    const rows = Array.from({ length: tasters }, (_, taster) => servingOrder(n, taster));
    for (const row of rows) expect([...row].sort((a, b) => a - b)).toEqual(Array.from({ length: n }, (_, i) => i));
    for (let place = 0; place < n; place++)
      for (let sample = 0; sample < n; sample++)
        expect(rows.filter((row) => row[place] === sample)).toHaveLength(tasters / n);
    const after = new Map<string, number>();
    for (const row of rows)
      for (let i = 1; i < n; i++) after.set(`${row[i - 1]} ${row[i]}`, (after.get(`${row[i - 1]} ${row[i]}`) ?? 0) + 1);
    expect(after.size).toBe(n * (n - 1));
    expect(new Set(after.values()).size).toBe(1);
  });

  test("codes are of three digits, all different, the same for the same chance; there are no more than nine hundred", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer(), (count, seed) => {
        const codes = blindCodes(count, seeded(seed));
        expect(new Set(codes).size).toBe(count);
        expect(codes.every((code) => /^[1-9]\d\d$/.test(code))).toBe(true);
        expect(blindCodes(count, seeded(seed))).toEqual(codes);
      }),
    );
    expect(() => blindCodes(901, seeded(1))).toThrow(RangeError);
  });
});
