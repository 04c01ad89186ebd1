import { describe, expect, test } from "vitest";
import { inPlaces } from "./groups";
import { type Act, isPressing, NO_HURRY, unfolded } from "./work";

const of = (key: string, act: Act, place: string | null, more: object = {}) => ({
  ...{ key, act, place, count: null as number | null, minutes: 20, from: "2027-05-01", best: "2027-05-10" },
  ...{ last: null as string | null, standing: "due" as "due" | "ahead" },
  ...more,
});
const grouped = (works: ReturnType<typeof of>[]) => inPlaces(works, ({ place }) => place);

describe("work of one act in one place", () => {
  test("is one piece, the soonest impossible first, counted and timed together", () => {
    const groups = grouped([
      of("1", "sow", "C", { count: 30, minutes: 16, last: "2027-06-02" }),
      of("2", "sow", "D", { count: 9, last: "2027-06-01" }),
      of("3", "sow", "C", { count: 20, minutes: 14, last: "2027-05-20", best: "2027-05-12" }),
      of("4", "stake", "C"),
      of("5", "sow", null, { count: 5 }),
      of("6", "sow", null),
    ]);
    // Ten minutes are what a sowing needs before its first seed: once a walk.
    expect(
      groups.map(({ key, place, works, count, minutes, best, last }) => [
        ...[key, place, works.map((one) => one.key).join(""), count, minutes, best, last],
      ]),
    ).toEqual([
      ["3", "C", "31", 50, 20, "2027-05-10", "2027-05-20"],
      ["2", "D", "2", 9, 20, "2027-05-10", "2027-06-01"],
      ["4", "C", "4", null, 20, "2027-05-10", null],
      ["5", null, "56", 5, 30, "2027-05-10", null],
    ]);
    expect(grouped([])).toEqual([]);
  });

  test("that is still ahead is one walk only where it begins within a week", () => {
    const ahead = (key: string, from: string) => of(key, "sow", "C", { from, best: from, standing: "ahead" });
    const all = [ahead("1", "2027-05-20"), ahead("2", "2027-05-27"), ahead("3", "2027-05-28"), of("4", "sow", "C")];
    expect(grouped(all).map(({ works }) => works.map(({ key }) => key).join(""))).toEqual(["4", "12", "3"]);
  });

  test("takes a minute at the least", () => {
    const short = (key: string) => of(key, "first-flower", "C", { minutes: 2 });
    expect(grouped([short("1")])[0]!.minutes).toBe(2);
    expect(
      grouped([of("1", "look-around", "C", { minutes: 3 }), of("2", "look-around", "C", { minutes: 3 })])[0]!.minutes,
    ).toBe(1);
  });
});

test("what has its hour, or two days left, is never folded away", () => {
  expect(isPressing({ part: "any-hour", daysLeft: 2 })).toBe(true);
  expect(isPressing({ part: "any-hour", daysLeft: 3 })).toBe(false);
  expect(isPressing({ part: "dawn", daysLeft: 30 })).toBe(true);
  expect(isPressing({ part: "any-hour", daysLeft: NO_HURRY })).toBe(true);
});

test("what is pressing is always shown; of the rest the soonest impossible as far as there is room", () => {
  const days = (list: number[], rows: number) => {
    const { shown, waiting } = unfolded(
      list.map((daysLeft) => ({ part: "any-hour" as const, daysLeft })),
      rows,
    );
    return [shown, waiting].map((some) => some.map(({ daysLeft }) => daysLeft));
  };
  expect(days([30, 1, 9, 0, 4], 4)).toEqual([[1, 9, 0, 4], [30]]);
  expect(days([30, 1, 9, 0, 4], 1)).toEqual([
    [1, 0],
    [4, 9, 30],
  ]);
  expect(days([30, 1, 9], 9)).toEqual([[30, 1, 9], []]);
});
