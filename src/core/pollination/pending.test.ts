import { describe, expect, test } from "vitest";
import { nthId } from "../custody/id";
import { type PendingPress, withPending } from "./pending";
import type { FlowerOnDay } from "./steps";

const CROSS = "01900000-0000-7000-8000-0000000000c1";
const press = (n: number, name: string, input: object, day = "2027-07-09"): PendingPress => ({
  id: `01900000-0000-7000-8000-00000000${n}000`,
  day,
  at: `${day}T04:40:00.000Z`,
  name,
  input: { crossId: CROSS, ...input },
});
const known: FlowerOnDay = {
  id: "f1",
  number: 3,
  state: "gathered",
  on: { cover: "2027-07-07", gather: "2027-07-08" },
  pollinatedAt: null,
  passes: 0,
  lastPass: null,
};
const record = (n: number, id: string, result: string, day?: string) =>
  press(n, "flower.record", { results: [{ id, result }] }, day);

describe("presses that no server has seen", () => {
  test("make flowers under the ids the server will give, and take them on from step to step", () => {
    const cover = press(1, "flower.cover", { flowers: 2, on: "2027-07-08" });
    const [first, second] = [nthId(cover.id, 1), nthId(cover.id, 2)];
    const after = withPending([], CROSS, [
      cover,
      record(2, second, "pollinated"),
      record(3, second, "pollinated", "2027-07-10"),
    ]);
    expect(after).toEqual([
      {
        id: first,
        number: 0,
        state: "covered",
        on: { cover: "2027-07-08" },
        pollinatedAt: null,
        passes: 0,
        lastPass: null,
      },
      {
        id: second,
        number: 0,
        state: "pollinated",
        on: { cover: "2027-07-08", pollinate: "2027-07-09" },
        pollinatedAt: new Date("2027-07-10T04:40:00.000Z"),
        passes: 2,
        lastPass: "2027-07-10",
      },
    ]);
  });

  test.each([
    ["pollinated", "pollinated"],
    ["lost", "lost"],
    ["found-open", "unusable"],
  ])("%s of a flower that the server knows leaves it %s", (result, state) => {
    const [flower, ...more] = withPending([known], CROSS, [record(1, "f1", result)]);
    expect(more).toEqual([]);
    expect(flower).toMatchObject({ id: "f1", number: 3, state });
  });

  test("a fault after pollination leaves the flower under way, and its next steps with it", () => {
    const flower = { ...known, state: "pollinated" as const };
    const after = withPending([flower], CROSS, [
      record(1, "f1", "torn-bag"),
      record(2, "f1", "uncovered"),
      record(3, "f1", "set"),
    ]);
    expect(after).toMatchObject([{ state: "set", on: { uncover: "2027-07-09", check: "2027-07-09" } }]);
  });

  test("of other crosses, other records and unknown flowers change nothing", () => {
    const other = { ...record(1, "f1", "lost"), input: { crossId: "other", results: [{ id: "f1", result: "lost" }] } };
    expect(withPending([known], CROSS, [other, record(2, "nobody", "set"), press(3, "score.set", {})])).toEqual([]);
  });
});
