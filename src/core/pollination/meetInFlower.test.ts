import { describe, expect, test } from "vitest";
import { addDays, daysBetween } from "../calendar/day";
import type { Flowering } from "../flowering/facts";
import { meetingChance } from "../flowering/meet";
import { type MeetParent, type MeetProblem, waysToMeet } from "./meetInFlower";
import { pollenLeft } from "./storedPollen";

const WIDE = 6;
/** A flowering of twenty days from a day, the range six days to each side. */
function window(start: string, long = 20): Flowering {
  const span = {
    start,
    end: addDays(start, long - 1),
    earliest: addDays(start, -WIDE),
    latest: addDays(start, long - 1 + WIDE),
  };
  return {
    ...span,
    male: span,
    female: span,
    observed: false,
    basis: "days",
    notes: [],
    ripe: addDays(start, 45),
    ripeEarliest: addDays(start, 35),
    ripeLatest: addDays(start, 60),
    fate: "flowers",
    startLatest: start,
    ripens: true,
    kill: null,
    stands: false,
  };
}
const parent = (start: string, more: Partial<MeetParent> = {}): MeetParent => ({
  window: window(start),
  unsown: false,
  ifSown: (day) => window(addDays(day, 60)),
  ripens: (w) => (w.start < "2027-08-20" ? 0.95 : 0.2),
  cutBack: null,
  flowerDays: { low: 18, high: 22 },
  ...more,
});
const problem = (more: Partial<MeetProblem>): MeetProblem => ({
  mother: parent("2027-08-10"),
  father: parent("2027-07-01"),
  pollenLife: { room: { low: 1, high: 2 }, fridge: { low: 12, high: 24 }, freezer: { low: 60, high: 200 } },
  today: "2027-06-01",
  days: 3,
  wanted: 0.8,
  ripeWanted: 0.8,
  ...more,
});
const NO_LIFE = { room: { low: 1, high: 1 }, fridge: { low: 1, high: 1 }, freezer: { low: 1, high: 1 } };
const kinds = (more: Partial<MeetProblem>) =>
  waysToMeet(problem(more)).map((w) => (w.kind === "store" ? w.storage : w.kind));

test("a sowing more than five months ahead is not proposed", () => {
  // Sown sixty days before it flowers: for a mother in flower on 15 December on about 16 October, 137 days ahead.
  const father = parent("2027-07-01", { unsown: true });
  const ahead = (mother: string) => kinds({ mother: parent(mother), father, pollenLife: NO_LIFE });
  expect(ahead("2027-12-15")).toEqual(["sow-father"]);
  expect(ahead("2028-01-30")).toEqual([]);
});

describe("the chance to meet", () => {
  test("falls as one moves away, is near 1 in the middle and near 0 far off", () => {
    const mother = window("2027-07-01");
    const at = (days: number) => meetingChance({ mother, father: window(addDays("2027-07-01", days)) }, 3);
    expect(at(0)).toBeGreaterThan(0.99);
    for (let days = 0; days < 60; days += 3) expect(at(days + 3)).toBeLessThanOrEqual(at(days) + 1e-9);
    expect(at(60)).toBeLessThan(0.001);
    expect(at(12)).toBeCloseTo(at(-12), 9);
    // Three days in common exactly when both are as forecast: somewhat better than even, by half a day.
    expect(at(17)).toBeGreaterThan(0.5);
    expect(at(18)).toBeLessThan(0.5);
  });

  test("asking for more days in common is harder", () => {
    const pair = { mother: window("2027-07-01"), father: window("2027-07-12") };
    expect(meetingChance(pair, 10)).toBeLessThan(meetingChance(pair, 1));
  });
});

describe("ways to meet", () => {
  test("none is sought where they meet already", () => {
    expect(kinds({ father: parent("2027-08-08") })).toEqual([]);
  });

  test("each way brings the chance over the wanted level", () => {
    const ways = waysToMeet(
      problem({
        father: parent("2027-07-01", { cutBack: { low: 14, high: 28 } }),
        mother: parent("2027-08-10", { unsown: true }),
      }),
    );
    expect(ways.length).toBeGreaterThan(3);
    for (const way of ways) expect(way.chance).toBeGreaterThanOrEqual(0.8);
    expect(ways.map((w) => w.chance)).toEqual(ways.map((w) => w.chance).sort((a, b) => b - a));
  });

  test("a second sowing of the father falls so that he flowers with her, and the days around it do too", () => {
    const way = waysToMeet(problem({})).find((w) => w.kind === "sow-father-again")!;
    if (way.kind !== "sow-father-again") throw new Error("no sowing");
    expect(Math.abs(daysBetween(addDays(way.day, 60), "2027-08-10"))).toBeLessThan(12);
    expect(way.from <= way.day && way.day <= way.to && way.from >= "2027-06-01").toBe(true);
  });

  test("one that is not sown yet is moved instead; a mother only as far as her seed still ripens", () => {
    expect(kinds({ father: parent("2027-07-01", { unsown: true }) })).toContain("sow-father");
    expect(kinds({ father: parent("2027-07-01", { unsown: true }) })).not.toContain("sow-father-again");
    const late = problem({
      today: "2027-07-01",
      mother: parent("2027-07-01", { unsown: true }),
      father: parent("2027-09-10"),
    });
    expect(waysToMeet(late).some((w) => w.kind === "sow-mother")).toBe(false);
  });

  test("only the one that is first is cut back, and only a plant that flowers again", () => {
    const back = { cutBack: { low: 14, high: 28 } };
    expect(kinds({ mother: parent("2027-07-01"), father: parent("2027-08-10", back) })).not.toContain("cut-back");
    const first = waysToMeet(problem({ father: parent("2027-07-01", back) })).find((w) => w.kind === "cut-back");
    expect(first).toMatchObject({ who: "father", day: addDays("2027-08-10", -21) });
    expect(kinds({ mother: parent("2027-08-10", back) })).not.toContain("cut-back");
  });

  test("pollen is stored only of a father who is first, and only where enough of it still works", () => {
    // Twenty-one days from his last to her first: a room is hopeless, a freezer is not.
    expect(kinds({})).toEqual(expect.arrayContaining(["freezer", "fridge"]));
    expect(kinds({})).not.toContain("room");
    expect(kinds({ mother: parent("2027-07-01"), father: parent("2027-08-10") })).not.toContain("freezer");
    expect(kinds({ today: "2027-07-30" })).not.toContain("freezer");
  });

  test("pollen halves with each half-life", () => {
    expect(pollenLeft(0, { low: 2, high: 4 })).toEqual({ low: 1, likely: 1, high: 1 });
    expect(pollenLeft(6, { low: 2, high: 4 })).toEqual({ low: 0.125, likely: 0.25, high: 0.5 ** 1.5 });
  });
});
