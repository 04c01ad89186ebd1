import { describe, expect, test } from "vitest";
import type { Task, TodayBed } from "@/views/today";
import type { BedWork, StandWork } from "@/views/work";
import { listInWords } from "../common/words";
import {
  dayInOneSentence,
  isStepOf,
  lastInWords,
  rowInWords,
  type StepTask,
  stepsInBeds,
  titleOf,
  titleOfCross,
  titleOfStep,
  waitingInWords,
} from "./words";

const work = (lineName: string, more: object = {}, stand: object = {}) =>
  ({
    ...{ act: "sow", what: "Sow 10 seeds", standing: "due", ...more },
    stand: { lineName, generation: 3, backcrosses: 0, family: 1, mother: null, ...stand },
  }) as unknown as StandWork;
const group = (works: StandWork[], more: object = {}) => ({ works, count: 60, last: null, ...more }) as BedWork;

describe("a piece of work", () => {
  test("is named by its rows, by two plantings, or by how many", () => {
    const rows = Array.from({ length: 6 }, () => work("Lantern"));
    expect(titleOf(group(rows))).toBe("Sow: Lantern F3, 6 rows, 60 seeds");
    expect(titleOf(group([work("Lantern")]))).toBe("Sow 10 seeds: Lantern F3");
    const stakes = ["Kiln", "Thimble", "Tooth"].map((name) =>
      work(name, { act: "stake", what: "Stake" }, { generation: null }),
    );
    expect(titleOf(group(stakes.slice(0, 2)))).toBe("Stake: Kiln and Thimble");
    expect(titleOf(group(stakes))).toBe("Stake: 3 plantings");
    expect(rowInWords(work("Lantern", {}, { mother: 14 }))).toBe("Sow 10 seeds · seed of plant 14");
    expect(rowInWords(stakes[0]!)).toBe("");
  });

  test("says its last day, and hurries within two days of it", () => {
    const last = (day: string | null, standing = "due") =>
      lastInWords(group([work("A", { standing })], { last: day }), "2027-07-09");
    expect(last(null)).toBeNull();
    expect(last("2027-07-09")).toEqual({ words: "today at the latest", urgent: true });
    expect(last("2027-07-11")).toEqual({ words: "by 11 Jul", urgent: true });
    expect(last("2027-07-12")).toEqual({ words: "by 12 Jul", urgent: false });
    expect(last("2027-07-08", "missed")).toEqual({ words: "its last day was 8 Jul", urgent: true });
  });
});

describe("the day in one sentence", () => {
  const flowers = (part: string, count: number) =>
    ({
      kind: "cross",
      part,
      daysLeft: 0,
      step: { action: "pollinate" },
      flowers: Array(count).fill({}),
    }) as unknown as Task;
  const map = (...stops: (number | null)[]) => stops.map((stop, i) => ({ name: "ABCD"[i]!, stop })) as TodayBed[];
  test.each<[string, Task[], TodayBed[]]>([
    ["7 flowers at dawn; the walk goes to beds B and A.", [flowers("dawn", 5), flowers("dawn", 2)], map(2, 1, null)],
    [
      "1 flower at dawn and 3 flowers tonight.",
      [flowers("dawn", 1), flowers("noon", 4), flowers("evening", 3)],
      map(null),
    ],
    ["No flowers today; work in bed C.", [], map(null, null, 1)],
    ["1 task, none of them in a bed.", [{ kind: "own", part: "any-hour", daysLeft: 0 } as Task], map()],
    ["Nothing has to be done today.", [{ kind: "own", part: "any-hour", daysLeft: 9 } as Task], map()],
  ])("%s", (said, tasks, beds) => {
    expect(dayInOneSentence({ tasks, map: beds })).toBe(said);
  });
});

test("what is folded away says how many, and until when", () => {
  const waiting = (daysLeft: number) => ({ daysLeft }) as Task;
  expect(waitingInWords([waiting(9), waiting(3)], "2027-07-09")).toBe("2 tasks can wait, the first until 12 Jul");
  expect(listInWords(["A"])).toBe("A");
});

describe("steps of several crosses", () => {
  const step = (code: string, action: string, kind: string, motherBed: string, more: object = {}) =>
    ({
      kind: "cross",
      part: "dawn",
      step: { action, title: action === "cover" ? "Bag buds" : "Pollinate" },
      state: { cross: { code, kind, motherBed, fatherBed: "Z" }, method: { unit: "flower" }, evenings: { tonight: 2 } },
      flowers: [{}, {}, {}],
      ...more,
    }) as unknown as Task;
  const [a, b] = [step("X1", "cover", "self", "C"), step("X2", "cover", "self", "C")];
  const own = { kind: "own", part: "any-hour", task: { id: "1" } } as unknown as Task;
  const codes = (tasks: Task[]) =>
    stepsInBeds(tasks).map((together) => together.map((task) => ("state" in task ? task.state.cross.code : task.kind)));

  test("are one where the same is done in the same bed at the same part of the day, at the place of the first", () => {
    const elsewhere = step("X3", "cover", "self", "D");
    const later = step("X4", "pollinate", "self", "C");
    const atDusk = step("X5", "cover", "self", "C", { part: "evening" });
    expect(codes([a, own, elsewhere, b, later, atDusk])).toEqual([["X1", "X2"], ["own"], ["X3"], ["X4"], ["X5"]]);
    expect([isStepOf([a]), isStepOf([a, b]), isStepOf([own, own])]).toEqual([false, true, false]);
  });

  test("say their flowers together, and how many are selfed or crossed; one by itself says its own", () => {
    expect(titleOfStep([a, b] as StepTask[])).toBe("Bag buds: 4 mother flowers, 2 selfings");
    const crossed = [a, step("X6", "cover", "cross", "C")] as StepTask[];
    expect(titleOfStep(crossed)).toBe("Bag buds: 4 mother flowers, 2 crosses");
    expect(titleOfCross(step("X4", "pollinate", "self", "C") as StepTask)).toBe("Pollinate: 3 flowers");
    expect(titleOfCross(step("X4", "check", "self", "C") as StepTask)).toBe("Pollinate: 3 fruits");
    const males = { kind: "father", count: 8, step: { action: "cover", father: { title: "Tie buds", unit: "male" } } };
    expect(titleOfCross(step("X4", "cover", "self", "C", males) as StepTask)).toBe("Tie buds: 8 males");
  });
});
