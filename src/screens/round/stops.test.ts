import { describe, expect, test } from "vitest";
import type { CrossTask, StoreTask } from "@/views/today";
import { partsOf, stopsOf } from "./stops";

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
