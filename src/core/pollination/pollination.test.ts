import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/day";
import { upperTail } from "../numbers/binomial";
import {
  type Band,
  dueSteps,
  type FlowerOnDay,
  lastDayToCover,
  meeting,
  type Protocol,
  type StepAction,
} from "./steps";
import { flowersToDo, fruitsFor, tally } from "./tally";

const step = (action: StepAction, band: Band, low: number, high: number) => ({
  action,
  band,
  after: { low, high },
  title: action,
  look: "",
  tooLate: "",
  tools: "",
});
const PROTOCOL: Protocol = {
  id: "p",
  name: "p",
  faults: [],
  steps: [
    step("cover", "evening", 0, 0),
    step("pollinate", "dawn", 1, 1),
    step("check", "any-hour", 7, 10),
    step("harvest", "any-hour", 0, 0),
  ],
};
const RATE = { low: 0.25, likely: 0.4, high: 0.55 };
const NONE = { covered: 0, waiting: 0, set: 0, lost: 0 };

describe("flowers to do", () => {
  test("a harvested fruit has set, an unusable flower is never counted", () => {
    expect(tally(["covered", "pollinated", "set", "harvested", "failed", "unusable"])).toEqual({
      covered: 1,
      waiting: 1,
      set: 2,
      lost: 2,
    });
  });

  test("what waits and what is still to do together reach the wanted chance", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 0, max: 25 }),
        (wanted, waiting, set) => {
          const done = { ...NONE, waiting, set };
          const { likely, fewest, most, chanceNow } = flowersToDo(wanted, done, RATE, 0.9);
          expect(fewest).toBeLessThanOrEqual(likely);
          expect(likely).toBeLessThanOrEqual(most);
          if (set < wanted) expect(upperTail(waiting + likely, RATE.likely, wanted - set)).toBeGreaterThanOrEqual(0.9);
          expect(likely === 0).toBe(chanceNow >= 0.9);
        },
      ),
    );
  });

  test("more set never asks for more flowers", () => {
    for (let set = 0; set < 9; set++)
      expect(flowersToDo(9, { ...NONE, set: set + 1 }, RATE, 0.9).likely).toBeLessThan(
        flowersToDo(9, { ...NONE, set }, RATE, 0.9).likely,
      );
  });

  test("seeds wanted become whole fruits", () => {
    expect(fruitsFor(301, 100)).toBe(4);
  });
});

const RIPE = { low: 40, high: 60 };
const flower = (state: FlowerOnDay["state"], coveredOn: string, pollinatedOn: string | null = null): FlowerOnDay => ({
  id: 1,
  number: 1,
  state,
  coveredOn,
  pollinatedOn,
  checkedOn: null,
});

describe("steps", () => {
  const due = (f: FlowerOnDay, day: string) =>
    dueSteps(PROTOCOL, [f], day, RIPE).map((s) => [s.step.action, s.daysLeft]);

  test("a flower tied tonight is due at tomorrow's dawn and no other", () => {
    const tied = flower("covered", "2027-07-08");
    expect(due(tied, "2027-07-08")).toEqual([]);
    expect(due(tied, "2027-07-09")).toEqual([["pollinate", 0]]);
    expect(due(tied, "2027-07-10")).toEqual([["pollinate", -1]]);
  });

  test("a pollinated one is looked at after a week, a set one brought in when ripe", () => {
    expect(due(flower("pollinated", "2027-07-01", "2027-07-02"), "2027-07-08")).toEqual([]);
    expect(due(flower("pollinated", "2027-07-01", "2027-07-02"), "2027-07-09")).toEqual([["check", 3]]);
    expect(due(flower("set", "2027-07-01", "2027-07-02"), "2027-08-11")).toEqual([["harvest", 20]]);
    expect(due(flower("unusable", "2027-07-01"), "2027-07-02")).toEqual([]);
  });

  test("flowers of one step go together, and the soonest impossible stands first", () => {
    const flowers = [
      { ...flower("covered", "2027-07-08"), id: 1 },
      { ...flower("covered", "2027-07-08"), id: 2 },
      { ...flower("pollinated", "2027-07-01", "2027-07-02"), id: 3 },
    ];
    expect(dueSteps(PROTOCOL, flowers, "2027-07-09", RIPE).map((s) => s.flowerIds)).toEqual([[1, 2], [3]]);
  });

  test("no step is due before the one it follows, whatever the days", () => {
    fc.assert(
      fc.property(fc.integer({ min: -3, max: 90 }), (passed) => {
        const day = addDays("2027-07-02", passed);
        for (const [action, left] of due(flower("pollinated", "2027-07-01", "2027-07-02"), day)) {
          expect(action).toBe("check");
          expect(left).toBe(10 - passed);
          expect(passed).toBeGreaterThanOrEqual(7);
        }
      }),
    );
  });
});

describe("meeting", () => {
  const span = (start: string, end: string) => ({ start, end });
  test("says how many days, or who is first and by how much", () => {
    expect(meeting(span("2027-07-01", "2027-07-10"), span("2027-07-08", "2027-07-20"))).toEqual({
      days: 3,
      gapDays: 0,
      first: null,
    });
    expect(meeting(span("2027-07-01", "2027-07-10"), span("2027-07-14", "2027-07-20"))).toEqual({
      days: 0,
      gapDays: 4,
      first: "mother",
    });
    expect(meeting(span("2027-07-14", "2027-07-20"), span("2027-07-01", "2027-07-10"))).toMatchObject({
      first: "father",
      gapDays: 4,
    });
  });

  test("the last evening leaves a dawn of both, and seed time before frost", () => {
    const mother = span("2027-07-01", "2027-08-20");
    const father = span("2027-07-05", "2027-07-18");
    expect(lastDayToCover(mother, father, "2027-09-28", RIPE, "2027-07-09")).toEqual({
      day: "2027-07-17",
      daysLeft: 8,
      reason: "flowering",
    });
    expect(lastDayToCover(mother, mother, "2027-08-20", RIPE, "2027-07-09")).toEqual({
      day: "2027-07-10",
      daysLeft: 1,
      reason: "frost",
    });
    expect(lastDayToCover(mother, span("2027-09-01", "2027-09-09"), null, RIPE, "2027-07-09")).toBeNull();
  });
});
