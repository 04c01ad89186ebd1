import { describe, expect, test } from "vitest";
import { nthId } from "@/core/custody/id";
import type { PendingPress } from "@/core/pollination/pending";
import type { CrossTask, StoreTask, Today } from "@/views/today";
import { partsOf, stopsOf, tasksAhead } from "./stops";

const task = (id: number, action: string, part: string, flowers: number[]) =>
  ({
    kind: "cross",
    part,
    step: { action },
    state: { cross: { id } },
    flowers: flowers.map((n) => ({ id: n, number: n, code: `N${n}`, plantId: null })),
  }) as unknown as CrossTask;
const store = { kind: "store", part: "morning", state: { cross: { id: 7 } } } as unknown as StoreTask;
const keys = (tasks: (CrossTask | StoreTask)[], done: string[] = []) => stopsOf(tasks, new Set(done)).map((s) => s.key);

describe("stops of the round", () => {
  test("steps on one flower are a screen each, those that make new flowers or bring fruit in are one", () => {
    expect(
      keys([
        task(1, "pollinate", "dawn", [11, 12]),
        task(1, "cover", "evening", []),
        task(2, "harvest", "any-hour", [21, 22]),
        store,
      ]),
    ).toEqual(["pollinate 11", "pollinate 12", "cover 1", "harvest 2", "store 7"]);
  });

  test("what is recorded on the device and not yet sent is no stop any more", () => {
    const tasks = [task(1, "check", "any-hour", [11, 12]), task(1, "cover", "evening", [])];
    expect(keys(tasks, ["check 11", "cover 1"])).toEqual(["check 12"]);
  });

  test("bands come in the order of the day, whatever the order of tasks", () => {
    const stops = stopsOf([task(1, "cover", "evening", []), task(2, "pollinate", "dawn", [1]), store], new Set());
    expect(partsOf(stops)).toEqual(["dawn", "morning", "evening"]);
    expect(partsOf([])).toEqual([]);
  });
});

describe("what was pressed without a signal goes on", () => {
  const step = (action: string, anchor: string, low: number, high: number, after: [number, number]) => ({
    action,
    title: action,
    anchor,
    hours: { low, high },
    after: { low: after[0], high: after[1] },
    hazards: [],
  });
  const view = {
    garden: { latitude: 48.6, longitude: 9.3, timezone: "Europe/Zurich" },
    open: [{ cross: { id: "x1", code: "X27-001-F" } }],
    ahead: {
      x1: {
        protocol: {
          steps: [
            step("cover", "sunset", -2, 1, [0, 0]),
            step("pollinate", "sunrise", -0.5, 3, [1, 1]),
            step("uncover", "day", 0, 0, [1, 3]),
          ],
        },
        daysToRipe: { low: 40, high: 50 },
        flowers: [],
      },
    },
  } as unknown as Today;
  const cover: PendingPress = {
    id: "01900000-0000-7000-8000-000000001000",
    day: "2027-07-09",
    at: "2027-07-09T18:30:00.000Z",
    name: "flower.cover",
    input: { crossId: "x1", flowers: 2 },
  };

  test("flowers covered in the evening are there at dawn, under the ids the server will give, and gone from later days", () => {
    const [task, ...more] = tasksAhead(view, [cover], "2027-07-10");
    expect(more).toEqual([]);
    expect(task).toMatchObject({ part: "dawn", daysLeft: 0, step: { action: "pollinate" } });
    // Sunrise at 48.6° N, 9.3° E on 10 July is at 5.31 by the clock; half an hour before to three hours after.
    expect([task!.from, task!.to]).toEqual(["05:01", "08:31"]);
    expect(task!.flowers).toEqual([
      { id: nthId(cover.id, 1), number: 0, plantId: null, code: "X27-001-F new 1" },
      { id: nthId(cover.id, 2), number: 0, plantId: null, code: "X27-001-F new 2" },
    ]);
    expect(tasksAhead(view, [cover], "2027-07-09")).toEqual([]);
  });

  test("one that was pollinated too waits for its next step alone", () => {
    const pollinated: PendingPress = {
      ...cover,
      id: "01900000-0000-7000-8000-000000002000",
      day: "2027-07-10",
      name: "flower.record",
      input: { crossId: "x1", results: [{ id: nthId(cover.id, 2), result: "pollinated" }] },
    };
    const due = tasksAhead(view, [cover, pollinated], "2027-07-11").map(({ step, flowers }) => [
      step.action,
      flowers.map(({ code }) => code),
    ]);
    expect(due).toContainEqual(["uncover", ["X27-001-F new 2"]]);
    expect(tasksAhead(view, [], "2027-07-11")).toEqual([]);
  });
});
