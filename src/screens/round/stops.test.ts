import { describe, expect, test } from "vitest";
import { nthId } from "@/core/custody/id";
import { turned } from "@/core/lists/turned";
import { type Ahead, packedAhead } from "@/core/pollination/ahead";
import type { PendingPress } from "@/core/pollination/pending";
import type { CrossTask, FatherTask, StoreTask } from "@/views/crossTasks";
import type { Round, SentTask } from "@/views/round";
import { partsOf, stopsOf, tasksAhead, unpacked } from "./stops";

const task = (id: number, action: string, part: string, flowers: number[]) =>
  ({
    kind: "cross",
    part,
    step: { action },
    state: { cross: { id } },
    flowers: flowers.map((n) => ({ id: n, number: n, code: `N${n}` })),
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

  test("what is done at the father is one stop for the cross, and so are tassels for all its ears", () => {
    const tied = { kind: "father", part: "evening", step: { action: "cover" }, state: { cross: { id: 3 } } };
    const father = tied as unknown as FatherTask;
    const tassels = task(4, "gather", "morning", [41, 42]);
    const bagged = { ...tassels, step: { ...tassels.step, father: { each: 1 } } } as CrossTask;
    expect(stopsOf([father, bagged, tassels], new Set()).map((s) => s.key)).toEqual([
      "father cover 3",
      "gather 4",
      "gather 41",
      "gather 42",
    ]);
    expect(stopsOf([father, bagged], new Set(["father cover 3", "gather 4"]))).toEqual([]);
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

test("what is sent of the round by number has its flowers and their moments again", () => {
  const at = new Date(Date.UTC(2027, 6, 9, 5));
  const flowers = [
    { id: "a", number: 3, state: "pollinated", passes: 1, pollinatedAt: at },
    { id: "c", number: 4, state: "pollinated", passes: 2, pollinatedAt: at },
    { id: "b", number: 81, state: "covered", passes: 0, pollinatedAt: null },
    { id: "d", number: 82, state: "covered", passes: 0, pollinatedAt: null },
  ];
  const ahead = { protocols: {}, crosses: { x: { flowers } } } as unknown as Ahead;
  const sent = { ...task(1, "check", "dawn", []), state: { cross: { id: "x", code: "X27-008-S" } }, flowers: [81, 3] };
  const whole = unpacked({ tasks: [sent as unknown as SentTask, store], ahead: packedAhead(ahead) });
  expect(turned(packedAhead(ahead)).match(/covered/g)).toHaveLength(1);
  expect(whole.ahead).toEqual(ahead);
  expect(whole.tasks).toMatchObject([
    {
      flowers: [
        { id: "b", number: 81, code: "X27-008-N81-6" },
        { id: "a", number: 3, code: "X27-008-N3-J" },
      ],
    },
    { kind: "store" },
  ]);
});

const NOBODY = { males: null, malesOn: null, fetchedOn: null };

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
  } as unknown as Round;
  const ahead = {
    protocols: {
      bud: {
        steps: [
          step("cover", "sunset", -2, 1, [0, 0]),
          step("pollinate", "sunrise", -0.5, 3, [1, 1]),
          step("uncover", "day", 0, 0, [1, 3]),
        ],
      },
    },
    crosses: { x1: { protocol: "bud", daysToRipe: { low: 40, high: 50 }, made: NOBODY, flowers: [] } },
  } as unknown as Ahead;
  const cover: PendingPress = {
    id: "01900000-0000-7000-8000-000000001000",
    day: "2027-07-09",
    at: "2027-07-09T18:30:00.000Z",
    name: "flower.cover",
    input: { crossId: "x1", flowers: 2 },
  };

  test("flowers covered in the evening are there at dawn, under the ids the server will give, and gone from later days", () => {
    const [task, ...more] = tasksAhead(view, ahead, [cover], "2027-07-10");
    expect(more).toEqual([]);
    expect(task).toMatchObject({ part: "dawn", daysLeft: 0, step: { action: "pollinate" } });
    // Sunrise at 48.6° N, 9.3° E on 10 July is at 5.31 by the clock; half an hour before to three hours after.
    expect([task!.from, task!.to]).toEqual(["05:01", "08:31"]);
    expect(task!.flowers).toEqual([
      { id: nthId(cover.id, 1), number: 0, code: "X27-001-F new 1" },
      { id: nthId(cover.id, 2), number: 0, code: "X27-001-F new 2" },
    ]);
    expect(tasksAhead(view, ahead, [cover], "2027-07-09")).toEqual([]);
  });

  test("one that was pollinated too waits for its next step alone", () => {
    const pollinated: PendingPress = {
      ...cover,
      id: "01900000-0000-7000-8000-000000002000",
      day: "2027-07-10",
      name: "flower.record",
      input: { crossId: "x1", results: [{ id: nthId(cover.id, 2), result: "pollinated" }] },
    };
    const due = tasksAhead(view, ahead, [cover, pollinated], "2027-07-11").map(({ step, flowers }) => [
      step.action,
      flowers.map(({ code }) => code),
    ]);
    expect(due).toContainEqual(["uncover", ["X27-001-F new 2"]]);
    expect(tasksAhead(view, ahead, [], "2027-07-11")).toEqual([]);
  });
});
