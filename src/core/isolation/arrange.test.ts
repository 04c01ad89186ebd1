import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/day";
import { bed, scene, stand } from "../tests/place";
import { type ArrangeTask, arrange, changesOf, judge, optionsOf } from "./arrange";
import type { Scene } from "./scene";

const two = scene([stand(1, { bed: bed(1, 0) }), stand(2, { bed: bed(2, 14) })]);
const task = (more: Partial<ArrangeTask> = {}, of: Scene = two): ArrangeTask => ({
  scene: of,
  stands: ["1", "2"],
  windows: [
    { from: "2027-04-17", to: "2027-05-20" },
    { from: "2027-05-01", to: "2027-05-01" },
  ],
  step: 7,
  beds: ["90"],
  means: ["open", "cage"],
  ...more,
});

describe("what a search may choose from", () => {
  test("begins with the plan as it is", () => {
    for (const [i, options] of optionsOf(task()).entries())
      expect(options[0]).toEqual({ shift: 0, bedId: String(i + 1), means: "open" });
  });

  test("sowings keep to each stand's own dates, in steps", () => {
    const shifts = optionsOf(task()).map((options) => [...new Set(options.map((o) => o.shift))].sort((a, b) => a - b));
    expect(shifts[1]).toEqual([0]);
    expect(shifts[0]!.length).toBeGreaterThan(3);
    for (const shift of shifts[0]!.filter((s) => s !== 0)) {
      const sown = addDays("2027-05-01", shift);
      expect(sown >= "2027-04-17" && sown <= "2027-05-20").toBe(true);
    }
  });

  test("no sowing lies in the past", () => {
    const late = { ...two, today: "2027-05-10" };
    for (const { shift } of optionsOf(task({}, late))[0]!)
      expect(shift === 0 || addDays("2027-05-01", shift) >= late.today).toBe(true);
  });

  test("beds are those given, free of others, and large enough; a stand in flower stays where it is", () => {
    const beds = (of: Scene, more: Partial<ArrangeTask> = {}) => [
      ...new Set(optionsOf(task(more, of))[0]!.map((o) => o.bedId)),
    ];
    expect(beds(two)).toEqual(["1", "90"]);
    expect(
      beds(two, { stands: ["1"], windows: [{ from: "2027-05-01", to: "2027-05-01" }], beds: ["2", "90"] }),
    ).toEqual(["1", "90"]);
    const small = { ...two, beds: [...two.beds, bed(5, 60, { width: 1, length: 1 })] };
    expect(beds(small, { beds: ["5"] })).toEqual(["1"]);
    const [first, ...rest] = two.stands;
    const blooming = { ...two, stands: [{ ...first!, window: { ...first!.window, observed: true } }, ...rest] };
    expect(beds(blooming)).toEqual(["1"]);
  });

  test("a stand that is caged already may stay so", () => {
    const [first, ...rest] = two.stands;
    const caged = { ...two, stands: [{ ...first!, flowers: "covered" as const, cover: "cage" as const }, ...rest] };
    expect(optionsOf(task({}, caged))[0]![0]!.means).toBe("cage");
  });
});

describe("how a plan is judged", () => {
  const judgePlan = judge(task());
  const stay = (id: string) => ({ shift: 0, bedId: id, means: "open" as const });

  test("the present plan costs nothing but its faults", () => {
    const now = judgePlan([stay("1"), stay("2")]);
    expect(now).toMatchObject({ labour: 0, over: 2, late: 0 });
    expect(now.score).toBeGreaterThan(2000);
  });

  test("labour is added up, and never outweighs a stand over its limit", () => {
    const caged = judgePlan([{ ...stay("1"), means: "cage" }, stay("2")]);
    expect(caged.labour).toBe(12);
    const moved = judgePlan([{ shift: 14, bedId: "90", means: "cage" }, stay("2")]);
    expect(moved.labour).toBeCloseTo(12 + 1 + 0.5);
    expect(moved.score).toBeLessThan(judgePlan([stay("1"), stay("2")]).score);
  });

  test("two stands are not put into one bed by the search", () => {
    const together = judgePlan([
      { ...stay("1"), bedId: "90" },
      { ...stay("2"), bedId: "90" },
    ]);
    const apart = judgePlan([{ ...stay("1"), bedId: "90" }, stay("2")]);
    expect(together.score).toBeGreaterThan(apart.score + 2000);
  });

  test("what a plan changes is only what differs", () => {
    expect(changesOf(task(), [stay("1"), stay("2")])).toEqual([]);
    expect(
      changesOf(task(), [
        { shift: 7, bedId: "90", means: "cage" },
        { ...stay("2"), means: "hand" },
      ]),
    ).toEqual([
      { kind: "resow", standId: "1", sown: "2027-05-08" },
      { kind: "move", standId: "1", bedId: "90" },
      { kind: "cover", standId: "1", cover: "cage", mesh: "net" },
      { kind: "hand", standId: "2" },
    ]);
  });
});

describe("a search under way", () => {
  test("tells of itself often, never gets worse, and can be left at any step", () => {
    const run = arrange(task(), 3, 2, 400);
    let best = Number.POSITIVE_INFINITY;
    let share = 0;
    let steps = 0;
    for (;;) {
      const { done, value } = run.next();
      expect(value.judged.score).toBeLessThanOrEqual(best);
      expect(value.share).toBeGreaterThanOrEqual(share);
      expect(value.share).toBeLessThanOrEqual(1);
      expect(judge(task())(value.plan).score).toBeCloseTo(value.judged.score, 9);
      best = value.judged.score;
      share = value.share;
      steps++;
      if (done) break;
    }
    expect(steps).toBeGreaterThan(8);
    expect(share).toBe(1);
  });
});
