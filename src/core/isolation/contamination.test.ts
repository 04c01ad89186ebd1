import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/day";
import { type ContaminationInput, contamination, dailyWeights } from "./contamination";
import { reach, windFactor } from "./kernel";

const day = (n: number) => addDays("2027-06-01", n);
const span = fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 1, max: 40 })).map(([start, length]) => ({
  start: day(start),
  end: day(start + length - 1),
}));
const oneSource = fc.record({
  plants: fc.integer({ min: 1, max: 500 }),
  male: span,
  distance: fc.integer({ min: 0, max: 2000 }),
  barriers: fc.array(fc.constantFrom(0.2, 0.5, 0.9), { maxLength: 3 }),
});
const input: fc.Arbitrary<ContaminationInput> = fc.record({
  receptor: fc.record({
    plants: fc.integer({ min: 1, max: 200 }),
    outcrossing: fc.constantFrom(0.05, 0.4, 0.9, 1),
    spacing: fc.constantFrom(0.1, 0.5, 1.5),
    female: span,
    male: span,
  }),
  sources: fc.array(oneSource, { minLength: 1, maxLength: 4 }),
  kernel: fc.record({ scale: fc.constantFrom(2, 8, 15), shape: fc.constantFrom(0.8, 1, 1.3) }),
});

/** The contract of methods, day by day and source by source, without any of the shortcuts. */
function plainly({ receptor, sources, kernel }: ContaminationInput): number {
  const weight = (window: { start: string; end: string }, on: string) => {
    const days: string[] = [];
    for (let d = window.start; d <= window.end; d = addDays(d, 1)) days.push(d);
    const raw = days.map((_, i) => ((i + 0.5) / days.length) * (1 - (i + 0.5) / days.length));
    const at = days.indexOf(on);
    return at < 0 ? 0 : raw[at]! / raw.reduce((a, b) => a + b, 0);
  };
  let [share, met] = [0, 0];
  for (let d = receptor.female.start; d <= receptor.female.end; d = addDays(d, 1)) {
    const own =
      receptor.plants * weight(receptor.male, d) * (1 + (receptor.spacing / kernel.scale) ** 2) ** -kernel.shape;
    const foreign = sources.reduce(
      (sum, s) =>
        sum +
        s.plants *
          weight(s.male, d) *
          (1 + (s.distance / kernel.scale) ** 2) ** -kernel.shape *
          (s.barriers ?? []).reduce((a, b) => a * b, 1),
      0,
    );
    if (own + foreign === 0) continue;
    const w = weight(receptor.female, d);
    met += w;
    share += (w * foreign) / (foreign + own);
  }
  return met === 0 ? 0 : (receptor.outcrossing * share) / met;
}

const shareOf = (of: ContaminationInput) => contamination(of).contamination;
const withSource = (of: ContaminationInput, patch: object): ContaminationInput => ({
  ...of,
  sources: of.sources.map((s, i) => (i === 0 ? { ...s, ...patch } : s)),
});

describe("contamination", () => {
  test("is what the definition says, reckoned plainly", () => {
    fc.assert(
      fc.property(input, (of) => {
        expect(shareOf(of)).toBeCloseTo(plainly(of), 10);
      }),
    );
  });

  test("is a share, and the sources' shares sum to it", () => {
    fc.assert(
      fc.property(input, (of) => {
        const { contamination: whole, bySource, pollinatedShare } = contamination(of);
        expect(whole).toBeGreaterThanOrEqual(0);
        expect(whole).toBeLessThanOrEqual(of.receptor.outcrossing + 1e-12);
        expect(bySource.reduce((a, b) => a + b, 0)).toBeCloseTo(whole, 10);
        expect(pollinatedShare).toBeLessThanOrEqual(1 + 1e-9);
      }),
    );
  });

  test("further, fewer, or behind one more barrier never raises it", () => {
    fc.assert(
      fc.property(input, fc.integer({ min: 1, max: 500 }), (of, by) => {
        const { plants, distance, barriers } = of.sources[0]!;
        // Days that only this source pollinated would drop out of the mean: it keeps to the stand's own days.
        const covered = { ...of, receptor: { ...of.receptor, male: of.receptor.female } };
        const now = shareOf(covered);
        for (const patch of [
          { distance: distance + by },
          { plants: Math.max(0, plants - by) },
          { barriers: [...(barriers ?? []), 0.5] },
        ])
          expect(shareOf(withSource(covered, patch))).toBeLessThanOrEqual(now + 1e-12);
      }),
    );
  });

  test("later never raises it once only the source's rising half meets the stand", () => {
    fc.assert(
      fc.property(input, fc.integer({ min: 1, max: 15 }), fc.integer({ min: 2, max: 20 }), (of, by, half) => {
        const { female } = of.receptor;
        const start = addDays(female.end, -half + 1);
        const male = { start, end: addDays(start, 2 * half + 1) };
        const covered = { ...withSource(of, { male }), receptor: { ...of.receptor, male: female } };
        const later = { start: addDays(start, by), end: addDays(male.end, by) };
        expect(shareOf(withSource(covered, { male: later }))).toBeLessThanOrEqual(shareOf(covered) + 1e-12);
      }),
    );
  });

  test("two equal sources father equally, and swapping two equal stands changes nothing", () => {
    fc.assert(
      fc.property(input, (of) => {
        const first = of.sources[0]!;
        const { bySource } = contamination({ ...of, sources: [first, first] });
        expect(bySource[0]).toBeCloseTo(bySource[1]!, 12);
      }),
    );
  });

  test("without any pollen nothing is set, and nothing is strange", () => {
    const far = { start: "2027-09-01", end: "2027-09-10" };
    const receptor = {
      plants: 5,
      outcrossing: 1,
      spacing: 1,
      female: { start: "2027-06-01", end: "2027-06-05" },
      male: far,
    };
    expect(contamination({ receptor, sources: [], kernel: { scale: 8, shape: 1 } })).toEqual({
      contamination: 0,
      bySource: [],
      pollinatedShare: 0,
    });
  });

  test("daily weights are a hump that sums to one", () => {
    for (const days of [1, 2, 7, 60]) {
      const weights = [...dailyWeights(days)];
      expect(weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
      expect(weights[0]).toBeCloseTo(weights.at(-1)!, 12);
    }
  });
});

describe("what carries pollen", () => {
  test("it thins with distance, and less strongly with a longer reach", () => {
    expect(reach(0, { scale: 8, shape: 1 })).toBe(1);
    expect(reach(100, { scale: 8, shape: 1 })).toBeLessThan(reach(50, { scale: 8, shape: 1 }));
    expect(reach(100, { scale: 16, shape: 1 })).toBeGreaterThan(reach(100, { scale: 8, shape: 1 }));
  });

  test("more comes down the wind than against it, and nothing changes where no wind is known", () => {
    expect(windFactor(270, 90)).toBeCloseTo(1.6);
    expect(windFactor(270, 270)).toBeCloseTo(0.4);
    expect(windFactor(270, 0)).toBeCloseTo(1);
    expect(windFactor(null, 123)).toBe(1);
  });
});
