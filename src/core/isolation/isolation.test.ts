import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/day";
import { flowering } from "../flowering/forecast";
import { type Clash, findClashes, type StandOnGround } from "./clashes";
import { canCross } from "./crossing";
import { gap } from "./distance";
import { clashInWords, type RemedyContext, remediesFor } from "./remedies";

const FACTS = {
  daysToFlower: { low: 50, high: 50 },
  flowerDays: { low: 20, high: 20 },
  daysToRipe: { low: 40, high: 40 },
};

function stand(id: number, sown: string, x: number, more: Partial<StandOnGround> = {}): StandOnGround {
  return {
    id,
    lineId: id,
    name: `line ${id}`,
    crossingGroup: "g",
    school: "keep-pure",
    wild: false,
    plot: { x, y: 0, width: 10, length: 4, name: `bed ${id}`, outside: false },
    window: flowering(sown, FACTS),
    flowers: "open",
    seedWanted: true,
    isolation: 100,
    ...more,
  };
}

describe("distance", () => {
  test("runs from edge to edge, across the corner, and is nothing when beds touch", () => {
    const at = (x: number, y: number) => ({ x, y, width: 2, length: 1 });
    expect(gap(at(0, 0), at(5, 0))).toBe(3);
    expect(gap(at(0, 0), at(5, 5))).toBe(5);
    expect(gap(at(0, 0), at(1, 0.5))).toBe(0);
  });

  test("is the same both ways", () => {
    const plot = fc.record({
      x: fc.integer({ min: -99, max: 99 }),
      y: fc.integer({ min: -99, max: 99 }),
      width: fc.integer({ min: 1, max: 30 }),
      length: fc.integer({ min: 1, max: 30 }),
    });
    fc.assert(
      fc.property(plot, plot, (a, b) => {
        expect(gap(a, b)).toBe(gap(b, a));
      }),
    );
  });
});

describe("clashes", () => {
  const near = [stand(1, "2027-05-01", 0), stand(2, "2027-05-11", 40)];

  test("two open stands that meet threaten each other", () => {
    const clashes = findClashes(near);
    expect(clashes.map((c) => [c.stand.id, c.source.id, c.metres, c.days])).toEqual([
      [1, 2, 30, 10],
      [2, 1, 30, 10],
    ]);
  });

  test.each<[string, Partial<StandOnGround>, number]>([
    ["far enough away", { plot: { ...near[1]!.plot, x: 110 } }, 0],
    ["of another group", { crossingGroup: "other" }, 0],
    ["of the same line", { lineId: 1 }, 0],
    ["covered: neither takes nor gives", { flowers: "covered" }, 0],
    ["by hand: gives, but takes none", { flowers: "hand" }, 1],
    ["flowers taken off", { flowers: "removed" }, 0],
    ["not for seed: only gives", { seedWanted: false }, 1],
    ["a mix: minds no kin", { school: "let-it-mix" }, 1],
    ["beyond the fence: its seed is not ours", { plot: { ...near[1]!.plot, outside: true } }, 1],
  ])("the other stand is %s", (_, change, count) => {
    expect(findClashes([near[0]!, { ...near[1]!, ...change }])).toHaveLength(count);
  });

  test("a mix minds the wild", () => {
    const [clash] = findClashes([
      stand(1, "2027-05-01", 0, { school: "let-it-mix" }),
      stand(2, "2027-05-01", 20, { wild: true, seedWanted: false }),
    ]);
    expect(clashInWords(clash!)).toContain("wild");
  });

  test("sowing later never adds days together, and moving apart never adds a clash", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 0, max: 120 }),
        (later, more, metres) => {
          const days = (shift: number) =>
            findClashes([near[0]!, stand(2, addDays("2027-05-01", shift), 10 + metres)])[0]?.days ?? 0;
          expect(days(later + more)).toBeLessThanOrEqual(days(later));
          const count = (distance: number) => findClashes([near[0]!, stand(2, "2027-05-01", 10 + distance)]).length;
          expect(count(metres + more)).toBeLessThanOrEqual(count(metres));
        },
      ),
    );
  });
});

describe("ways out", () => {
  const clash: Clash = findClashes([stand(1, "2027-05-01", 0), stand(2, "2027-05-01", 40)])[0]!;
  const context: RemedyContext = {
    today: "2027-04-20",
    sown: "2027-05-01",
    facts: FACTS,
    firstFrost: "10-15",
    beds: [
      { id: 7, name: "far", x: 400, y: 0, width: 5, length: 5, outside: false, free: true },
      { id: 8, name: "taken", x: 900, y: 0, width: 5, length: 5, outside: false, free: false },
    ],
    rivals: [clash.source],
    selfs: false,
  };
  const find = (kind: string, changed: Partial<RemedyContext> = {}) =>
    remediesFor(clash, { ...context, ...changed }).find((r) => r.change.kind === kind);

  test("a later sowing is the least that parts the flowerings, and is checked against frost", () => {
    const remedy = find("resow")!;
    expect(remedy.change).toMatchObject({ sown: "2027-05-21" });
    expect(remedy.feasible).toBe(true);
    const moved = stand(1, "2027-05-21", 0);
    expect(findClashes([moved, clash.source])).toEqual([]);
    expect(findClashes([stand(1, "2027-05-20", 0), clash.source])).not.toEqual([]);
    expect(find("resow", { firstFrost: "08-01" })!.feasible).toBe(false);
    expect(find("resow", { today: "2027-06-01" })).toBeUndefined();
  });

  test("a move goes to a free bed that is far enough, and taking it ends the clash", () => {
    expect(find("move")!.change).toMatchObject({ bedId: 7 });
    expect(find("move", { beds: [context.beds[1]!] })).toBeUndefined();
  });

  test("a neighbour's flowers are not ours to take off", () => {
    const outside: Clash = { ...clash, source: { ...clash.source, plot: { ...clash.source.plot, outside: true } } };
    const titles = remediesFor(outside, context).map((r) => r.title);
    expect(titles.some((t) => t.startsWith("Take off"))).toBe(false);
  });
});

test("species of two crossing groups do not cross, and the refusal says what would", () => {
  const [melon, pepper] = [
    { id: "m", name: "Melon", crossingGroup: "M" },
    { id: "p", name: "Pepper", crossingGroup: "P" },
  ];
  expect(canCross(melon!, melon!)).toEqual({ can: true });
  expect(canCross(melon!, pepper!)).toMatchObject({ can: false, why: expect.stringContaining("group M") });
});
