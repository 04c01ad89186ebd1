import { describe, expect, test } from "vitest";
import { type Beta, betaMean, betaOfRange, betaWeight } from "../numbers/beta";
import { linesLived } from "../tests/linesLived";
import { nextLine } from "./pooling";
import { learn } from "./setRate";

const PRIOR = betaOfRange({ low: 0.25, high: 0.55 });

describe("what other lines teach of the next", () => {
  test.each([
    [0, 0, 0.83, 0.97],
    [0, 20, 0.83, 0.97],
    [0.3, 0, 0.83, 0.97],
    [0.3, 20, 0.83, 0.97],
    [0.6, 0, 0.83, 0.97],
    [0.6, 20, 0.83, 0.97],
    [1, 0, 0.83, 0.97],
    [1, 20, 0.83, 0.97],
  ])("spread %d and %i flowers of its own: nine tenths are about that", (spread, own, least, most) => {
    const share = linesLived(spread, own, 200, 11);
    expect(share).toBeGreaterThanOrEqual(least);
    expect(share).toBeLessThanOrEqual(most);
  });

  test.each([
    [0.03, 0.2],
    [0.25, 0.55],
    [0.7, 0.95],
  ])("of a catalogue's %d to %d one flower that set makes more likely, one that failed less", (low, high) => {
    const prior = betaOfRange({ low, high });
    const meanWith = (one: { set: number; failed: number }) => betaMean(nextLine(prior, [one]));
    expect(meanWith({ set: 1, failed: 0 })).toBeGreaterThan(betaMean(prior) + 0.004);
    expect(meanWith({ set: 0, failed: 1 })).toBeLessThan(betaMean(prior) - 0.002);
  });

  test("lines that agree say more of the next than lines that differ", () => {
    const alike = nextLine(PRIOR, Array(8).fill({ set: 16, failed: 24 }));
    const apart = nextLine(
      PRIOR,
      [4, 30, 8, 25, 3, 34, 10, 20].map((set) => ({ set, failed: 40 - set })),
    );
    expect(betaMean(alike)).toBeCloseTo(0.4, 1);
    expect(betaWeight(apart)).toBeLessThan(betaWeight(alike) / 3);
  });

  test("two lines that agree are not yet taken as alike, a dozen are", () => {
    const agree = (lines: number) => nextLine(PRIOR, Array(lines).fill({ set: 16, failed: 24 }));
    // 480 flowers of one rate weigh about as much; two lines of forty say little, as lines may differ.
    expect(betaWeight(agree(12))).toBeGreaterThan(400);
    expect(betaWeight(agree(2))).toBeLessThan(40);
  });

  test("without other lines the catalogue stands, and own flowers are the Beta update", () => {
    expect(nextLine(PRIOR, [{ set: 0, failed: 0 }])).toBe(PRIOR);
    const small: Beta = { a: 4, b: 6 };
    const { rate } = learn(small, [{ what: "own", outcomes: { set: 3, failed: 5 } }], { what: "others", lines: [] });
    expect([rate.a, rate.b]).toEqual([7, 11]);
  });

  test("its own flowers decide the more of them there are, and thousands do not vanish", () => {
    const others = Array(6).fill({ set: 20, failed: 20 });
    const few = nextLine(PRIOR, others, { set: 1, failed: 9 });
    const many = nextLine(PRIOR, others, { set: 200, failed: 1800 });
    expect(betaMean(few)).toBeGreaterThan(0.15);
    expect(betaMean(many)).toBeGreaterThan(0.09);
    expect(betaMean(many)).toBeLessThan(betaMean(few));
  });

  test("what it rests on is told, and every flower of its own counts once", () => {
    const { from } = learn(PRIOR, [{ what: "here", outcomes: { set: 4, failed: 6 } }], {
      what: "your other lines",
      lines: Array(5).fill({ set: 12, failed: 18 }),
    });
    expect(from.map(({ what }) => what)).toEqual(["the catalogue", "your other lines", "here"]);
    expect(from[2]!.flowers).toBe(10);
    expect(from[1]!.flowers).toBeGreaterThan(0);
  });
});
